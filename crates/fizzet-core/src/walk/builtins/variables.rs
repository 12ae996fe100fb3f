//! `export`, `readonly`, `local`, `typeset`, `declare` and their kin.

use bstr::ByteSlice;

use crate::dialect::{References, Told};
use crate::source::Span;
use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::attributes::has_bad_kinds;
use crate::walk::builtins::functions::Tells;
use crate::walk::builtins::options::Given;

/// What a declaration does to each of its names.
pub(super) struct Declaration<'a> {
    pub(super) given: Given<'a>,
    /// Whether the utility is `export` or `readonly`.
    pub(super) outside: bool,
    pub(super) exports: bool,
    pub(super) freezes: bool,
    /// Whether the names become variables of the function.
    pub(super) local: bool,
    /// Whether names that the function has no variable of become variables outside.
    pub(super) goes_outside: bool,
    /// Whether the names become names of other variables.
    pub(super) refers: bool,
    pub(super) span: Span,
}

/// `export name[=value]...` and its kin; `local` and `typeset` make variables of the function.
pub(super) fn declare(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let utility = call.bytes(0).unwrap_or_default();
    if utility == b"local" && walker.scopes.is_empty() {
        match walker.state.dialect.local_outside {
            crate::dialect::Outside::Allowed => {}
            crate::dialect::Outside::Fails => {
                // Lists have been assigned by the time the utility finds out.
                for list in walker.take_list_arguments() {
                    walker.assign_argument(list)?;
                }
                return Ok(1);
            }
            crate::dialect::Outside::Fatal => {
                return Err(walker.fatal(call, "only a function can have local variables"));
            }
        }
    }
    let dialect = &walker.state.dialect;
    let letters = match utility {
        b"export" => dialect.export_letters,
        b"readonly" => dialect.readonly_letters,
        b"local" => dialect.local_letters.unwrap_or_default(),
        _ => dialect.declaration_letters,
    };
    let outside = matches!(utility, b"export" | b"readonly");
    let mut given = match dialect.local_letters {
        None if utility == b"local" => call.without_options(),
        _ => call.given(letters, !outside || dialect.export_takes_back),
    };
    let only_assigns = dialect.told_kinds_are_forgotten
        && given.has(b'p')
        && given.operands.iter().any(|operand| operand.bytes().contains(&b'='));
    if only_assigns {
        given.forget_letters();
    }
    let keeps_scope = walker.own_scope().is_some();
    if given.unknown.is_some() || has_bad_kinds(&given, &walker.state.dialect) {
        return refuse_options(walker, call, outside, !outside && keeps_scope && !given.has(b'g'));
    }
    let declaration = Declaration {
        outside,
        exports: utility == b"export" || given.has(b'x'),
        freezes: (utility == b"readonly" && !(given.has(b'n') && dialect.readonly_can_be_undone))
            || given.has(b'r'),
        local: (!outside || (utility == b"readonly" && dialect.readonly_is_local))
            && !given.has(b'g')
            && (keeps_scope || utility == b"local"),
        goes_outside: (given.has(b'x') || given.takes_back(b'x'))
            && utility != b"local"
            && dialect.exported_declarations_are_global,
        refers: !outside && given.has(b'n') && walker.state.dialect.references != References::None,
        span: call.span,
        given,
    };
    if let Some(status) = declare_functions(walker, &declaration, call)? {
        return Ok(status);
    }
    if declaration.given.takes_back(b'T') && walker.state.dialect.tied_path {
        return Err(walker.fatal(call, "tied variables cannot be taken apart"));
    }
    if declaration.given.has(b'T') && walker.state.dialect.tied_path {
        return walker.tie_variables(&declaration, call);
    }
    let moves = declaration.given.has(b'm') || declaration.given.takes_back(b'm');
    if moves && walker.state.dialect.declarations_move {
        return move_each(walker, &declaration, call);
    }
    match tell_instead(walker, &declaration, call) {
        Some(status) => Ok(status),
        None => declare_each(walker, &declaration, call),
    }
}

/// `typeset -m new=old`: variables get other names.
fn move_each(
    walker: &mut Walker,
    declaration: &Declaration<'_>,
    call: &Call<'_>,
) -> Result<Status, Stop> {
    if declaration.given.letters().any(|letter| letter != b'm') {
        return Err(walker.fatal_option(call));
    }
    for operand in declaration.given.operands {
        let names = operand.bytes().split_once_str("=");
        let is_name = |name: &[u8]| walker.state.dialect.is_name(name);
        let Some((new, old)) = names.filter(|(new, old)| is_name(new) && is_name(old)) else {
            return Err(walker.fatal(call, "typeset -m needs NEW=OLD, two names of variables"));
        };
        let keeps = |name| walker.state.variables.get(name).is_some_and(|one| one.read_only);
        if keeps(new) || keeps(old) {
            return Err(walker.fatal(call, "a variable that is read-only keeps its name"));
        }
        if let Some(moved) = walker.state.variables.remove(old) {
            walker.state.variables.restore(new, Some(moved));
            walker.state.follow_variable(new);
        }
    }
    Ok(0)
}

