//! What people should know about a way into the kernel, found in its trace.

use crate::kernel::chain::{End, HopKind, Launch};
use crate::source::{Sources, Span};

/// A remark.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Remark {
    /// A stable name.
    pub name: &'static str,
    /// The bytes of a `#!` line that it is about, if some are.
    pub place: Option<Span>,
    /// What there is to know, and what to do.
    pub text: String,
}

/// The remarks about a way.
pub fn remarks(launch: &Launch, sources: &Sources) -> Vec<Remark> {
    let mut found = Vec::new();
    for (at, hop) in launch.hops.iter().enumerate() {
        let HopKind::Script { line, source } = &hop.kind else { continue };
        let span = |range: &std::ops::Range<usize>| Span::new(*source, range.start, range.end);
        let interpreter = sources.bytes(span(&line.interpreter));
        if interpreter.first() != Some(&b'/') && !interpreter.is_empty() {
            found.push(Remark {
                name: "relative-interpreter",
                place: Some(span(&line.interpreter)),
                text:
                    "the name counts from the folder that the caller is in, not from the script's; \
                       write it from the root"
                        .into(),
            });
        }
        let Some(range) = &line.argument else { continue };
        let argument = sources.bytes(span(range));
        let place = Some(span(range));
        // `env` has split it, if it is not the name of a program as it stands.
        let splits = launch.hops.get(at + 1).is_some_and(|next| {
            matches!(next.kind, HopKind::Env { .. })
                && next.argv.first().is_some_and(|name| name.bytes() != argument)
        });
        if argument.trim_ascii_end().contains(&b' ') && !splits {
            found.push(Remark {
                name: "one-argument",
                place,
                text: "all of this arrives as one argument, its blanks in it; env -S splits it"
                    .into(),
            });
        }
        if argument.ends_with(b"\r") {
            found.push(Remark {
                name: "carriage-return",
                place,
                text:
                    "the argument ends in a carriage return: the file has the line ends of another \
                       system"
                        .into(),
            });
        }
        if line.is_cut {
            found.push(Remark {
                name: "cut-argument",
                place,
                text:
                    "the kernel looks at the first 255 bytes only; the rest of the argument is lost"
                        .into(),
            });
        }
    }
    if let End::Fails(failure) = &launch.end
        && failure.place.is_some()
        && failure.errno == crate::kernel::Errno::ENOENT
    {
        found.push(Remark {
            name: "missing-interpreter",
            place: failure.place,
            text: "the error reads as if the script were missing; it is its interpreter that is"
                .into(),
        });
    }
    found
}
