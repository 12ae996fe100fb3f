//! The rules of kernels for a `#!` line: one table, each fact with its source.

use std::ops::Range;

/// Where a fact comes from.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Evidence {
    /// Run on that system.
    Observed,
    /// Written in the system's own documents or source.
    Documented,
}

/// How many arguments the words behind the interpreter make.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Words {
    /// All of them one argument.
    One,
    /// Each an argument of its own.
    Each,
}

/// What becomes of a line that is longer than the kernel takes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LongLine {
    /// The argument is cut.
    ArgumentCut,
    /// The file is refused.
    Refused,
}

/// The rules of one kernel.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct System {
    /// The name for `--system`.
    pub name: &'static str,
    /// What the words behind the interpreter make.
    pub words: Words,
    /// How many bytes of the line count, with `#!`.
    pub limit: usize,
    /// What becomes of a longer line.
    pub long: LongLine,
    /// How many `#!` files may stand behind one another, where that is certain.
    pub nested: Option<usize>,
    /// Where this comes from.
    pub evidence: Evidence,
    /// The source in words.
    pub source: &'static str,
}

/// The table. A system stands here only with what is certain.
pub const SYSTEMS: [System; 4] = [
    System {
        name: "linux",
        words: Words::One,
        limit: 255,
        long: LongLine::ArgumentCut,
        nested: Some(5),
        evidence: Evidence::Observed,
        source: "Linux 6.18; since 5.1 (fs/binfmt_script.c, execve(2))",
    },
    System {
        name: "linux-5.0",
        words: Words::One,
        limit: 127,
        long: LongLine::ArgumentCut,
        nested: Some(5),
        evidence: Evidence::Documented,
        source: "before Linux 5.1 (execve(2): the limit was 127 bytes)",
    },
    System {
        name: "freebsd",
        words: Words::One,
        limit: 4096,
        long: LongLine::Refused,
        nested: Some(1),
        evidence: Evidence::Documented,
        source: "sys/kern/imgact_shell.c since FreeBSD 6.0: one argument, a page, no nesting",
    },
    System {
        name: "macos",
        words: Words::Each,
        limit: 512,
        long: LongLine::Refused,
        nested: None,
        evidence: Evidence::Documented,
        source: "xnu, bsd/kern/kern_exec.c: IMG_SHSIZE, and arguments split at blanks",
    },
];

/// The first line of a file without its newline.
pub fn first_line(head: &[u8]) -> &[u8] {
    head.split(|&byte| byte == b'\n').next().unwrap_or_default()
}

impl System {
    /// The interpreter and its arguments, as the system takes them from the start of a file; nothing
    /// where it takes none.
    pub fn words_of(&self, head: &[u8]) -> Option<Vec<Vec<u8>>> {
        if self.evidence == Evidence::Observed {
            let line = crate::kernel::first_line::read(head).ok()?;
            let bytes = |range: Range<usize>| head.get(range).unwrap_or_default().to_vec();
            let argument = line.argument.map(bytes);
            return Some([bytes(line.interpreter)].into_iter().chain(argument).collect());
        }
        let line = first_line(head);
        let text = line.strip_prefix(b"#!")?;
        let text = match (line.len() > self.limit, self.long) {
            (true, LongLine::Refused) => return None,
            (true, LongLine::ArgumentCut) => &text[..self.limit - 2],
            (false, _) => text,
        };
        let is_blank = |byte: &u8| matches!(byte, b' ' | b'\t');
        let mut pieces = text.split(is_blank).filter(|piece| !piece.is_empty());
        let interpreter = pieces.next()?.to_vec();
        let start = text.iter().position(|byte| !is_blank(byte)).unwrap_or(0) + interpreter.len();
        let rest = text[start..].trim_ascii();
        let arguments: Vec<Vec<u8>> = match self.words {
            _ if rest.is_empty() => Vec::new(),
            Words::One => vec![rest.to_vec()],
            Words::Each => pieces.map(<[u8]>::to_vec).collect(),
        };
        Some([interpreter].into_iter().chain(arguments).collect())
    }
}

#[cfg(test)]
mod tests {
    use super::SYSTEMS;

    #[test]
    fn some_systems_make_each_word_an_argument() {
        let of = |name: &str, head: &[u8]| {
            let system = SYSTEMS.iter().find(|system| system.name == name).unwrap();
            system.words_of(head).map(|words| words.len())
        };
        let line = b"#! /bin/sh -e -u \nlabel";
        assert_eq!(of("linux", line), Some(2));
        assert_eq!(of("freebsd", line), Some(2));
        assert_eq!(of("macos", line), Some(3));
        assert_eq!(of("macos", &[&b"#!/"[..], &[b'j'; 600]].concat()), None);
    }
}
