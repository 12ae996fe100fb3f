//! Whether what is known of the origin of every byte can be true: nothing may be lost, and nothing may
//! be said to come from where it is not written.

use fizzet_core::lineage::{Origin, Rule};
use fizzet_core::source::Sources;
use fizzet_core::text::{Run, Text};
use fizzet_core::trace::Trace;

/// Whether all bytes of `part` are in `whole`, in this order.
fn is_within(part: &[u8], whole: &[u8]) -> bool {
    let mut rest = whole.iter();
    part.iter().all(|byte| rest.any(|other| other == byte))
}

/// What is wrong with the way of a run of bytes, if anything is.
fn mistake(run: &Run, bytes: &[u8], sources: &Sources) -> Option<String> {
    let outside = |origin: &&Origin| {
        let (span, length) = (origin.span(), sources.get(origin.span().source).bytes.len());
        span.start > span.end || span.end as usize > length
    };
    if let Some(origin) = run.origin.hops().find(outside) {
        return Some(format!("{:?} of {:?} lies outside its source", origin.span(), origin.rule()));
    }
    let written = sources.bytes(run.origin.span());
    let is_first = run.origin.earlier().is_none();
    let unwritten = is_first
        && matches!(run.origin.rule(), Rule::Literal | Rule::Quoted | Rule::Given)
        && !is_within(bytes, written);
    unwritten.then(|| {
        let (bytes, written) = (String::from_utf8_lossy(bytes), String::from_utf8_lossy(written));
        format!("{bytes:?} is no part of {written:?}, where {:?} has it from", run.origin.rule())
    })
}

/// The mistakes in what is known of an argument.
fn mistakes_in(text: &Text, sources: &Sources) -> Vec<String> {
    let covered: usize = text.runs().map(|(_, bytes)| bytes.len()).sum();
    let mut found: Vec<String> =
        text.runs().filter_map(|(run, bytes)| mistake(run, bytes, sources)).collect();
    if covered != text.len() {
        found.push(format!("{covered} of {} bytes have a way", text.len()));
    }
    found
}

/// The mistakes in what a trace says about the origins of its arguments, and how many runs it tells of.
pub fn origin_mistakes(trace: &Trace) -> (usize, Vec<String>) {
    let texts = || trace.commands.iter().flat_map(|command| command.argv.iter());
    let runs = texts().map(Text::run_count).sum();
    (runs, texts().flat_map(|text| mistakes_in(text, &trace.sources)).collect())
}
