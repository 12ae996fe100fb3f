//! `<5-12>`: the decimal numbers of a range, as zsh has them in patterns. Zeros before a number do not
//! count.

use crate::expand::pattern::class::{Member, Set};
use crate::expand::pattern::{Item, Repeat};

/// The length of a range at the start of a text.
pub(crate) fn range_length(text: &[u8]) -> Option<usize> {
    let rest = text.strip_prefix(b"<")?;
    let digits = |text: &[u8]| text.iter().take_while(|byte| byte.is_ascii_digit()).count();
    let first = digits(rest);
    let second = digits(rest[first..].strip_prefix(b"-")?);
    (rest.get(first + 1 + second) == Some(&b'>')).then_some(first + second + 3)
}

/// The range that `text` is.
pub(super) fn range(text: &[u8]) -> Option<Item> {
    let inside = std::str::from_utf8(&text[1..text.len() - 1]).ok()?;
    let (first, last) = inside.split_once('-')?;
    let bound = |digits: &str| (!digits.is_empty()).then(|| digits.parse().unwrap_or(u64::MAX));
    let (low, high) = (bound(first).unwrap_or(0), bound(last));
    let mut numbers = match high {
        Some(high) => between(low, high),
        None => {
            // As many digits as the first number has, or more of them.
            let length = low.to_string().len();
            let longest = 10u64.checked_pow(length as u32).map_or(u64::MAX, |beyond| beyond - 1);
            let mut longer = vec![digit(1, 9)];
            longer.extend((0..length).map(|_| digit(0, 9)));
            longer.push(Item::Group(Repeat::Any, vec![vec![digit(0, 9)]]));
            let mut numbers = between(low, longest);
            numbers.push(longer);
            numbers
        }
    };
    // The longest number comes first where alternatives count in their order.
    numbers.reverse();
    for number in &mut numbers {
        number.insert(0, Item::Group(Repeat::Any, vec![vec![digit(0, 0)]]));
    }
    Some(Item::Group(Repeat::Once, numbers))
}

fn digit(from: u32, to: u32) -> Item {
    let zero = u32::from(b'0');
    Item::Set(Set { members: vec![Member::Range(zero + from, zero + to)], ..Set::NOTHING })
}

/// The numbers from `low` to `high`, as sequences of ranges of digits.
fn between(low: u64, high: u64) -> Vec<Vec<Item>> {
    if low > high {
        return Vec::new();
    }
    // Between two ends each digit runs through a range of its own.
    let mut ends = vec![high];
    let mut unit = 10u64;
    loop {
        let end = low / unit * unit + (unit - 1);
        if end >= high {
            break;
        }
        ends.push(end);
        let Some(next) = unit.checked_mul(10) else { break };
        unit = next;
    }
    let mut unit = 10u64;
    while let Some(end) = (high.saturating_add(1) / unit * unit).checked_sub(1)
        && end > low
    {
        ends.push(end);
        let Some(next) = unit.checked_mul(10) else { break };
        unit = next;
    }
    ends.sort_unstable();
    ends.dedup();
    let mut start = low;
    let mut all = Vec::with_capacity(ends.len());
    for end in ends.into_iter().filter(|&end| end <= high) {
        let (from, to) = (start.to_string(), end.to_string());
        let pairs = from.bytes().zip(to.bytes());
        all.push(pairs.map(|(a, b)| digit(u32::from(a - b'0'), u32::from(b - b'0'))).collect());
        start = end.saturating_add(1);
    }
    all
}

#[cfg(test)]
mod tests {
    use super::range_length;
    use crate::dialect::{Dialect, Shell};
    use crate::expand::pattern::{Pattern, PatternRules};

    fn matching(range: &str, numbers: std::ops::Range<u64>) -> Vec<u64> {
        let rules = PatternRules::new(&Dialect::of(Shell::Zsh), true);
        let pattern = Pattern::new(range.as_bytes(), &vec![false; range.len()], rules);
        numbers.filter(|number| pattern.matches(number.to_string().as_bytes())).collect()
    }

    #[test]
    fn a_range_matches_its_numbers_and_no_others() {
        for (low, high) in [(0, 0), (1, 9), (7, 12), (98, 101), (0, 1234), (95, 1105), (999, 1000)]
        {
            let expected: Vec<u64> = (low..=high).collect();
            assert_eq!(matching(&format!("<{low}-{high}>"), 0..3000), expected, "{low} to {high}");
            let open: Vec<u64> = (low..3000).collect();
            assert_eq!(matching(&format!("<{low}->"), 0..3000), open, "{low} and on");
        }
        assert_eq!(matching("<->", 0..30), (0..30).collect::<Vec<_>>());
        assert_eq!(matching("<-12>", 0..30), (0..=12).collect::<Vec<_>>());
        assert!(matching("<9-3>", 0..30).is_empty());
    }

    #[test]
    fn what_is_no_range_is_left_alone() {
        for (text, length) in [("<->x", 3), ("<1-2>", 5), ("<10->.csv", 5)] {
            assert_eq!(range_length(text.as_bytes()), Some(length), "{text}");
        }
        for text in ["<", "<1>", "<a-b>", "<1-2", "1-2>", "<1--2>", "<-1-2>"] {
            assert_eq!(range_length(text.as_bytes()), None, "{text}");
        }
    }
}
