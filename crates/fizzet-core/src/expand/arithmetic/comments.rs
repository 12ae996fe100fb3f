//! A comment that takes the end of `$((...))` away (observed in bash 5.2, which looks for the end once more before it
//! evaluates, as if it were that of a command substitution).

use crate::source::Span;
use crate::state::State;
use crate::stop::Stop;

/// # Errors
/// In shells that find comments there: the expansion at `span` has one in which its end is lost.
///
/// `$((1 #2))` is such a mistake, `$((16#2))` and `$((1 '#' 2))` are none.
pub(in crate::expand) fn check_comments(state: &State, span: Span) -> Result<(), Stop> {
    if !state.dialect.comments_end_expressions {
        return Ok(());
    }
    let written = state.sources.bytes(span);
    if !written.starts_with(b"$((") || !written.contains(&b'#') || !loses_end(written) {
        return Ok(());
    }
    let message =
        "a # behind a blank begins a comment here, in which the end of the expansion is lost";
    Err(state.mistake(message, span, state.dialect.bad_substitution_status))
}

/// Whether a comment outside quotes goes on to the end of a text.
fn loses_end(text: &[u8]) -> bool {
    let (mut quote, mut blank, mut at) = (None, false, 0);
    while let Some(&byte) = text.get(at) {
        at += 1;
        match (byte, quote) {
            (b'#', None) if blank => match text[at..].iter().position(|&byte| byte == b'\n') {
                Some(newline) => at += newline,
                None => return true,
            },
            (b'\\', None | Some(b'"' | b'`')) => at += 1,
            (b'\'' | b'"' | b'`', None) => quote = Some(byte),
            (byte, Some(open)) if byte == open => quote = None,
            _ => {}
        }
        blank = matches!(byte, b' ' | b'\t' | b'\n');
    }
    false
}
