//! `[[ ]]`, and the tests that it shares with `test`.

use std::borrow::Cow;
use std::cmp::Ordering;

use bstr::ByteSlice;

use crate::dialect::{AskedParameters, ComparisonMistake, RegularQuotes};
use crate::expand::pattern::Pattern;
use crate::expand::places::{keep_match, keep_places};
use crate::expand::regular::{Quoted, Regular, Rules};
use crate::expand::unknown;
use crate::expand::{self, Context, Tilde, arithmetic};
use crate::host::{FileKind, Status};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::{Key, State, Value, Variable, element_name, is_made_by_reading};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::arithmetic::has_hexadecimal;
use crate::syntax::ast::{Condition, Word};
use crate::syntax::{Anew, ENDS_ELSEWHERE, Marking, read_anew, search_flags_of};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::number;

impl Walker {
    /// Whether the expression of a `[[ ]]` holds.
    pub(super) fn condition(&mut self, condition: &Condition) -> Result<bool, Stop> {
        match condition {
            Condition::Word(word) => {
                let text = expand::lone(self, word)?;
                Ok(self.or_missing(unknown::is_filled(&text), word.span))
            }
            Condition::Group(inner) => self.condition(inner),
            Condition::Not(inner) => {
                let holds = self.condition(inner)?;
                Ok(!holds && !self.asked_no_option)
            }
            Condition::And(left, right) => Ok(self.condition(left)? && self.condition(right)?),
            Condition::Or(left, right) => {
                let holds = self.condition(left)?;
                Ok(holds || {
                    self.asked_no_option = false;
                    self.condition(right)?
                })
            }
            Condition::Unary { operator, operand } => {
                let text = self.operand(operand)?;
                if *operator == b'v'
                    && let Some((array, index)) = element_name(text.bytes())
                    && self.tested_index_is_read_once(&text, array)
                    && !matches!(index, b"@" | b"*" | b"")
                {
                    let start = array.len() + 1;
                    let key = match self.is_keyed(array) {
                        true => Key::Text(text.slice(start, start + index.len())),
                        false => self.state.element_key(array, index, operand.span)?,
                    };
                    return Ok(self.state.variables.element(array, &key).is_some());
                }
                if text.has_hole() {
                    let answer = self.unary_test_of_hole(*operator, &text, operand.span)?;
                    return Ok(self.or_missing(answer, operand.span));
                }
                self.unary_test(*operator, text.bytes(), operand.span)
            }
            Condition::Named(words) => {
                let span = words.first().map_or(self.state.shell_origin().span(), |word| word.span);
                Err(self.state.mistake("this test is not known", span, 2))
            }
            Condition::Binary { operator, left: written, right } => {
                let value = self.operand(written)?;
                match &**operator {
                    b"=" | b"==" | b"!=" => {
                        let (pattern, is_known) = match self.names_files(right) {
                            true => {
                                let text = self.operand(right)?;
                                let rules = self.state.text_pattern_rules();
                                (Pattern::from_text(&text, rules), !text.has_hole())
                            }
                            false => self.pattern(right, true)?,
                        };
                        let holds = self.holds((&pattern, is_known), &value, right.span, true)?;
                        Ok(holds.is_some_and(|holds| holds == (&**operator != b"!=")))
                    }
                    b"=~" => {
                        let expression = expand::single(self, right, Tilde::AtStart)?;
                        self.regular_test(&value, &expression, right.span)
                    }
                    operator => {
                        let other = self.operand(right)?;
                        let span = right.span;
                        if value.has_hole() || other.has_hole() {
                            let order = unknown::order(&value, &other);
                            let holds = match operator {
                                b"<" => order.map(Ordering::is_lt),
                                b">" => order.map(Ordering::is_gt),
                                _ => None,
                            };
                            return Ok(self.or_missing(holds, span));
                        }
                        if matches!(operator, b"-nt" | b"-ot" | b"-ef") {
                            return Ok(self.file_comparison(
                                operator,
                                value.bytes(),
                                other.bytes(),
                            ));
                        }
                        if operator.starts_with(b"-") {
                            let marking = Marking {
                                quoting: |name: &[u8]| self.state.key_quoting(name),
                                is_thorough: self.state.dialect.hidden_signs_spoil_indexes,
                                is_word: true,
                            };
                            let read = |text: &Text| match self.state.dialect.indexes_hide_brackets
                            {
                                true => marking.of(text).into_owned(),
                                false => text.bytes().to_vec(),
                            };
                            let (left, right) = (read(&value), read(&other));
                            let (left, right) = ((&left[..], written.span), (&right[..], span));
                            return self.number_comparison(operator, left, right);
                        }
                        let order = value.bytes().cmp(other.bytes());
                        Ok(if operator == b"<" { order.is_lt() } else { order.is_gt() })
                    }
                }
            }
        }
    }

