//! What the flags of `${(flags)x}` do to texts and lists of them (observed in zsh 5.9).

use std::cmp::Ordering;

use bstr::ByteSlice;

use crate::dialect::DollarQuoting;
use crate::expand::quoting::{in_dollar_quotes, pieces, single_quoted};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::syntax::ast::Flag;
use crate::text::{Run, Standing, Text};

/// How a list is ordered.
#[derive(Clone, Copy, Default)]
pub(super) struct Order {
    sorts: bool,
    descends: bool,
    /// `(a)`: in the order of the array, which `(O)` turns round.
    by_index: bool,
    folds_case: bool,
    numeric: bool,
    /// Whether a minus sign before a number counts.
    signed: bool,
    unique: bool,
}

impl Order {
    pub(super) fn of(flags: &[Flag]) -> Order {
        let mut order = Order::default();
        let mut quotes = false;
        for flag in flags {
            match flag.letter {
                // Behind `q` it says how to quote.
                b'-' if !quotes => (order.numeric, order.signed) = (true, true),
                b'o' => order.sorts = true,
                b'O' => order.descends = true,
                b'a' => order.by_index = true,
                b'i' => order.folds_case = true,
                b'n' => order.numeric = true,
                b'u' => order.unique = true,
                _ => {}
            }
            quotes = flag.letter == b'q';
        }
        // How elements are compared is said of an order only.
        order.sorts |= order.folds_case || order.numeric;
        order
    }
}

/// A list in the order that flags ask for.
pub(super) fn ordered(mut items: Vec<Text>, order: Order) -> Vec<Text> {
    if order.unique {
        let mut seen = std::collections::HashSet::new();
        items.retain(|item| seen.insert(item.bytes().to_vec()));
    }
    if order.by_index {
        if order.descends {
            items.reverse();
        }
        return items;
    }
    if order.sorts || order.descends {
        items.sort_by(|one, other| compared(one.bytes(), other.bytes(), order));
        if order.descends {
            items.reverse();
        }
    }
    items
}

/// How two names of files stand to each other.
pub(super) fn by_name(one: &[u8], other: &[u8], numeric: bool) -> Ordering {
    match numeric {
        true => compared(one, other, Order { numeric, ..Order::default() }),
        false => one.cmp(other),
    }
}

/// How two texts stand to each other; where that is asked for, numbers by their values.
fn compared(one: &[u8], other: &[u8], order: Order) -> Ordering {
    if order.folds_case {
        let folded = Order { folds_case: false, ..order };
        return compared(&one.to_lowercase(), &other.to_lowercase(), folded);
    }
    let common = one.iter().zip(other).take_while(|(one, other)| one == other).count();
    let is_digit = |text: &[u8], at: usize| text.get(at).is_some_and(u8::is_ascii_digit);
    let differs_in_number = is_digit(one, common) || is_digit(other, common);
    if order.numeric && differs_in_number {
        // The whole number counts, not only what is behind the digits that are the same.
        let same = one[..common].iter().rev().take_while(|byte| byte.is_ascii_digit()).count();
        let start = common - same;
        let number = |text: &[u8]| {
            let digits = text[start..].iter().take_while(|byte| byte.is_ascii_digit());
            digits.fold(0u128, |n, digit| {
                n.saturating_mul(10).saturating_add(u128::from(digit - b'0'))
            })
        };
        if is_digit(one, start) && is_digit(other, start) {
            let values = number(one).cmp(&number(other));
            let is_negative = order.signed && start > 0 && one[start - 1] == b'-';
            let values = if is_negative { values.reverse() } else { values };
            return values.then_with(|| one.cmp(other));
        }
    }
    one.cmp(other)
}

/// A text taken apart at a separator; an empty one stands between any two characters.
pub(super) fn split_at(text: &Text, separator: &[u8]) -> Vec<Text> {
    let bytes = text.bytes();
    let mut items = Vec::new();
    if separator.is_empty() {
        let mut at = 0;
        while let Some((_, length)) = crate::text::next_character(&bytes[at..], true) {
            items.push(text.slice(at, at + length));
            at += length;
        }
        return items;
    }
    let mut from = 0;
    while let Some(found) = bytes[from..].find(separator) {
        items.push(text.slice(from, from + found));
        from += found + separator.len();
    }
    items.push(text.slice(from, text.len()));
    items
}

/// An element as one flag leaves it.
pub(super) fn change_each(text: &Text, flag: &Flag) -> Text {
    match flag.letter {
        b'U' => cased(text, true),
        b'L' => cased(text, false),
        b'C' => capitalised(text),
        b'l' | b'r' => padded(text, flag),
        b'V' => visible(text),
        b'b' => without_patterns(text),
        _ => text.clone(),
    }
}

