//! The base of an integer variable that was declared without one: that of a number which is assigned to it.

use crate::dialect::TakesBase;

/// The base that an integer takes from an expression; `None` where it takes none from this one.
pub(super) fn of_expression(text: &[u8], takes: TakesBase) -> Option<u32> {
    let bases = Bases { text, at: 0 };
    match takes {
        TakesBase::Never => None,
        TakesBase::OfFirstNumber => bases.map(|base| base.unwrap_or(10)).next(),
        TakesBase::OfLastBased => bases.flatten().last(),
    }
    .map(|base| base.clamp(2, 64))
}

/// The numbers of an expression: the base that each is written with, if it has one.
struct Bases<'a> {
    text: &'a [u8],
    at: usize,
}

impl Bases<'_> {
    /// How many bytes from here on are of a kind.
    fn length(&self, is_one: impl Fn(&u8) -> bool) -> usize {
        self.text[self.at..].iter().take_while(|byte| is_one(byte)).count()
    }
}

impl Iterator for Bases<'_> {
    type Item = Option<u32>;

    fn next(&mut self) -> Option<Option<u32>> {
        let in_word = |byte: &u8| byte.is_ascii_alphanumeric() || matches!(byte, b'_' | b'@');
        loop {
            let first = *self.text.get(self.at)?;
            if !in_word(&first) {
                self.at += 1;
                continue;
            }
            let start = self.at;
            let digits = self.length(u8::is_ascii_digit);
            self.at += self.length(in_word);
            if digits == 0 {
                continue;
            }
            if self.text.get(start + digits) == Some(&b'#') {
                self.at = start + digits + 1;
                self.at += self.length(in_word);
                let base = std::str::from_utf8(&self.text[start..start + digits]).ok()?;
                return Some(base.parse().ok());
            }
            let is_hexadecimal = matches!(self.text.get(start..start + 2), Some(b"0x" | b"0X"));
            return Some(is_hexadecimal.then_some(16));
        }
    }
}

#[cfg(test)]
mod tests {
    use super::of_expression;
    use crate::dialect::TakesBase;

    #[test]
    fn the_first_number_or_the_last_base_counts() {
        let first = |text: &str| of_expression(text.as_bytes(), TakesBase::OfFirstNumber);
        let last = |text: &str| of_expression(text.as_bytes(), TakesBase::OfLastBased);
        assert_eq!((first("16#f+8#7"), last("16#f+8#7")), (Some(16), Some(8)));
        assert_eq!((first("1+16#f"), last("1+16#f")), (Some(10), Some(16)));
        assert_eq!((first("jar2 + 0x1f"), last("jar2 + 3")), (Some(16), None));
        assert_eq!((first("hives"), last("")), (None, None));
        assert_eq!(of_expression(b"16#f", TakesBase::Never), None);
    }
}
