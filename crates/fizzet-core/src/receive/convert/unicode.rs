//! Digits and blanks beyond ASCII.

/// The zeros of the decimal digits of Unicode 14 (general category Nd); nine more follow each.
const ZEROS: [u32; 64] = [
    0x30, 0x660, 0x6f0, 0x7c0, 0x966, 0x9e6, 0xa66, 0xae6, 0xb66, 0xbe6, 0xc66, 0xce6, 0xd66,
    0xde6, 0xe50, 0xed0, 0xf20, 0x1040, 0x1090, 0x17e0, 0x1810, 0x1946, 0x19d0, 0x1a80, 0x1a90,
    0x1b50, 0x1bb0, 0x1c40, 0x1c50, 0xa620, 0xa8d0, 0xa900, 0xa9d0, 0xa9f0, 0xaa50, 0xabf0, 0xff10,
    0x104a0, 0x10d30, 0x11066, 0x110f0, 0x11136, 0x111d0, 0x112f0, 0x11450, 0x114d0, 0x11650,
    0x116c0, 0x11730, 0x118e0, 0x11950, 0x11c50, 0x11d50, 0x11da0, 0x16a60, 0x16ac0, 0x16b50,
    0x1d7ce, 0x1d7d8, 0x1d7e2, 0x1d7ec, 0x1d7f6, 0x1e140, 0x1e950,
];

/// The value of a decimal digit of any script. Two more scripts (U+1E2F0, U+1FBF0) stand apart.
pub fn digit(character: char) -> Option<u8> {
    let code = character as u32;
    if character.is_ascii() {
        return character.to_digit(10).map(|digit| digit as u8);
    }
    let at = ZEROS.partition_point(|&zero| zero <= code).checked_sub(1)?;
    let zero = match code {
        0x1e2f0..=0x1e2f9 => 0x1e2f0,
        0x1fbf0..=0x1fbf9 => 0x1fbf0,
        _ => ZEROS[at],
    };
    (code - zero < 10).then(|| (code - zero) as u8)
}

/// A text without the blanks around it that Python passes over: those of C where all of it is ASCII,
/// and otherwise what `str.isspace` takes for blanks too.
pub fn python_trimmed(text: &str) -> &str {
    match text.is_ascii() {
        true => text.trim_matches(|one| matches!(one, '\t'..='\r' | ' ')),
        false => {
            text.trim_matches(|one: char| matches!(one, '\x1c'..='\x1f') || one.is_whitespace())
        }
    }
}

/// What ECMAScript takes for a blank or a line terminator.
pub fn javascript_blank(character: char) -> bool {
    matches!(character, '\t'..='\r' | ' ' | '\u{feff}')
        || (character != '\u{85}' && character.is_whitespace())
}

#[cfg(test)]
mod tests {
    use super::digit;

    #[test]
    fn digits_of_other_scripts_count() {
        assert_eq!(digit('7'), Some(7));
        assert_eq!(digit('٣'), Some(3));
        assert_eq!(digit('９'), Some(9));
        assert_eq!(digit('\u{1d7ff}'), Some(9));
        assert_eq!(digit('½'), None);
        assert_eq!(digit('a'), None);
        assert_eq!(digit('\u{1fbf3}'), Some(3));
    }
}