    /// Whether a word of a test is a pattern for files: it ends in qualifiers that are marked as such (zshexpn,
    /// "Glob Qualifiers").
    fn names_files(&self, word: &Word) -> bool {
        if !self.state.dialect.glob_qualifiers || !self.state.options.pattern_operators {
            return false;
        }
        let written = self.state.sources.bytes(word.span);
        written.ends_with(b")") && written.find(b"(#q").is_some()
    }

    /// An operand of a test; the files that one names stand in it with spaces between.
    fn operand(&mut self, word: &Word) -> Result<Text, Stop> {
        if !self.names_files(word) {
            return expand::lone(self, word);
        }
        let mut joined = Text::new();
        for (at, file) in expand::element_fields(self, word)?.iter().enumerate() {
            if at > 0 {
                joined.push(b" ", Standing::Quoted, &Origin::new(Rule::Join, word.span));
            }
            joined.push_text(file);
        }
        Ok(joined)
    }

    /// Whether all of a value matches; what the pattern tells of that is kept if it `keeps` it. `is_known`: whether all of the
    /// pattern is. `None`, and a word about it, if nobody knows.
    pub(super) fn holds(
        &mut self,
        (pattern, is_known): (&Pattern, bool),
        value: &Text,
        span: Span,
        keeps: bool,
    ) -> Result<Option<bool>, Stop> {
        if value.has_hole() || !is_known {
            let holds = if is_known { unknown::is_matched(pattern, value) } else { None };
            if holds.is_none() {
                self.missing("whether this pattern matches", span);
            }
            return Ok(holds);
        }
        let holds = pattern.matches(value.bytes());
        let is_text = self.state.dialect.patterns_fill_match_array && pattern.literal().is_some();
        if holds && keeps && !is_text {
            let found = match pattern.is_loose() {
                true => pattern.search(value.bytes()).next_or_empty(0),
                false => None,
            };
            let found = found.unwrap_or((0, value.len()));
            keep_match(&mut self.state, pattern, value, found, span)?;
        }
        Ok(Some(holds))
    }

    /// The answer to a test; where nobody knows it that is said, and it counts as no.
    fn or_missing(&mut self, answer: Option<bool>, span: Span) -> bool {
        if answer.is_none() {
            self.missing("whether this test holds", span);
        }
        answer.unwrap_or(false)
    }

    /// A test of one operand that has a hole: of whether it is empty, or of a file that has been written here.
    pub(super) fn unary_test_of_hole(
        &mut self,
        operator: u8,
        operand: &Text,
        span: Span,
    ) -> Result<Option<bool>, Stop> {
        match operator {
            b'n' => return Ok(unknown::is_filled(operand)),
            b'z' => return Ok(unknown::is_filled(operand).map(|filled| !filled)),
            b'o' | b'v' | b't' => return Ok(None),
            _ => {}
        }
        match self.written.path_of(&self.state.folder, operand).map(|path| path.into_owned()) {
            Some(path) => self.unary_test(operator, &path, span).map(Some),
            None => Ok(None),
        }
    }