/// What a flag has made of a text, which is no longer what is written there if it is another one.
pub(super) fn told(text: &Text, made: Text, span: Span) -> Text {
    let came_through = |run: &Run| run.origin.span() == span;
    if made.bytes() == text.bytes() {
        return text.clone();
    }
    if made.runs().all(|(run, _)| came_through(run)) {
        return made;
    }
    let hop = Hop { rule: Rule::Parameter, span, name: None, shifted: 0 };
    made.passed_through(&hop, Standing::Quoted)
}

/// Backslashes before what a pattern would read otherwise, whatever options are on.
fn without_patterns(text: &Text) -> Text {
    let active = |byte: &u8| br"\*?[]()~#^<>|".contains(byte);
    let escaped = |&byte: &u8| [b'\\', byte].into_iter().skip(usize::from(!active(&byte)));
    like(text, text.bytes().iter().flat_map(escaped).collect::<Vec<u8>>())
}

/// The kinds of `(q)`: once with backslashes, twice in single quotes (in which a doubled one may stand for itself),
/// three times in double ones.
pub(super) fn quoted_by(text: &Text, times: usize, doubled: bool) -> Text {
    match times {
        1 => backslashed(text),
        2 if doubled => like(text, [b"'", &text.bytes().replace("'", "''")[..], b"'"].concat()),
        2 => like(text, single_quoted(text.bytes())),
        3 => {
            let mut bytes = vec![b'"'];
            for &byte in text.bytes() {
                if matches!(byte, b'"' | b'\\' | b'$' | b'`') {
                    bytes.push(b'\\');
                }
                bytes.push(byte);
            }
            bytes.push(b'"');
            like(text, bytes)
        }
        _ => like(text, in_dollar_quotes(DollarQuoting::OctalAlone, text.bytes())),
    }
}

/// `(q-)`: single quotes around what needs them, and nothing around what does not.
pub(super) fn quoted_sparingly(text: &Text) -> Text {
    if text.is_empty() {
        return like(text, b"''".to_vec());
    }
    // A tilde means something at the start only.
    let needs = |piece: &[u8]| {
        let behind = piece.iter().skip(1).copied().filter(|&byte| byte != b'~');
        needs_quotes(text, piece.first().copied().into_iter().chain(behind))
    };
    // A quote stands outside of quotes.
    let pieces = text.bytes().split(|&byte| byte == b'\'').map(|piece| match needs(piece) {
        true => [b"'", piece, b"'"].concat(),
        false => piece.to_vec(),
    });
    like(text, pieces.collect::<Vec<_>>().join(&b"\\'"[..]))
}

/// `(q+)`: nothing where nothing needs quotes, `$'...'` where there are control characters, and otherwise single
/// quotes around all but those, which are doubled if that quotes them.
pub(super) fn quoted_readably(text: &Text, doubled: bool) -> Text {
    let bytes = text.bytes();
    if bytes.is_empty() {
        return like(text, b"''".to_vec());
    }
    if DollarQuoting::Carets.escapes_some(bytes) {
        return like(text, in_dollar_quotes(DollarQuoting::Carets, bytes));
    }
    if !needs_quotes(text, bytes.iter().copied()) {
        return text.clone();
    }
    if doubled {
        return like(text, [b"'", &bytes.replace("'", "''")[..], b"'"].concat());
    }
    let pieces = bytes.split(|&byte| byte == b'\'').map(|piece| match piece {
        [] => Vec::new(),
        piece => [b"'", piece, b"'"].concat(),
    });
    like(text, pieces.collect::<Vec<_>>().join(&b"\\'"[..]))
}

/// Whether a shell that is not interactive would read some bytes otherwise; what cannot be shown means nothing.
fn needs_quotes(text: &Text, bytes: impl Iterator<Item = u8>) -> bool {
    let means = |byte: &u8| byte.is_ascii_graphic() || matches!(byte, b' ' | b'\n' | b'\t');
    let minded: Vec<u8> = bytes.filter(means).filter(|&byte| byte != b'!').collect();
    !minded.is_empty() && backslashed(&like(text, minded.clone())).bytes() != minded
}

/// Backslashes before what the shell would read otherwise.
pub(crate) fn backslashed(text: &Text) -> Text {
    if text.is_empty() {
        return like(text, b"''".to_vec());
    }
    let style = DollarQuoting::OctalAlone;
    let mut bytes = Vec::with_capacity(text.len() + 4);
    let mut pieces = pieces(text.bytes()).peekable();
    while let Some((character, piece)) = pieces.next() {
        if style.escapes(character) {
            let next = pieces.peek().and_then(|(_, piece)| piece.first().copied());
            bytes.extend_from_slice(b"$'");
            style.write(character, piece, next, &mut bytes);
            bytes.push(b'\'');
            continue;
        }
        match piece[0] {
            byte @ (b' ' | b'"' | b'#' | b'$' | b'&' | b'\'' | b'(' | b')' | b'*' | b';' | b'<'
            | b'>' | b'?' | b'[' | b'\\' | b']' | b'^' | b'`' | b'{' | b'|' | b'}'
            | b'~') => {
                bytes.extend_from_slice(&[b'\\', byte]);
            }
            b'=' if bytes.is_empty() => bytes.extend_from_slice(b"\\="),
            _ => bytes.extend_from_slice(piece),
        }
    }
    like(text, bytes)
}

