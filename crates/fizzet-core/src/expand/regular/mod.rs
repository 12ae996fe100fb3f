//! Extended regular expressions (POSIX XBD 9.4), as `[[ text =~ expression ]]` matches them.

mod matching;
mod program;
mod read;
mod remembered;
mod tree;

use crate::dialect::RegularReading;
use crate::expand::pattern::class::{Class, Member, Set, cases};
use crate::expand::regular::matching::{Characters, Matching};
use crate::expand::regular::program::{Program, Step};
use crate::expand::regular::remembered::STEPS;
pub(crate) use crate::expand::regular::remembered::TooLong;
use crate::state::State;
use crate::text::next_character;

/// The most steps of an expression times the characters of a text.
const MAX_WORK: usize = 300_000_000;

/// A compiled expression.
pub(crate) struct Regular {
    program: Program,
    /// How many groups it has.
    groups: usize,
    /// Whether it names what a group has matched.
    names_groups: bool,
    /// Whether a part of it is repeated without end.
    loops: bool,
    rules: Rules,
}

/// How characters are taken.
#[derive(Clone, Copy, Debug)]
pub(crate) struct Rules {
    /// Whether a character may be of several bytes.
    pub(crate) characters: bool,
    /// Whether small and capital letters are the same.
    pub(crate) folds_case: bool,
    /// Whether characters beyond ASCII may begin or end a range: in the locale C.UTF-8 of the C library they
    /// may not.
    pub(crate) wide_ranges: bool,
    /// Whose reading of an expression counts.
    pub(crate) reading: RegularReading,
}

/// Which bytes of an expression stand for themselves.
#[derive(Clone, Copy)]
pub(crate) struct Quoted<'a> {
    /// Whether each byte is quoted.
    pub(crate) marks: &'a [bool],
    /// Whether quotes between brackets mean nothing.
    pub(crate) bare_brackets: bool,
}

/// Where the whole match and each group begin and end, in bytes.
pub(crate) type Spans = Vec<Option<(usize, usize)>>;

impl Regular {
    /// Compiles an expression; `None` if it is none.
    ///
    /// # Errors
    /// There is too much of something in it.
    pub(crate) fn new(
        bytes: &[u8],
        quoted: Quoted<'_>,
        rules: Rules,
    ) -> Result<Option<Regular>, TooLong> {
        let Some(read) = read::read(bytes, quoted, rules)? else { return Ok(None) };
        let program = Program::new(&read.tree, read.groups).ok_or(TooLong {
            what: "steps in the program of one regular expression",
            limit: program::MAX_STEPS as u64,
        })?;
        let (groups, names_groups) = (read.groups, read.names_groups);
        let goes_back = |(number, step): (usize, &Step)| match step {
            Step::Split(first, _) => *first > number,
            _ => false,
        };
        let loops = program.steps.iter().enumerate().any(goes_back);
        Ok(Some(Regular { program, groups, names_groups, loops, rules }))
    }

    /// The leftmost longest match.
    ///
    /// # Errors
    /// A large expression on a long text, or one that names groups, may need more steps than there may be.
    pub(crate) fn find(&self, text: &[u8]) -> Result<Option<Spans>, TooLong> {
        let matching = Matching { regular: self, text: self.characters(text) };
        let work = self.program.steps.len().saturating_mul(matching.text.codes.len());
        match self.names_groups {
            true => matching.find_remembered(),
            false if work > MAX_WORK => Err(TooLong { what: STEPS, limit: MAX_WORK as u64 }),
            false => Ok(matching.find()),
        }
    }

    fn characters(&self, text: &[u8]) -> Characters {
        let (mut codes, mut places, mut at) = (Vec::new(), vec![0], 0);
        while let Some((code, length)) = next_character(&text[at..], self.rules.characters) {
            at += length;
            codes.push(code);
            places.push(at);
        }
        Characters { codes, places }
    }
}

