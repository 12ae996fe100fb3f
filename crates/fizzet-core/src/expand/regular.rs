//! Extended regular expressions (POSIX XBD 9.4), as `[[ text =~ expression ]]` matches them.
//!
//! The expression is compiled to a small program that is run with backtracking; the leftmost match
//! wins, and of those that begin there the longest.

use crate::text::next_character;

/// The most steps of one match; beyond it the best match so far counts.
const MAX_STEPS: u32 = 2_000_000;
/// The highest count in `{m,n}`.
const MAX_REPEAT: usize = 255;

/// A compiled expression.
pub(crate) struct Regular {
    program: Vec<Step>,
    groups: usize,
    characters: bool,
    folds_case: bool,
}

#[derive(Clone)]
enum Step {
    Character(u32),
    Any,
    Set {
        negated: bool,
        ranges: Vec<(u32, u32)>,
    },
    Start,
    End,
    Save(usize),
    /// Go on at the first place; if that fails, at the second.
    Split(usize, usize),
    Jump(usize),
    /// Leave a loop whose body has matched nothing.
    Progress(usize),
    Match,
}

/// Which bytes of an expression stand for themselves.
#[derive(Clone, Copy)]
pub(crate) struct Quoted<'a> {
    /// Whether each byte is quoted.
    pub(crate) marks: &'a [bool],
    /// Whether quotes between brackets mean nothing.
    pub(crate) bare_brackets: bool,
}

/// Where the whole match and each group begin and end.
pub(crate) type Spans = Vec<Option<(usize, usize)>>;

impl Regular {
    /// Compiles an expression.
    ///
    /// `None` if it is no expression.
    pub(crate) fn new(
        bytes: &[u8],
        quoted: Quoted<'_>,
        characters: bool,
        folds_case: bool,
    ) -> Option<Regular> {
        let mut reader = Reader {
            bytes,
            quoted,
            in_bracket: false,
            characters,
            at: 0,
            groups: 0,
            loops: 0,
            depth: 0,
        };
        let mut program = vec![Step::Save(0)];
        program.append(&mut reader.alternatives()?);
        program.extend([Step::Save(1), Step::Match]);
        (reader.at == bytes.len()).then_some(Regular {
            program,
            groups: reader.groups + 1,
            characters,
            folds_case,
        })
    }

    /// The leftmost longest match.
    pub(crate) fn find(&self, text: &[u8]) -> Option<Spans> {
        let mut at = 0;
        let mut steps = 0;
        loop {
            if let Some(found) = self.match_at(text, at, &mut steps) {
                return Some(found);
            }
            at += next_character(&text[at..], self.characters)?.1;
        }
    }

    fn match_at(&self, text: &[u8], start: usize, steps: &mut u32) -> Option<Spans> {
        let slots = vec![None; self.groups * 2 + 64];
        let mut best: Option<Vec<Option<usize>>> = None;
        let mut waiting = vec![(0usize, start, slots)];
        while let Some((mut step, mut at, mut slots)) = waiting.pop() {
            loop {
                *steps += 1;
                if *steps > MAX_STEPS {
                    return best.map(|slots| self.spans(&slots));
                }
                let next = next_character(&text[at..], self.characters);
                let takes = match &self.program[step] {
                    Step::Character(code) => next.is_some_and(|(one, _)| self.same(one, *code)),
                    Step::Any => next.is_some(),
                    Step::Set { negated, ranges } => next.is_some_and(|(one, _)| {
                        let inside = |code| ranges.iter().any(|(a, b)| (*a..=*b).contains(&code));
                        let folded = self.folds_case && other_cases(one).into_iter().any(inside);
                        (inside(one) || folded) != *negated
                    }),
                    Step::Start if at == 0 => {
                        step += 1;
                        continue;
                    }
                    Step::End if at == text.len() => {
                        step += 1;
                        continue;
                    }
                    Step::Start | Step::End => break,
                    Step::Save(slot) => {
                        slots[*slot] = Some(at);
                        step += 1;
                        continue;
                    }
                    Step::Split(first, second) => {
                        waiting.push((*second, at, slots.clone()));
                        step = *first;
                        continue;
                    }
                    Step::Jump(to) => {
                        step = *to;
                        continue;
                    }
                    Step::Progress(slot) => {
                        let slot = self.groups * 2 + slot % 64;
                        if slots[slot] == Some(at) {
                            break;
                        }
                        slots[slot] = Some(at);
                        step += 1;
                        continue;
                    }
                    Step::Match => {
                        let longer = best.as_ref().is_none_or(|known| known[1] < Some(at));
                        if longer {
                            best = Some(slots);
                        }
                        if at == text.len() {
                            return best.map(|slots| self.spans(&slots));
                        }
                        break;
                    }
                };
                if !takes {
                    break;
                }
                at += next.map_or(1, |(_, length)| length);
                step += 1;
            }
        }
        best.map(|slots| self.spans(&slots))
    }

