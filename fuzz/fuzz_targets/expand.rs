//! A whole line on any bytes, in any shell, on a machine without files: it ends within its limits,
//! and it does not panic.
#![no_main]

use std::rc::Rc;

use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::Nowhere;
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::walk;
use libfuzzer_sys::fuzz_target;

fuzz_target!(|data: &[u8]| {
    let Some((&first, text)) = data.split_first() else { return };
    let shell = Shell::ALL[usize::from(first) % Shell::ALL.len()];
    let mut state = State::new(Dialect::of(shell), SourceKind::Line, text);
    state.limits.steps = 10_000;
    state.limits.bytes = 1 << 20;
    // The stack of a fuzzer is small.
    state.limits.depth = 60;
    walk::line(state, Rc::new(Nowhere));
});
