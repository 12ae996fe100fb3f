//! Parameter expansions with flags, subscripts and modifiers of zsh (observed in zsh 5.9).
//!
//! The order is that of the manual's rules: the value, its subscript, the operation, joining between
//! double quotes, modifiers, joining and splitting by flags, then what changes each element.

use std::borrow::Cow;
use std::cmp::Ordering;

use crate::dialect::{DollarEscapes, Nul};
use crate::expand::dequote::dequoted;
use crate::expand::flags::{
    Order, abbreviated, change_each, like, ordered, padded_around, quoted_by, quoted_readably,
    quoted_sparingly, split_at, told,
};
use crate::expand::matched::{Matched, which_match};
use crate::expand::parameter::Held;
use crate::expand::pattern::Pattern;
use crate::expand::percent;
use crate::expand::places::keep_match;
use crate::expand::shell_words::{Piece, Reading, shell_words};
use crate::expand::substitute::{Place, Substitution, standing_of_values};
use crate::expand::{Context, Tilde, arithmetic, document, ifs, pattern_text_with};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::Stop;
use crate::syntax::ast::{
    Combine, Flag, Flagged, Operation, Parameter, ParameterName, Part, Slice, Subscript, Word,
};
use crate::syntax::{Octal, Parser, decode_value};
use crate::text::{Standing, Text};

/// Flags whose effect is not followed.
const UNFOLLOWED: &[u8] = b"A_";

/// Flags that tell of matches, whose effect on replacements is not followed.
const OF_MATCHES: &[u8] = b"SI";