    /// `text =~ expression`: the match and its groups become elements of an array.
    fn regular_test(&mut self, value: &Text, expression: &Text, span: Span) -> Result<bool, Stop> {
        if value.has_hole() || expression.has_hole() {
            self.missing("whether a regular expression matches", span);
            return Ok(false);
        }
        let state = &self.state;
        let rules = Rules::new(state, state.options.no_case_match);
        let mut bytes = Cow::Borrowed(expression.bytes());
        let quoting = match state.dialect.regular_quotes {
            RegularQuotes::All | RegularQuotes::OutsideBrackets => expression.quoting(),
            RegularQuotes::Escaped => {
                bytes = escaped(expression, state).into();
                vec![false; bytes.len()]
            }
            RegularQuotes::Nothing => vec![false; expression.len()],
        };
        let bare_brackets = state.dialect.regular_quotes == RegularQuotes::OutsideBrackets;
        let quoted = Quoted { marks: &quoting, bare_brackets };
        let regular = Regular::new(&bytes, quoted, rules).map_err(|excess| excess.at(span))?;
        let Some(regular) = regular else {
            let status = state.dialect.regular_mistake;
            return Err(Stop::error("this is no regular expression", span, status, Reach::Command));
        };
        let found = regular.find(value.bytes()).map_err(|too_long| too_long.at(span))?;
        let name = self.state.dialect.match_array.as_bytes();
        if !name.is_empty() {
            let part = |span: &Option<(usize, usize)>| {
                span.map_or_else(Text::new, |(start, end)| value.slice(start, end))
            };
            let parts = found.iter().flatten().map(part).collect();
            self.assign_array(name, parts, span)?;
        }
        if let Some(groups) = &found
            && self.state.dialect.match_has_places
        {
            let (whole, groups) = groups.split_first().unwrap_or((&None, &[]));
            keep_places(&mut self.state, value, (*whole, groups), span)?;
        }
        Ok(found.is_some())
    }

    /// `-eq` and its kin, whose operands are expressions inside `[[ ]]`.
    fn number_comparison(
        &mut self,
        operator: &[u8],
        left: (&[u8], Span),
        right: (&[u8], Span),
    ) -> Result<bool, Stop> {
        let refuses = self.state.dialect.conditions_refuse_hexadecimal;
        let refused = [left, right].into_iter().find(|(text, _)| refuses && has_hexadecimal(text));
        let order = match refused {
            Some((_, at)) => {
                Err(self.state.mistake("there are no hexadecimal numbers here", at, 2))
            }
            None => arithmetic::text_order(self, left, right),
        };
        let error = match order {
            Ok(order) => return Ok(compare(operator, order)),
            Err(Stop::Shell(error)) if !error.goes_through => error,
            Err(stop) => return Err(stop),
        };
        match self.state.dialect.comparison_mistake {
            ComparisonMistake::Ends => Err(Stop::Shell(error)),
            ComparisonMistake::EndsCommand => {
                Err(Stop::Shell(ShellError { reach: Reach::Command, status: 2, ..error }))
            }
            ComparisonMistake::IsFalse => {
                self.survive(ShellError { reach: Reach::Command, ..error });
                Ok(false)
            }
        }
    }

