//! What a value brought into the index of an element, in the text of an arithmetic expression.
//!
//! Bash and ksh93 find the end of `a[$k]` before they look at what `$k` is, though the expression is read
//! when its expansions are done (observed in bash 5.2 and ksh93u+m: `k=']'; (( a[$k]=1 ))`); and bash, which
//! expands indexes once more, leaves those alone (`k='$i'; (( a[$k] ))`). No text of a shell holds a NUL, so
//! one stands before each bracket, dollar sign and backquote of this kind until the index is taken.

use std::borrow::Cow;

use crate::dialect::KeyQuoting;
use crate::lineage::Rule;
use crate::text::Text;

/// Stands before a bracket that neither opens nor closes an index, a sign that begins no expansion, or a quote that
/// quotes nothing.
pub(super) const MARK: u8 = 0;

fn is_marked(byte: &u8) -> bool {
    matches!(byte, b'[' | b']' | b'$' | b'`')
}

/// The text with marks before the brackets and signs of values inside of written brackets, and without the quoting
/// in keys of the array of each name.
pub(crate) fn marked<'t>(text: &'t Text, quoting: impl Fn(&[u8]) -> KeyQuoting) -> Cow<'t, [u8]> {
    let of_values = |(run, bytes): (&crate::text::Run, &[u8])| {
        let is_written = run.origin.is_written();
        bytes.iter().any(|byte| is_marked(byte) && !(is_written && matches!(byte, b'[' | b']')))
    };
    let has_keys = text.bytes().contains(&b'[') && text.bytes().iter().any(quotes);
    if !has_keys && !text.runs().any(of_values) {
        return text.bytes().into();
    }
    let (mut out, mut open) = (Vec::with_capacity(text.len() + 8), 0i32);
    let (mut key, mut escaped) = (KeyQuoting::Stays, false);
    for (run, bytes) in text.runs() {
        let is_written = run.origin.is_written();
        let is_bare = is_written && run.origin.rule() == Rule::Literal;
        for &byte in bytes {
            let escapes = std::mem::take(&mut escaped);
            if open > 0 && is_bare && !escapes && key != KeyQuoting::Stays {
                escaped = byte == b'\\';
                if escaped || (key == KeyQuoting::All && is_quote(&byte)) {
                    continue;
                }
            }
            if open == 0 && is_written && byte == b'[' {
                let name = out.iter().rev().take_while(|&&byte| is_name_byte(byte)).count();
                key = quoting(&out[out.len() - name..]);
            }
            match byte {
                b'[' | b']' if escapes => out.push(MARK),
                b'"' | b'\'' if open > 0 && !is_written && key != KeyQuoting::Stays => {
                    out.push(MARK)
                }
                // One that is written and still there was escaped.
                b'$' | b'`' if open > 0 => out.push(MARK),
                b'[' | b']' if !is_written && open > 0 => out.push(MARK),
                b'[' if is_written => open += 1,
                b']' if is_written => open -= 1,
                _ => {}
            }
            out.push(byte);
        }
    }
    out.into()
}

fn is_quote(byte: &u8) -> bool {
    matches!(byte, b'"' | b'\'')
}

fn quotes(byte: &u8) -> bool {
    is_quote(byte) || *byte == b'\\'
}

fn is_name_byte(byte: u8) -> bool {
    byte == b'_' || byte == b'.' || byte.is_ascii_alphanumeric()
}

/// The text of an index without marks.
pub(crate) fn unmarked(index: &[u8]) -> Cow<'_, [u8]> {
    match index.contains(&MARK) {
        true => index.iter().copied().filter(|&byte| byte != MARK).collect(),
        false => index.into(),
    }
}

/// Whether something in an index is expanded when it is taken.
pub(crate) fn has_expansions(index: &[u8]) -> bool {
    let is_sign = |byte: &u8| matches!(byte, b'$' | b'`');
    let is_open = |at: usize| at == 0 || index[at - 1] != MARK;
    index.iter().enumerate().any(|(at, byte)| is_sign(byte) && is_open(at))
}
