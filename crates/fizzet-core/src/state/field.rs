//! Fields: `typeset -L`, `-R` and `-Z`, which show a value in a given width.

use bstr::ByteSlice;

use crate::dialect::Padding;

/// A field that a value fills, in characters.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Field {
    /// What makes a short value as wide as the field.
    pub padding: Padding,
    /// Its width; 0 where that is still to be the width of the first value that it gets.
    pub width: usize,
}

/// The side of a field that a value stands on.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Side {
    /// `-L`
    Left,
    /// `-R`
    Right,
    /// `-Z`: on the right, behind zeros.
    Zeros,
}

impl Field {
    /// The side that a value stands on.
    pub fn side(self) -> Side {
        match self.padding {
            Padding::Left | Padding::LeftDigits | Padding::LeftZeros => Side::Left,
            Padding::Right | Padding::RightTrimmed | Padding::RightWhole => Side::Right,
            Padding::Zeros | Padding::ZerosBehindBlanks | Padding::Filled => Side::Zeros,
        }
    }

    /// The text in the field; characters have several bytes where `utf8` says so.
    pub fn fill(self, text: &[u8], utf8: bool) -> Vec<u8> {
        let characters: Vec<&[u8]> = match utf8 {
            false => text.chunks(1).collect(),
            true => text.char_indices().map(|(from, to, _)| &text[from..to]).collect(),
        };
        let blank = |one: &&&[u8]| matches!(one, [b' ' | b'\t']);
        let zero = |one: &&&[u8]| **one == b"0";
        let blanks = characters.iter().take_while(blank).count();
        let end = characters.len() - characters.iter().rev().take_while(blank).count();
        let trimmed = match self.padding {
            Padding::RightWhole | Padding::ZerosBehindBlanks => &characters[..],
            Padding::Left => &characters[blanks..],
            Padding::LeftDigits => {
                let digits = &characters[blanks..];
                &digits[digits.iter().take_while(zero).count()..]
            }
            Padding::LeftZeros => &characters[characters.iter().take_while(zero).count()..],
            Padding::Right | Padding::Filled => &characters[..end],
            Padding::RightTrimmed | Padding::Zeros => &characters[blanks.min(end)..end],
        };
        let missing = self.width.saturating_sub(trimmed.len());
        let before = match self.padding {
            Padding::ZerosBehindBlanks if missing > 0 => blanks,
            _ => 0,
        };
        let digit = trimmed.get(before).is_some_and(|one| one[0].is_ascii_digit());
        let zeros = match self.padding {
            Padding::Zeros | Padding::ZerosBehindBlanks => digit,
            padding => padding == Padding::Filled,
        };
        let padding = vec![if zeros { b'0' } else { b' ' }; missing];
        match self.side() {
            Side::Left => {
                let kept = &trimmed[..trimmed.len().min(self.width)];
                [&kept.concat()[..], &padding].concat()
            }
            _ => {
                let kept = &trimmed[trimmed.len().saturating_sub(self.width)..];
                let (blanks, rest) = kept.split_at(before);
                [&blanks.concat()[..], &padding, &rest.concat()].concat()
            }
        }
    }

    /// A number in the field: zeros stand behind its sign and its base.
    pub fn fill_number(self, number: &[u8]) -> Vec<u8> {
        let before = match self.padding {
            Padding::Filled => base_length(number),
            Padding::Zeros | Padding::ZerosBehindBlanks if number.len() < self.width => {
                let sign = usize::from(number.starts_with(b"-"));
                sign + base_length(&number[sign..])
            }
            _ => 0,
        };
        if before == 0 || before > self.width {
            return self.fill(number, false);
        }
        let rest = Field { padding: Padding::Filled, width: self.width - before };
        [&number[..before], &rest.fill(&number[before..], false)].concat()
    }
}

/// How long the base before the digits of a number is: `16#` or `0x`.
fn base_length(number: &[u8]) -> usize {
    let digits = number.iter().take_while(|byte| byte.is_ascii_digit()).count();
    match number.get(digits) {
        Some(b'#') => digits + 1,
        Some(b'x') if digits == 1 => 2,
        _ => 0,
    }
}