impl Rules {
    /// The rules that hold now.
    pub(crate) fn new(state: &State, folds_case: bool) -> Rules {
        let reading = state.dialect.regular_reading;
        let characters = state.utf8() && state.dialect.regular_characters;
        let is_lenient = reading == RegularReading::Lenient;
        let wide_ranges = is_lenient || !characters || !state.locale_is_plain();
        Rules { characters, folds_case, wide_ranges, reading }
    }

    fn is_lenient(self) -> bool {
        self.reading == RegularReading::Lenient
    }

    /// Adds a class to a set. In ksh93 letters and digits are those of ASCII where both count.
    fn add_class(self, class: Class, members: &mut Vec<Member>) {
        if !self.is_lenient() || !matches!(class, Class::Alnum | Class::Word) {
            return members.push(Member::Class(class));
        }
        let ranges = [(b'a', b'z'), (b'A', b'Z'), (b'0', b'9')];
        let word = matches!(class, Class::Word).then_some((b'_', b'_'));
        let ranges = ranges.into_iter().chain(word);
        members.extend(ranges.map(|(low, high)| Member::Range(low.into(), high.into())));
    }

    /// Whether a character belongs to a word.
    fn is_word(self, code: u32) -> bool {
        let Some(character) = char::from_u32(code) else { return false };
        let is_letter = match self.is_lenient() {
            true => character.is_ascii_alphanumeric(),
            false => character.is_alphanumeric(),
        };
        is_letter || character == '_'
    }

    fn same(self, one: u32, other: u32) -> bool {
        one == other || (self.folds_case && cases(one).contains(&other))
    }

    fn set(self, negated: bool, members: Vec<Member>) -> Set {
        let Rules { characters, folds_case, .. } = self;
        Set { negated, wide: characters, folds_case, members, ..Set::NOTHING }
    }
}

#[cfg(test)]
mod tests {
    use super::{Quoted, Regular, Rules};
    use crate::dialect::RegularReading;

    const RULES: Rules = Rules {
        characters: true,
        folds_case: false,
        wide_ranges: true,
        reading: RegularReading::Library,
    };

    fn find(expression: &str, text: &str) -> Option<Vec<Option<String>>> {
        let quoted = Quoted { marks: &vec![false; expression.len()], bare_brackets: false };
        let regular = Regular::new(expression.as_bytes(), quoted, RULES).ok()??;
        let spans = regular.find(text.as_bytes()).ok()??;
        Some(spans.iter().map(|span| span.map(|(start, end)| text[start..end].into())).collect())
    }

    fn whole(expression: &str, text: &str) -> Option<String> {
        find(expression, text)?[0].clone()
    }

    #[test]
    fn the_leftmost_longest_match_wins() {
        assert_eq!(whole("a|ab|abc", "xabcd").as_deref(), Some("abc"));
        assert_eq!(whole("(a|ab)(c|bcd)", "abcd").as_deref(), Some("abcd"));
        assert_eq!(whole("x*", "aaa").as_deref(), Some(""));
        assert_eq!(whole("[0-9]+", "batch12").as_deref(), Some("12"));
    }

    #[test]
    fn groups_and_counts_are_kept() {
        let found = find("^([a-z]+)([0-9]{2,3})(x)?$", "jar123").unwrap();
        assert_eq!(found[1].as_deref(), Some("jar"));
        assert_eq!(found[2].as_deref(), Some("123"));
        assert_eq!(found[3], None);
        assert!(find("a{2}", "a").is_none());
        assert!(find("(a", "a").is_none());
    }

    #[test]
    fn empty_loops_end() {
        assert_eq!(whole("(a*)*b", "aab").as_deref(), Some("aab"));
        assert!(find("(a*)*c", "aaaaaaaaaaaaaaaaaaaaaaaaaaaaab").is_none());
    }

