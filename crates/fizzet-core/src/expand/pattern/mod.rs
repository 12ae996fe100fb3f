//! Pattern matching (POSIX XCU 2.14), with the groups of ksh.
//!
//! A pattern is compiled from bytes that know whether they are quoted, then matched without copying.
//! Matching goes back only to the latest `*`, so it takes at most pattern times text steps; a pattern
//! with groups is matched by following all ways at once.

mod bracket;
mod bracket_ends;
pub(super) mod class;
mod compile;
mod disabled;
pub(super) mod escapes;
mod expression;
mod hidden;
mod matching;
mod options;
mod ordered;
mod range;
mod symbols;

use std::cell::Cell;

use bstr::ByteSlice;

use crate::dialect::{Brackets, CountsQuoted, Dialect, OpenGroups, QuotesPair};
use crate::expand::pattern::class::Set;
use crate::expand::pattern::compile::{Compiler, Told};
use crate::expand::pattern::escapes::Place;
use crate::text::{Standing, Text, character_count};
pub use class::VariableClasses;
pub use disabled::Disabled;
pub(crate) use options::{EXPRESSIONS, of_pathname};
pub(crate) use range::range_length;

/// How matching reads text.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct PatternRules {
    /// What the classes hold that are named after variables.
    pub variable_classes: VariableClasses,
    /// Characters of a UTF-8 locale rather than bytes.
    pub characters: bool,
    /// Character classes know letters beyond ASCII.
    pub wide_classes: bool,
    /// `^` negates a bracket expression as `!` does.
    pub caret_negates: bool,
    /// How bracket expressions are read.
    pub brackets: &'static Brackets,
    /// An unquoted backslash escapes the next character.
    pub backslash_escapes: bool,
    /// It escapes only what is special in patterns.
    pub backslash_needs_special: bool,
    /// Before which quoted characters it stands for itself, and they count as not quoted.
    pub quotes_pair: QuotesPair,
    /// Behind it letters are classes, places and control characters.
    pub letter_escapes: bool,
    /// So they are where that is written in a group.
    pub written_letters: bool,
    /// Groups such as `@(a|b)` are known.
    pub groups: bool,
    /// Capital and small letters are the same.
    pub folds_case: bool,
    /// They are not between brackets.
    pub sets_mind_case: bool,
    /// It may also escape the slash behind a component that is a pattern.
    pub escapes_slash_behind_pattern: bool,
    /// Whether `[[:<:]]` and `[[:>:]]` are places.
    pub word_places: bool,
    /// Whether parentheses are groups without a sign before them.
    pub bare_groups: bool,
    /// Whether they are inside of other groups.
    pub nested_bare_groups: bool,
    /// Whether a group may say how often it comes, and that it comes as rarely as it can.
    pub counted_groups: bool,
    /// Whether `<1-9>` is a range of numbers.
    pub ranges: bool,
    /// Whether a backslash at the end matches a backslash.
    pub last_backslash_matches: bool,
    /// Whether groups count that come from a value.
    pub groups_in_values: bool,
    /// Which quoted characters mean something between brackets.
    pub counts_quoted: CountsQuoted,
    /// Whether `~(i)` and other options may stand in patterns.
    pub options: bool,
    /// Whether the pattern is that of `${x/p/r}`.
    pub of_replacement: bool,
    /// Whether `^`, `#` and `~` are operators.
    pub operators: bool,
    /// Whether characters of several bytes count in brackets.
    pub wide_brackets: bool,
    /// Whether the first alternative of a group that leads to a match counts, and not the one with the longest.
    pub alternatives_in_order: bool,
    /// What a group that is not closed makes of a pattern.
    pub open_groups: OpenGroups,
    /// Whether a group behind a star cannot match the nothing at the end of a text.
    pub star_groups_need_text: bool,
    /// Whether a pattern or a text that is no UTF-8 is matched byte by byte.
    pub broken_text_matches_bytes: bool,
    /// The operators that stand for themselves.
    pub disabled: Disabled,
}