    fn spans(&self, slots: &[Option<usize>]) -> Spans {
        (0..self.groups).map(|group| slots[group * 2].zip(slots[group * 2 + 1])).collect()
    }

    fn same(&self, one: u32, other: u32) -> bool {
        one == other || (self.folds_case && other_cases(one).contains(&other))
    }
}

/// The small and the capital letter of a character.
fn other_cases(code: u32) -> [u32; 2] {
    let Some(character) = char::from_u32(code) else { return [code; 2] };
    let small = character.to_lowercase().next().unwrap_or(character);
    let capital = character.to_uppercase().next().unwrap_or(character);
    [u32::from(small), u32::from(capital)]
}

struct Reader<'a> {
    bytes: &'a [u8],
    quoted: Quoted<'a>,
    in_bracket: bool,
    characters: bool,
    at: usize,
    groups: usize,
    loops: usize,
    depth: u32,
}

/// Moves the targets of a piece of program that comes to stand further back.
fn shifted(steps: &[Step], by: usize) -> Vec<Step> {
    let moved = |step: &Step| match step {
        Step::Split(first, second) => Step::Split(first + by, second + by),
        Step::Jump(to) => Step::Jump(to + by),
        step => step.clone(),
    };
    steps.iter().map(moved).collect()
}

impl Reader<'_> {
    /// The unquoted byte at this place.
    fn active(&self) -> Option<u8> {
        let byte = *self.bytes.get(self.at)?;
        let counts = self.quoted.marks[self.at] && !(self.in_bracket && self.quoted.bare_brackets);
        (!counts).then_some(byte)
    }

    /// `a|b`; the targets count from the start of the whole program, which has one step before it.
    fn alternatives(&mut self) -> Option<Vec<Step>> {
        let steps = self.choice()?;
        Some(shifted(&steps, 1))
    }

    /// `a|b`, with targets that count from its own start.
    fn choice(&mut self) -> Option<Vec<Step>> {
        self.depth += 1;
        if self.depth > 200 {
            return None;
        }
        let mut steps = self.sequence()?;
        while self.active() == Some(b'|') {
            self.at += 1;
            let other = self.sequence()?;
            let mut both = vec![Step::Split(1, steps.len() + 2)];
            both.extend(shifted(&steps, 1));
            both.push(Step::Jump(steps.len() + other.len() + 2));
            both.extend(shifted(&other, steps.len() + 2));
            steps = both;
        }
        self.depth -= 1;
        Some(steps)
    }

    fn sequence(&mut self) -> Option<Vec<Step>> {
        let mut steps = Vec::new();
        while self.at < self.bytes.len() && !matches!(self.active(), Some(b'|' | b')')) {
            let mut one = self.atom()?;
            while let Some((least, most)) = self.repeat()? {
                one = self.repeated(&one, least, most);
            }
            let base = steps.len();
            steps.extend(shifted(&one, base));
        }
        Some(steps)
    }

    /// `* + ? {m,n}`: at least and at most how often.
    fn repeat(&mut self) -> Option<Option<(usize, Option<usize>)>> {
        let range = match self.active() {
            Some(b'*') => (0, None),
            Some(b'+') => (1, None),
            Some(b'?') => (0, Some(1)),
            Some(b'{') if self.bytes.get(self.at + 1).is_some_and(u8::is_ascii_digit) => {
                let close = self.bytes[self.at..].iter().position(|&byte| byte == b'}')?;
                let inner = std::str::from_utf8(&self.bytes[self.at + 1..self.at + close]).ok()?;
                let (least, most) = match inner.split_once(',') {
                    None => (inner.parse().ok()?, Some(inner.parse().ok()?)),
                    Some((least, "")) => (least.parse().ok()?, None),
                    Some((least, most)) => (least.parse().ok()?, Some(most.parse().ok()?)),
                };
                if least > MAX_REPEAT || most.is_some_and(|most| most > MAX_REPEAT || most < least)
                {
                    return None;
                }
                self.at += close;
                (least, most)
            }
            _ => return Some(None),
        };
        self.at += 1;
        Some(Some(range))
    }

    fn repeated(&mut self, one: &[Step], least: usize, most: Option<usize>) -> Vec<Step> {
        let mut steps = Vec::new();
        for _ in 0..least {
            let base = steps.len();
            steps.extend(shifted(one, base));
        }
        match most {
            None => {
                let base = steps.len();
                let body = one.len();
                self.loops += 1;
                steps.push(Step::Split(base + 1, base + body + 3));
                steps.push(Step::Progress(self.loops));
                steps.extend(shifted(one, base + 2));
                steps.push(Step::Jump(base));
            }
            Some(most) => {
                let end = steps.len() + (most - least) * (one.len() + 1);
                for _ in least..most {
                    let base = steps.len();
                    steps.push(Step::Split(base + 1, end));
                    steps.extend(shifted(one, base + 1));
                }
            }
        }
        steps
    }

    fn atom(&mut self) -> Option<Vec<Step>> {
        let step = match self.active() {
            Some(b'(') => {
                self.at += 1;
                self.groups += 1;
                let group = self.groups;
                let inner = self.choice()?;
                if self.active() != Some(b')') {
                    return None;
                }
                self.at += 1;
                let mut steps = vec![Step::Save(group * 2)];
                steps.extend(shifted(&inner, 1));
                steps.push(Step::Save(group * 2 + 1));
                return Some(steps);
            }
            Some(b'.') => Step::Any,
            Some(b'^') => Step::Start,
            Some(b'$') => Step::End,
            Some(b'[') => return self.bracket().map(|step| vec![step]),
            Some(b'*' | b'+' | b'?') => return None,
            Some(b'\\') if self.at + 1 < self.bytes.len() => {
                self.at += 1;
                return self.character();
            }
            _ => return self.character(),
        };
        self.at += 1;
        Some(vec![step])
    }

    fn character(&mut self) -> Option<Vec<Step>> {
        let (code, length) = next_character(&self.bytes[self.at..], self.characters)?;
        self.at += length;
        Some(vec![Step::Character(code)])
    }

    fn bracket(&mut self) -> Option<Step> {
        self.in_bracket = true;
        let set = self.set();
        self.in_bracket = false;
        set
    }

    fn set(&mut self) -> Option<Step> {
        self.at += 1;
        let negated = self.active() == Some(b'^');
        self.at += usize::from(negated);
        let first = self.at;
        let mut ranges = Vec::new();
        loop {
            let rest = self.bytes.get(self.at..).filter(|rest| !rest.is_empty())?;
            if self.active() == Some(b']') && self.at > first {
                self.at += 1;
                return Some(Step::Set { negated, ranges });
            }
            if rest.starts_with(b"[:") {
                let end = rest.windows(2).position(|two| two == b":]")?;
                ranges.extend_from_slice(class(&rest[2..end])?);
                self.at += end + 2;
                continue;
            }
            let low = self.element()?;
            let is_range = self.active() == Some(b'-')
                && self.bytes.get(self.at + 1).is_some_and(|&byte| byte != b']');
            if is_range {
                self.at += 1;
                let high = self.element()?;
                ranges.push((low, high));
            } else {
                ranges.push((low, low));
            }
        }
    }

    fn element(&mut self) -> Option<u32> {
        let rest = &self.bytes[self.at..];
        for sign in [b'.', b'='] {
            if rest.starts_with(&[b'[', sign])
                && let Some(end) = rest.windows(2).position(|two| two == [sign, b']'])
            {
                self.at += end + 2;
                return next_character(&rest[2..end], self.characters).map(|(code, _)| code);
            }
        }
        let (code, length) = next_character(rest, self.characters)?;
        self.at += length;
        Some(code)
    }
}

