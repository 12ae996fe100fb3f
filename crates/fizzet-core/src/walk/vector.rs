//! The vector of a simple command: as a program receives it, and as it is told of.

use std::rc::Rc;

use crate::expand::Context;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::stop::{Reach, Stop};
use crate::text::{Standing, Text};
use crate::trace::{
    AssignmentTrace, CommandKind, CommandTrace, Expansion, RedirectTrace, WordTrace,
};
use crate::walk::Walker;

/// A simple command whose words are expanded.
pub(super) struct Ready {
    pub(super) argv: Vec<Text>,
    pub(super) words: Vec<WordTrace>,
    /// A `-` before it, which marks the name that a program gets.
    pub(super) dash: Option<Text>,
    pub(super) kind: CommandKind,
    pub(super) span: Span,
}

impl Walker {
    /// The vector of a command for which everything is made, which is told of now.
    pub(super) fn announced(
        &mut self,
        ready: Ready,
        assignments: Vec<AssignmentTrace>,
        redirections: &[RedirectTrace],
    ) -> Result<Rc<Vec<Text>>, Stop> {
        let Ready { mut argv, words, dash, kind, span } = ready;
        if kind == CommandKind::External {
            argv.iter_mut().for_each(cut_at_nul);
            self.name_otherwise(&mut argv, dash);
        }
        let counts = kind == CommandKind::Function
            || argv.first().is_some_and(|name| name.bytes() == b"set");
        if counts {
            self.count_words(&argv, span);
        }
        let argv = Rc::new(argv);
        let absent = kind == CommandKind::External && self.is_absent(&argv);
        self.latest = kind;
        if self.wants.commands {
            let sought = self.sought.clone();
            let way = match kind {
                CommandKind::External if !absent => self.way(&argv),
                _ => None,
            };
            let (argv, redirections) = (argv.clone(), redirections.to_vec());
            self.announce(CommandTrace {
                argv,
                sought,
                kind,
                absent,
                span,
                assignments,
                redirections,
                words,
                way,
            })?;
        }
        Ok(argv)
    }

    /// Says of words whose number counts that nobody knows it, if that is so.
    pub(super) fn count_words(&mut self, words: &[Text], span: Span) {
        if words.iter().any(Text::may_be_several) {
            self.missing("how many words this becomes", span);
        }
    }

    /// The program that a redirection without a command runs: what READNULLCMD names where there is
    /// nothing but one file to read, else what NULLCMD names.
    pub(super) fn lone_command(
        &self,
        redirections: &[RedirectTrace],
    ) -> Result<(Text, WordTrace), Stop> {
        let span = redirections[0].span;
        if self.state.dialect.lone_redirection_fails {
            let message = "there is a redirection, but no command, and the option cshnullcmd is on";
            return Err(Stop::error(message, span, 1, Reach::Shell));
        }
        let named = |name: &'static [u8]| {
            let text = self.state.variables.scalar(name).filter(|text| !text.is_empty())?;
            let hop = Hop { rule: Rule::Parameter, span, name: Some(name.into()), shifted: 0 };
            Some((name, text.passed_through(&hop, Standing::Splittable)))
        };
        let reads = matches!(redirections, [one] if one.operator == "<");
        let reader = if reads { named(b"READNULLCMD") } else { None };
        let Some((name, program)) = reader.or_else(|| named(b"NULLCMD")) else {
            let message = "there is no command, and NULLCMD names none";
            return Err(Stop::error(message, span, 1, Reach::Shell));
        };
        let expansion = Expansion {
            rule: Rule::Parameter,
            span,
            name: Some(name.into()),
            quoted: false,
            count: 1,
            filled: 1,
        };
        let word = WordTrace::new(span, 0);
        Ok((program, WordTrace { count: 1, expansions: vec![expansion], ..word }))
    }

    /// Gives a program the first element that it is to see: behind a lone `-` its name is marked as
    /// that of a login shell, and an exported ARGV0 takes its place.
    pub(super) fn name_otherwise(&mut self, argv: &mut [Text], dash: Option<Text>) {
        let Some(name) = argv.first_mut() else { return };
        let exported = self.state.dialect.argv_zero_variable;
        let exported = self.state.variables.get(b"ARGV0").filter(|one| exported && one.exported);
        let given = match (exported.and_then(|variable| variable.scalar()), dash) {
            (Some(zero), _) => zero.clone(),
            (None, Some(mut dash)) => {
                dash.push_text(name);
                dash
            }
            (None, None) => return,
        };
        self.sought = Some(std::mem::replace(name, given));
    }

    /// Takes each lone `-` before a command away.
    pub(super) fn take_dash(&self, argv: &mut Vec<Text>, words: &mut [WordTrace]) -> Option<Text> {
        let is_dash = |name: &&Text| name.bytes() == b"-" && !name.has_hole();
        let dashes = argv.iter().take_while(is_dash).count();
        if dashes == 0 || !self.state.dialect.dash_marks_login {
            return None;
        }
        drop_first(dashes, argv, words)
    }
}

/// An argument as a program receives it: a NUL ends it.
fn cut_at_nul(text: &mut Text) {
    match text.bytes().iter().position(|&byte| byte == 0) {
        Some(at) if at > 0 => *text = text.slice(0, at),
        Some(_) => {
            let mut empty = Text::new();
            if let Some((run, _)) = text.runs().next() {
                empty.push(b"", Standing::Quoted, &run.origin);
            }
            *text = empty;
        }
        None => {}
    }
}

/// Drops the first arguments, and what the words have of them; answers the very first.
fn drop_first(count: usize, argv: &mut Vec<Text>, words: &mut [WordTrace]) -> Option<Text> {
    let mut left = count;
    for word in words {
        let dropped = left.min(word.count);
        word.first = word.first.saturating_sub(count - left);
        word.count -= dropped;
        left -= dropped;
    }
    argv.drain(..count).next()
}

/// Drops the options of `time` that a command begins with.
pub(super) fn drop_options_of_time(
    argv: &mut Vec<Text>,
    words: &mut [WordTrace],
    span: Span,
) -> Result<(), Stop> {
    let is_option = |word: &&Text| word.bytes().len() > 1 && word.bytes().starts_with(b"-");
    let mut count = 0;
    for option in argv.iter().take_while(is_option) {
        count += 1;
        match &option.bytes()[1..] {
            b"-" => break,
            letters if letters.iter().all(|&letter| letter == b'p') => {}
            _ => return Err(Stop::error("time: an option is not known", span, 1, Reach::Shell)),
        }
    }
    drop_first(count, argv, words);
    Ok(())
}
