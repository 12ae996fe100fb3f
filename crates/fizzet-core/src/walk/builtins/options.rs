//! The options of a utility, read by its own rules of one letter each (POSIX XBD 12.2).

use crate::text::Text;
use crate::walk::builtins::Call;

/// The options of a call, and the operands behind them.
pub(super) struct Given<'a> {
    /// Letters with their values, in order; `+x` keeps its sign as true.
    letters: Vec<(u8, bool, Option<Text>)>,
    /// What stands behind the options.
    pub(super) operands: &'a [Text],
    /// Whether `--` ended the options.
    pub(super) ended: bool,
    /// A letter that the utility does not know, or that lacks its value.
    pub(super) unknown: Option<u8>,
}

impl Given<'_> {
    /// Whether an option is given.
    pub(super) fn has(&self, letter: u8) -> bool {
        self.letters.iter().any(|(known, plus, _)| *known == letter && !plus)
    }

    /// Which of some options stands last.
    pub(super) fn last_of(&self, letters: &[u8]) -> Option<u8> {
        let given = self.letters.iter().rev().map(|(letter, ..)| *letter);
        given.into_iter().find(|letter| letters.contains(letter))
    }

    /// Whether an option is taken back with `+`.
    pub(super) fn takes_back(&self, letter: u8) -> bool {
        self.letters.iter().any(|(known, plus, _)| *known == letter && *plus)
    }

    /// Whether some option is taken back with `+`.
    pub(super) fn takes_something_back(&self) -> bool {
        self.letters.iter().any(|(_, plus, _)| *plus)
    }

    /// Takes all options back.
    pub(super) fn forget_letters(&mut self) {
        self.letters.clear();
    }

    /// The letters of all options that are given.
    pub(super) fn letters(&self) -> impl Iterator<Item = u8> {
        self.letters.iter().map(|(letter, ..)| *letter)
    }

    /// The options that have values, in order.
    pub(super) fn with_values(&self) -> impl Iterator<Item = (u8, &Text)> {
        self.letters.iter().filter_map(|(letter, _, value)| Some((*letter, value.as_ref()?)))
    }

    /// The value of an option.
    pub(super) fn value(&self, letter: u8) -> Option<&Text> {
        self.letters.iter().rev().find(|(known, ..)| *known == letter)?.2.as_ref()
    }
}

impl<'a> Call<'a> {
    /// The arguments of a utility that has no options.
    pub(super) fn without_options(&self) -> Given<'a> {
        Given { letters: Vec::new(), operands: &self.argv[1..], ended: false, unknown: None }
    }

    /// The arguments of a utility that has no options, but passes over `--`.
    pub(super) fn without_dashes(&self) -> Given<'a> {
        let given = self.without_options();
        match given.operands {
            [first, operands @ ..] if first.bytes() == b"--" => Given { operands, ..given },
            _ => given,
        }
    }

    /// Reads the options. `known` lists the letters; behind one that takes a value stands a colon, or a comma if
    /// the value has to be attached, or a dot if it is a number that is attached or the next word; where it is the next
    /// word, a slash says that no letter behind this one counts. With `plus`, `+x` is an option too.
    pub(super) fn given(&self, known: &str, plus: bool) -> Given<'a> {
        let known = known.as_bytes();
        let mut given =
            Given { letters: Vec::new(), operands: &self.argv[1..], ended: false, unknown: None };
        while let [word, rest @ ..] = given.operands {
            let bytes = word.bytes();
            let sign = bytes.first().copied().unwrap_or(0);
            let sign_ends = bytes == b"-" || (plus && bytes == b"+" && !rest.is_empty());
            if self.dash_ends && sign_ends {
                given.operands = rest;
                given.ended = true;
                break;
            }
            let stays = self.operands.has(bytes);
            if bytes.len() < 2 || stays || !(sign == b'-' || (plus && sign == b'+')) {
                break;
            }
            given.operands = rest;
            if bytes == b"--" {
                given.ended = true;
                break;
            }
            let has_more = bytes.len() > 2 && bytes[1] == b'-';
            let mut at = if self.dash_is_doubled && has_more { 2 } else { 1 };
            while at < bytes.len() {
                let letter = bytes[at];
                at += 1;
                let Some(place) =
                    known.iter().position(|&one| one == letter && !matches!(one, b':' | b','))
                else {
                    given.unknown = Some(letter);
                    break;
                };
                let mut value = None;
                match known.get(place + 1) {
                    Some(b':') if at < bytes.len() => {
                        value = Some(word.slice(at, bytes.len()));
                        at = bytes.len();
                    }
                    Some(b':') => {
                        let [next, rest @ ..] = given.operands else {
                            given.unknown = Some(letter);
                            break;
                        };
                        value = Some(next.clone());
                        given.operands = rest;
                    }
                    Some(b',') if at < bytes.len() => {
                        value = Some(word.slice(at, bytes.len()));
                        at = bytes.len();
                    }
                    Some(b'/')
                        if !bytes.get(at).is_some_and(u8::is_ascii_digit)
                            && let [next, rest @ ..] = given.operands
                            && is_number(next.bytes()) =>
                    {
                        value = Some(next.clone());
                        given.operands = rest;
                        at = bytes.len();
                    }
                    Some(b'.' | b'/') if at < bytes.len() => {
                        let digits = bytes[at..].iter().take_while(|b| b.is_ascii_digit()).count();
                        value = (digits > 0).then(|| word.slice(at, at + digits));
                        at += digits;
                    }
                    Some(b'.') => {
                        if let [next, rest @ ..] = given.operands
                            && is_number(next.bytes())
                        {
                            value = Some(next.clone());
                            given.operands = rest;
                        }
                    }
                    _ => {}
                }
                given.letters.push((letter, sign == b'+', value));
            }
        }
        self.misused.set(self.misused.get() || given.unknown.is_some());
        given
    }
}

/// Whether a whole word is a number for an option that may have one.
fn is_number(word: &[u8]) -> bool {
    let hexadecimal = |digits: &[u8]| digits.iter().all(u8::is_ascii_hexdigit);
    match word {
        [b'0', b'x' | b'X', digits @ ..] => hexadecimal(digits),
        [b'0'..=b'9', ..] => {
            std::str::from_utf8(word).is_ok_and(|text| text.parse::<f64>().is_ok())
        }
        _ => false,
    }
}