impl Substitution<'_> {
    /// Expands a parameter with flags and puts it into the word.
    pub(super) fn flagged(&mut self, flagged: &Flagged, place: Place) -> Result<(), Stop> {
        if let Some(asked) = self.asked_of_named(flagged)? {
            return self.flagged(&asked, place);
        }
        let has = |letter: u8| flagged.flags.iter().any(|flag| flag.letter == letter);
        let parameter = &flagged.parameter;
        let has_subscript = flagged.slice.is_some() || parameter.index.is_some();
        if has_subscript && !parameter.braced && !self.cx.state().dialect.unbraced_subscripts {
            return self.read_again(parameter.span, place);
        }
        if matches!(parameter.operation, Operation::Bad) {
            let message = match parameter.braced {
                true => "bad substitution",
                false => "the brackets are not closed in their word; write ${name[...]} or quotes",
            };
            return Err(Stop::shell(message, parameter.span, 1));
        }
        let mut held = self.flagged_value(flagged, place)?;
        held.forget_names();
        if flagged.tests {
            let set = match &held {
                Held::Unset => false,
                Held::One(text) => !text.is_empty() || !self.search_fails(flagged),
                _ => true,
            };
            let text = self.computed(parameter, if set { b"1" } else { b"0" });
            return self.emit(parameter, Held::One(text), place);
        }
        let is_named = flagged.inner.is_some() && parameter.index.is_some();
        if has(b'P') && !is_named {
            held = self.named_value(parameter, held)?;
        }
        let late = !matches!(parameter.operation, Operation::Value);
        if flagged.measures && !late {
            held = self.flagged_length(flagged, held)?;
        }
        let separate = has(b'@')
            || matches!(parameter.index, Some(Subscript::At))
            || parameter.name == ParameterName::Special(b'@');
        if let Held::List { star, .. } = &mut held {
            *star &= !separate;
        }
        if let Held::List { items, .. } = &held
            && place.quoted
            && !separate
        {
            held = Held::One(self.joined_by_flags(flagged, items));
        }
        if let Some(held) = self.assigned_list(flagged, &held, place)? {
            // Its words have been split already.
            let whole = Flagged { splits: None, ..flagged.clone() };
            let held = match held {
                Held::List { items, .. } if place.quoted && !separate => {
                    Held::One(self.joined_by_flags(flagged, &items))
                }
                held => held,
            };
            return self.emit_flagged(&whole, held, (true, true), place);
        }
        held = match &parameter.operation {
            Operation::Filter(word) => self.filtered(word, held, has(b'M'))?,
            Operation::Combine { how, name } => self.combined(held, *how, name),
            Operation::Remove { suffix, longest, pattern }
                if let Some(matched) = Matched::of(self.cx, &flagged.flags, parameter.span)? =>
            {
                let held = self.empty_if_unset(parameter, held)?;
                let pattern = self.compiled(pattern)?;
                let span = parameter.span;
                self.each_in_turn(parameter, held, |this, text| {
                    let found = matched.range_of(text, &pattern, (*suffix, *longest));
                    if let Some(found) = found {
                        keep_match(this.cx.state(), &pattern, text, found, span)?;
                    }
                    Ok(told(text, matched.told(text, found), span))
                })?
            }
            Operation::Instead { .. } if flagged.measures || !flagged.flags.is_empty() => {
                self.instead_value(parameter, held, place)?
            }
            Operation::Instead { .. }
                if let Some(splits) = flagged.splits.filter(|_| !place.quoted) =>
            {
                let before = std::mem::replace(&mut self.cx.state().options.word_split, splits);
                let expansion = standing_of_values(self.cx.state());
                let held = self.operate(parameter, held, Place { expansion, ..place });
                self.cx.state().options.word_split = before;
                match held? {
                    Some(held) => held,
                    None => return Ok(()),
                }
            }
            _ => {
                let outer = (self.shortest_matches, self.which_match);
                self.shortest_matches = has(b'S');
                self.which_match = which_match(self.cx, &flagged.flags, parameter.span)?;
                let before = self.made_so_far();
                let held = self.operate(parameter, held, place);
                (self.shortest_matches, self.which_match) = outer;
                if flagged.forms_patterns == Some(true) && !place.quoted {
                    self.form_patterns_since(before, |_| true);
                }
                match held? {
                    Some(held) => held,
                    None => return Ok(()),
                }
            }
        };
        if flagged.measures && late {
            held = self.flagged_length(flagged, held)?;
        }
        for modifier in &flagged.modifiers {
            held = self.modified_each(parameter, held, modifier, place.quoted)?;
        }
        held = self.empty_if_unset(parameter, held)?;
        let was_list = matches!(held, Held::List { .. });
        held = self.by_flags(flagged, held, place)?;
        let zips = matches!(
            parameter.operation,
            Operation::Combine { how: Combine::ZipShort | Combine::ZipLong, .. }
        );
        let before = self.made_so_far();
        self.emit_flagged(flagged, held, (separate || zips, was_list), place)?;
        if joins_patterns(&flagged.flags) {
            self.form_patterns_since(before, |run| run.origin.rule() == Rule::Join);
        }
        Ok(())
    }

    /// Whether a search that has found nothing has no value: one in a list that `r` looks through, and one that `R` looks
    /// through unless it has keys.
    fn search_fails(&mut self, flagged: &Flagged) -> bool {
        let Some(Slice::Search(flags, _)) = &flagged.slice else { return false };
        let name = flagged.parameter.name.to_bytes();
        let variables = &self.cx.state().variables;
        match flags.has_any(b"R") {
            true => !variables.is_keyed(&name),
            false => flags.has_any(b"r") && variables.is_array(&name) && !variables.is_keyed(&name),
        }
    }

    /// What flags find where there is no value: an empty one, which `(q)` puts quotes around.
    fn empty_if_unset(&mut self, parameter: &Parameter, held: Held) -> Result<Held, Stop> {
        if !matches!(held, Held::Unset) {
            return Ok(held);
        }
        self.unset(parameter)?;
        Ok(Held::One(Text::new()))
    }

    /// `$a[1]` where subscripts stand in braces only, which an option says behind the reading of the line.
    fn read_again(&mut self, span: Span, place: Place) -> Result<(), Stop> {
        let written = self.cx.state().sources.bytes(span).to_vec();
        let dialect = self.cx.state().dialect.clone();
        let mut parser = Parser::new(&written, span.source, &dialect);
        let word = if place.quoted { parser.whole_text(span) } else { parser.whole_word(span) };
        self.word(&word?, place)
    }

    /// The value of `${x:-word}` and its kin, for what is done with it afterwards.
    fn instead_value(
        &mut self,
        parameter: &Parameter,
        held: Held,
        place: Place,
    ) -> Result<Held, Stop> {
        let before = self.replace_current(Text::new());
        let outcome = self.operate(parameter, held, Place { fields: false, ..place })?;
        let made = self.replace_current(before);
        Ok(outcome.unwrap_or(Held::One(made)))
    }

    /// `${x:#pattern}`
    fn filtered(&mut self, word: &Word, held: Held, keeps: bool) -> Result<Held, Stop> {
        let pattern = self.compiled(word)?;
        let state = self.cx.state();
        let mut stays = |text: &Text| -> Result<bool, Stop> {
            let matches = pattern.matches(text.bytes());
            if matches {
                keep_match(state, &pattern, text, (0, text.len()), word.span)?;
            }
            Ok(matches == keeps)
        };
        Ok(match held {
            Held::Unset => Held::Unset,
            Held::One(text) if stays(&text)? => Held::One(text),
            Held::One(_) => Held::One(Text::new()),
            Held::List { items, star } => {
                let mut kept = Vec::with_capacity(items.len());
                for text in items {
                    if stays(&text)? {
                        kept.push(text);
                    }
                }
                Held::List { items: kept, star }
            }
        })
    }

    pub(super) fn compiled(&mut self, word: &Word) -> Result<Pattern, Stop> {
        compiled(self.cx, word)
    }

    /// A list as one text, with what `(j)` or `(F)` names between the elements.
    fn joined_by_flags(&mut self, flagged: &Flagged, items: &[Text]) -> Text {
        let span = flagged.parameter.span;
        let joins = flagged.flags.iter().find(|flag| matches!(flag.letter, b'j' | b'F'));
        match joins {
            Some(flag) => super::whole::joined(items, joiner(flag), span),
            None => self.joined_list(items, span),
        }
    }

    /// Joining, splitting, ordering and what changes each element, as the flags say.
    fn by_flags(&mut self, flagged: &Flagged, held: Held, place: Place) -> Result<Held, Stop> {
        let mut held = held;
        let span = flagged.parameter.span;
        let flags = self.with_values(&flagged.flags);
        // Where one text is wanted, only operations have seen the elements.
        if let Held::List { items, .. } = &held
            && !place.fields
        {
            held = Held::One(self.joined_by_flags(flagged, items));
        }
        // What joins does so before what splits, wherever it stands.
        for flag in flags.iter().filter(|flag| matches!(flag.letter, b'j' | b'F')) {
            if let Held::List { items, .. } = &held {
                held = Held::One(super::whole::joined(items, joiner(flag), span));
            }
        }
        let apart = flags.iter().any(|flag| flag.letter == b'@');
        let splits = |flag: &&Flag| matches!(flag.letter, b's' | b'f' | b'0' | b'z' | b'Z');
        for flag in flags.iter().filter(splits).filter(|_| place.fields) {
            held = self.split_by_flag(flag, held, apart, span);
        }
        if splits_first(flagged, place, self.cx.state().options.word_split) {
            held = self.split_value(flagged, held)?;
        }
        let order = Order::of(&flagged.flags);
        if let Held::List { items, star } = held {
            held = Held::List { items: ordered(items, order), star };
        }
        for _ in flagged.flags.iter().filter(|flag| flag.letter == b'#') {
            held = self.as_characters(held, span)?;
        }
        let is_case = |flag: &&Flag| b"ULC".contains(&flag.letter);
        for flag in flagged.flags.iter().filter(is_case) {
            let change = |text: &Text| told(text, change_each(text, flag), span);
            held = self.each(&flagged.parameter, held, change)?;
        }
        if let Some(flag) = flagged.flags.iter().find(|flag| flag.letter == b'g') {
            let escapes = self.cx.state().dialect.dollar_escapes;
            let decode = |text: &Text| {
                told(text, like(text, value_escapes(text.bytes(), flag, escapes)), span)
            };
            held = self.each(&flagged.parameter, held, decode)?;
        }
        let of = |letter| flagged.flags.iter().find(|flag| flag.letter == letter);
        let around = of(b'l').zip(of(b'r')).filter(|(one, other)| fills(one) && fills(other));
        for flag in flagged.flags.iter().filter(|flag| !is_case(flag)) {
            if flag.letter == b't' {
                let kind = self.kind_of(&flagged.parameter);
                let kind = Held::One(self.computed(&flagged.parameter, &kind));
                held = match (&flagged.parameter.index, &flagged.slice) {
                    _ if flagged.inner.is_some() => kind,
                    (Some(Subscript::Index(index)), _) => {
                        let at = self.index(index)?;
                        self.element_of(kind, at)
                    }
                    (_, Some(slice)) => self.sliced(flagged, kind, slice)?,
                    _ => kind,
                };
            }
            if flag.letter == b'e' {
                held = self.expanded_again(held, place, span)?;
            }
            if flag.letter == b'%' {
                held = self.as_prompts(flagged, held)?;
            }
            let replaces = matches!(flagged.parameter.operation, Operation::Replace { .. });
            if UNFOLLOWED.contains(&flag.letter) || (replaces && OF_MATCHES.contains(&flag.letter))
            {
                self.cx.missing("what this flag of an expansion gives", span);
            }
            let home = match flag.letter {
                b'D' => self.cx.state().variables.scalar(b"HOME").cloned(),
                _ => None,
            };
            let change = |text: &Text| {
                let made = match (flag.letter, around) {
                    (b'D', _) => abbreviated(text, home.as_ref().map_or(b"", |home| home.bytes())),
                    (b'l', Some((left, right))) => padded_around(text, left, right),
                    (b'r', Some(_)) => text.clone(),
                    _ => change_each(text, flag),
                };
                told(text, made, span)
            };
            held = self.each(&flagged.parameter, held, change)?;
        }
        let sparing = flagged.flags.iter().find(|flag| matches!(flag.letter, b'-' | b'+'));
        let count = |letter| flagged.flags.iter().filter(|flag| flag.letter == letter).count();
        let (times, back) = (count(b'q'), count(b'Q'));
        let dialect = self.cx.state().dialect.clone();
        let bare = |text: &Text| {
            told(text, like(text, dequoted(text.bytes(), &dialect).into_owned()), span)
        };
        if flagged.flags.iter().any(|flag| flag.letter == b'X') && times < back {
            for text in held.texts() {
                self.word_of(text.bytes(), &dialect)?;
            }
        }
        match times.cmp(&back) {
            Ordering::Less => return self.each(&flagged.parameter, held, bare),
            Ordering::Equal => return Ok(held),
            Ordering::Greater => {}
        }
        let doubled = dialect.doubled_quote_is_quote;
        let quoted = |text: &Text| match (times, sparing) {
            (1, Some(sign)) if sign.letter == b'+' => {
                told(text, quoted_readably(text, doubled), span)
            }
            (1, Some(_)) => told(text, quoted_sparingly(text), span),
            _ => told(text, quoted_by(text, times, doubled), span),
        };
        self.each(&flagged.parameter, held, quoted)
    }

    /// `(%)`: percent escapes in the values are expanded, as in a prompt.
    fn as_prompts(&mut self, flagged: &Flagged, held: Held) -> Result<Held, Stop> {
        let span = flagged.parameter.span;
        // With two of them it is all that is expanded in a prompt.
        let substitutes = flagged.flags.iter().filter(|flag| flag.letter == b'%').count() > 1
            && self.cx.state().option_is_on(b"promptsubst") == Some(true);
        self.each_in_turn(&flagged.parameter, held, |this, text| {
            let prompt = percent::expanded(this.cx.state(), text.bytes());
            let unread = substitutes && text.bytes().iter().any(|byte| b"$`".contains(byte));
            let unread = unread.then_some("what is expanded in this prompt");
            if let Some(what) = prompt.unknown.or(unread) {
                this.cx.missing(what, span);
                return Ok(Text::hole(&Origin::new(Rule::Parameter, span)));
            }
            Ok(told(text, like(text, prompt.bytes), span))
        })
    }

    /// `(#)`: the characters whose codes the values are.
    fn as_characters(&mut self, held: Held, span: Span) -> Result<Held, Stop> {
        let mut made = |text: Text| -> Result<Text, Stop> {
            let code = arithmetic::text_value(self.cx, text.bytes(), span)?;
            let character = u32::try_from(code).ok().and_then(char::from_u32).unwrap_or('\0');
            Ok(told(&text, like(&text, character.to_string().into_bytes()), span))
        };
        Ok(match held {
            Held::Unset => Held::Unset,
            Held::One(text) => Held::One(made(text)?),
            Held::List { items, star } => {
                Held::List { items: items.into_iter().map(made).collect::<Result<_, _>>()?, star }
            }
        })
    }

    /// `(e)`: parameters, commands and arithmetic in the value are expanded, as in a here-document.
    /// Outside double quotes what commands print is split.
    fn expanded_again(&mut self, held: Held, place: Place, span: Span) -> Result<Held, Stop> {
        let mut again = |text: Text| -> Result<Vec<Text>, Stop> {
            if text.has_hole() || !text.bytes().iter().any(|byte| b"$`\\".contains(byte)) {
                return Ok(vec![text]);
            }
            let state = self.cx.state();
            let source = state.sources.built("(e)", text.bytes());
            let whole = Span::new(source, 0, text.len());
            let dialect = state.dialect.clone();
            match Parser::new(text.bytes(), source, &dialect).whole_text(whole) {
                Ok(word) if place.quoted || !place.fields => {
                    document(self.cx, &word).map(|text| vec![text])
                }
                Ok(word) => {
                    let place = Place { tilde: Tilde::Never, ..place };
                    let pieces = Substitution::run(self.cx, &word, place)?;
                    super::split_all(self.cx, pieces, &word)
                }
                Err(error) => Err(self.cx.state().mistake(error.to_string(), span, 1)),
            }
        };
        Ok(match held {
            Held::Unset => Held::Unset,
            Held::One(text) => {
                let mut items = again(text)?;
                match items.len() {
                    0 => Held::One(Text::new()),
                    1 => Held::One(items.remove(0)),
                    _ => Held::List { items, star: true },
                }
            }
            Held::List { items, star } => {
                let items = items.into_iter().map(again).collect::<Result<Vec<_>, _>>()?;
                Held::List { items: items.concat(), star }
            }
        })
    }

    /// The flags; behind `(p)` an argument that is `$name` is the value of that variable.
    fn with_values<'f>(&mut self, flags: &'f [Flag]) -> Cow<'f, [Flag]> {
        let mut flags = Cow::Borrowed(flags);
        let Some(from) = flags.iter().position(|flag| flag.letter == b'p') else { return flags };
        let names =
            |argument: &[u8]| argument.strip_prefix(b"$").is_some_and(crate::syntax::is_name);
        if !flags[from..].iter().any(|flag| flag.arguments.iter().any(|one| names(one))) {
            return flags;
        }
        for flag in &mut flags.to_mut()[from..] {
            for argument in flag.arguments.iter_mut().filter(|one| names(one)) {
                if let Some(value) = self.cx.state().scalar(&argument[1..]) {
                    *argument = value.bytes().into();
                }
            }
        }
        flags
    }

    /// `(s)` and its kin. Without `(@)` only the first and the last part may be empty.
    fn split_by_flag(&mut self, flag: &Flag, held: Held, separate: bool, span: Span) -> Held {
        let separator = match flag.letter {
            b's' => flag.arguments.first().map_or(&b""[..], |text| text),
            b'f' => b"\n",
            _ => b"\0",
        };
        let whole = match held {
            Held::Unset => return held,
            Held::One(text) => vec![text],
            Held::List { items, .. } if separate => items,
            Held::List { items, .. } => vec![self.joined_list(&items, span)],
        };
        if matches!(flag.letter, b'z' | b'Z') {
            let items = whole.iter().flat_map(|text| read_as_shell(text, flag)).collect();
            return Held::List { items, star: false };
        }
        let mut items: Vec<Text> =
            whole.iter().flat_map(|text| split_at(text, separator)).collect();
        let last = items.len().saturating_sub(1);
        if !separate {
            let mut at = 0;
            items.retain(|item| {
                let is_edge = at == 0 || at == last;
                at += 1;
                !item.is_empty() || is_edge
            });
        }
        Held::List { items, star: false }
    }

    /// `${=x}`: split at IFS.
    fn split_value(&mut self, flagged: &Flagged, held: Held) -> Result<Held, Stop> {
        let span = flagged.parameter.span;
        let mut text = match held {
            Held::Unset => return Ok(Held::Unset),
            Held::One(text) => text,
            Held::List { items, .. } => self.joined_list(&items, span),
        };
        text.set_standing(Standing::Inert);
        let ifs = ifs(self.cx.state());
        let items = super::split_value(text, &ifs, self.cx.state());
        Ok(Held::List { items, star: false })
    }

    fn emit_flagged(
        &mut self,
        flagged: &Flagged,
        held: Held,
        (separate, was_list): (bool, bool),
        place: Place,
    ) -> Result<(), Stop> {
        let options = &self.cx.state().options;
        let by_option = flagged.splits.is_none() && options.word_split;
        let is_split = (flagged.splits == Some(true) && !flagged.flags.iter().any(separates))
            || (by_option && !place.quoted);
        let is_split = is_split && !splits_first(flagged, place, options.word_split);
        let forms =
            asks_for_patterns(flagged).unwrap_or(options.glob_substitution) && !place.quoted;
        let standing = match (is_split, forms) {
            (true, true) => Standing::Splittable,
            (true, false) => Standing::Inert,
            (false, true) => Standing::Value,
            (false, false) => Standing::Quoted,
        };
        let joins = flagged.splits == Some(true)
            || flagged.flags.iter().any(|flag| matches!(flag.letter, b's' | b'f' | b'0'));
        let splits = joins || flagged.flags.iter().any(|flag| flag.letter == b'z');
        // A list that is joined and split again is one only if there are several pieces.
        let keeps_list = was_list && !joins;
        let distributes = flagged.distributes.unwrap_or(place.distributes);
        let place = Place { expansion: standing, distributes, ..place };
        match held {
            Held::List { items, .. } => {
                let star = !(separate || splits);
                let has_list = self.has_list || keeps_list || items.len() > 1;
                self.emit(&flagged.parameter, Held::List { items, star }, place)?;
                self.has_list = has_list;
                Ok(())
            }
            held => self.emit(&flagged.parameter, held, place),
        }
    }
}

