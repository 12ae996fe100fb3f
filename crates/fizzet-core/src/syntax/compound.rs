//! Compound commands (POSIX XCU 2.9.4 and the shells' own).

use std::rc::Rc;

use crate::dialect::{
    AliasesBehindBlank, BehindRedirections, EmptyBodies, ReservedBehind, SplitEnd,
};
use crate::source::Span;
use crate::syntax::ast::{
    AndOr, CaseBranch, CaseEnd, Command, CommandKind, List, Redirect, SimpleCommand, Word,
};
use crate::syntax::counted::Counted;
use crate::syntax::cursor::{Parsed, Parser, PatternWord, is_meta};
use crate::syntax::error::{SEPARATOR, SyntaxError, SyntaxErrorKind};
use crate::syntax::unquoted::unquoted;
use crate::syntax::within::Within;

/// Reserved words that go on or end a compound command.
pub(super) const RESERVED_CLOSERS: &[&[u8]] =
    &[b"then", b"else", b"elif", b"fi", b"do", b"done", b"esac", b"}"];

impl<'a> Parser<'a> {
    /// One command of a pipeline, with its redirections.
    pub(super) fn command(&mut self) -> Parsed<Command> {
        self.replace_aliases_of_command()?;
        self.replaced_command()
    }

    /// The same, where no alias is looked for.
    pub(super) fn replaced_command(&mut self) -> Parsed<Command> {
        let start = self.start();
        let mut redirects = self.leading_redirects()?;
        if self.aliases_count_behind(&SimpleCommand::default(), &redirects) {
            self.replace_aliases(&[]);
        }
        let Some(mut kind) = self.compound(redirects.is_empty())? else {
            return self.simple_command(start, redirects);
        };
        self.redirects_behind(&mut redirects)?;
        while self.words_behind_redirects(&mut kind)? {
            self.redirects_behind(&mut redirects)?;
        }
        if !redirects.is_empty() && self.at_unreserved(&kind) {
            return self.unexpected(SEPARATOR);
        }
        if self.dialect.group_redirections_replace
            && !redirects.is_empty()
            && let CommandKind::Group(list) = &mut kind
        {
            drop_redirects_of_lone_subshell(list);
        }
        let end = self.pos;
        self.compound_end = end;
        Ok(Command { kind, redirects, span: self.span(start, end) })
    }

    /// Whether a word stands behind the redirections of a command that would go on or end the command around it, had
    /// `;` stood before it.
    fn at_unreserved(&mut self, kind: &CommandKind) -> bool {
        let is_clause = matches!(
            kind,
            CommandKind::If { .. }
                | CommandKind::Loop { .. }
                | CommandKind::For { .. }
                | CommandKind::ArithmeticFor { .. }
                | CommandKind::Repeat { .. }
        );
        let except: &[u8] = match self.dialect.reserved_behind {
            ReservedBehind::All => return false,
            ReservedBehind::Braces if !is_clause => return false,
            ReservedBehind::Braces => b"}",
            ReservedBehind::Esac => b"esac",
            ReservedBehind::None => b"",
        };
        RESERVED_CLOSERS.iter().any(|word| *word != except && self.at_reserved(word))
    }

    /// The redirections before a command that is not simple, where the shell lets them stand there.
    fn leading_redirects(&mut self) -> Parsed<Vec<Redirect>> {
        let mut redirects = Vec::new();
        if self.dialect.behind_redirections != BehindRedirections::Words {
            self.redirects_behind(&mut redirects)?;
        }
        Ok(redirects)
    }

    fn redirects_behind(&mut self, redirects: &mut Vec<Redirect>) -> Parsed<()> {
        self.skip_blanks();
        let takes_names = !self.dialect.compounds_name_no_descriptors;
        while (takes_names || self.peek() != Some(b'{'))
            && let Some(redirect) = self.redirect()?
        {
            self.add_redirect(redirects, redirect)?;
            self.skip_blanks();
        }
        Ok(())
    }

