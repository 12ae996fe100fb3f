//! Words that busybox sh cuts: a tilde, a name that no user can have, and a slash behind it (observed
//! in busybox 1.37: `echo ~$x/k ~${x/b/-}k`).
//!
//! The shell looks for the slash that ends the name in the text of the word as it keeps it, where the
//! text of an operation stands too. If it knows no such user, the slash stays a mark of the end.

use crate::syntax::ast::{Arithmetic, Operation, Parameter, Part, Word};

/// What ends the name of a user.
type Enders = &'static [u8];

/// The parts that are left of a word in which a tilde and an expansion stand at the start, or in an
/// assignment behind a colon, if a slash (in an assignment, or a colon) cuts it.
pub(super) fn before_end(parts: &[Part], in_assignment: bool) -> Option<Vec<Part>> {
    let enders: Enders = if in_assignment { b"/:" } else { b"/" };
    parts.iter().enumerate().find_map(|(at, part)| {
        if !opens_tilde(part, at == 0, in_assignment) {
            return None;
        }
        let cut = cut_behind(&parts[at + 1..], enders)?;
        Some(parts[..=at].iter().cloned().chain(cut).collect())
    })
}

/// What stands behind the brace that a tilde hides in a word that is not used (observed in dash 0.5.12 and
/// busybox 1.37: `echo ${v+~${#x}a}b`).
///
/// The shell skips such a word, and with a tilde all up to the slash or the brace that ends its name: in front of
/// an expansion with an operation that is the brace of this. The brace of the word ends what stands around it.
pub(super) fn hidden_brace(word: &Word, in_assignment: bool) -> Option<&[Part]> {
    let parts = &word.parts;
    for (at, part) in parts.iter().enumerate() {
        if opens_tilde(part, at == 0, in_assignment) {
            let is_passed = |part: &&Part| {
                split_literal(part, if in_assignment { b"/:" } else { b"/" }).is_none()
                    && (is_plain(part)
                        || matches!(part, Part::Command(_) | Part::Arithmetic { .. }))
            };
            let passed = parts[at + 1..].iter().take_while(is_passed).count();
            if let Some(Part::Parameter(_)) = parts.get(at + 1 + passed) {
                return Some(&parts[at + 2 + passed..]);
            }
        }
        if let Part::Parameter(parameter) = part
            && let Operation::Instead { word, .. } = &parameter.operation
            && hidden_brace(word, in_assignment).is_some()
        {
            return Some(&parts[at + 1..]);
        }
    }
    None
}

/// Whether a literal ends in a tilde and the beginning of a name.
fn opens_tilde(part: &Part, first: bool, in_assignment: bool) -> bool {
    let Part::Literal { bytes, .. } = part else { return false };
    let colon = bytes.iter().rposition(|&byte| byte == b':').filter(|_| in_assignment);
    match colon {
        None if !first => false,
        colon => {
            let segment = &bytes[colon.map_or(0, |at| at + 1)..];
            segment.first() == Some(&b'~') && !segment.contains(&b'/')
        }
    }
}

/// What is left of the parts behind a tilde.
///
/// A slash within an operation ends that; what stands behind it is the rest of the word.
fn cut_behind(rest: &[Part], enders: Enders) -> Option<Vec<Part>> {
    let mut kept = Vec::new();
    for part in rest {
        if let Some((before, _)) = split_literal(part, enders) {
            kept.extend(before);
            return Some(kept);
        }
        match part {
            Part::Literal { .. } | Part::Command(_) => {}
            Part::Parameter(parameter) => match &parameter.operation {
                Operation::Value => {}
                _ => {
                    kept.extend(cut_parameter(parameter)?);
                    return Some(kept);
                }
            },
            Part::Arithmetic { expression, span } => {
                let (word, rest) = cut_word(&expression.word)?;
                let expression = Arithmetic { word, cached: Default::default() };
                kept.push(Part::Arithmetic { expression, span: *span });
                kept.extend(rest);
                return Some(kept);
            }
            _ => return None,
        }
        kept.push(part.clone());
    }
    None
}

/// A parameter whose operation a slash cuts, and what stands behind the slash.
fn cut_parameter(parameter: &Parameter) -> Option<Vec<Part>> {
    let (operation, rest) = match &parameter.operation {
        Operation::Instead { what, colon, word } => {
            let (word, rest) = cut_word(word)?;
            (Operation::Instead { what: *what, colon: *colon, word }, rest)
        }
        Operation::Remove { suffix, longest, pattern } => {
            let (pattern, rest) = cut_word(pattern)?;
            (Operation::Remove { suffix: *suffix, longest: *longest, pattern }, rest)
        }
        Operation::Replace { which, pattern, replacement: Some(replacement) } => {
            if !pattern.parts.iter().all(is_plain) {
                return None;
            }
            let pattern = pattern.clone();
            let operation = Operation::Replace { which: *which, pattern, replacement: None };
            (operation, replacement.parts.clone())
        }
        _ => return None,
    };
    let cut = Part::Parameter(Box::new(Parameter { operation, ..parameter.clone() }));
    Some(std::iter::once(cut).chain(rest).collect())
}

/// A word up to its first slash, and what stands behind that. Quotes hide what is behind them.
fn cut_word(word: &Word) -> Option<(Word, Vec<Part>)> {
    let ends = |part: &Part| !is_plain(part) || split_literal(part, b"/").is_some();
    let at = word.parts.iter().position(ends)?;
    let (before, after) = split_literal(&word.parts[at], b"/")?;
    let kept = word.parts[..at].iter().cloned().chain(before).collect();
    let rest = after.into_iter().chain(word.parts[at + 1..].iter().cloned()).collect();
    Some((Word::new(kept, word.span), rest))
}

fn is_plain(part: &Part) -> bool {
    match part {
        Part::Literal { .. } => true,
        Part::Parameter(parameter) => matches!(parameter.operation, Operation::Value),
        _ => false,
    }
}

/// The literals before and behind the first of these bytes in one; `None` if it has none.
fn split_literal(part: &Part, enders: Enders) -> Option<(Option<Part>, Option<Part>)> {
    let Part::Literal { bytes, span } = part else { return None };
    let slash = bytes.iter().position(|byte| enders.contains(byte))?;
    let part = |from: usize, to: usize| {
        let mut span = *span;
        (span.start, span.end) = (span.start + from as u32, span.start + to as u32);
        (from < to).then(|| Part::Literal { bytes: bytes[from..to].into(), span })
    };
    Some((part(0, slash), part(slash + 1, bytes.len())))
}