/// A declaration whose options are refused; `local` where its names become variables of the function.
fn refuse_options(
    walker: &mut Walker,
    call: &Call<'_>,
    outside: bool,
    local: bool,
) -> Result<Status, Stop> {
    let dialect = &walker.state.dialect;
    let fatal = match outside {
        true => dialect.export_option_is_fatal,
        false => dialect.typeset_option_is_fatal,
    };
    if fatal {
        return Err(walker.fatal_option(call));
    }
    // Lists have been assigned by the time the utility finds out.
    for list in walker.take_list_arguments() {
        if local {
            walker.hide(&list.assignment.name, true);
        }
        walker.assign_argument(list)?;
    }
    Ok(walker.state.dialect.declaration_usage_status)
}

/// What a declaration tells, if it declares nothing.
fn tell_instead(
    walker: &mut Walker,
    declaration: &Declaration<'_>,
    call: &Call<'_>,
) -> Option<Status> {
    let (outside, utility) = (declaration.outside, call.bytes(0).unwrap_or_default());
    let by_pattern = declaration.given.has(b'm') || declaration.given.takes_back(b'm');
    if by_pattern && walker.state.dialect.typeset_tells_matches {
        let names = declaration.given.takes_back(b'm');
        let commands = declaration.given.has(b'p');
        walker.tell_matching(declaration.given.operands, (names, commands), call);
        return Some(0);
    }
    let has_kind = b"iluLRZUn".iter().any(|letter| declaration.given.has(*letter));
    let asks = declaration.given.has(b'p')
        && !(has_kind && walker.state.dialect.kinds_outdo_telling)
        && (!outside || walker.state.dialect.variable_lists.tells_marked_names);
    let names = declaration.given.operands;
    let lists = declaration.given.has(b'p') && walker.state.dialect.listing_passes_names_over;
    if outside && (names.is_empty() || lists) {
        walker.list_marked(utility == b"readonly", declaration.given.has(b'p'), call);
        return Some(0);
    }
    let tells = walker.state.dialect.told_variables != Told::Nothing;
    let plus = matches!(names, [plus] if plus.bytes() == b"+")
        && tells
        && walker.state.dialect.variable_lists.plus_lists;
    if names.is_empty() && !tells {
        return Some(0);
    }
    if names.is_empty() || plus {
        walker.list_declared(&declaration.given, plus, call);
        return Some(0);
    }
    let assigns = walker.state.dialect.telling_assigns
        && names.iter().any(|name| name.bytes().contains(&b'='));
    (asks && !assigns).then(|| walker.tell_variables(names, call))
}

/// `typeset -f` and its kin: what a declaration says about functions, if it is about those.
fn declare_functions(
    walker: &mut Walker,
    declaration: &Declaration<'_>,
    call: &Call<'_>,
) -> Result<Option<Status>, Stop> {
    let utility = call.bytes(0).unwrap_or_default();
    let lists_names = declaration.given.has(b'F') && !walker.state.dialect.real_variables;
    if declaration.given.has(b'f') || lists_names {
        if declaration.given.has(b'u') && walker.state.dialect.reads_functions {
            for name in declaration.given.operands {
                walker.announce_function(name, b"")?;
            }
            return Ok(Some(0));
        }
        if declaration.given.has(b'u') && walker.state.dialect.typeset_marks_functions {
            for name in declaration.given.operands {
                if !walker.state.functions.contains_key(name.bytes()) {
                    walker.state.function_files.insert(name.bytes().into(), Box::default());
                }
            }
            return Ok(Some(0));
        }
        if walker.state.dialect.functions_have_marks
            && let Some(status) = walker.mark_functions(&declaration.given, utility)
        {
            return Ok(Some(status));
        }
        if declaration.exports && walker.state.dialect.functions_stay_inside {
            return Ok(Some(walker.complain(call, 1)));
        }
        if declaration.outside && !walker.state.dialect.functions_have_marks {
            return Ok(Some(0));
        }
        let tells = match lists_names {
            true if declaration.given.operands.is_empty() || declaration.given.has(b'p') => {
                Tells::Listed
            }
            true => Tells::Names,
            false => Tells::Definitions,
        };
        return Ok(Some(walker.tell_functions(&declaration.given, tells, call)));
    }
    if declaration.given.takes_back(b'f') && walker.state.dialect.plus_f_lists_functions {
        return Ok(Some(walker.tell_functions(&declaration.given, Tells::Listed, call)));
    }
    Ok(None)
}