    /// A command that is not simple, if one stands here: `first` in its command, or behind redirections.
    fn compound(&mut self, first: bool) -> Parsed<Option<CommandKind>> {
        let start = self.start();
        if !first && !self.may_stand_behind_redirections() {
            return Ok(None);
        }
        let kind = match self.peek() {
            Some(b'(') => self.parentheses(start)?,
            Some(b'{') if self.eat_reserved(b"{") => {
                let list = self.full_list()?;
                self.expect_reserved("}", (start, "{"))?;
                match self.always(start)? {
                    Some(cleanup) => CommandKind::Always { body: list, cleanup },
                    None => CommandKind::Group(list),
                }
            }
            Some(b'i') if self.eat_reserved(b"if") => self.if_clause(start)?,
            Some(b'w') if self.eat_reserved(b"while") => self.loop_clause(start, false)?,
            Some(b'u') if self.eat_reserved(b"until") => self.loop_clause(start, true)?,
            Some(b'f') if self.eat_reserved(b"for") => self.for_clause(start)?,
            Some(b's') if self.dialect.select && self.eat_reserved(b"select") => {
                self.for_words(start, "select")?
            }
            Some(b'f') if self.dialect.short_forms && self.eat_reserved(b"foreach") => {
                self.foreach(start)?
            }
            Some(b'r') if self.dialect.short_forms && self.eat_reserved(b"repeat") => {
                self.repeat(start)?
            }
            Some(b'c') if self.eat_reserved(b"case") => self.case_clause(start)?,
            Some(b'f') if self.dialect.function_keyword && self.eat_reserved(b"function") => {
                self.function_keyword()?
            }
            Some(b'[') if self.dialect.double_brackets && self.eat_reserved(b"[[") => {
                self.conditional(start)?
            }
            Some(b'c') if self.at_coprocess() => self.coprocess()?,
            Some(b'!' | b't') if self.at_inner_pipeline() => {
                CommandKind::Pipeline(Box::new(self.deeper(Parser::pipeline)?))
            }
            Some(b'!') if self.at_reserved(b"!") => return self.unexpected("a command"),
            Some(b'}') if !first && self.at_reserved(b"}") => return Ok(None),
            Some(_) if self.at_no_command() => return self.unexpected("a command"),
            _ => return Ok(None),
        };
        Ok(Some(kind))
    }

    /// Whether a reserved word stands here that begins no command.
    fn at_no_command(&mut self) -> bool {
        let never = self.dialect.never_commands;
        RESERVED_CLOSERS.iter().any(|word| self.at_reserved(word))
            || never.iter().any(|word| self.at_reserved(word.as_bytes()))
    }

    /// Whether a pipeline begins here where one command may stand.
    pub(super) fn at_inner_pipeline(&mut self) -> bool {
        let is_plain = self.in_time && self.dialect.one_time;
        let openers = if is_plain { &[] } else { self.dialect.pipelines_begin_with };
        openers.iter().any(|word| self.at_reserved(word.as_bytes()))
    }

    /// Whether what stands here may be a command that is not simple behind redirections.
    fn may_stand_behind_redirections(&mut self) -> bool {
        match self.dialect.behind_redirections {
            BehindRedirections::Words => false,
            BehindRedirections::Subshells => self.at(b"(") && !self.at(b"(("),
            BehindRedirections::Parentheses => self.at(b"("),
            BehindRedirections::Commands => true,
        }
    }

    /// `((...))` if it closes as one, else `( list )`.
    fn parentheses(&mut self, start: usize) -> Parsed<CommandKind> {
        let open = self.pos;
        if self.dialect.double_parentheses
            && !self.not_arithmetic.contains(&open)
            && self.eat(b"((")
        {
            let drops_quotes = self.dialect.arithmetic_command_drops_quotes;
            let inside = self.pos;
            let expression = self.whole_arithmetic(drops_quotes);
            self.refuse_split_end()?;
            let counted = self.counted_end(open, expression.is_ok());
            if let Counted::Cut(end) = counted {
                return Ok(CommandKind::Arithmetic(self.cut_expression(inside, end)));
            }
            if let Ok(expression) = expression {
                let is_here = counted != Counted::Elsewhere && self.brackets_pair(inside, self.pos);
                if is_here && self.eat(b"))") {
                    self.check_brackets(&expression)?;
                    return Ok(CommandKind::Arithmetic(expression));
                }
                if self.dialect.open_parentheses_end_with_text && self.at_end() {
                    return Ok(CommandKind::Arithmetic(expression));
                }
            }
            self.not_arithmetic.insert(open);
            if self.dialect.failed_parentheses_are_two {
                self.not_arithmetic.insert(open + 1);
            }
            self.pos = open;
        }
        if let Some(anonymous) = self.anonymous(open)? {
            return Ok(anonymous);
        }
        self.pos = open + 1;
        self.skip_newlines()?;
        let may_be_empty =
            self.dialect.empty_bodies != EmptyBodies::Never || self.at_lone_semicolon();
        let list = self.list_in_parentheses(start, 1, "(")?;
        if list.items.is_empty() && !may_be_empty {
            self.pos -= 1;
            return self.unexpected("a command");
        }
        Ok(CommandKind::Subshell(list))
    }

