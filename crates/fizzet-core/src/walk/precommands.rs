//! Words before a command that only say how it is carried out, in zsh (zshmisc, Precommand Modifiers).

use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::ast::{Argument, Redirect, SimpleCommand};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::arguments::literal;

/// The words behind which a command is looked for.
const PRECOMMANDS: [&[u8]; 5] = [b"command", b"builtin", b"noglob", b"nocorrect", b"-"];

impl Walker {
    /// The words `noglob` and `nocorrect` before a command.
    pub(super) fn precommand_words<'a>(&self, words: &'a [Argument]) -> &'a [Argument] {
        let is_one = |word: &&Argument| matches!(literal(word), Some(b"noglob" | b"nocorrect"));
        match self.state.dialect.precommand_words {
            true => &words[..words.iter().take_while(is_one).count()],
            false => &[],
        }
    }

    /// What comes of words behind which no command is written: redirections are a mistake then, and behind `command`
    /// assignments are not looked at. `None` where there is a command, or these words are nothing special.
    pub(super) fn without_command(
        &mut self,
        command: &SimpleCommand,
        redirects: &[Redirect],
        span: Span,
    ) -> Option<Result<(), Stop>> {
        let first = literal(command.words.first()?)?;
        if !self.state.dialect.precommand_words || !PRECOMMANDS.contains(&first) {
            return None;
        }
        let says_how = |word: &Argument| match literal(word) {
            Some(word) if first == b"command" => matches!(word, b"-p" | b"--"),
            word => word.is_some_and(|word| PRECOMMANDS.contains(&word)),
        };
        if !command.words[1..].iter().all(says_how) {
            return None;
        }
        let assigns = !command.assignments.is_empty();
        if !redirects.is_empty() && !assigns && first != b"nocorrect" {
            return Some(Err(self.state.mistake("there is no command to redirect", span, 1)));
        }
        if first != b"command" {
            return None;
        }
        self.state.status = 0;
        Some(Ok(()))
    }

    /// The mistake of options behind `exec` that are not known, or that no command follows: it is found before the
    /// redirections are made.
    pub(super) fn exec_has_command(&self, argv: &[Text], span: Span) -> Result<(), Stop> {
        let [first, words @ ..] = argv else { return Ok(()) };
        if !self.state.dialect.precommand_words || first.bytes() != b"exec" {
            return Ok(());
        }
        let mut words = words.iter().map(Text::bytes).peekable();
        let mut options = false;
        while let Some(word) = words.next() {
            match word {
                b"-" => options = false,
                b"--" if words.peek().is_some() => return Ok(()),
                [b'-', letters @ ..] => {
                    options = true;
                    let flags = letters.iter().take_while(|letter| b"cl-".contains(letter)).count();
                    match &letters[flags..] {
                        [] => {}
                        [b'a'] => options = words.next().is_some(),
                        [b'a', ..] => {}
                        _ => break,
                    }
                }
                _ => return Ok(()),
            }
        }
        let message = "exec: there is an option, but no command to carry out";
        match options {
            true => Err(Stop::shell(message, span, 1)),
            false => Ok(()),
        }
    }

    /// Whether `exec` without anything behind it makes the assignments before it stay.
    pub(super) fn is_lone_exec(&self, argv: &[Text]) -> bool {
        self.state.dialect.precommand_words && matches!(argv, [word] if word.bytes() == b"exec")
    }
}
