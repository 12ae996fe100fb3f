//! What words cost: a common line, `$x` split into ever more fields, a large folder, a shift loop.
//!
//! `cargo bench -p fizzet-core`; the ratios against the real shells come from `cargo xtask ratios`.

use std::hint::black_box;
use std::rc::Rc;

use criterion::{BenchmarkId, Criterion, Throughput};
use fizzet_core::dialect::{Dialect, Shell};
use fizzet_core::host::{Commands, Files, Host, Nowhere, Status, Users};
use fizzet_core::source::SourceKind;
use fizzet_core::state::State;
use fizzet_core::trace::{Ending, Trace};
use fizzet_core::walk;

fn traced(line: &[u8], host: Rc<dyn Host>) -> Trace {
    let state = State::new(Dialect::of(Shell::Bash), SourceKind::Line, line);
    let trace = walk::line(black_box(state), host);
    assert!(matches!(trace.ending, Ending::Complete), "{:?}", trace.ending);
    trace
}

fn common_line(bench: &mut Criterion) {
    let line = b"label \"$HOME\" 'two words' ${jar:-lime honey} $((2 * 3)) {1..3}";
    bench.bench_function("common line", |run| run.iter(|| traced(line, Rc::new(Nowhere))));
}

fn splitting(bench: &mut Criterion) {
    let mut group = bench.benchmark_group("split $x");
    group.sample_size(10);
    for words in [10_000, 100_000, 1_000_000] {
        let line = format!("x='{}'; set -- $x", "jar ".repeat(words));
        group.throughput(Throughput::Elements(words as u64));
        group.bench_function(BenchmarkId::from_parameter(words), |run| {
            run.iter(|| traced(line.as_bytes(), Rc::new(Nowhere)));
        });
    }
    group.finish();
}

fn shift_loop(bench: &mut Criterion) {
    let line = b"set -- {1..10000}; while [ $# -gt 0 ]; do shift; done";
    bench.bench_function("shift 10,000 times", |run| run.iter(|| traced(line, Rc::new(Nowhere))));
}

fn pathnames(bench: &mut Criterion) {
    let mut group = bench.benchmark_group("pathnames");
    group.sample_size(10);
    group.bench_function("100,000", |run| run.iter(|| traced(b"label *", Rc::new(Comb(100_000)))));
    group.finish();
}

/// A folder of many jars.
struct Comb(usize);

impl Files for Comb {
    fn list(&self, _: &[u8], each: &mut dyn FnMut(&[u8])) -> bool {
        (0..self.0).for_each(|number| each(format!("jar{number:06}").as_bytes()));
        true
    }

    fn exists(&self, _: &[u8]) -> bool {
        true
    }

    fn is_folder(&self, path: &[u8]) -> bool {
        path.is_empty() || path == b"."
    }

    fn status(&self, _: &[u8], _: bool) -> Option<Status> {
        None
    }

    fn read(&self, _: &[u8], _: usize) -> Option<Vec<u8>> {
        None
    }
}

impl Users for Comb {
    fn home(&self, _: &[u8]) -> Option<Vec<u8>> {
        None
    }
}

impl Commands for Comb {}

fn main() {
    let mut bench = Criterion::default().configure_from_args();
    [common_line, splitting, shift_loop, pathnames].into_iter().for_each(|one| one(&mut bench));
    bench.final_summary();
}
