//! What the parts of a word are, as far as that matters for what stands around them.

use crate::syntax::ast::{Instead, Operation, Parameter, ParameterName, Part, Subscript};

/// Whether a lone `$` behind the last expansion keeps the word from being split; `$@` and `$*` (but
/// not `${*}` and `"$*"`, and not where that is joined) undo that.
pub(super) fn keeps_whole(parts: &[Part], joins_stars: bool) -> bool {
    let lone = |part: &Part| matches!(part, Part::Literal { bytes, .. } if bytes.contains(&b'$'));
    let last_lone = parts.iter().rposition(lone);
    let last_expansion = parts.iter().rposition(is_expansion);
    last_lone.is_some()
        && last_lone > last_expansion
        && !parts.iter().any(|part| names_all_parameters(part, joins_stars))
}

/// Whether a part is expanded.
pub(super) fn is_expansion(part: &Part) -> bool {
    matches!(
        part,
        Part::Parameter(_) | Part::Flagged(_) | Part::Command(_) | Part::Arithmetic { .. }
    )
}

/// Whether a part stands for all parameters without joining them.
pub(super) fn names_all_parameters(part: &Part, joins_stars: bool) -> bool {
    match part {
        Part::Double { parts, .. } => parts.iter().any(|part| {
            matches!(part, Part::Parameter(inner) if inner.name == ParameterName::Special(b'@'))
        }),
        Part::Parameter(parameter) => match parameter.name {
            ParameterName::Special(b'@') => true,
            ParameterName::Special(b'*') => !parameter.braced && !joins_stars,
            _ => false,
        },
        _ => false,
    }
}

/// Whether a part is `$@`, `${name[@]}` or `${!name[@]}`.
pub(super) fn is_all_parameters(part: &Part) -> bool {
    let Part::Parameter(parameter) = part else { return false };
    matches!(parameter.operation, Operation::Value | Operation::Keys)
        && (matches!(parameter.index, Some(Subscript::At))
            || (parameter.name == ParameterName::Special(b'@') && parameter.index.is_none()))
}

/// Whether a part is `${@-word}`, `${@?word}` or one of an array.
pub(super) fn is_list_or_default(part: &Part) -> bool {
    let Part::Parameter(parameter) = part else { return false };
    let is_default = matches!(
        parameter.operation,
        Operation::Instead { what: Instead::Default | Instead::Error, colon: false, .. }
    );
    is_default && parameter.is_at_list()
}

/// Whether a part is `$@`, `${name[@]}` or some of them, and no word stands for it.
pub(super) fn is_list_part(part: &Part) -> bool {
    let parameter = match part {
        Part::Parameter(parameter) => &**parameter,
        Part::Flagged(flagged) => &flagged.parameter,
        _ => return false,
    };
    !matches!(parameter.operation, Operation::Instead { .. })
        && (matches!(parameter.index, Some(Subscript::At))
            || matches!(part, Part::Flagged(one) if one.flags.iter().any(|flag| flag.letter == b'@'))
            || (parameter.name == ParameterName::Special(b'@')
                && (parameter.index.is_none() || matches!(part, Part::Flagged(_)))))
}

/// Whether a part is `${@+word}` or that of an array.
pub(super) fn is_alternative_of_list(part: &Part) -> bool {
    let indexed = |one: &Parameter| {
        matches!(one.operation, Operation::Instead { what: Instead::Alternative, .. })
            && matches!(one.index, Some(Subscript::At))
    };
    is_alternative(part) || matches!(part, Part::Parameter(parameter) if indexed(parameter))
}

/// Whether a part is `${@+word}`.
pub(super) fn is_alternative(part: &Part) -> bool {
    let Part::Parameter(parameter) = part else { return false };
    let at = parameter.name == ParameterName::Special(b'@');
    let alternative =
        matches!(parameter.operation, Operation::Instead { what: Instead::Alternative, .. });
    at && alternative
}