    /// Refuses a line continuation between two closing parentheses where that is a mistake.
    fn refuse_split_end(&mut self) -> Parsed<()> {
        let is_split = self.text[self.pos..].starts_with(b")\\\n");
        match is_split && self.dialect.split_end == SplitEnd::MistakeOfCommands {
            true => self.unexpected("a second ) on the same line"),
            false => Ok(()),
        }
    }

    fn if_clause(&mut self, start: usize) -> Parsed<CommandKind> {
        let mut branches = Vec::new();
        loop {
            let condition = self.condition_list()?;
            if let Some((body, braces)) = self.short_branch(&condition, start, "if")? {
                branches.push((condition, body));
                self.skip_blanks();
                match braces {
                    true if self.eat_reserved(b"elif") => continue,
                    true if self.eat_reserved(b"else") => {
                        let otherwise = Some(self.short_body(start, "else")?);
                        return Ok(CommandKind::If { branches, otherwise });
                    }
                    _ => return Ok(CommandKind::If { branches, otherwise: None }),
                }
            }
            self.expect_reserved("then", (start, "if"))?;
            let body = self.branch_list()?;
            branches.push((condition, body));
            self.skip_newlines()?;
            if !self.eat_reserved(b"elif") {
                break;
            }
        }
        let otherwise = match self.eat_reserved(b"else") {
            true => Some(self.branch_list()?),
            false => None,
        };
        self.expect_reserved("fi", (start, "if"))?;
        Ok(CommandKind::If { branches, otherwise })
    }

    fn loop_clause(&mut self, start: usize, until: bool) -> Parsed<CommandKind> {
        let condition = self.condition_list()?;
        let opener = if until { "until" } else { "while" };
        let body = match self.short_branch(&condition, start, opener)? {
            Some((body, _)) => body,
            None => self.do_group(start, opener)?,
        };
        Ok(CommandKind::Loop { until, condition, body })
    }

    pub(super) fn do_group(&mut self, start: usize, opener: &'static str) -> Parsed<List> {
        self.expect_reserved("do", (start, opener))?;
        let body = self.full_list()?;
        self.expect_reserved("done", (start, opener))?;
        Ok(body)
    }

    fn for_clause(&mut self, start: usize) -> Parsed<CommandKind> {
        self.skip_blanks();
        if self.dialect.arithmetic_for && self.at(b"((") {
            return self.arithmetic_for(start);
        }
        self.for_words(start, "for")
    }

    fn arithmetic_for(&mut self, start: usize) -> Parsed<CommandKind> {
        self.eat(b"((");
        let clauses = self.pos;
        let first = self.arithmetic(Within::ArithmeticClause)?;
        if !self.eat(b";") {
            return self.unexpected("; and the condition of the loop");
        }
        let condition = self.arithmetic(Within::ArithmeticClause)?;
        if !self.eat(b";") {
            return self.unexpected("; and the step of the loop");
        }
        let step = self.arithmetic(Within::Arithmetic)?;
        self.refuse_split_end()?;
        if self.dialect.loops_count_semicolons {
            let semicolons = |&(_, byte): &(usize, u8)| byte == b';';
            let third = unquoted(&self.text[clauses..self.pos]).filter(semicolons).nth(2);
            if let Some((at, _)) = third {
                self.pos = clauses + at;
                return self.unexpected("))");
            }
        }
        if !self.eat(b"))") {
            return Err(self.unclosed(start, 3, "for ((", "))"));
        }
        for expression in [&first, &condition, &step] {
            self.check_brackets(expression)?;
        }
        self.skip_blanks();
        self.eat(b";");
        let body = self.loop_body(start, "for")?;
        Ok(CommandKind::ArithmeticFor { start: first, condition, step, body })
    }