/// The characters of a class; letters beyond ASCII count as letters.
fn class(name: &[u8]) -> Option<&'static [(u32, u32)]> {
    const A: u32 = b'A' as u32;
    const Z: u32 = b'Z' as u32;
    const SMALL_A: u32 = b'a' as u32;
    const SMALL_Z: u32 = b'z' as u32;
    const WIDE: (u32, u32) = (0xaa, 0x10_ffff);
    Some(match name {
        b"alpha" => &[(A, Z), (SMALL_A, SMALL_Z), WIDE],
        b"digit" => &[(48, 57)],
        b"alnum" => &[(A, Z), (SMALL_A, SMALL_Z), (48, 57), WIDE],
        b"upper" => &[(A, Z)],
        b"lower" => &[(SMALL_A, SMALL_Z)],
        b"space" => &[(9, 13), (32, 32)],
        b"blank" => &[(9, 9), (32, 32)],
        b"punct" => &[(33, 47), (58, 64), (91, 96), (123, 126)],
        b"print" => &[(32, 126), (0xa0, 0x10_ffff)],
        b"graph" => &[(33, 126), (0xa1, 0x10_ffff)],
        b"cntrl" => &[(0, 31), (127, 159)],
        b"xdigit" => &[(48, 57), (65, 70), (97, 102)],
        _ => return None,
    })
}

#[cfg(test)]
mod tests {
    use super::{Quoted, Regular};

    fn find(expression: &str, text: &str) -> Option<Vec<Option<String>>> {
        let quoted = Quoted { marks: &vec![false; expression.len()], bare_brackets: false };
        let regular = Regular::new(expression.as_bytes(), quoted, true, false)?;
        let spans = regular.find(text.as_bytes())?;
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
            let regular = Regular::new(b"[a-c]", quoted, true, false).unwrap();
            (regular.find(b"b").is_some(), regular.find(b"-").is_some())
        };
        assert_eq!(matches(true), (true, false));
        assert_eq!(matches(false), (false, true));
    }
}