impl PatternRules {
    /// The same for bytes.
    pub(super) fn of_bytes(self) -> PatternRules {
        PatternRules { characters: false, wide_classes: false, wide_brackets: false, ..self }
    }

    /// The rules of a shell in a locale.
    pub fn new(dialect: &Dialect, utf8: bool) -> PatternRules {
        PatternRules {
            variable_classes: VariableClasses::NONE,
            characters: utf8 && dialect.characters,
            wide_classes: utf8 && dialect.wide_classes,
            caret_negates: dialect.caret_negates,
            brackets: dialect.brackets,
            backslash_escapes: dialect.value_backslash_escapes,
            letter_escapes: false,
            written_letters: dialect.pattern_letters,
            backslash_needs_special: dialect.value_backslash_needs_special,
            quotes_pair: dialect.quotes_pair,
            escapes_slash_behind_pattern: dialect.escapes_slash_behind_pattern,
            word_places: dialect.word_places,
            bare_groups: dialect.bare_groups,
            nested_bare_groups: dialect.parentheses_group_in_groups,
            counted_groups: dialect.counted_groups,
            ranges: dialect.number_ranges,
            groups_in_values: dialect.groups_in_values,
            counts_quoted: dialect.counts_quoted,
            last_backslash_matches: dialect.last_backslash_matches,
            options: dialect.pattern_options,
            of_replacement: false,
            operators: false,
            alternatives_in_order: dialect.alternatives_in_order,
            open_groups: dialect.open_groups,
            star_groups_need_text: dialect.star_groups_need_text,
            broken_text_matches_bytes: dialect.broken_text_matches_bytes,
            disabled: Disabled::NONE,
            wide_brackets: utf8 && dialect.characters,
            groups: dialect.extended_patterns,
            folds_case: false,
            sets_mind_case: dialect.sets_mind_case,
        }
    }
}

/// What makes zsh's patterns blind to the size of letters.
const FOLDING: &[u8] = b"(#i)";

/// A compiled pattern.
#[derive(Clone, Debug)]
pub struct Pattern {
    items: Vec<Item>,
    rules: PatternRules,
    has_groups: bool,
    has_places: bool,
    /// Whether it is a regular expression, which may begin and end anywhere in a text.
    loose: bool,
    /// Whether it matches as little as it can.
    rarely: bool,
    /// How many of its groups have numbers already.
    numbers: u8,
    /// Whether a group stands behind a star, where that matters.
    minds_end: bool,
    /// What it tells of its matches.
    told: Told,
}

#[derive(Clone, Debug)]
enum Item {
    Literal(Vec<u8>),
    Any,
    Star,
    Set(Set),
    /// A place between characters.
    Place(Place),
    Group(Repeat, Vec<Vec<Item>>),
    /// A group with its number, from 0, of which the pattern tells what it has matched.
    Told(u8, Box<Item>),
    /// What the first matches and the second does not.
    Except(Vec<Item>, Vec<Item>),
}

/// How often an alternative of a group may come.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
enum Repeat {
    /// `@`
    Once,
    /// `?`
    Maybe,
    /// `*`
    Any,
    /// `+`
    Some,
    /// `!`: anything but one of them.
    Not,
    /// `(#c2,3)` and `{2,3}`: at least, and at most.
    Times(u32, Option<u32>),
    /// The same as few times as what follows allows: `*-`
    Fewest(u32, Option<u32>),
}

impl Repeat {
    /// The same as few times as what follows allows.
    fn fewest(self) -> Repeat {
        match self {
            Repeat::Maybe => Repeat::Fewest(0, Some(1)),
            Repeat::Any => Repeat::Fewest(0, None),
            Repeat::Some => Repeat::Fewest(1, None),
            Repeat::Times(least, most) => Repeat::Fewest(least, most),
            Repeat::Once | Repeat::Not | Repeat::Fewest(..) => self,
        }
    }