    #[test]
    fn quotes_between_brackets_may_mean_nothing() {
        let matches = |bare_brackets| {
            // [a"-"c]
            let marks = [false, false, true, false, false];
            let quoted = Quoted { marks: &marks, bare_brackets };
            let regular = Regular::new(b"[a-c]", quoted, RULES).unwrap().unwrap();
            let finds = |text: &[u8]| regular.find(text).is_ok_and(|found| found.is_some());
            (finds(b"b"), finds(b"-"))
        };
        assert_eq!(matches(true), (true, false));
        assert_eq!(matches(false), (false, true));
    }

    #[test]
    fn what_is_no_expression_is_refused() {
        for broken in [
            "(", "[a", "*a", "a|*", "^*", "a$+", "a\\", "a{2,1}", "a{x}", "[b-a]", "\\1", "[a-b-c]",
        ] {
            let quoted = Quoted { marks: &vec![false; broken.len()], bare_brackets: false };
            assert!(Regular::new(broken.as_bytes(), quoted, RULES).unwrap().is_none(), "{broken}");
        }
        assert!(find("a)", "a)").is_some());
        assert!(find("a{,2}b", "aab").is_some());
    }

    #[test]
    fn words_places_and_groups_are_named_by_letters() {
        assert_eq!(whole("\\w+", "-a_1ä-").as_deref(), Some("a_1ä"));
        assert_eq!(whole("\\<l\\w*\\>", "blid lid").as_deref(), Some("lid"));
        assert!(find("a\\B", "a b").is_none());
        assert_eq!(whole("(a|b)\\1", "abba").as_deref(), Some("bb"));
        assert_eq!(whole("\\S+$", "jar lid").as_deref(), Some("lid"));
    }

    #[test]
    fn an_optional_group_keeps_what_it_matched_before() {
        let groups = |expression, text| {
            let found = find(expression, text).unwrap();
            found.into_iter().skip(1).map(|one| one.unwrap_or_default()).collect::<Vec<_>>()
        };
        assert_eq!(groups("(a*)*", "aa"), ["aa"]);
        assert_eq!(groups("((a)|b)*", "ab"), ["b", "a"]);
        assert_eq!(groups("(a|ab)(c|bcd)(d*)", "abcd"), ["a", "bcd", ""]);
    }

    #[test]
    fn long_texts_take_no_longer_than_their_length() {
        let text = "a".repeat(200_000);
        assert!(find("(a*)*c", &text).is_none());
        assert_eq!(whole("(a|aa)*$", &text).map(|found| found.len()), Some(text.len()));
        let quoted = Quoted { marks: &[false; 14], bare_brackets: false };
        let large = Regular::new(b"(a{9,99}){9,9}", quoted, RULES).unwrap().unwrap();
        assert!(large.find("a".repeat(10_000_000).as_bytes()).is_err());
        for deep in [
            "((((a{99}){99}){99}){99}){99}".into(),
            "(".repeat(90_000),
            "a|".repeat(300_000),
            "a".to_owned() + &"*".repeat(90_000),
        ] {
            let quoted = Quoted { marks: &vec![false; deep.len()], bare_brackets: false };
            assert!(Regular::new(deep.as_bytes(), quoted, RULES).is_err());
        }
        assert_eq!(whole(&("b|".repeat(50_000) + "a"), "a").as_deref(), Some("a"));
    }

    proptest::proptest! {
        #[test]
        fn a_match_lies_inside_the_text_and_holds_its_groups(
            expression in "[abx.*+?|()\\[\\]^$\\\\1w{},2]{0,14}",
            text in "[abxä]{0,10}",
        ) {
            let quoted = Quoted { marks: &vec![false; expression.len()], bare_brackets: false };
            let Ok(Some(regular)) = Regular::new(expression.as_bytes(), quoted, RULES) else { return Ok(()) };
            let Ok(Some(spans)) = regular.find(text.as_bytes()) else { return Ok(()) };
            let (start, end) = spans[0].unwrap();
            for (from, to) in spans.into_iter().flatten() {
                proptest::prop_assert!(start <= from && from <= to && to <= end);
                proptest::prop_assert!(text.is_char_boundary(from) && text.is_char_boundary(to));
            }
        }
    }
}