    /// `-n`, `-z`, `-e` and the like.
    pub(super) fn unary_test(
        &mut self,
        operator: u8,
        operand: &[u8],
        span: Span,
    ) -> Result<bool, Stop> {
        let host = expand::Context::host(self);
        let kind = |kind: FileKind, follow: bool| {
            host.status(operand, follow).is_some_and(|status| status.kind == kind)
        };
        let access = |which: usize| host.status(operand, true).is_some_and(|one| one.access[which]);
        let bit = |bit: u32| host.status(operand, true).is_some_and(|one| one.mode & bit != 0);
        if operator != b'o' && !self.state.dialect.test_letters.as_bytes().contains(&operator) {
            return Err(self.state.mistake("this test is not known", span, 2));
        }
        Ok(match operator {
            b'n' => !operand.is_empty(),
            b'z' => operand.is_empty(),
            b'e' | b'a' => host.status(operand, true).is_some(),
            b'd' => host.is_folder(operand),
            b'f' => kind(FileKind::Regular, true),
            b'h' | b'L' => kind(FileKind::Link, false),
            b'p' => kind(FileKind::Pipe, true),
            b'S' => kind(FileKind::Socket, true),
            b'b' => kind(FileKind::Block, true),
            b'c' => kind(FileKind::Character, true),
            b'r' => access(0),
            b'w' => access(1),
            b'x' => access(2),
            b's' => host.status(operand, true).is_some_and(|status| status.size > 0),
            b'u' => bit(0o4000),
            b'g' => bit(0o2000),
            b'k' => bit(0o1000),
            // No system of today has contiguous files or hidden folders.
            b'C' | b'H' => false,
            b'O' | b'G' if self.state.doing.process.is_some() => {
                let rights = self.state.doing.process.map(|one| match operator {
                    b'O' => one.effective_user,
                    _ => one.effective_group,
                });
                let owner = host.status(operand, true).map(|status| match operator {
                    b'O' => status.owner.0,
                    _ => status.owner.1,
                });
                owner.is_some() && owner == rights
            }
            b'v' if self.is_fresh(operand) => true,
            b'v' if let Some(set) = self.is_parameter_set(operand) => set,
            b'v' => match self.state.element_in(operand) {
                Some((_, index))
                    if let read @ (Anew::Unpaired | Anew::EndsEarlier | Anew::Open) =
                        read_anew(index, &self.state.dialect) =>
                {
                    if read != Anew::EndsEarlier || index.starts_with(b"]") {
                        return Err(self.state.mistake(ENDS_ELSEWHERE, span, 1));
                    }
                    false
                }
                Some((name, b"@" | b"*"))
                    if self.state.dialect.tests_whole_arrays && !self.is_keyed(name) =>
                {
                    !self.state.variables.values(name).is_empty()
                }
                // Where arrays are lists, a text has no elements, but is all of itself.
                Some((name, index))
                    if self.state.dialect.array_is_list
                        && (matches!(index, b"@" | b"*")
                            || !self.state.variables.is_array(name)) =>
                {
                    let is_array = self.state.variables.is_array(name);
                    let is_whole = index == b"*" || (index == b"@" && !is_array);
                    is_whole && self.state.variables.get(name).is_some()
                }
                Some((name, index))
                    if self.state.dialect.tests_ranges_of_elements
                        && (index.starts_with(b"(") || index.contains(&b',')) =>
                {
                    let (name, index) = (name.to_vec(), index.to_vec());
                    return self.has_elements(&name, &index, span);
                }
                Some((_, b"")) if self.state.dialect.empty_index_is_mistake => {
                    let message = "there is no index in the brackets";
                    return Err(self.state.mistake(message, span, 1));
                }
                Some((name, _)) if self.state.is_idle_index(name) => false,
                Some((_, b"")) if self.state.dialect.nothing_is_no_index => false,
                Some((name, index)) => {
                    let keyed = self.is_keyed(name);
                    let found = match self.state.dialect.tested_index_expands && keyed {
                        true => expand::parameter::index_text(self, index, keyed).map(Key::Text),
                        false => self.key_of_text(name, index, span),
                    };
                    let key = match found {
                        Err(Stop::Shell(error)) if keyed => {
                            self.survive(error);
                            return Ok(false);
                        }
                        key => key?,
                    };
                    self.state.check_index(name, &key, span)?;
                    let element = self.state.variables.element(name, &key);
                    element.is_some_and(|text| keyed || !is_made_by_reading(text))
                }
                None => {
                    let variable = self.state.variables.get(operand);
                    let is_array = |one: &Variable| {
                        matches!(one.value, Value::Indexed(_) | Value::Associative(_))
                    };
                    self.state.variables.scalar(operand).is_some()
                        || (self.state.dialect.empty_arrays_are_set
                            && variable.is_some_and(is_array))
                }
            },
            b'R' => self.state.variables.is_name(operand),
            b'o' => {
                let holds = self.state.option_holds(operand);
                self.asked_no_option =
                    holds.is_none() && self.state.dialect.unknown_option_test.is_some();
                holds.unwrap_or(false)
            }
            b't' => {
                if self.state.dialect.tested_descriptors_are_expressions {
                    arithmetic::text_value(self, operand, span)?;
                }
                if !self.state.dialect.test_takes_any_descriptor && number(operand).is_none() {
                    return Err(Stop::error("this is no descriptor", span, 2, Reach::Command));
                }
                false
            }
            _ => {
                self.missing("what the system says about this file", span);
                host.exists(operand)
            }
        })
    }

    /// Whether the index that `[[ -v` was given stands for itself: an expansion has made it (observed in bash
    /// 5.2; what is quoted and nothing else is expanded once more).
    fn tested_index_is_read_once(&self, operand: &Text, array: &[u8]) -> bool {
        let is_made = || operand.runs().any(|(run, _)| run.origin.rule() == Rule::Parameter);
        self.index_is_bare(operand, array) || (self.state.dialect.unset_expands_once && is_made())
    }

    /// Whether a parameter that is no variable is set, where `-v` knows it.
    fn is_parameter_set(&self, name: &[u8]) -> Option<bool> {
        let asked = self.state.dialect.asked_parameters;
        let name = match asked {
            AskedParameters::Positional => bare_number(name),
            _ => name,
        };
        let is_number = !name.is_empty() && name.iter().all(u8::is_ascii_digit);
        match name {
            _ if asked == AskedParameters::None => None,
            _ if is_number => {
                let number: usize = std::str::from_utf8(name).ok()?.parse().ok()?;
                Some(number <= self.state.positional.count())
            }
            [b'$' | b'?' | b'#' | b'!' | b'-' | b'*'] if asked == AskedParameters::All => {
                Some(true)
            }
            [b'$' | b'?' | b'#' | b'-'] if asked == AskedParameters::Valued => Some(true),
            [b'!'] if asked == AskedParameters::Valued => Some(!self.state.jobs.is_empty()),
            _ => None,
        }
    }

