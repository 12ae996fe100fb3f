//! `coproc` of bash and zsh: a command, or a pipeline, that runs beside the shell.

use crate::source::Span;
use crate::syntax::ast::{Argument, Command, CommandKind, List, Part, Word};
use crate::syntax::compound::RESERVED_CLOSERS;
use crate::syntax::cursor::{Parsed, Parser};
use crate::syntax::within::Within;

/// The array that tells the descriptors of a coprocess without a name.
pub(crate) const DEFAULT_NAME: &[u8] = b"COPROC";

impl Parser<'_> {
    /// Whether a coprocess begins here.
    pub(super) fn at_coprocess(&mut self) -> bool {
        self.dialect.coprocesses && self.at_reserved(b"coproc")
    }

    /// `coproc`, up to the end of its command.
    pub(super) fn coprocess(&mut self) -> Parsed<CommandKind> {
        self.eat_reserved(b"coproc");
        self.skip_blanks();
        if self.sign_stands_alone(self.dialect.lone_coprocess) {
            return Ok(CommandKind::Group(List::default()));
        }
        let name = self.coprocess_name()?;
        let is_function = self.dialect.named_coprocesses && self.at_reserved(b"function");
        if is_function || self.at_coprocess() {
            return self.unexpected("a command");
        }
        let mut command = Box::new(self.coprocess_command()?);
        if name.is_none() {
            self.take_name_for_command(&mut command);
        }
        Ok(CommandKind::Coprocess { name, command })
    }

    /// What a coprocess carries out: a command, or a pipeline where coprocesses stand for those.
    fn coprocess_command(&mut self) -> Parsed<Command> {
        if !self.dialect.coprocesses_begin_lists {
            return self.deeper(Parser::command);
        }
        if self.at_reserved(b"!") {
            return self.unexpected("a command");
        }
        let mut pipeline = self.deeper(Parser::pipeline)?;
        match pipeline.commands.pop() {
            Some(command)
                if pipeline.commands.is_empty() && !pipeline.negated && !pipeline.timed =>
            {
                Ok(command)
            }
            last => {
                pipeline.commands.extend(last);
                let (span, kind) = (pipeline.span, CommandKind::Pipeline(Box::new(pipeline)));
                Ok(Command { kind, redirects: Vec::new(), span })
            }
        }
    }

    /// A command substitution is read twice, the second time as the shell words it: there the name that a coprocess
    /// has by itself stands before a simple command, and is its first word.
    fn take_name_for_command(&self, command: &mut Command) {
        let is_read_twice = self.parentheses.1 > 0 && self.dialect.named_coprocesses;
        if let (true, CommandKind::Simple(simple)) = (is_read_twice, &mut command.kind) {
            let (bytes, span) =
                (DEFAULT_NAME.into(), Span { end: command.span.start, ..command.span });
            let name = Word::new(vec![Part::Generated { bytes, span }], span);
            simple.words.insert(0, Argument::Word(name));
        }
    }

    /// The word that names a coprocess, where a compound command follows it.
    fn coprocess_name(&mut self) -> Parsed<Option<Word>> {
        const OPENERS: [&[u8]; 8] =
            [b"{", b"[[", b"if", b"while", b"until", b"for", b"case", b"select"];
        self.skip_blanks();
        let start = self.pos;
        let opens = |parser: &mut Self| OPENERS.iter().any(|word| parser.at_reserved(word));
        let may_be_named = self.dialect.named_coprocesses && !opens(self) && self.at_word();
        if !may_be_named || self.assignment_value().is_some() {
            return Ok(None);
        }
        let name = self.word(Within::Word)?;
        self.skip_blanks();
        if self.peek() == Some(b'(') || opens(self) {
            return Ok(Some(name));
        }
        // Reserved words count behind the word that could be a name.
        let others: [&[u8]; 4] = [b"in", b"!", b"function", b"coproc"];
        if RESERVED_CLOSERS.iter().chain(&others).any(|word| self.at_reserved(word)) {
            return self.unexpected("a command");
        }
        self.pos = start;
        Ok(None)
    }
}