    fn of(sign: u8) -> Option<Repeat> {
        Some(match sign {
            b'@' => Repeat::Once,
            b'?' => Repeat::Maybe,
            b'*' => Repeat::Any,
            b'+' => Repeat::Some,
            b'!' => Repeat::Not,
            _ => return None,
        })
    }
}

/// Whether a text has an unquoted pattern character.
pub fn has_pattern(text: &Text, rules: PatternRules) -> bool {
    text.runs().any(|(run, bytes)| {
        let groups = rules.groups && (rules.groups_in_values || !run.standing.is_split());
        !run.is_quoted() && has_active(bytes, PatternRules { groups, ..rules })
    })
}

/// Whether an unquoted byte could begin a pattern under some rules; costs less than [`has_pattern`].
pub(crate) fn may_have_pattern(text: &Text) -> bool {
    let begins =
        |byte: &u8| matches!(byte, b'*' | b'?' | b'[' | b'(' | b'^' | b'#' | b'~' | b'<' | b'|');
    text.runs().any(|(run, bytes)| !run.is_quoted() && bytes.iter().any(begins))
}

/// Whether unquoted bytes hold what can begin a pattern.
pub(crate) fn has_active(bytes: &[u8], rules: PatternRules) -> bool {
    if rules.disabled.any() {
        let left = rules.disabled.left(bytes);
        return has_active(&left, PatternRules { disabled: Disabled::NONE, ..rules });
    }
    let plain = |byte: &u8| matches!(byte, b'*' | b'?' | b'[');
    // An exclusion alone makes no pattern of a word (zsh).
    let operator = |byte: &u8| matches!(byte, b'^' | b'#');
    bytes.iter().any(plain)
        || ((rules.groups || rules.bare_groups) && bytes.contains(&b'('))
        || (rules.bare_groups && bytes.contains(&b'|'))
        || (rules.ranges && bytes.contains(&b'<'))
        || (rules.operators && bytes.iter().any(operator))
}

/// Whether an unquoted `[` in a text begins a bracket expression that nothing closes; a lone one is
/// no pattern.
pub fn has_open_bracket(text: &Text, rules: PatternRules) -> bool {
    let (bytes, quoted) = (text.bytes(), quoting(text, rules));
    bytes.len() > 1 && Compiler::new(bytes, &quoted, rules, &Cell::default()).has_open_bracket()
}

/// Whether an unquoted `(` outside brackets in a text begins a group that nothing closes.
pub fn has_open_group(text: &Text, rules: PatternRules) -> bool {
    if !text.bytes().contains(&b'(') {
        return false;
    }
    let (bytes, quoted) = (text.bytes(), text.quoting());
    Compiler::new(bytes, &quoted, rules, &Cell::default()).has_open_group()
}

/// Whether a text is a pattern in earnest: a lone `[` is none.
pub fn is_pattern(text: &Text, rules: PatternRules) -> bool {
    has_pattern(text, rules) && Pattern::from_text(text, rules).literal().is_none()
}

/// Whether a text looks like a pattern to a shell that goes through it once: a slash ends a bracket
/// expression, but not if it is quoted.
pub fn looks_like_one(text: &Text, rules: PatternRules) -> bool {
    let (bytes, quoted) = (text.bytes(), text.quoting());
    let (mut at, mut open) = (0, false);
    while at < bytes.len() {
        match bytes[at] {
            _ if quoted[at] => {}
            b'*' | b'?' => return true,
            b'[' => open = true,
            b']' if open => return true,
            b'/' => open = false,
            b'+' | b'@' | b'!' if rules.groups && bytes.get(at + 1) == Some(&b'(') => return true,
            b'\\' => at += 1,
            _ => {}
        }
        at += 1;
    }
    false
}