    /// Whether there are the elements that a range or a search between brackets means. What a search for an index
    /// finds must not be the last one (observed in zsh 5.9: `a=(1 2 3); [[ -v a[(i)2] ]]; [[ -v a[(i)3] ]]`).
    fn has_elements(&mut self, name: &[u8], index: &[u8], span: Span) -> Result<bool, Stop> {
        let count = self.state.variables.values(name).len() as i64;
        let searches = search_flags_of(index, &self.state.dialect);
        if let Some((flags, _)) = searches {
            let written = [b"${", name, b"[", index, b"]}"].concat();
            let found = expand::parameter::index_text(self, &written, false)?;
            let is_place = flags.has_any(b"iI");
            return match is_place && !self.is_keyed(name) {
                true => Ok(number_in(found.bytes()).is_some_and(|at| at > 0 && at < count)),
                false => Ok(!found.is_empty()),
            };
        }
        let Some((first, last)) = index.split_once_str(",") else { return Ok(false) };
        let first = arithmetic::index_value(self, first, span)?;
        let last = arithmetic::index_value(self, last, span)?;
        let place = |at: i64| if at < 0 { at + count + 1 } else { at };
        Ok(place(first) > 0 && place(last) <= count && place(first) <= place(last))
    }

    /// Whether a name is that of a variable which the shell keeps itself and which has a value now.
    fn is_fresh(&mut self, name: &[u8]) -> bool {
        self.state.freshen(name);
        self.state.variables.get(name).is_some_and(|variable| variable.own)
    }

    /// `-nt`, `-ot`, `-ef`
    pub(super) fn file_comparison(&mut self, operator: &[u8], left: &[u8], right: &[u8]) -> bool {
        let host = expand::Context::host(self);
        let status = |path: &[u8]| host.status(path, true);
        let coarse = self.state.dialect.file_times_are_seconds;
        let time = |status: Option<Status>| {
            let (seconds, rest) = status?.modified;
            Some((seconds, if coarse { 0 } else { rest }))
        };
        let both = status(left).is_some() && status(right).is_some();
        if !both && !self.state.dialect.missing_files_are_old {
            return false;
        }
        match operator {
            b"-ef" => {
                status(left).zip(status(right)).is_some_and(|(a, b)| a.identity == b.identity)
            }
            b"-nt" => time(status(left)) > time(status(right)),
            _ => time(status(left)) < time(status(right)),
        }
    }
}

/// `-eq` and its kin; with what is no number only `-ne` holds.
pub(super) fn compare(operator: &[u8], order: Option<Ordering>) -> bool {
    let Some(order) = order else { return operator == b"-ne" };
    match operator {
        b"-eq" => order.is_eq(),
        b"-ne" => order.is_ne(),
        b"-lt" => order.is_lt(),
        b"-le" => order.is_le(),
        b"-gt" => order.is_gt(),
        _ => order.is_ge(),
    }
}

/// The text of an expression in which backslashes stand as they are written, and one more before each sign of
/// patterns that is quoted otherwise.
fn escaped(expression: &Text, state: &State) -> Vec<u8> {
    let mut text = Vec::with_capacity(expression.len() + 8);
    for (run, bytes) in expression.runs() {
        let backslashed =
            run.is_quoted() && state.sources.bytes(run.origin.span()).first() == Some(&b'\\');
        for &byte in bytes {
            if backslashed || (run.is_quoted() && b"*?[]()|{}\\".contains(&byte)) {
                text.push(b'\\');
            }
            text.push(byte);
        }
    }
    text
}

/// A whole number that a text is.
fn number_in(text: &[u8]) -> Option<i64> {
    std::str::from_utf8(text).ok()?.parse().ok()
}

/// A number without the blanks around it and a plus sign before it.
fn bare_number(text: &[u8]) -> &[u8] {
    let text = text.trim_ascii();
    text.strip_prefix(b"+").unwrap_or(text)
}