/// Declares the operands one after the other.
fn declare_each(
    walker: &mut Walker,
    declaration: &Declaration<'_>,
    call: &Call<'_>,
) -> Result<Status, Stop> {
    let utility = call.bytes(0).unwrap_or_default();
    let first = call.argv.len() - declaration.given.operands.len();
    let mut status = 0;
    let mut frozen_here: Vec<&[u8]> = Vec::new();
    let tells = walker.state.dialect.typeset_tells_known
        && !declaration.outside
        && declaration.given.letters().next().is_none();
    for (at, operand) in declaration.given.operands.iter().enumerate() {
        let gets_list = walker.list_arguments.iter().any(|list| list.at == first + at);
        if tells && !gets_list && walker.is_known_here(operand.bytes()) {
            walker.tell_value(operand.bytes(), call);
            continue;
        }
        // Parameters are variables there, which declarations leave as they are.
        let is_parameter =
            || matches!(operand.bytes(), [b'0' | b'*' | b'@' | b'#' | b'?' | b'!' | b'$' | b'-']);
        if walker.state.dialect.parameters_are_variables && is_parameter() {
            continue;
        }
        if utility == b"local" && operand.bytes() == b"-" && walker.state.dialect.local_options {
            let options = walker.state.options.clone();
            if let Some(scope) = walker.scopes.last_mut() {
                scope.options = scope.options.take().or(Some(options));
            }
            continue;
        }
        let assigns = gets_list || operand.bytes().contains(&b'=');
        let name = operand.bytes().split(|byte| b"+=".contains(byte)).next().unwrap_or_default();
        let is_frozen = |walker: &Walker| {
            walker.state.variables.get(name).is_some_and(|variable| variable.read_only)
        };
        let frozen_before = is_frozen(walker);
        if assigns && frozen_here.contains(&name) {
            walker.state.variables.entry(name).read_only = false;
        }
        let declared = walker.declare_one(declaration, operand, first + at)?;
        if walker.state.dialect.freezing_ends_with_command && is_frozen(walker) && !frozen_before {
            frozen_here.push(name);
        }
        if assigns {
            walker.act_at_part()?;
        }
        if !declared && let Some(failed) = refused_operand(walker, declaration, operand, call)? {
            match failed {
                Refused::PassedOver => status = 1,
                Refused::Ends(status) => return Ok(status),
            }
        }
    }
    Ok(status)
}

/// What becomes of a declaration one of whose operands is refused.
enum Refused {
    /// It goes on, and fails in the end.
    PassedOver,
    /// It ends with this status.
    Ends(Status),
}

/// What an operand does that cannot be declared; nothing where that is found out later.
fn refused_operand(
    walker: &mut Walker,
    declaration: &Declaration<'_>,
    operand: &Text,
    call: &Call<'_>,
) -> Result<Option<Refused>, Stop> {
    let utility = call.bytes(0).unwrap_or_default();
    let dialect = &walker.state.dialect;
    let name = operand.bytes().split(|&byte| byte == b'=').next().unwrap_or_default();
    let frozen = walker.state.variables.get(name).is_some_and(|one| one.read_only);
    let exits = dialect.told_mistakes_end_shells && walker.state.options.exit_on_error;
    if frozen && declaration.outside && (dialect.misuse_of_special_ends || exits) {
        return Err(walker.fatal_with(call, "a variable is read-only", 1));
    }
    let is_late = dialect.local_finds_bad_names_late && operand.len() > name.len();
    if utility == b"local" && is_late && !dialect.is_name(name) {
        if let Some(scope) = walker.scopes.last_mut() {
            scope.bad_name = scope.bad_name.or(Some(call.span));
        }
        return Ok(None);
    }
    if dialect.bad_names_are_passed_over {
        return Ok(Some(Refused::PassedOver));
    }
    let fatal = match declaration.outside {
        true => dialect.bad_name_is_fatal,
        false => dialect.bad_local_name_is_fatal,
    };
    match fatal {
        true => Err(walker.fatal(call, "this is not a name")),
        false => Ok(Some(Refused::Ends(1))),
    }
}

/// `integer name...`, `nameref name=...`: `typeset` with an option.
pub(super) fn declare_as(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let option: &[u8] = match call.bytes(0) {
        Some(b"integer") if walker.state.dialect.unsigned_integers => b"-li",
        Some(b"integer") => b"-i",
        Some(b"nameref") => b"-n",
        Some(b"float") if walker.state.dialect.extended_reals => b"-lE",
        Some(b"float") => b"-E",
        Some(b"autoload") => b"-fu",
        Some(b"functions") => b"-f",
        _ => b"-C",
    };
    let letters = match call.bytes(0) {
        Some(b"integer") => walker.state.dialect.integer_letters,
        Some(b"float") => walker.state.dialect.float_letters,
        _ => None,
    };
    if letters.is_some_and(|letters| call.given(letters, true).unknown.is_some()) {
        return Ok(walker.complain(call, walker.state.dialect.declaration_usage_status));
    }
    let mut argv = vec![walker.state.shell_text(b"typeset"), walker.state.shell_text(option)];
    argv.extend_from_slice(call.arguments());
    for list in &mut walker.list_arguments {
        list.at += 1;
    }
    match declare(walker, &Call { argv: &argv, ..*call }) {
        Err(Stop::Shell(error)) if walker.state.dialect.declaring_words_hold_mistakes => {
            let status = error.status;
            walker.keep_mistake(error);
            Ok(status)
        }
        outcome => outcome,
    }
}
