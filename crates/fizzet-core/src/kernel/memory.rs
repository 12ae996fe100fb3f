//! The picture of a new process's memory: what the kernel puts at the top of its stack
//! (x86-64 System V ABI, 3.4.1; `create_elf_tables` of fs/binfmt_elf.c).

/// A word of the table that the stack pointer shows at.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Word {
    /// Its offset from the stack pointer, in bytes.
    pub offset: usize,
    /// What it is.
    pub kind: WordKind,
}

/// Words of the table.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WordKind {
    /// The number of arguments.
    Count(usize),
    /// A pointer to an argument: its index, and the offset of its string.
    Argument(usize, usize),
    /// A pointer to a variable of the environment likewise.
    Variable(usize, usize),
    /// A null pointer.
    Null,
}

/// A string behind the table.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Bytes<'a> {
    /// Its offset from the first string.
    pub offset: usize,
    /// It, without its NUL.
    pub bytes: &'a [u8],
}

/// The picture.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Picture<'a> {
    /// The table: argc, pointers, NULL, pointers, NULL. The auxiliary vector follows.
    pub words: Vec<Word>,
    /// The strings: the vector, the environment, the path that was executed, without gaps.
    pub strings: Vec<Bytes<'a>>,
    /// How many bytes the strings take, NULs included.
    pub bytes: usize,
}

/// The picture of a vector, an environment and the path that was executed.
pub fn picture<'a>(argv: &[&'a [u8]], environment: &[&'a [u8]], path: &'a [u8]) -> Picture<'a> {
    let mut strings = Vec::with_capacity(argv.len() + environment.len() + 1);
    let mut at = 0;
    for bytes in argv.iter().chain(environment).copied().chain([path]) {
        strings.push(Bytes { offset: at, bytes });
        at += bytes.len() + 1;
    }
    let argument = |index: usize| WordKind::Argument(index, strings[index].offset);
    let variable = |index: usize| WordKind::Variable(index, strings[argv.len() + index].offset);
    let kinds = [WordKind::Count(argv.len())]
        .into_iter()
        .chain((0..argv.len()).map(argument))
        .chain([WordKind::Null])
        .chain((0..environment.len()).map(variable))
        .chain([WordKind::Null]);
    let words = kinds.enumerate().map(|(at, kind)| Word { offset: 8 * at, kind }).collect();
    Picture { words, strings, bytes: at }
}

#[cfg(test)]
mod tests {
    use super::{WordKind, picture};

    #[test]
    fn pointers_lead_to_their_strings() {
        let made = picture(&[b"label", b""], &[b"HIVE=north"], b"/bin/label");
        let kinds: Vec<WordKind> = made.words.iter().map(|word| word.kind).collect();
        assert_eq!(
            kinds,
            [
                WordKind::Count(2),
                WordKind::Argument(0, 0),
                WordKind::Argument(1, 6),
                WordKind::Null,
                WordKind::Variable(0, 7),
                WordKind::Null,
            ]
        );
        assert_eq!((made.words[5].offset, made.bytes), (40, 29));
        assert_eq!(made.strings[3].bytes, b"/bin/label");
    }
}