/// For each byte of a pattern, whether it stands for itself: where groups of values do not count, so do their
/// parentheses and bars.
pub(crate) fn quoting(pattern: &Text, rules: PatternRules) -> Vec<bool> {
    let mut marks = pattern.quoting();
    if rules.disabled.any() {
        let bytes = pattern.bytes();
        for (at, mark) in marks.iter_mut().enumerate() {
            *mark |= rules.disabled.quotes(bytes[at], bytes.get(at + 1));
        }
    }
    if rules.groups && !rules.groups_in_values {
        let mut at = 0;
        for (run, bytes) in pattern.runs() {
            let is_value = run.standing.is_split() || run.standing == Standing::Value;
            for (mark, byte) in marks[at..].iter_mut().zip(bytes) {
                *mark |= is_value && matches!(byte, b'(' | b'|' | b')');
            }
            at += bytes.len();
        }
    }
    if rules.counts_quoted != CountsQuoted::NOTHING {
        let mut at = 0;
        for (run, bytes) in pattern.runs() {
            let counting = match run.origin.rule().is_expansion() {
                _ if !run.is_quoted() || run.is_escaped(bytes) => "",
                true => rules.counts_quoted.of_values,
                false => rules.counts_quoted.written,
            };
            for (mark, byte) in marks[at..].iter_mut().zip(bytes) {
                *mark &= !counting.as_bytes().contains(byte);
            }
            at += bytes.len();
        }
    }
    if rules.options
        && let Some(start) = options::expression_start(pattern)
    {
        unquote_signs(pattern, &mut marks, start, rules.of_replacement);
    }
    pair_backslashes(pattern.bytes(), &mut marks, rules.quotes_pair);
    marks
}

/// In a regular expression quotes hide only what is special in the patterns of the shell, and so do backslashes, where
/// the pattern is to be replaced (observed in ksh93u+m: `x=aab; echo ${x/~(E)"a+"/-} ${x/~(E)a\+/-}`).
fn unquote_signs(pattern: &Text, marks: &mut [bool], start: usize, of_replacement: bool) {
    let mut at = 0;
    for (run, bytes) in pattern.runs() {
        let escaped = run.is_escaped(bytes);
        let signs: &[u8] = match escaped {
            true if of_replacement => b"+^$",
            true => b"",
            false => b".+^$",
        };
        for (at, byte) in (at..).zip(bytes).filter(|(at, _)| *at >= start) {
            marks[at] &= !signs.contains(byte);
        }
        at += bytes.len();
    }
}

/// Makes a backslash of a value stand for itself where it stands before a quoted character that it pairs
/// with, and that character a part of the pattern; answers whether there is such a place.
fn pair_backslashes(bytes: &[u8], marks: &mut [bool], pairing: QuotesPair) -> bool {
    let pairs = |byte: u8| match pairing {
        QuotesPair::Never => false,
        QuotesPair::Always | QuotesPair::Spoils => true,
        QuotesPair::Before(special) => special.as_bytes().contains(&byte),
    };
    if pairing == QuotesPair::Never || !bytes.contains(&b'\\') {
        return false;
    }
    let (mut at, mut found) = (0, false);
    while at + 1 < bytes.len() {
        match bytes[at] {
            b'\\' if !marks[at] && marks[at + 1] && pairs(bytes[at + 1]) => {
                (marks[at], marks[at + 1]) = (true, false);
                found = true;
            }
            b'\\' if !marks[at] => at += 1,
            _ => {}
        }
        at += 1;
    }
    found
}

/// What matches one of several alternatives.
fn one_of(mut alternatives: Vec<Vec<Item>>) -> Vec<Item> {
    match alternatives.len() {
        1 => alternatives.swap_remove(0),
        _ => vec![Item::Group(Repeat::Once, alternatives)],
    }
}

