//! Forms that zsh alone has: `for x (a b)`, bodies without `do`, `repeat`, `foreach`, `always`,
//! functions without a name (zshmisc, "Alternate Forms For Complex Commands"; observed in zsh 5.9).

use std::rc::Rc;

use crate::dialect::LoneSign;
use crate::source::Span;
use crate::syntax::Parser;
use crate::syntax::ast::{CommandKind, List, Word};
use crate::syntax::compound::RESERVED_CLOSERS;
use crate::syntax::cursor::Parsed;
use crate::syntax::within::Within;

impl Parser<'_> {
    /// Whether a newline or a semicolon stands here.
    pub(super) fn at_separator(&self) -> bool {
        matches!(self.raw(), Some(b'\n' | b';')) && !self.at_branch_end()
    }

    /// Whether what is around a command ends here, which may lack its body then.
    pub(super) fn at_body_end(&mut self) -> bool {
        self.dialect.short_forms
            && (matches!(self.peek(), None | Some(b')'))
                || self.at_branch_end()
                || self.at_reserved(b"}"))
    }

    /// Whether a reserved word goes on with what is around a command, which may lack its body then. `own` are the words
    /// that go on with the command itself.
    fn at_word_of_others(&mut self, own: &[&[u8]]) -> bool {
        self.dialect.short_forms
            && RESERVED_CLOSERS.iter().any(|word| !own.contains(word) && self.at_reserved(word))
    }

    /// Whether the body of a function behind `function` is left away here.
    pub(super) fn body_is_left_away(&mut self) -> bool {
        self.dialect.short_forms
            && !self.at_separator()
            && self.sign_stands_alone(LoneSign::NotBefore(&["&"]))
    }

    /// A body: `do list done`, `{ list }`, or one and-or list.
    pub(super) fn short_body(&mut self, start: usize, opener: &'static str) -> Parsed<List> {
        self.skip_newlines()?;
        if self.at_body_end() || (opener != "foreach" && self.at_word_of_others(&[b"do"])) {
            return Ok(List::default());
        }
        self.replace_aliases_of_closers()?;
        if self.at_reserved(b"do") {
            return self.do_group(start, opener);
        }
        if self.eat_reserved(b"{") {
            let body = self.full_list()?;
            self.expect_reserved("}", (start, opener))?;
            return Ok(body);
        }
        if opener == "foreach" || self.dialect.end_ends_loops {
            return self.body_to_end(start, opener);
        }
        let stands_alone = match opener {
            "repeat" => self.dialect.lone_repeated_bodies,
            _ => self.dialect.lone_bodies,
        };
        if !stands_alone {
            return self.unexpected("do or {");
        }
        Ok(List { items: vec![self.and_or()?] })
    }

    /// `list end`
    fn body_to_end(&mut self, start: usize, opener: &'static str) -> Parsed<List> {
        let body = self.full_list()?;
        self.expect_reserved("end", (start, opener))?;
        Ok(body)
    }

    /// The body behind a condition that ends by itself, such as `[[ ... ]]` or `( ... )`, and whether it stands
    /// in braces; an empty one where what is around the command ends, but `if` minds the end of the text. `None` where
    /// the usual reserved word follows.
    pub(super) fn short_branch(
        &mut self,
        condition: &List,
        start: usize,
        opener: &'static str,
    ) -> Parsed<Option<(List, bool)>> {
        let own: &[&[u8]] = if opener == "if" { &[b"then", b"else", b"elif"] } else { &[b"do"] };
        let ends = (self.at_body_end() && (opener != "if" || !self.at_end()))
            || self.at_word_of_others(own);
        if ends {
            if self.dialect.short_forms && !self.dialect.lone_bodies {
                return self.unexpected("do or {");
            }
            return Ok(Some((List::default(), false)));
        }
        let ends_itself = condition.items.last().is_some_and(|last| {
            let pipeline = last.rest.last().map_or(&last.first, |(_, pipeline)| pipeline);
            let command = pipeline.commands.last();
            command.is_some_and(|command| !matches!(command.kind, CommandKind::Simple(_)))
        });
        self.skip_blanks();
        let usual = self.at_reserved(b"then") || self.at_reserved(b"do") || self.at_end();
        let loops = self.dialect.loops_take_braces && opener != "if";
        if loops && ends_itself && self.eat_reserved(b"{") {
            let body = self.full_list()?;
            self.expect_reserved("}", (start, opener))?;
            return Ok(Some((body, true)));
        }
        if self.dialect.end_ends_loops && opener != "if" && self.at_reserved(b"end") {
            return Ok(Some((self.body_to_end(start, opener)?, false)));
        }
        if !self.dialect.short_forms || !ends_itself || usual {
            return Ok(None);
        }
        let braces = self.at_reserved(b"{");
        Ok(Some((self.short_body(start, opener)?, braces)))
    }

    /// Further variables of a `for`.
    pub(super) fn more_names(&mut self, names: &mut Vec<(Rc<[u8]>, Span)>) -> Parsed<()> {
        while self.dialect.short_forms && self.at_word() {
            // Reserved words, among which are those that declare, begin the body.
            const OPENERS: [&[u8]; 18] = [
                b"in",
                b"do",
                b"[[",
                b"function",
                b"coproc",
                b"nocorrect",
                b"time",
                b"repeat",
                b"foreach",
                b"end",
                b"declare",
                b"export",
                b"float",
                b"integer",
                b"local",
                b"readonly",
                b"typeset",
                b"!",
            ];
            let mut openers = OPENERS.iter().chain(RESERVED_CLOSERS);
            if self.at_compound() || openers.any(|word| self.at_reserved(word)) {
                break;
            }
            let at = self.pos;
            let word = self.word(Within::Word)?;
            match word.literal().filter(|name| self.names_variable(name)) {
                Some(name) => names.push((name.into(), word.span)),
                None => {
                    self.pos = at;
                    return self.unexpected("in, ( or a body");
                }
            }
            self.skip_blanks();
        }
        Ok(())
    }

    /// `( words )` of a loop, up to the separator behind them.
    pub(super) fn words_in_parentheses(&mut self) -> Parsed<Option<Vec<Word>>> {
        if !self.dialect.short_forms || !self.eat(b"(") {
            return Ok(None);
        }
        let mut words = Vec::new();
        loop {
            self.skip_newlines()?;
            if self.eat(b")") {
                break;
            }
            words.push(self.expect_word("a word or )")?);
        }
        self.skip_blanks();
        if !self.at(b";;") {
            self.eat(b";");
        }
        Ok(Some(words))
    }

    /// `foreach name (words) list end`
    pub(super) fn foreach(&mut self, start: usize) -> Parsed<CommandKind> {
        let mut names = vec![self.expect_name()?];
        self.skip_blanks();
        self.more_names(&mut names)?;
        let words = match self.words_in_parentheses()? {
            Some(words) => words,
            None if self.eat_in() => self.words_to_separator()?,
            None => return self.unexpected("( and the words of foreach, or in"),
        };
        let body = self.short_body(start, "foreach")?;
        Ok(CommandKind::For { names, words: Some(words), body, select: false })
    }

    /// `repeat count body`
    pub(super) fn repeat(&mut self, start: usize) -> Parsed<CommandKind> {
        let count = self.expect_word("how often")?;
        self.skip_blanks();
        if !self.at(b";;") {
            self.eat(b";");
        }
        let body = self.short_body(start, "repeat")?;
        Ok(CommandKind::Repeat { count, body })
    }

    /// `always { list }` behind a group.
    pub(super) fn always(&mut self, start: usize) -> Parsed<Option<List>> {
        self.skip_blanks();
        if !self.dialect.short_forms {
            return Ok(None);
        }
        self.replace_aliases_of_closers()?;
        if !self.eat_reserved(b"always") {
            return Ok(None);
        }
        self.skip_blanks();
        if !self.eat_reserved(b"{") {
            return self.unexpected("{ behind always");
        }
        let cleanup = self.full_list()?;
        self.expect_reserved("}", (start, "always {"))?;
        Ok(Some(cleanup))
    }

    /// `()` with a body behind it, where a command may stand.
    pub(super) fn anonymous(&mut self, open: usize) -> Parsed<Option<CommandKind>> {
        if !self.dialect.short_forms {
            return Ok(None);
        }
        self.pos = open + 1;
        if !self.eat(b")") {
            self.pos = open;
            return Ok(None);
        }
        self.skip_newlines()?;
        Ok(Some(self.called_at_once()?))
    }

    /// The body and the arguments of a function without a name.
    pub(super) fn called_at_once(&mut self) -> Parsed<CommandKind> {
        let body = Rc::new(self.deeper(Parser::command)?);
        let mut words = Vec::new();
        self.more_words(&mut words)?;
        Ok(CommandKind::Anonymous { body, words })
    }

    /// The words of a function without a name that stand behind its redirections; false if there are none.
    pub(super) fn words_behind_redirects(&mut self, kind: &mut CommandKind) -> Parsed<bool> {
        match kind {
            CommandKind::Anonymous { words, .. } => self.more_words(words),
            _ => Ok(false),
        }
    }

    fn more_words(&mut self, words: &mut Vec<Word>) -> Parsed<bool> {
        let before = words.len();
        self.skip_blanks();
        while self.at_word() || self.at_bare_group() {
            words.push(self.word(Within::Word)?);
            self.skip_blanks();
        }
        Ok(words.len() > before)
    }
}
