//! The `#!` line as Linux reads it (fs/binfmt_script.c; observed in Linux 6.18).
//!
//! The kernel looks at the first 256 bytes of the file, filled up with NUL. The interpreter ends at a
//! blank, the rest of the line is one argument, blanks around both are taken away. A name that the
//! buffer may have cut is refused; a cut argument is not.

use std::ops::Range;

/// How many bytes of a file the kernel looks at.
pub const BUFFER: usize = 256;

/// A `#!` line; ranges are byte offsets in the file.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct FirstLine {
    /// The name of the interpreter.
    pub interpreter: Range<usize>,
    /// The one optional argument.
    pub argument: Option<Range<usize>>,
    /// Whether the buffer cut the argument.
    pub is_cut: bool,
}

/// Why a file has no interpreter.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NoInterpreter {
    /// It does not begin with `#!`.
    NoMark,
    /// Nothing but blanks behind `#!`.
    Blank,
    /// The name is not at an end in the bytes that the kernel looks at.
    Cut,
}

/// Reads the first line of a file; `head` is the start of the file, or all of it.
///
/// # Errors
/// A file that the kernel does not take for a script.
///
/// ```
/// use fizzet_core::kernel::first_line::read;
/// let line = read(b"#! /bin/sh -e -u \nlabel").unwrap();
/// assert_eq!((line.interpreter, line.argument), (3..10, Some(11..16)));
/// ```
pub fn read(head: &[u8]) -> Result<FirstLine, NoInterpreter> {
    let mut buffer = [0; BUFFER];
    let known = head.len().min(BUFFER);
    buffer[..known].copy_from_slice(&head[..known]);
    if !buffer.starts_with(b"#!") {
        return Err(NoInterpreter::NoMark);
    }
    let end = line_end(&buffer)?;
    let end = 2 + buffer[2..end].iter().rposition(|&byte| !is_blank(byte)).map_or(0, |at| at + 1);
    buffer[end] = 0;
    let start = not_blank(&buffer, 2);
    if start >= end {
        return Err(NoInterpreter::Blank);
    }
    let name_end = start + buffer[start..].iter().position(|&byte| ends_name(byte)).unwrap_or(0);
    let argument = (buffer[name_end] != 0).then(|| {
        let first = not_blank(&buffer, name_end);
        let length = buffer[first..].iter().position(|&byte| byte == 0).unwrap_or(0);
        first..first + length
    });
    let reaches_end = argument.as_ref().is_some_and(|argument| argument.end == BUFFER - 1);
    let is_cut = reaches_end && head.get(BUFFER - 1).is_some_and(|&byte| byte != b'\n');
    Ok(FirstLine { interpreter: start..name_end, argument, is_cut })
}

/// Where the line ends: at a newline with no NUL before it, else at the last byte of the buffer.
fn line_end(buffer: &[u8; BUFFER]) -> Result<usize, NoInterpreter> {
    match buffer.iter().position(|&byte| byte == b'\n' || byte == 0) {
        Some(at) if buffer[at] == b'\n' => return Ok(at),
        _ => {}
    }
    let start = not_blank(buffer, 2);
    if start == BUFFER {
        return Err(NoInterpreter::Blank);
    }
    // A name that goes on to the edge may go on behind it.
    match buffer[start..].iter().any(|&byte| ends_name(byte)) {
        true => Ok(BUFFER - 1),
        false => Err(NoInterpreter::Cut),
    }
}

fn not_blank(buffer: &[u8], from: usize) -> usize {
    from + buffer[from..].iter().take_while(|&&byte| is_blank(byte)).count()
}

fn is_blank(byte: u8) -> bool {
    matches!(byte, b' ' | b'\t')
}

fn ends_name(byte: u8) -> bool {
    is_blank(byte) || byte == 0
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::{BUFFER, NoInterpreter, read};

    #[test]
    fn a_name_at_the_edge_is_refused_and_an_argument_cut() {
        let path = |length: usize| [&b"#!/"[..], &vec![b'j'; length - 3]].concat();
        assert!(read(&path(255)).is_ok());
        assert_eq!(read(&path(256)), Err(NoInterpreter::Cut));
        let line = read(&[&b"#!/jar "[..], &[b'x'; 300]].concat()).unwrap();
        assert_eq!((line.argument, line.is_cut), (Some(7..BUFFER - 1), true));
        assert_eq!(read(&[&b"#!"[..], &[b' '; 300]].concat()), Err(NoInterpreter::Blank));
    }

    proptest! {
        #[test]
        fn ranges_lie_in_the_file(head in proptest::collection::vec(any::<u8>(), 0..300)) {
            let head = [&b"#!"[..], &head].concat();
            if let Ok(line) = read(&head) {
                prop_assert!(line.interpreter.end <= head.len().max(2));
                prop_assert!(line.argument.is_none_or(|argument| argument.start <= argument.end));
            }
        }
    }
}
