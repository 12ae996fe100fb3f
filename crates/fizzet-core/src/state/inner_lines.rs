//! How the lines inside a command substitution are counted for LINENO: on from the line of the command around it,
//! and in bash by what it prints of the commands when it has read them (observed in bash 5.2, ksh93u+m, mksh R59 and
//! zsh 5.9: LINENO in substitutions of several lines, with comments, empty and continued lines in them).

use std::cell::OnceCell;
use std::rc::Rc;

use crate::definition;
use crate::dialect::InnerLines as Rule;
use crate::lineage::{self, Hop, Origin};
use crate::source::{Sources, Span};
use crate::syntax::ast::{CommandSubstitution, List};

/// The lines of a substitution that is being carried out.
#[derive(Debug)]
pub(crate) struct InnerLines {
    rule: Rule,
    span: Span,
    list: Rc<List>,
    /// The line of the command around it.
    first: i64,
    /// Where stretches of the source begin that are printed on one line, and how many lines that is behind the first;
    /// found when somebody asks.
    stretches: OnceCell<Vec<(u32, i64)>>,
}

impl InnerLines {
    /// Those of a substitution in a command on the line `first`.
    pub(crate) fn new(rule: Rule, command: &CommandSubstitution, first: i64) -> InnerLines {
        let rule = match rule {
            Rule::Printed if command.lines_count_as_written => Rule::OnAsWritten,
            rule => rule,
        };
        let (span, list) = (command.span, command.list.clone());
        InnerLines { rule, span, list, first, stretches: OnceCell::new() }
    }

    /// Whether a place is inside the substitution.
    pub(crate) fn holds(&self, at: Span) -> bool {
        at.source == self.span.source && (self.span.start..self.span.end).contains(&at.start)
    }

    /// The line of a place inside it, if that is another one than in its source.
    pub(crate) fn line_of(&self, at: Span, sources: &Sources) -> Option<i64> {
        let before = || sources.bytes(Span { end: at.start, ..self.span });
        match self.rule {
            Rule::OfSource => None,
            Rule::None => Some(0),
            Rule::OnAsWritten => Some(self.first + newlines(before())),
            Rule::OnWithoutContinued => {
                let continued = before().windows(2).filter(|two| two == b"\\\n").count();
                Some(self.first + newlines(before()) - continued as i64)
            }
            Rule::Printed => {
                let stretches = self.stretches.get_or_init(|| self.stretches(sources));
                let behind = stretches.partition_point(|&(start, _)| start <= at.start);
                Some(self.first + behind.checked_sub(1).map_or(0, |last| stretches[last].1))
            }
        }
    }

    fn stretches(&self, sources: &Sources) -> Vec<(u32, i64)> {
        let hop = Hop { rule: lineage::Rule::Output, span: self.span, name: None, shifted: 0 };
        let printed = definition::substitution(sources, &self.list, hop);
        let (mut stretches, mut line) = (Vec::new(), 0);
        for (run, bytes) in printed.runs() {
            let Some(from) = run.origin.hops().last().map(Origin::span) else { continue };
            let is_written = from.source == self.span.source && sources.bytes(from) == bytes;
            if is_written {
                stretches.push((from.start, line));
            }
            for (at, _) in bytes.iter().enumerate().filter(|(_, byte)| **byte == b'\n') {
                line += 1;
                if is_written {
                    stretches.push((from.start + at as u32 + 1, line));
                }
            }
        }
        stretches.sort_unstable();
        stretches
    }
}

fn newlines(bytes: &[u8]) -> i64 {
    bytes.iter().filter(|&&byte| byte == b'\n').count() as i64
}
