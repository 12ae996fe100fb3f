//! The numbers behind the options of `read`.

use crate::dialect::{Fraction, NumberSyntax, ReadNumber};
use crate::stop::Status;
use crate::walk::builtins::options::Given;

/// The status of the first number that is none; `None` if all are numbers.
pub(super) fn refused_number(known: &[ReadNumber], given: &Given<'_>) -> Option<Status> {
    given.with_values().find_map(|(letter, text)| {
        let of_letter = |one: &&ReadNumber| one.letters.as_bytes().contains(&letter);
        let rule = known.iter().find(of_letter)?;
        (!rule.syntax.takes(text.bytes())).then_some(rule.status)
    })
}

impl NumberSyntax {
    /// Whether a text is such a number.
    fn takes(self, text: &[u8]) -> bool {
        let text = if self.blanks { text.trim_ascii_start() } else { text };
        let text = match text.split_first() {
            Some((sign, rest)) if self.signs.as_bytes().contains(sign) => rest,
            _ => text,
        };
        if self.hexadecimal
            && let [b'0', b'x' | b'X', digits @ ..] = text
        {
            return digits.iter().all(u8::is_ascii_hexdigit);
        }
        let digits = text.iter().take_while(|byte| byte.is_ascii_digit()).count();
        let (whole, rest) = text.split_at(digits);
        let has_fraction = match self.fraction {
            Fraction::None => false,
            Fraction::Behind => !whole.is_empty() && rest.first() == Some(&b'.'),
            Fraction::Anywhere => rest.first() == Some(&b'.'),
        };
        let ends = match has_fraction {
            true => rest[1..].iter().all(u8::is_ascii_digit),
            false => rest.is_empty() && (self.empty || !whole.is_empty()),
        };
        let value = whole.iter().fold(0u64, |value, digit| {
            value.saturating_mul(10).saturating_add(u64::from(digit - b'0'))
        });
        ends && value <= self.most
    }
}
