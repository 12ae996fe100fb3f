//! The base of an integer variable that was declared without one, as zsh gives it: that of a number in the
//! text which is assigned to it.

/// The base of the last number of an expression that is written with one.
pub(super) fn of_last_based(text: &[u8]) -> Option<u32> {
    Bases { text, at: 0 }.flatten().filter(|&base| base != 0).last().map(|base| base.clamp(2, 64))
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
            return Some(match self.text.get(start..start + 2) {
                Some(b"0x" | b"0X") => Some(16),
                Some(b"0b" | b"0B") => Some(2),
                _ => None,
            });
        }
    }
}

#[cfg(test)]
mod tests {
    use super::of_last_based;

    #[test]
    fn the_last_base_counts() {
        assert_eq!(of_last_based(b"16#f+8#7"), Some(8));
        assert_eq!(of_last_based(b"1+16#f"), Some(16));
        assert_eq!(of_last_based(b"0x1f + jar2"), Some(16));
        assert_eq!(of_last_based(b"jar2 + 3"), None);
        assert_eq!(of_last_based(b""), None);
    }
}
