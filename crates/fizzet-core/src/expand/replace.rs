//! `${x/pattern/word}` and its kin.

use std::cell::OnceCell;
use std::rc::Rc;

use crate::dialect::{EmptyMatches, ListOperations, OpenBackslash, ReplacementLists, SlicedUnset};
use crate::expand::change::{
    Replacement, Signs, before_each, replaced, replaced_everywhere, replaced_from,
    replaced_shortest, replaced_where,
};
use crate::expand::half_known::HalfKnown;
use crate::expand::measured::Measured;
use crate::expand::parameter::Held;
use crate::expand::pattern::{Pattern, PatternRules};
use crate::expand::places::{clear_match_array, keep_match, match_array, put_match_array};
use crate::expand::substitute::{Break, Joiner, Place, Substitution};
use crate::expand::tilde::in_field;
use crate::expand::{Tilde, joined, pattern_text_with};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Sources;
use crate::stop::Stop;
use crate::syntax::ast::{Parameter, Part, Replace, Word};
use crate::text::{Standing, Text};

impl Substitution<'_> {
    /// `${x/p/r}` and its kin; `None` when the text has been put into place.
    pub(super) fn replace(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (which, pattern_word, replacement): (Replace, &Word, Option<&Word>),
        place: Place,
    ) -> Result<Option<Held>, Stop> {
        if !matches!(held, Held::Unset) {
            self.keep_field(pattern_word, place)?;
        }
        if which == Replace::Each {
            return self
                .replace_anew(parameter, held, (pattern_word, replacement), place)
                .map(Some);
        }
        let anchored = matches!(which, Replace::Prefix | Replace::Suffix);
        let dialect = &self.cx.state().dialect;
        let cut = match dialect.slash_cuts_expansions {
            true => cut(&pattern_word.parts, &self.cx.state().sources, false),
            false => None,
        };
        match cut {
            // A mark of the quotes is left over in the pattern, which matches nothing then.
            Some(Cut::Quoted) => return Ok(Some(held)),
            Some(Cut::Bare) => {
                let message = "the slash inside the expansion ends the pattern";
                let status = self.cx.state().dialect.bad_substitution_status;
                return Err(self.cx.state().mistake(message, pattern_word.span, status));
            }
            None => {}
        }
        let dialect = &self.cx.state().dialect;
        let splits = which == Replace::First && dialect.folder_of_tilde_is_read_again;
        let plain =
            !splits && !dialect.tilde_in_replaced || (anchored && !dialect.tilde_in_anchored);
        let tilde = match plain {
            true => Tilde::Never,
            false if dialect.tilde_after_equals => Tilde::AfterEquals,
            false => Tilde::InOperation,
        };
        let replacement_first = self.cx.state().dialect.replacement_before_pattern;
        let may_change = match replacement_first {
            true => replacement.is_some_and(Word::may_change),
            false => pattern_word.may_change(),
        };
        let before = self.held_before(parameter, may_change)?;
        let early = match replacement_first {
            true => Some(Rc::new(self.replacement(parameter, (None, replacement), place)?)),
            false => None,
        };
        let (held, text) = match early.is_some() {
            true => {
                let held = self.held_behind(parameter, held, before)?;
                (held, pattern_text_with(self.cx, pattern_word, tilde)?)
            }
            false => {
                let text = pattern_text_with(self.cx, pattern_word, tilde)?;
                (self.held_behind(parameter, held, before)?, text)
            }
        };
        let (text, before) = match splits {
            true => cut_folder(text),
            false => (text, None),
        };
        let before = before.as_ref();
        let (which, text) =
            match which == Replace::First && self.cx.state().dialect.anchors_in_values {
                true => anchored_by_value(text),
                false => (which, text),
            };
        let anchored = matches!(which, Replace::Prefix | Replace::Suffix);
        let state = self.cx.state();
        let fails = match state.dialect.open_backslash {
            OpenBackslash::Matches => false,
            OpenBackslash::MatchesSuffixes => which != Replace::Suffix,
            OpenBackslash::Fails => true,
        };
        if fails && ends_in_open_backslash(&text) {
            return self.unchanged(parameter, held).map(Some);
        }
        let state = self.cx.state();
        let rules = PatternRules { of_replacement: true, ..state.operation_pattern_rules() };
        let pattern = Pattern::from_text(&text, rules);
        let nothing = match &held {
            Held::Unset => true,
            Held::List { items, .. } => items.is_empty(),
            Held::One(_) => false,
        };
        if anchored && nothing && state.dialect.anchored_unset_is_text {
            self.unset(parameter)?;
            let mut text = self.written_anew(parameter, which, &text, replacement);
            // It is not split, but it may be a pattern.
            text.set_standing(if place.quoted { Standing::Quoted } else { Standing::Value });
            self.push_text(&text)?;
            return Ok(None);
        }
        let leaves = self.cx.state().dialect.empty_pattern_leaves_pieces && !anchored;
        if leaves && text.is_empty() && !matches!(held, Held::Unset) {
            self.in_pieces(parameter, held, (&pattern_word.parts, replacement), place)?;
            return Ok(None);
        }
        let dialect = self.cx.state().dialect.clone();
        let once = match early {
            None if dialect.replacement_for_each_match || pattern.tells() => None,
            None => Some(Rc::new(self.replacement(parameter, (before, replacement), place)?)),
            early => early,
        };
        let empty = anchored && !dialect.empty_anchor && pattern.literal() == Some(b"");
        let held = match held {
            // What is behind the last match is lost, and a star at the end matches to the end.
            Held::List { mut items, star } if self.lists() == ListOperations::WholeString => {
                let holds = |item: &Text| pattern.search(item.bytes()).next(0).is_some();
                let once = which != Replace::All || text.bytes().ends_with(b"*");
                if let Some(last) = items.iter().position(holds).filter(|_| once) {
                    items.truncate(last + 1);
                }
                Held::List { items, star }
            }
            Held::Unset
                if dialect.replaces_unset
                    && (!self.cx.state().options.no_unset
                        || dialect.sliced_unset == SlicedUnset::All) =>
            {
                Held::One(Text::new())
            }
            Held::List { items, .. }
                if items.is_empty() && dialect.empty_lists_are_replaced && pattern.matches(b"") =>
            {
                Held::One(Text::new())
            }
            held => held,
        };
        let bare = pattern.literal() == Some(b"") && matches!(which, Replace::First | Replace::All);
        let everywhere = dialect.empty_pattern_matches && which == Replace::All && bare;
        let takes_empty = dialect.empty_matches != EmptyMatches::Skipped
            && matches!(which, Replace::First | Replace::All)
            && pattern.literal() != Some(b"")
            && pattern.matches(b"");
        // An empty pattern matches once, at the start.
        let at_start = |text: &Text| match text.is_empty() {
            true => bare && dialect.empty_pattern_matches_empty,
            false => bare && dialect.empty_pattern_matches && which == Replace::First,
        };
        let measured = match dialect.replacements_measure_patterns {
            true => Measured::new(
                &text,
                (self.cx.state().operation_pattern_rules(), which),
                pattern_word.span,
            ),
            false => None,
        };
        let telling = OnceCell::new();
        let first_match = OnceCell::new();
        let limit = self.cx.state().limits.bytes;
        let (shortest, nth) = (self.shortest_matches, self.which_match);
        let half = match which == Replace::All && pattern.width() == Some(1) && !pattern.is_loose()
        {
            true => HalfKnown::Pieces,
            false => HalfKnown::Nothing,
        };
        let held = self.each_half_known(parameter, held, half, |this, text| {
            let next = |found: (usize, usize)| {
                let state = this.cx.state();
                match first_match.get() {
                    None => {
                        keep_match(state, &pattern, text, found, parameter.span)?;
                        let kept = which == Replace::All && state.dialect.patterns_fill_match_array;
                        first_match.set(kept.then(|| match_array(state))).ok();
                    }
                    // The array has no room for the later ones here.
                    Some(Some(_)) => clear_match_array(state, parameter.span)?,
                    Some(None) => keep_match(state, &pattern, text, found, parameter.span)?,
                }
                let made = match &once {
                    Some(replacement) => replacement.clone(),
                    None => Rc::new(this.replacement(parameter, (before, replacement), place)?),
                };
                if !made.has_groups() {
                    return Ok(made);
                }
                let telling = telling.get_or_init(|| pattern.telling_groups());
                Ok(Rc::new(made.with_groups(text, &telling.groups(text.bytes(), found))))
            };
            if let Some(measured) = &measured {
                let find = |at: usize| {
                    let (start, end) = measured.find(&text.bytes()[at..])?;
                    Some((at + start, at + end))
                };
                return replaced_where(text, find, next, which, limit);
            }
            if nth > 1 && matches!(which, Replace::First | Replace::All) {
                return replaced_from(text, (&pattern, shortest, nth), next, which, limit);
            }
            if shortest {
                return replaced_shortest(text, &pattern, next, which, limit);
            }
            match () {
                () if empty && !text.is_empty() => Ok(text.clone()),
                () if at_start(text) => replaced(text, &pattern, next, Replace::Prefix, limit),
                () if everywhere => before_each(text, next),
                () if takes_empty && !text.is_empty() => {
                    match which == Replace::All && dialect.empty_matches == EmptyMatches::Everywhere
                    {
                        true => replaced_everywhere(text, &pattern, next, limit),
                        false => replaced(text, &pattern, next, Replace::Prefix, limit),
                    }
                }
                () => replaced(text, &pattern, next, which, limit),
            }
        })?;
        if let Some(Some(first)) = first_match.into_inner() {
            put_match_array(self.cx.state(), first);
        }
        if let Held::One(text) = &held
            && text.len() > limit
        {
            let (what, limit) = ("bytes in one word", limit as u64);
            return Err(Stop::Limit { what, limit, span: parameter.span });
        }
        Ok(Some(held))
    }

    /// A replacement whose pattern is empty: the shell leaves the pattern and the replacement behind the value, with
    /// zero bytes between. Those separate fields where there are some, and end the word elsewhere.
    fn in_pieces(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (pattern, replacement): (&[Part], Option<&Word>),
        place: Place,
    ) -> Result<(), Stop> {
        self.emit(parameter, held, place)?;
        if place.quoted || !place.fields {
            self.cut = true;
            return Ok(());
        }
        self.break_field(Break::Field);
        if pattern.iter().any(|part| matches!(part, Part::Double { .. } | Part::Single { .. })) {
            self.push(b"", Standing::Quoted, &Origin::new(Rule::Quoted, parameter.span))?;
            self.break_field(Break::Field);
        }
        if let Some(word) = replacement {
            let inner = Place { fields: false, tilde: Tilde::AtStart, ..place };
            let mut text = joined(Substitution::run(self.cx, word, inner)?);
            text.set_standing(place.expanded());
            self.push_text(&text)?;
            self.break_field(Break::Field);
        }
        Ok(())
    }

    /// An anchored replacement as it is written, but for its pattern, which is expanded.
    fn written_anew(
        &mut self,
        parameter: &Parameter,
        which: Replace,
        pattern: &Text,
        replacement: Option<&Word>,
    ) -> Text {
        let sign = if which == Replace::Prefix { &b"#"[..] } else { b"%" };
        let state = self.cx.state();
        let replaced = |word: &Word| {
            let mut written = state.sources.bytes(word.span).iter().copied();
            let unescaped = std::iter::from_fn(|| match written.next()? {
                b'\\' => written.next().or(Some(b'\\')),
                byte => Some(byte),
            });
            [b"/", &unescaped.collect::<Vec<u8>>()[..]].concat()
        };
        let behind = replacement.map_or_else(Vec::new, replaced);
        let written = [sign, pattern.bytes(), &behind].concat();
        self.computed(parameter, &written)
    }

    /// What the word for a replacement expands to, behind what the pattern has left for it.
    pub(super) fn replacement(
        &mut self,
        parameter: &Parameter,
        (before, word): (Option<&Text>, Option<&Word>),
        place: Place,
    ) -> Result<Replacement, Stop> {
        let dialect = self.cx.state().dialect.clone();
        let text = match word {
            Some(word) => {
                let quoted = place.quoted && !dialect.replacement_unquotes;
                let tilde = match dialect.tilde_after_equals {
                    true => Tilde::AfterEquals,
                    false => Tilde::AtStart,
                };
                let joiner = match dialect.replacement_lists {
                    ReplacementLists::Marked => Joiner::Marked,
                    ReplacementLists::Escaped => Joiner::Escaped,
                    ReplacementLists::Plain => place.joiner,
                };
                let inner =
                    Place { fields: false, quoted, tilde, joins_stars: false, joiner, ..place };
                let text = joined(Substitution::run(self.cx, word, inner)?);
                match dialect.tilde_in_fields && !quoted {
                    true => in_field(self.cx, text, word.span, tilde)?,
                    false => text,
                }
            }
            None => Text::new(),
        };
        let text = match before {
            None => text,
            Some(before) => {
                let mut whole = before.clone();
                if word.is_some() {
                    let origin = Origin::new(Rule::Tilde, parameter.span);
                    whole.push(b"/", Standing::Quoted, &origin);
                }
                whole.push_text(&text);
                whole
            }
        };
        let ampersand = dialect.replacement_ampersand && !self.cx.state().options.no_ampersand;
        let signs = Signs {
            ampersand,
            backslashes: dialect.replacement_backslashes,
            groups: dialect.replacements_name_groups,
        };
        let made = Replacement::new(&text, signs);
        let name = Some(parameter.name.to_bytes());
        let hop = Hop { rule: Rule::Parameter, span: parameter.span, name, shifted: 0 };
        Ok(match dialect.replacements_stay_apart {
            true => made,
            // What is put in and what stays are one value when that is split.
            false => made.passed_through(&hop),
        })
    }
}