/// `(z)`: the words that the shell reads in a text, in the way that the letters behind `(Z)` say.
fn read_as_shell(text: &Text, flag: &Flag) -> Vec<Text> {
    let letters = flag.arguments.first().map_or(&b""[..], |letters| letters);
    let pieces = shell_words(text.bytes(), Reading::of(letters)).into_iter();
    let made = |piece: Piece| match piece.shown {
        Some(shown) => like(text, shown.as_bytes().to_vec()),
        None => text.slice(piece.at.start, piece.at.end),
    };
    pieces.map(made).collect()
}

/// What `~` says here, or in the innermost expansion that has one; what matches or reads the value makes it plain text.
fn asks_for_patterns(flagged: &Flagged) -> Option<bool> {
    use Operation::{Filter, Remove, Replace};
    let operation = &flagged.parameter.operation;
    let matches = matches!(operation, Filter(_) | Remove { .. } | Replace { .. });
    let reads = flagged.flags.iter().any(|flag| b"Qe%V".contains(&flag.letter));
    flagged.forms_patterns.or_else(|| match &flagged.inner {
        _ if matches || reads => None,
        Some(Part::Flagged(inner)) => asks_for_patterns(inner),
        _ => None,
    })
}

/// Whether `=` splits a value before flags change its parts, instead of when the word is made.
fn splits_first(flagged: &Flagged, place: Place, word_split: bool) -> bool {
    let minds_parts = |flag: &Flag| b"oOuinlrq".contains(&flag.letter);
    flagged.splits.unwrap_or(word_split && !place.quoted)
        && place.fields
        && (place.quoted || flagged.flags.iter().any(minds_parts))
        && !flagged.flags.iter().any(separates)
}

