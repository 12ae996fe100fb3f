//! Any bytes as a first line and as a call in C: both end, and neither panics.
#![no_main]

use fizzet_core::kernel::call::faults::faults;
use fizzet_core::kernel::call::function;
use fizzet_core::kernel::call::value::Names;
use fizzet_core::kernel::first_line;
use fizzet_core::source::SourceId;
use libfuzzer_sys::fuzz_target;

fuzz_target!(|data: &[u8]| {
    let _ = first_line::read(data);
    if let Ok(call) = function::read(data, SourceId::MAIN, &Names::new()) {
        faults(&call);
    }
});