pub(super) fn cased(text: &Text, upper: bool) -> Text {
    use crate::syntax::ast::CaseChange::{Lower, Upper};
    super::change::cased(text, if upper { Upper } else { Lower }, true, None)
}

fn capitalised(text: &Text) -> Text {
    let mut out = Vec::with_capacity(text.len());
    let mut inside = false;
    for character in text.bytes().to_str_lossy().chars() {
        match inside {
            true => out.extend(character.to_lowercase().to_string().bytes()),
            false => out.extend(character.to_uppercase().to_string().bytes()),
        }
        inside = character.is_alphanumeric();
    }
    like(text, out)
}

/// `(V)`: characters that are not seen as the signs for them.
pub(super) fn visible(text: &Text) -> Text {
    let mut out = Vec::with_capacity(text.len());
    let sign = |byte: u8| match byte {
        b'\n' => b"\\n".to_vec(),
        b'\t' => b"\\t".to_vec(),
        0x7f => b"^?".to_vec(),
        ..0x20 => vec![b'^', byte | 0x40],
        byte => vec![byte],
    };
    for chunk in text.bytes().utf8_chunks() {
        chunk.valid().bytes().for_each(|byte| out.extend(sign(byte)));
        for &byte in chunk.invalid() {
            out.extend_from_slice(b"\\M-");
            out.extend(sign(byte & 0x7f));
        }
    }
    like(text, out)
}

/// `(D)`: quoted, and with `~` for the home directory at its start.
pub(super) fn abbreviated(text: &Text, home: &[u8]) -> Text {
    match text.bytes().strip_prefix(home) {
        Some(rest) if !home.is_empty() && matches!(rest, [] | [b'/', ..]) => {
            let mut out = like(text, b"~".to_vec());
            if !rest.is_empty() {
                out.push_text(&backslashed(&text.slice(home.len(), text.len())));
            }
            out
        }
        // Quotes are for what is there.
        _ if text.is_empty() => text.clone(),
        _ => backslashed(text),
    }
}

/// `(l)` and `(r)` together: the first half of the text is filled up on the left, the second on the right.
pub(super) fn padded_around(text: &Text, left: &Flag, right: &Flag) -> Text {
    let ends = crate::text::character_ends(text.bytes(), true);
    let middle = ends[(ends.len() - 1) / 2];
    let mut out = padded(&text.slice(0, middle), left);
    out.push_text(&padded(&text.slice(middle, text.len()), right));
    out
}

/// `(l:width:fill:beside:)` and `(r:width:fill:beside:)`
fn padded(text: &Text, flag: &Flag) -> Text {
    let width = flag.arguments.first().map(|width| String::from_utf8_lossy(width).into_owned());
    let width: usize = width.and_then(|width| width.parse().ok()).unwrap_or(0).min(1 << 20);
    if width == 0 {
        return text.clone();
    }
    let characters_of = |text: &[u8]| text.to_str_lossy().chars().collect::<Vec<char>>();
    let fill = characters_of(flag.arguments.get(1).map_or(&b" "[..], |fill| fill));
    // What stands once, directly beside the text.
    let mut beside = characters_of(flag.arguments.get(2).map_or(&b""[..], |beside| beside));
    let characters = characters_of(text.bytes());
    let missing = width.saturating_sub(characters.len());
    match flag.letter {
        b'l' => drop(beside.drain(..beside.len().saturating_sub(missing))),
        _ => beside.truncate(missing),
    }
    let missing = if fill.is_empty() { 0 } else { missing - beside.len() };
    // On the left it is the last character of the filling that meets the text.
    let skipped = match flag.letter {
        b'l' if !fill.is_empty() => (fill.len() - missing % fill.len()) % fill.len(),
        _ => 0,
    };
    let filling: Vec<char> = fill.iter().copied().cycle().skip(skipped).take(missing).collect();
    let (filling, beside) =
        (filling.iter().collect::<String>().into_bytes(), beside.iter().collect::<String>());
    let shown = |part: &[char]| part.iter().collect::<String>().into_bytes();
    let bytes = match flag.letter {
        b'l' => {
            let rest = shown(&characters[characters.len().saturating_sub(width)..]);
            [filling, beside.into_bytes(), rest].concat()
        }
        _ => {
            let rest = shown(&characters[..characters.len().min(width)]);
            [rest, beside.into_bytes(), filling].concat()
        }
    };
    like(text, bytes)
}

/// New bytes with the origin of a text.
pub(super) fn like(text: &Text, bytes: Vec<u8>) -> Text {
    match text.runs().next() {
        Some((run, _)) => Text::from_bytes(bytes, Standing::Quoted, run.origin.clone()),
        None => super::transform::like(text, bytes),
    }
}
