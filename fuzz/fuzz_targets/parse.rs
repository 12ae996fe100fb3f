//! The parser on any bytes, in any shell: it ends, and it does not panic.
#![no_main]

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::source::SourceId;
use fizzet_core::syntax::Parser;
use libfuzzer_sys::fuzz_target;

fuzz_target!(|data: &[u8]| {
    let Some((&first, text)) = data.split_first() else { return };
    let dialect = Dialect::of(Shell::ALL[usize::from(first) % Shell::ALL.len()]);
    let mut parser = Parser::new(text, SourceId::MAIN, &dialect);
    while let Ok(Some(_)) = parser.next_commands() {}
});
