//! The table: one row a rule, one column a shell.
//!
//! The columns are posix, bash, dash, busybox, ksh93, mksh, zsh. A row's doc comment is the sentence
//! that people are shown; the string behind it is the evidence.

use crate::dialect::choices::*;
use crate::dialect::rows::{
    carrying_rows, declaring_rows, expanding_rows, reading_rows, telling_rows, utilities_rows,
    words_rows,
};
use crate::dialect::words::{TYPE_WORDS, TypeWords};
use crate::dialect::{DollarEscapes, Nul, Shell, escapes};
use crate::hexadecimal::HexDigits;
use crate::stop::{Reach, Status};

/// One rule in which shells differ.
#[derive(Clone, Copy, Debug)]
pub struct Row {
    /// Its name.
    pub name: &'static str,
    /// What it says.
    pub sentence: &'static str,
    /// How it is known.
    pub evidence: &'static str,
    /// The value in each column.
    pub values: [&'static str; 7],
}

macro_rules! dialect_table {
    (; $( $(#[doc = $doc:literal])+ $name:ident: $type:ty = [$($value:expr),+], $evidence:literal; )+) => {
        /// The rules of one shell.
        #[derive(Clone, PartialEq, Debug)]
        pub struct Dialect {
            /// Whose rules they are.
            pub shell: Shell,
            $( $(#[doc = $doc])+ pub $name: $type, )+
        }

        /// The rows of the table, in the order in which they are written.
        pub static ROWS: &[Row] = &[
            $( Row {
                name: stringify!($name),
                sentence: concat!($($doc),+),
                evidence: $evidence,
                values: [$(stringify!($value)),+],
            }, )+
        ];

        impl Dialect {
            /// The column of a shell.
            pub fn of(shell: Shell) -> Dialect {
                let column = shell as usize;
                Dialect { shell, $( $name: { let values: [$type; 7] = [$($value),+]; values[column] }, )+ }
            }

            /// Takes over one row from another dialect; answers whether that changed anything.
            pub fn adopt(&mut self, row: usize, other: &Dialect) -> bool {
                let mut at = 0;
                $(
                    if at == row {
                        let changed = self.$name != other.$name;
                        self.$name = other.$name;
                        return changed;
                    }
                    at += 1;
                )+
                let _ = at;
                false
            }
        }
    };
}

const Y: bool = true;
const N: bool = false;

const RESERVED: &[&str] = &[
    "!", "{", "}", "case", "do", "done", "elif", "else", "esac", "fi", "for", "if", "in", "then",
    "until", "while",
];
const RESERVED_BUSYBOX: &[&str] = &[
    "!", "{", "}", "case", "do", "done", "elif", "else", "esac", "fi", "for", "function", "if",
    "in", "then", "until", "while",
];
const RESERVED_KSH: &[&str] = &[
    "!", "{", "}", "case", "do", "done", "elif", "else", "esac", "fi", "for", "function", "if",
    "in", "select", "then", "time", "until", "while", "[[",
];
const RESERVED_MKSH: &[&str] = RESERVED_KSH;
const RESERVED_BASH: &[&str] = &[
    "!", "{", "}", "case", "coproc", "do", "done", "elif", "else", "esac", "fi", "for", "function",
    "if", "in", "select", "then", "time", "until", "while", "[[", "]]",
];
const RESERVED_ZSH: &[&str] = &[
    "!",
    "{",
    "}",
    "case",
    "coproc",
    "do",
    "done",
    "elif",
    "else",
    "end",
    "esac",
    "fi",
    "for",
    "foreach",
    "function",
    "if",
    "nocorrect",
    "repeat",
    "select",
    "then",
    "time",
    "until",
    "while",
    "[[",
];
/// The same without those that may stand behind an assignment.
const MISPLACED_ZSH: &[&str] = &[
    "!", "{", "case", "coproc", "do", "done", "elif", "else", "end", "esac", "fi", "for",
    "foreach", "function", "if", "repeat", "select", "then", "time", "until", "while", "[[",
];

reading_rows! { expanding_rows carrying_rows declaring_rows utilities_rows words_rows telling_rows dialect_table; }
