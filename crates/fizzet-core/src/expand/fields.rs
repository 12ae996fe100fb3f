//! The last stages that make fields: field splitting (POSIX XCU 2.6.5) and pathname expansion (POSIX XCU 2.6.6).

use std::rc::Rc;

use crate::dialect::{IfsUnits, LastArgument};
use crate::expand::parts::{is_expansion, keeps_whole, names_all_parameters};
use crate::expand::pattern::{self, PatternRules};
use crate::expand::qualifiers::Qualifiers;
use crate::expand::substitute::{self, Piece};
use crate::expand::{Context, Ifs, glob, split};
use crate::source::Span;
use crate::state::{Matching, State};
use crate::stop::Stop;
use crate::syntax::ast::{Part, Word};
use crate::text::{Standing, Text};
use crate::trace::Matched;

pub(super) fn split_all(
    cx: &mut dyn Context,
    pieces: Vec<Piece>,
    word: &Word,
) -> Result<Vec<Text>, Stop> {
    let (state, parts, span) = (cx.state(), &word.parts, word.span);
    let whole = state.dialect.lone_dollar_keeps_whole && keeps_whole(parts, state.joins_stars);
    let ifs = if whole { Rc::new(Ifs::none()) } else { ifs(state) };
    let rules = split::Rules {
        across: state.dialect.splits_across_expansions,
        blank_joins_wide: state.dialect.blank_joins_wide_separator,
        strict_blanks_merge: state.dialect.strict_blanks_merge,
        leading_blank_stands_alone: state.dialect.leading_blank_stands_alone,
        blank_joins_literal: state.dialect.blank_joins_literal,
        last_makes_field: state.dialect.last_separator_makes_field,
        output_begins_behind_separator: state.dialect.output_begins_behind_separator,
        leading_blank_joins: state.dialect.leading_blank_joins_under_at
            && parts.iter().any(|part| names_all_parameters(part, false)),
    };
    let splits = |part: &Part| is_expansion(part) || names_all_parameters(part, false);
    let quotes = state.dialect.expansion_quotes_literal_ifs && parts.iter().any(splits);
    let limit = state.limits.fields;
    let pieces = match quotes {
        true => pieces.into_iter().map(|piece| piece.with_literal_ifs_quoted(&ifs)).collect(),
        false => pieces,
    };
    let fields = split::split(pieces, &ifs, rules);
    if fields.len() > limit {
        return Err(Stop::Limit { what: "fields in one word", limit: limit as u64, span });
    }
    Ok(fields)
}

/// The fields that a value makes by itself.
pub(super) fn split_value(text: Text, ifs: &Rc<Ifs>, state: &State) -> Vec<Text> {
    let piece = Piece::new(text, substitute::Break::Field);
    let rules = split::Rules {
        across: false,
        blank_joins_wide: state.dialect.blank_joins_wide_separator,
        strict_blanks_merge: false,
        leading_blank_joins: false,
        leading_blank_stands_alone: false,
        blank_joins_literal: false,
        last_makes_field: state.dialect.last_separator_makes_field,
        output_begins_behind_separator: state.dialect.output_begins_behind_separator,
    };
    split::split(vec![piece], ifs, rules)
}

/// A quoted text split all the same, by spaces where IFS is empty; a blank at its start and a separator at its end
/// leave an empty field each.
pub(super) fn split_with_ends(mut text: Text, state: &State) -> Vec<Text> {
    let ifs = match ifs(state) {
        ifs if ifs.is_empty() => Rc::new(Ifs::new(Some(b" "), IfsUnits::Bytes)),
        ifs => ifs,
    };
    let opens = text.bytes().first().is_some_and(|&byte| ifs.is_blank(byte));
    let closes = text.bytes().last().is_some_and(|&byte| ifs.separates(byte));
    text.set_standing(Standing::Splittable);
    let mut fields = split_value(text, &ifs, state);
    fields.iter_mut().for_each(|field| field.set_standing(Standing::Quoted));
    if opens {
        fields.insert(0, Text::new());
    }
    if closes {
        fields.push(Text::new());
    }
    fields
}

/// IFS as it stands now.
pub(crate) fn ifs(state: &State) -> Rc<Ifs> {
    let separators = state.variables.separators();
    let first = Some(state.dialect.first_ifs).filter(|&first| first != b" \t\n");
    let value = separators.as_deref().or(first);
    let wide = value.is_some_and(|value| !value.is_ascii());
    let units = if wide && state.utf8() { state.dialect.ifs_units } else { IfsUnits::Bytes };
    let mut latest = state.latest_ifs.borrow_mut();
    match &*latest {
        Some(known) if known.is_of(value, units) => known.clone(),
        _ => latest.insert(Rc::new(Ifs::new(value, units))).clone(),
    }
}

