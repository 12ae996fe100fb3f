//! The conversion that may stand at the end of a range in braces: `{1..3%02d}` (ksh93).

/// `%[flags][width][.precision][size]letter`, of a whole number.
#[derive(Clone, Debug)]
pub(super) struct Format {
    minus: bool,
    plus: bool,
    zero: bool,
    prefix: bool,
    width: usize,
    precision: Option<usize>,
    letter: u8,
}

/// The most digits and blanks that one value is given.
const MAX_WIDTH: usize = 1000;

impl Format {
    /// Reads what stands behind the percent sign; `None` if it is no such conversion.
    pub(super) fn read(text: &str) -> Option<Format> {
        let bytes = text.as_bytes();
        let mut at = bytes.iter().take_while(|byte| b"-+0#".contains(byte)).count();
        let flags = &bytes[..at];
        let digits = |at: &mut usize| {
            let count = bytes[*at..].iter().take_while(|byte| byte.is_ascii_digit()).count();
            let number = text[*at..*at + count].parse::<usize>().unwrap_or(0);
            *at += count;
            (number <= MAX_WIDTH).then_some(number)
        };
        let width = digits(&mut at)?;
        let precision = match bytes.get(at) {
            Some(b'.') => {
                at += 1;
                Some(digits(&mut at)?)
            }
            _ => None,
        };
        at += usize::from(matches!(bytes.get(at), Some(b'l' | b'h')));
        let letter = match &bytes[at..] {
            &[letter @ (b'd' | b'i' | b'u' | b'o' | b'x' | b'X' | b'c')] => letter,
            _ => return None,
        };
        let has = |flag: u8| flags.contains(&flag);
        let (minus, plus, zero, prefix) = (has(b'-'), has(b'+'), has(b'0'), has(b'#'));
        Some(Format { minus, plus, zero, prefix, width, precision, letter })
    }

    /// A value as the conversion shows it. What has no sign has 32 bits.
    pub(super) fn shown(&self, value: i64) -> Vec<u8> {
        let bits = value as u32;
        let (sign, prefix, digits) = match self.letter {
            b'c' => return self.padded(&[value as u8]),
            b'u' => ("", "", bits.to_string()),
            b'o' => ("", if self.prefix { "0" } else { "" }, format!("{bits:o}")),
            b'x' => ("", if self.prefix { "0x" } else { "" }, format!("{bits:x}")),
            b'X' => ("", if self.prefix { "0X" } else { "" }, format!("{bits:X}")),
            _ => {
                let sign = if value < 0 { "-" } else { "" };
                let sign = if self.plus && value >= 0 { "+" } else { sign };
                (sign, "", value.unsigned_abs().to_string())
            }
        };
        let prefix = if bits == 0 { "" } else { prefix };
        let taken = sign.len() + prefix.len();
        let fills = self.zero && !self.minus && self.precision.is_none();
        let least = match self.precision {
            Some(precision) => precision,
            None if fills => self.width.saturating_sub(taken),
            None => 0,
        };
        self.padded(format!("{sign}{prefix}{digits:0>least$}").as_bytes())
    }

    fn padded(&self, text: &[u8]) -> Vec<u8> {
        let blanks = vec![b' '; self.width.saturating_sub(text.len())];
        match self.minus {
            true => [text, &blanks].concat(),
            false => [&blanks, text].concat(),
        }
    }
}