impl Pattern {
    /// Compiles the bytes of a pattern; `quoted` says for each byte whether it stands for itself.
    pub fn new(bytes: &[u8], quoted: &[bool], rules: PatternRules) -> Pattern {
        // `(#i)` at the start and nowhere else: the whole pattern compares in small letters.
        let folds = rules.operators
            && bytes.starts_with(FOLDING)
            && !quoted[0]
            && !bytes[FOLDING.len()..].contains_str("(#");
        let (at, folds_case) = (if folds { FOLDING.len() } else { 0 }, folds || rules.folds_case);
        let broken = rules.broken_text_matches_bytes && is_broken(bytes);
        let rules = PatternRules { folds_case, ..if broken { rules.of_bytes() } else { rules } };
        let told = Cell::default();
        let mut compiler = Compiler::new(bytes, quoted, rules, &told);
        compiler.at = at;
        let bar = |(&byte, &quoted): (&u8, &bool)| byte == b'|' && !quoted;
        let items = match compiler.is_text() {
            true => {
                compiler.rest_is_text();
                compiler.items
            }
            false
                if rules.bare_groups
                    && !(rules.options && bytes.starts_with(b"~("))
                    && bytes.iter().zip(quoted).any(bar) =>
            {
                compiler.open = 1;
                one_of(compiler.alternatives())
            }
            false => {
                compiler.compile();
                if compiler.ends_text {
                    compiler.items.push(Item::Place(Place::End));
                }
                compiler.items
            }
        };
        // Where brackets mind case, each letter outside them is a set of its two sizes.
        let folds_case = folds_case && !rules.sets_mind_case;
        let told = told.get();
        let alternatives_in_order = rules.alternatives_in_order || told.comes_rarely;
        let rules = PatternRules { folds_case, alternatives_in_order, ..rules };
        let (loose, rarely) = (told.loose, told.rarely);
        let numbers = if rules.options { told.groups } else { 0 };
        let told = match rules.options {
            true => Told { ends_as_text: told.ends_as_text, ..Told::default() },
            false => Told { comes_rarely: false, ..told },
        };
        Pattern { told, loose, rarely, numbers, ..Pattern::of(items, rules) }
    }

    fn of(items: Vec<Item>, rules: PatternRules) -> Pattern {
        let is_group =
            |item: &Item| matches!(item, Item::Group(..) | Item::Told(..) | Item::Except(..));
        let has_places =
            (rules.letter_escapes || rules.operators || rules.options || rules.word_places)
                && holds_place(&items);
        let has_groups = has_places || items.iter().any(is_group);
        let minds_end = rules.star_groups_need_text && holds_group_behind_star(&items);
        let told = Told::default();
        let (loose, rarely, numbers) = (false, false, 0);
        Pattern { items, rules, has_groups, has_places, loose, rarely, numbers, minds_end, told }
    }

    /// Compiles a text.
    pub fn from_text(text: &Text, rules: PatternRules) -> Pattern {
        if rules.quotes_pair == QuotesPair::Spoils
            && pair_backslashes(text.bytes(), &mut text.quoting(), rules.quotes_pair)
        {
            return Pattern::of(vec![Item::Set(Set::NOTHING)], rules);
        }
        if rules.written_letters
            && let Some(text) = escapes::with_written(text)
        {
            let rules = PatternRules { letter_escapes: true, ..rules };
            return Pattern::new(text.bytes(), &quoting(&text, rules), rules);
        }
        Pattern::new(text.bytes(), &quoting(text, rules), rules)
    }

    /// Compiles a text that is all of a group: bars separate alternatives, parentheses need no sign.
    pub fn alternatives(text: &Text, rules: PatternRules) -> Pattern {
        let rules = PatternRules { bare_groups: true, ..rules };
        let quoted = quoting(text, rules);
        let bytes = text.bytes();
        let told = Cell::default();
        let mut compiler = Compiler::new(bytes, &quoted, rules, &told);
        compiler.open = 1;
        Pattern::of(one_of(compiler.alternatives()), rules)
    }

    /// The text that the pattern stands for if it has no active character.
    pub fn literal(&self) -> Option<&[u8]> {
        match &self.items[..] {
            _ if self.loose => None,
            [] => Some(b""),
            [Item::Literal(bytes)] => Some(bytes),
            _ => None,
        }
    }