/// Which matches a pattern means that may begin with a sign for that, and the rest of it.
fn anchored_by_value(pattern: Text) -> (Replace, Text) {
    let first = pattern.bytes().first().filter(|_| pattern.quoting().first() == Some(&false));
    let which = match first {
        Some(b'#') => Replace::Prefix,
        Some(b'%') => Replace::Suffix,
        _ => return (Replace::First, pattern),
    };
    (which, pattern.slice(1, pattern.len()))
}

/// Whether a pattern ends in an unquoted backslash that no other one quotes.
fn ends_in_open_backslash(pattern: &Text) -> bool {
    let bytes = pattern.bytes().iter().zip(pattern.quoting()).rev();
    bytes.take_while(|(byte, quoted)| **byte == b'\\' && !quoted).count() % 2 == 1
}

/// Where a slash inside an expansion ends the pattern around it.
enum Cut {
    /// Outside quotes, or where it leaves a command or an expression unfinished.
    Bare,
    /// In a parameter expansion between double quotes.
    Quoted,
}

/// The first expansion in whose text an unescaped slash stands.
fn cut(parts: &[Part], sources: &Sources, quoted: bool) -> Option<Cut> {
    let holds_slash = |part: &Part| {
        let mut escaped = false;
        sources.bytes(part.span()).iter().any(|&byte| {
            let cuts = byte == b'/' && !escaped;
            escaped = byte == b'\\' && !escaped;
            cuts
        })
    };
    parts.iter().find_map(|part| match part {
        Part::Double { parts, .. } => cut(parts, sources, true),
        Part::Parameter(_) | Part::Flagged(_) if quoted => holds_slash(part).then_some(Cut::Quoted),
        Part::Parameter(_) | Part::Flagged(_) | Part::Command(_) | Part::Arithmetic { .. } => {
            holds_slash(part).then_some(Cut::Bare)
        }
        _ => None,
    })
}

/// A pattern that begins with the folder of a tilde, cut at the first slash of that: what comes behind it counts
/// as the replacement.
fn cut_folder(pattern: Text) -> (Text, Option<Text>) {
    let folder = pattern.runs().next().filter(|(run, _)| run.origin.rule() == Rule::Tilde);
    let slash = folder.and_then(|_| pattern.bytes().iter().position(|&byte| byte == b'/'));
    match slash {
        None => (pattern, None),
        Some(at) => (pattern.slice(0, at), Some(pattern.slice(at + 1, pattern.len()).quoted())),
    }
}