    /// `do list done`, or `{ list; }` where the shell takes that.
    fn loop_body(&mut self, start: usize, opener: &'static str) -> Parsed<List> {
        if self.dialect.short_forms {
            return self.short_body(start, opener);
        }
        self.skip_newlines()?;
        if self.dialect.braces_as_loop_body && self.eat_reserved(b"{") {
            let body = self.full_list()?;
            self.expect_reserved("}", (start, opener))?;
            return Ok(body);
        }
        self.do_group(start, opener)
    }

    fn for_words(&mut self, start: usize, opener: &'static str) -> Parsed<CommandKind> {
        self.replace_aliases_in(AliasesBehindBlank::Anywhere);
        let mut names = vec![match self.dialect.late_for_names {
            true => {
                let word = self.expect_word("a name")?;
                (word.literal().unwrap_or_default().into(), word.span)
            }
            false => self.loop_name()?,
        }];
        self.skip_blanks();
        self.more_names(&mut names)?;
        let mut words = None;
        if let Some(listed) = self.words_in_parentheses()? {
            words = Some(listed);
        } else if self.eat(b";") {
            self.skip_newlines()?;
        } else {
            self.skip_newlines()?;
            if self.eat_in() {
                words = Some(self.words_to_separator()?);
            }
        }
        let body = self.loop_body(start, opener)?;
        Ok(CommandKind::For { names, words, body, select: opener == "select" })
    }

    /// The name of the variable of a loop, which may be quoted in some shells.
    fn loop_name(&mut self) -> Parsed<(Rc<[u8]>, Span)> {
        if !self.dialect.quoted_for_names {
            return self.expect_name();
        }
        let word = self.expect_word("a name")?;
        match word.fixed().filter(|name| self.dialect.is_name(name) || self.names_member(name)) {
            Some(name) => Ok((name.into(), word.span)),
            None => Err(SyntaxError::new(SyntaxErrorKind::NotAName, word.span)),
        }
    }

    /// Steps over `in`, or an alias for it.
    pub(super) fn eat_in(&mut self) -> bool {
        if self.eat_reserved(b"in") {
            return true;
        }
        match self.dialect.aliases_stand_for_in {
            true => drop(self.replace_aliases(self.dialect.reserved_before_aliases)),
            false => self.replace_aliases_in(AliasesBehindBlank::Anywhere),
        }
        self.eat_reserved(b"in")
    }

    pub(super) fn words_to_separator(&mut self) -> Parsed<Vec<Word>> {
        let mut words = Vec::new();
        loop {
            self.skip_blanks();
            self.replace_aliases_in(AliasesBehindBlank::Lists);
            if self.at_word() || self.at_bare_group() {
                words.push(self.word(Within::Word)?);
                continue;
            }
            match self.peek() {
                Some(b'\n') => self.newline()?,
                Some(b';') if !self.at(b";;") => self.pos += 1,
                _ => return self.unexpected("a word, ; or a newline"),
            }
            return Ok(words);
        }
    }

    fn case_clause(&mut self, start: usize) -> Parsed<CommandKind> {
        self.replace_aliases_in(AliasesBehindBlank::Anywhere);
        self.skip_blanks();
        let word = match self.at_bare_group() {
            true => self.word(Within::Word)?,
            false => self.expect_word("the word to compare")?,
        };
        let is_refused = match word.literal() {
            Some(b"{" | b"}") => self.dialect.lone_braces_are_refused,
            Some(b"!") => self.dialect.case_refuses_bang,
            _ => false,
        };
        if is_refused {
            return self.unexpected("a word in quotes");
        }
        self.skip_newlines()?;
        let braces = self.dialect.case_in_braces && self.eat_reserved(b"{");
        let closer: &'static str = if braces { "}" } else { "esac" };
        if !braces && !self.eat_in() {
            return match self.at_end() {
                true => Err(self.unclosed(start, 4, "case", "in ... esac")),
                false => self.unexpected("in"),
            };
        }
        let mut branches = Vec::new();
        loop {
            self.skip_newlines()?;
            if self.eat_reserved(closer.as_bytes()) {
                return Ok(CommandKind::Case { word, branches });
            }
            if self.at_end() {
                return Err(self.unclosed(start, 4, "case", closer));
            }
            branches.push(self.case_branch(closer)?);
        }
    }