pub(super) fn match_all(
    cx: &mut dyn Context,
    texts: Vec<Text>,
    word: &Word,
) -> Result<Vec<Text>, Stop> {
    let state = cx.state();
    if !texts.iter().any(pattern::may_have_pattern) {
        return Ok(texts);
    }
    let rules = state.pattern_rules(state.options.no_case_glob);
    if state.options.no_glob || !texts.iter().any(|text| pattern::has_pattern(text, rules)) {
        return Ok(texts);
    }
    if state.dialect.last_argument == LastArgument::Before {
        let last = texts.last().filter(|text| pattern::has_pattern(text, rules)).cloned();
        cx.state().doing.pattern = last;
    }
    let state = cx.state();
    let settings = glob::Settings::new(state, rules);
    let (dialect, options) = (state.dialect.clone(), state.options.clone());
    let host = cx.host();
    let mut fields = Vec::with_capacity(texts.len());
    for mut text in texts {
        if text.has_hole() {
            // Nobody knows which files it matches, if any.
            text.let_holes_be_several();
            fields.push(text);
            continue;
        }
        let taken = match dialect.glob_qualifiers {
            true => Qualifiers::take(&text),
            false => Ok(None),
        };
        let (text, qualifiers) = match taken {
            Ok(Some((text, qualifiers))) => (text, Some(qualifiers)),
            Ok(None) => (text, None),
            Err(letters) => {
                let shown = String::from_utf8_lossy(&letters).into_owned();
                let message = format!("`{shown}` are no qualifiers of a pathname pattern");
                return Err(Stop::error(message, word.span, 1, dialect.unmatched_ends));
            }
        };
        if dialect.open_bracket_spoils && pattern::has_open_bracket(&text, rules) {
            fields.push(text);
            continue;
        }
        if dialect.open_bracket_is_error && pattern::has_open_bracket(&text, rules) {
            let message = "a [ in this pattern is never closed";
            return Err(Stop::error(message, word.span, 1, dialect.unmatched_ends));
        }
        if dialect.open_group_is_error && pattern::has_open_group(&text, rules) {
            let message = "a ( in this pattern is never closed";
            return Err(Stop::error(message, word.span, 1, dialect.unmatched_ends));
        }
        let own;
        let settings = match &qualifiers {
            Some(qualifiers) => {
                own = glob::Settings::new(cx.state(), rules).with(qualifiers);
                &own
            }
            None => &settings,
        };
        match glob::pathnames(&text, word.span, settings, qualifiers.as_ref(), &*host) {
            Some(mut found) => {
                if let Some(record) = cx.record() {
                    let active = active_span(&text, rules).unwrap_or(word.span);
                    record.matched.push(Matched { pattern: text, active, count: found.len() });
                }
                fields.append(&mut found);
                cx.state().doing.matching = Matching::Some;
            }
            None if qualifiers.as_ref().is_some_and(|one| one.null) => {}
            None if rules.options
                && pattern::of_pathname(&text).is_some_and(|one| one.vanishes) =>
            {
                if text.runs().any(|(run, _)| run.is_quoted()) {
                    fields.push(Text::new());
                }
            }
            None if qualifiers.is_none() && !pattern::is_pattern(&text, rules) => fields.push(text),
            None if dialect.slash_ends_brackets && !pattern::looks_like_one(&text, rules) => {
                fields.push(text);
            }
            None if options.null_glob && dialect.slash_ends_brackets => {}
            None if options.null_glob && glob::has_pattern_between_slashes(&text, settings) => {}
            None if dialect.unmatched_vanish_together => {
                let matching = &mut cx.state().doing.matching;
                *matching = (*matching).max(Matching::None);
            }
            None if options.fail_glob || !(dialect.keeps_unmatched || options.keep_unmatched) => {
                let shown = String::from_utf8_lossy(text.bytes()).into_owned();
                let message = format!("no pathname matches {shown}");
                return Err(Stop::error(message, word.span, 1, dialect.unmatched_ends));
            }
            None => fields.push(text),
        }
    }
    Ok(fields)
}

/// Where the first active pattern character was written or expanded.
fn active_span(text: &Text, rules: PatternRules) -> Option<Span> {
    text.runs()
        .find(|(run, bytes)| !run.is_quoted() && pattern::has_active(bytes, rules))
        .map(|(run, _)| run.origin.span())
}