    /// Whether it begins, and whether it ends, with a star.
    pub fn stars_at_ends(&self) -> (bool, bool) {
        let is_star = |item: Option<&Item>| matches!(item, Some(Item::Star));
        (is_star(self.items.first()), is_star(self.items.last()))
    }

    /// The bytes that it begins with.
    pub fn literal_start(&self) -> &[u8] {
        match self.items.first() {
            Some(Item::Literal(bytes)) if !self.rules.folds_case => bytes,
            _ => b"",
        }
    }

    /// The bytes that it ends with.
    pub(in crate::expand) fn literal_end(&self) -> &[u8] {
        match self.items.last() {
            Some(Item::Literal(bytes)) if !self.rules.folds_case => bytes,
            _ => b"",
        }
    }

    /// Whether it takes characters where they have several bytes.
    pub(in crate::expand) fn counts_characters(&self) -> bool {
        self.rules.characters
    }

    /// Whether it holds groups, or places.
    pub(in crate::expand) fn has_groups(&self) -> bool {
        self.has_groups
    }

    /// Whether it is a regular expression, which may begin and end anywhere in a text.
    pub(crate) fn is_loose(&self) -> bool {
        self.loose
    }

    /// Whether what it matches depends on where the text ends.
    pub(in crate::expand) fn minds_end(&self) -> bool {
        self.minds_end
    }

    /// How many characters it takes, if that is always the same.
    pub(in crate::expand) fn width(&self) -> Option<usize> {
        self.items.iter().map(|item| self.width_of(item)).sum()
    }

    fn width_of(&self, item: &Item) -> Option<usize> {
        match item {
            Item::Literal(bytes) => Some(character_count(bytes, self.rules.characters)),
            Item::Any | Item::Set(_) => Some(1),
            Item::Place(_) => Some(0),
            Item::Star | Item::Group(..) | Item::Told(..) | Item::Except(..) => None,
        }
    }

    /// Whether the pattern is `**` and nothing else.
    pub fn is_double_star(&self, written: &[u8]) -> bool {
        matches!(self.items[..], [Item::Star]) && written == b"**"
    }

    /// Whether the pattern begins with a star.
    pub fn begins_with_star(&self) -> bool {
        matches!(self.items.first(), Some(Item::Star))
    }

    /// Whether the pattern begins with this literal byte.
    pub fn begins_with(&self, byte: u8) -> bool {
        matches!(self.items.first(), Some(Item::Literal(bytes)) if bytes[0] == byte)
    }
}

/// Whether a text is no UTF-8.
pub(super) fn is_broken(text: &[u8]) -> bool {
    !text.is_ascii() && std::str::from_utf8(text).is_err()
}

/// Whether a group that must come stands behind a star, or behind single characters behind one.
fn holds_group_behind_star(items: &[Item]) -> bool {
    let mut behind = false;
    items.iter().any(|item| {
        let found = behind && needs_text_behind_star(item);
        behind = matches!(item, Item::Star) || (behind && matches!(item, Item::Any));
        found
    })
}

fn needs_text_behind_star(item: &Item) -> bool {
    match item {
        Item::Told(_, group) => needs_text_behind_star(group),
        item => matches!(item, Item::Group(Repeat::Once | Repeat::Some | Repeat::Not, _)),
    }
}

/// Whether a place between characters is among the items, also inside groups.
fn holds_place(items: &[Item]) -> bool {
    items.iter().any(|item| match item {
        Item::Place(_) => true,
        Item::Group(_, alternatives) => alternatives.iter().any(|items| holds_place(items)),
        Item::Told(_, group) => holds_place(std::slice::from_ref(group)),
        _ => false,
    })
}

#[cfg(test)]
mod tests {
    use super::{Pattern, PatternRules, pair_backslashes};
    use crate::dialect::{Brackets, CountsQuoted, OpenGroups, QuotesPair};
    use crate::expand::pattern::{Disabled, VariableClasses};