    /// Whether the parenthesis here belongs to the pattern of a `case`: the list goes on behind its closer.
    fn at_group_of_pattern(&mut self) -> bool {
        if !self.at_bare_group() {
            return false;
        }
        let Some(end) = self.parentheses_end(self.pos) else { return false };
        let goes_on = self.text.get(end).is_some_and(|&byte| !is_meta(byte) || byte == b'(');
        let behind = self.text[end..].iter().find(|byte| !matches!(byte, b' ' | b'\t'));
        goes_on || matches!(behind, Some(b')' | b'|'))
    }

    /// The patterns of a branch of `case`, with the parenthesis behind them.
    fn patterns(&mut self) -> Parsed<Vec<Word>> {
        if !self.at_group_of_pattern() {
            self.eat(b"(");
        }
        let may_be_empty = self.dialect.loose_case_patterns;
        let mut patterns: Vec<Word> = Vec::new();
        loop {
            self.skip_blanks();
            let outer = std::mem::replace(&mut self.pattern_word, PatternWord::OfCase);
            let pattern = match self.peek() {
                Some(b'(') if self.at_bare_group() => self.word(Within::Word),
                Some(b'|') if may_be_empty => {
                    Ok(Word::new(Vec::new(), self.span(self.pos, self.pos)))
                }
                Some(b')') if may_be_empty && !patterns.is_empty() => {
                    Ok(Word::new(Vec::new(), self.span(self.pos, self.pos)))
                }
                _ => self.expect_word("a pattern"),
            };
            self.pattern_word = outer;
            patterns.push(pattern?);
            self.skip_blanks();
            if self.eat(b")") {
                return Ok(patterns);
            }
            if (self.at(b"||") && !may_be_empty) || !self.eat(b"|") {
                return self.unexpected("| or )");
            }
        }
    }

    fn case_branch(&mut self, closer: &'static str) -> Parsed<CaseBranch> {
        self.replace_aliases_in(AliasesBehindBlank::Anywhere);
        let start = self.start();
        let is_new = self.left_away.last().is_none_or(|&last| last < start);
        if self.parentheses.1 > 0 && is_new && self.text.get(start) == Some(&b'(') {
            self.left_away.push(start);
        }
        let patterns = match self.patterns() {
            Err(error)
                if self.dialect.loose_case_patterns && self.text.get(start) == Some(&b'(') =>
            {
                // All of it is one pattern, with blanks in it.
                let end = self.parentheses_end(start);
                self.pos = start;
                let pattern = self.word(Within::Word)?;
                if end.is_some_and(|end| end < self.pos) {
                    return Err(error);
                }
                vec![pattern]
            }
            patterns => patterns?,
        };
        let body = self.compound_list()?;
        self.skip_newlines()?;
        let end = if (self.dialect.case_continue_ampersand && self.eat(b";;&"))
            || (self.dialect.case_continue_bar && self.eat(b";|"))
        {
            CaseEnd::Continue
        } else if self.eat(b";;") {
            CaseEnd::Leave
        } else if self.dialect.case_fall && self.eat(b";&") {
            CaseEnd::Fall
        } else if self.at_reserved(closer.as_bytes()) {
            CaseEnd::Leave
        } else {
            return self.unexpected(";; or esac");
        };
        Ok(CaseBranch { patterns, body, end })
    }
}

/// Takes the redirections off the subshell that is all there is in a list, alone or in groups; whether there
/// is one.
fn drop_redirects_of_lone_subshell(list: &mut List) -> bool {
    let [AndOr { first, rest, background: false, .. }] = &mut list.items[..] else { return false };
    let [command] = &mut first.commands[..] else { return false };
    let is_alone = rest.is_empty() && !first.negated && !first.timed;
    let drops = is_alone
        && match &mut command.kind {
            CommandKind::Subshell(_) => true,
            CommandKind::Group(list) => drop_redirects_of_lone_subshell(list),
            _ => false,
        };
    if drops {
        command.redirects.clear();
    }
    drops
}