/// Whether a flag splits at what it names.
fn separates(flag: &Flag) -> bool {
    matches!(flag.letter, b's' | b'f' | b'0')
}

/// `(g:eco:)`: a value with its escapes decoded; with `e` also those of `$'...'`, with `c` carets, with `o` octal
/// numbers without a 0 in front.
fn value_escapes(value: &[u8], flag: &Flag, rules: &DollarEscapes) -> Vec<u8> {
    let asks = |letter: u8| flag.arguments.first().is_some_and(|given| given.contains(&letter));
    let letters = if asks(b'e') { rules.letters } else { "abefnrtv\\xuU" };
    let nul = Nul::Stays;
    let rules = DollarEscapes { letters, keeps_unknown: !asks(b'e'), nul, ..*rules };
    let numbers = if asks(b'o') { Octal::Bare } else { Octal::BehindZero };
    decode_value(value, &rules, (numbers, asks(b'c')))
}

/// Whether `(l)` or `(r)` asks for a width.
fn fills(flag: &Flag) -> bool {
    flag.arguments.first().is_some_and(|width| width.iter().any(|&byte| byte != b'0'))
}

/// What `(j:...:)` or `(F)` puts between elements.
fn joiner(flag: &Flag) -> &[u8] {
    match flag.letter {
        b'F' => b"\n",
        _ => flag.arguments.first().map_or(&b""[..], |text| text),
    }
}

/// Whether what `(j)` puts between elements forms patterns: it stands behind `~`, which a second one takes back.
fn joins_patterns(flags: &[Flag]) -> bool {
    let Some(joins) = flags.iter().position(|flag| flag.letter == b'j') else { return false };
    flags[..joins].iter().filter(|flag| flag.letter == b'~').count() % 2 == 1
}

/// The pattern that a word is.
pub(crate) fn compiled(cx: &mut dyn Context, word: &Word) -> Result<Pattern, Stop> {
    let text = pattern_text_with(cx, word, Tilde::InOperation)?;
    let rules = cx.state().text_pattern_rules();
    Ok(Pattern::from_text(&text, rules))
}