    const RULES: PatternRules = PatternRules {
        variable_classes: VariableClasses::NONE,
        characters: true,
        wide_classes: true,
        caret_negates: true,
        quotes_pair: QuotesPair::Never,
        brackets: &Brackets { more_classes: &["word", "ascii"], ..Brackets::POSIX },
        backslash_escapes: true,
        escapes_slash_behind_pattern: true,
        word_places: false,
        bare_groups: false,
        nested_bare_groups: false,
        ranges: false,
        groups_in_values: true,
        counts_quoted: CountsQuoted::NOTHING,
        last_backslash_matches: true,
        operators: false,
        wide_brackets: true,
        alternatives_in_order: false,
        counted_groups: false,
        open_groups: OpenGroups::ArePatterns,
        star_groups_need_text: false,
        backslash_needs_special: false,
        letter_escapes: false,
        options: false,
        of_replacement: false,
        written_letters: false,
        groups: true,
        folds_case: false,
        sets_mind_case: false,
        broken_text_matches_bytes: false,
        disabled: Disabled::NONE,
    };

    fn matches(pattern: &str, text: &str) -> bool {
        let quoted = vec![false; pattern.len()];
        Pattern::new(pattern.as_bytes(), &quoted, RULES).matches(text.as_bytes())
    }

    #[test]
    fn a_bracket_may_begin_with_its_closer_and_end_with_a_dash() {
        assert!(matches("[]a]*", "]jar"));
        assert!(matches("[!]a]*", "hive"));
        assert!(!matches("[!]a]*", "ajar"));
        assert!(matches("[a-]*", "-x"));
        assert!(!matches("[a-", "a"));
        assert!(matches("[a-", "[a-"));
    }

    #[test]
    fn characters_are_matched_whole_in_utf8() {
        assert!(matches("?", "ä"));
        assert!(!matches("??", "ä"));
        assert!(matches("[[:alpha:]]x", "äx"));
        assert!(matches("[ä-ö]", "å") || !matches("[ä-ö]", "z"));
    }

    #[test]
    fn many_stars_do_not_explode() {
        let pattern = "*a".repeat(40);
        assert!(!matches(&pattern, &"a".repeat(39)));
        assert!(matches(&pattern, &"a".repeat(40)));
    }

    #[test]
    fn hidden_names_match_a_dot_that_is_written() {
        let found = |pattern: &str, name: &str| {
            let rules = PatternRules { groups: true, ..RULES };
            let quoted = vec![false; pattern.len()];
            let pattern = Pattern::new(pattern.as_bytes(), &quoted, rules);
            pattern.of_hidden_names(true).iter().any(|one| one.matches(name.as_bytes()))
        };
        for pattern in [".h*", "@(.|x)h*", "?(.)hive", "+(.|h)ive", "*(.)hive", "@(@(.h)|lid)*"] {
            assert!(found(pattern, ".hive"), "{pattern}");
        }
        for pattern in ["*", "?hive", "[.]hive", "!(x)", "@(*|.x)", "*(|x)?hive"] {
            assert!(!found(pattern, ".hive"), "{pattern}");
        }
        // Groups with very many ways through them end soon.
        let many = format!("{}hive", "*(*(|.|)|+(|.)|)".repeat(20));
        assert!(found(&many, ".hive"));
    }

    #[test]
    fn a_backslash_pairs_with_the_quotes_behind_it() {
        let paired = |pairing| {
            // a\*b, where the star is quoted
            let (bytes, mut marks) = (b"a\\*b", [false, false, true, false]);
            pair_backslashes(bytes, &mut marks, pairing);
            Pattern::new(bytes, &marks, RULES)
        };
        assert!(paired(QuotesPair::Always).matches(b"a\\jar b"));
        assert!(paired(QuotesPair::Before("*")).matches(b"a\\b"));
        assert!(paired(QuotesPair::Before("?")).matches(b"a*b"));
        assert!(!paired(QuotesPair::Never).matches(b"a\\b"));
    }
}
