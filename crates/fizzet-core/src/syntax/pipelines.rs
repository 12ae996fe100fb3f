//! Pipelines: `!`, `time`, and commands with bars between them (POSIX XCU 2.9.2).

use crate::dialect::LoneSign;
use crate::syntax::ast::{Command, CommandKind, Pipeline};
use crate::syntax::compound::RESERVED_CLOSERS;
use crate::syntax::cursor::{Parsed, Parser};

/// What stands before the commands of a pipeline.
#[derive(Default)]
struct Signs {
    /// Whether an odd number of `!` does.
    negated: bool,
    /// Whether any `!` does.
    any: bool,
    /// Whether `time` does.
    timed: bool,
}

impl Parser<'_> {
    /// `!` and `time`, then commands with bars between them.
    pub(super) fn pipeline(&mut self) -> Parsed<Pipeline> {
        let outer = self.in_time;
        let pipeline = self.pipeline_here();
        self.in_time = outer;
        pipeline
    }

    fn pipeline_here(&mut self) -> Parsed<Pipeline> {
        let start = self.start();
        let mut end = start;
        let mut signs = self.signs_before(&mut end)?;
        let alone = match (signs.timed, signs.any) {
            (true, _) => self.dialect.lone_time,
            (false, true) => self.dialect.lone_negation,
            (false, false) => LoneSign::Never,
        };
        self.skip_blanks();
        let mut commands = Vec::new();
        let is_bare = self.sign_stands_alone(alone);
        if is_bare && self.at_bar() {
            // What the bar leads on from is the sign alone.
            let Signs { negated, timed, .. } = std::mem::take(&mut signs);
            let span = self.span(start, end);
            let kind = Pipeline { negated, timed, commands: Vec::new(), span };
            let kind = CommandKind::Pipeline(Box::new(kind));
            commands.push(Command { kind, redirects: Vec::new(), span });
        }
        let mut goes_on = !is_bare || self.eat_bar()?;
        while goes_on {
            let is_inside = signs.negated || !commands.is_empty();
            if is_inside && self.dialect.coprocesses_begin_lists && self.at_coprocess() {
                return self.unexpected("a command");
            }
            commands.push(self.deeper(Parser::command)?);
            end = self.pos;
            self.skip_blanks();
            goes_on = self.eat_bar()?;
        }
        let Signs { negated, timed, .. } = signs;
        Ok(Pipeline { negated, timed, commands, span: self.span(start, end) })
    }

    /// What stands before the commands of a pipeline; `end` is put behind it.
    fn signs_before(&mut self, end: &mut usize) -> Parsed<Signs> {
        let mut signs = Signs::default();
        loop {
            self.replace_aliases_of_command()?;
            if (!signs.negated || self.dialect.repeated_negation) && self.eat_reserved(b"!") {
                (signs.negated, signs.any) = (!signs.negated, true);
            } else if self.dialect.time_reserved
                && !(self.in_time && self.dialect.one_time)
                && self.eat_reserved(b"time")
            {
                (signs.timed, self.in_time) = (true, true);
                self.skip_blanks();
                if self.dialect.time_takes_option {
                    self.eat_reserved(b"-p");
                    self.skip_blanks();
                }
                if self.dialect.time_takes_dashes {
                    self.eat_reserved(b"--");
                }
            } else {
                return Ok(signs);
            }
            *end = self.pos;
        }
    }

    /// Whether no command need follow `!`, `time` or `coproc` here.
    pub(super) fn sign_stands_alone(&mut self, alone: LoneSign) -> bool {
        match alone {
            LoneSign::Never => false,
            LoneSign::BeforeSeparators => {
                self.at_end() || self.at(b"\n") || (self.at(b";") && !self.at_branch_end())
            }
            LoneSign::NotBefore(refused) => {
                let refuses = |sign: &str| refused.contains(&sign);
                let is_refused = (refuses("|") && self.at_bar())
                    || (refuses("&") && self.at(b"&") && !self.at(b"&&"));
                let ends = matches!(self.peek(), None | Some(b'\n' | b';' | b'&' | b'|' | b')'));
                let closes = |parser: &mut Self| {
                    RESERVED_CLOSERS.iter().any(|word| parser.at_reserved(word))
                };
                !is_refused && (ends || self.at_end() || closes(self))
            }
        }
    }

    fn at_bar(&self) -> bool {
        self.at(b"|") && !self.at(b"||")
    }

    /// Steps over a bar, and the newlines behind it; answers whether there was one.
    fn eat_bar(&mut self) -> Parsed<bool> {
        let leads_coprocess = self.dialect.coprocess_operator && self.at(b"|&");
        if !self.at_bar() || leads_coprocess {
            return Ok(false);
        }
        let both = self.dialect.pipe_both && self.eat(b"|&");
        if !both {
            self.eat(b"|");
        }
        self.skip_newlines()?;
        Ok(true)
    }
}
