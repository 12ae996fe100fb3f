//! `export`, `readonly`, `local`, `typeset`, `declare`, `unset`, `let`.

use crate::dialect::{DeclaredValues, ListTexts, References, Told};
use crate::expand::arithmetic;
use crate::expand::disciplines;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::inside;
use crate::state::{Keeps, Value};
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::attributes::has_bad_kinds;
use crate::walk::builtins::functions::Tells;
use crate::walk::builtins::options::Given;
use crate::walk::lists::ListArgument;

/// What a declaration does to each of its names.
pub(super) struct Declaration<'a> {
    pub(super) given: Given<'a>,
    /// Whether the utility is `export` or `readonly`.
    outside: bool,
    exports: bool,
    freezes: bool,
    /// Whether the names become variables of the function.
    local: bool,
    /// Whether names that the function has no variable of become variables outside.
    goes_outside: bool,
    /// Whether the names become names of other variables.
    refers: bool,
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
        let dialect = &walker.state.dialect;
        let fatal = match outside {
            true => dialect.export_option_is_fatal,
            false => dialect.typeset_option_is_fatal,
        };
        if fatal {
            return Err(walker.fatal_option(call));
        }
        // Lists have been assigned by the time the utility finds out.
        let local = !outside && keeps_scope && !given.has(b'g');
        for list in walker.take_list_arguments() {
            if local {
                walker.hide(&list.assignment.name, true);
            }
            walker.assign_argument(list)?;
        }
        return Ok(walker.state.dialect.declaration_usage_status);
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
    let lists_names = declaration.given.has(b'F') && !walker.state.dialect.real_variables;
    if declaration.given.has(b'f') || lists_names {
        if declaration.given.has(b'u') && walker.state.dialect.reads_functions {
            for name in declaration.given.operands {
                walker.announce_function(name, b"")?;
            }
            return Ok(0);
        }
        if declaration.given.has(b'u') && walker.state.dialect.typeset_marks_functions {
            for name in declaration.given.operands {
                if !walker.state.functions.contains_key(name.bytes()) {
                    walker.state.function_files.insert(name.bytes().into(), Box::default());
                }
            }
            return Ok(0);
        }
        if walker.state.dialect.functions_have_marks
            && let Some(status) = walker.mark_functions(&declaration.given, utility)
        {
            return Ok(status);
        }
        if declaration.exports && walker.state.dialect.functions_stay_inside {
            return Ok(walker.complain(call, 1));
        }
        if outside && !walker.state.dialect.functions_have_marks {
            return Ok(0);
        }
        let tells = match lists_names {
            true if declaration.given.operands.is_empty() || declaration.given.has(b'p') => {
                Tells::Listed
            }
            true => Tells::Names,
            false => Tells::Definitions,
        };
        return Ok(walker.tell_functions(&declaration.given, tells, call));
    }
    if declaration.given.takes_back(b'f') && walker.state.dialect.plus_f_lists_functions {
        return Ok(walker.tell_functions(&declaration.given, Tells::Listed, call));
    }
    if declaration.given.takes_back(b'T') && walker.state.dialect.tied_path {
        return Err(walker.fatal(call, "tied variables cannot be taken apart"));
    }
    if declaration.given.has(b'T') && walker.state.dialect.tied_path {
        return walker.tie_variables(&declaration, call);
    }
    let by_pattern = declaration.given.has(b'm') || declaration.given.takes_back(b'm');
    if by_pattern && walker.state.dialect.typeset_tells_matches {
        let names = declaration.given.takes_back(b'm');
        let commands = declaration.given.has(b'p');
        walker.tell_matching(declaration.given.operands, (names, commands), call);
        return Ok(0);
    }
    let has_kind = b"iluLRZUn".iter().any(|letter| declaration.given.has(*letter));
    let asks = declaration.given.has(b'p')
        && !(has_kind && walker.state.dialect.kinds_outdo_telling)
        && (!outside || walker.state.dialect.variable_lists.tells_marked_names);
    let names = declaration.given.operands;
    let lists = declaration.given.has(b'p') && walker.state.dialect.listing_passes_names_over;
    if outside && (names.is_empty() || lists) {
        walker.list_marked(utility == b"readonly", declaration.given.has(b'p'), call);
        return Ok(0);
    }
    let tells = walker.state.dialect.told_variables != Told::Nothing;
    let plus = matches!(names, [plus] if plus.bytes() == b"+")
        && tells
        && walker.state.dialect.variable_lists.plus_lists;
    if names.is_empty() && !tells {
        return Ok(0);
    }
    if names.is_empty() || plus {
        walker.list_declared(&declaration.given, plus, call);
        return Ok(0);
    }
    let assigns = walker.state.dialect.telling_assigns
        && names.iter().any(|name| name.bytes().contains(&b'='));
    if asks && !assigns {
        return Ok(walker.tell_variables(names, call));
    }
    let first = call.argv.len() - declaration.given.operands.len();
    let mut status = 0;
    let tells = walker.state.dialect.typeset_tells_known
        && !outside
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
        let declared = walker.declare_one(&declaration, operand, first + at)?;
        if assigns {
            walker.act_at_part()?;
        }
        if !declared {
            let dialect = &walker.state.dialect;
            let name = operand.bytes().split(|&byte| byte == b'=').next().unwrap_or_default();
            let frozen = walker.state.variables.get(name).is_some_and(|one| one.read_only);
            let exits = dialect.told_mistakes_end_shells && walker.state.options.exit_on_error;
            if frozen && outside && (dialect.misuse_of_special_ends || exits) {
                return Err(walker.fatal_with(call, "a variable is read-only", 1));
            }
            let is_late = dialect.local_finds_bad_names_late && operand.len() > name.len();
            if utility == b"local" && is_late && !dialect.is_name(name) {
                if let Some(scope) = walker.scopes.last_mut() {
                    scope.bad_name = scope.bad_name.or(Some(call.span));
                }
                continue;
            }
            if dialect.bad_names_are_passed_over {
                status = 1;
                continue;
            }
            let fatal = match outside {
                true => dialect.bad_name_is_fatal,
                false => dialect.bad_local_name_is_fatal,
            };
            return match fatal {
                true => Err(walker.fatal(call, "this is not a name")),
                false => Ok(1),
            };
        }
    }
    Ok(status)
}

/// One operand of a declaration.
struct Operand<'a> {
    text: &'a Text,
    name: &'a [u8],
    index: Option<&'a [u8]>,
    /// Where `=` stands in the text.
    equals: Option<usize>,
    appends: bool,
    /// The list behind `=`.
    compound: Option<ListArgument>,
}

impl Walker {
    /// Declares one operand; false if it is no name.
    pub(super) fn declare_one(
        &mut self,
        declaration: &Declaration<'_>,
        operand: &Text,
        at: usize,
    ) -> Result<bool, Stop> {
        let bytes = operand.bytes();
        let equals = bytes.iter().position(|&byte| byte == b'=');
        let target = &bytes[..equals.unwrap_or(bytes.len())];
        let (target, appends) = match target.strip_suffix(b"+") {
            Some(target) if equals.is_some() && self.state.dialect.declarations_append => {
                (target, true)
            }
            _ => (target, false),
        };
        let (name, index) = match self.state.element_named(target) {
            Some((name, index)) => (name, Some(index)),
            None => (target, None),
        };
        let place = self.declared_place(name, at, declaration.span)?;
        let name = place.as_deref().unwrap_or(name);
        let has_list = self.list_arguments.iter().any(|list| list.at == at);
        let read_only = self.state.variables.get(name).is_some_and(|variable| variable.read_only);
        if has_list {
            self.state.check_held(name, declaration.span)?;
        }
        let held = (equals.is_some() || declaration.local) && self.state.is_held(name);
        if held && declaration.outside {
            return Ok(true);
        }
        let frozen = held
            || read_only
                && !(declaration.local
                    && self.is_local(name)
                    && !(self.is_own(name)
                        && !has_list
                        && self.state.dialect.local_refuses_read_only));
        let outside = declaration.outside && !self.state.dialect.elements_are_exported;
        if !self.state.names_variable(name)
            || (index.is_some() && (outside || !self.state.dialect.arrays))
        {
            return Ok(false);
        }
        let dialect = &self.state.dialect;
        if (frozen && equals.is_some() && !dialect.bad_name_is_fatal)
            || (frozen && declaration.local && dialect.local_refuses_read_only)
        {
            return Ok(false);
        }
        let compound = self.list_arguments.iter().position(|list| list.at == at);
        let compound = compound.map(|place| self.list_arguments.swap_remove(place));
        let adds = compound.as_ref().is_some_and(|list| list.assignment.append);
        if adds && !self.state.dialect.declarations_append {
            return Ok(false);
        }
        let kind = b"aAiEF".iter().any(|letter| declaration.given.has(*letter));
        let is_local = declaration.local && !self.scopes.is_empty();
        let is_new = kind || declaration.freezes || (is_local && !self.is_own(name));
        if index.is_some() && is_new && self.state.dialect.elements_are_not_declared {
            return Err(self.state.mistake("an element has no kind", declaration.span, 1));
        }
        let operand = Operand { text: operand, name, index, equals, appends, compound };
        let gets_list = operand.compound.is_some();
        let has_value = gets_list || equals.is_some();
        let thaws = frozen && has_value && self.is_replaced(name, gets_list, &declaration.given);
        if thaws {
            self.state.variables.entry(name).read_only = false;
        }
        let declared = match declaration.given.has(b'g') && self.state.dialect.global_is_outermost {
            true => self.globally(name, |walker| walker.declare_named(declaration, operand)),
            false => self.declare_named(declaration, operand),
        };
        if thaws && !declaration.given.takes_back(b'r') {
            self.state.variables.entry(name).read_only = true;
        }
        declared
    }

    /// A value is about to be assigned, which makes a variable a plain one, and one that is not exported, where the shell
    /// has it so.
    fn make_plain(&mut self, name: &[u8], declaration: &Declaration<'_>) {
        if declaration.outside || !self.state.dialect.typeset_values_are_plain {
            return;
        }
        let is_kind = b"iFEXLRZ".iter().any(|letter| declaration.given.has(*letter));
        let Some(variable) = self.state.variables.get_mut(name) else { return };
        variable.exported = false;
        if is_kind {
            return;
        }
        if matches!(variable.keeps, Keeps::Integer(_) | Keeps::Real { .. }) {
            (variable.keeps, variable.real, variable.given) = Default::default();
        }
        variable.field = None;
    }

    /// Declares one name.
    fn declare_named(
        &mut self,
        declaration: &Declaration<'_>,
        operand: Operand<'_>,
    ) -> Result<bool, Stop> {
        let Operand { text: operand, name, index, equals, appends, compound } = operand;
        let bytes = operand.bytes();
        if declaration.refers {
            let hop = Hop {
                rule: Rule::Stored,
                span: declaration.span,
                name: Some(name.into()),
                shifted: 0,
            };
            let mut value = equals.map(|at| {
                operand.slice(at + 1, bytes.len()).passed_through(&hop, Standing::Quoted)
            });
            if let (true, Some(more)) = (appends, &mut value)
                && let Some(Value::Scalar(before)) =
                    self.state.variables.itself(name).map(|variable| &variable.value)
            {
                let mut whole = before.clone();
                whole.push_text(more);
                *more = whole;
            }
            let marked = declaration.given.has(b'i');
            match self.state.dialect.references {
                References::Loose if marked => return Ok(false),
                References::Fatal if marked || declaration.freezes || declaration.exports => {
                    let message = "a name of a variable takes no other attributes";
                    return Err(self.state.mistake(message, declaration.span, 1));
                }
                _ => {}
            }
            let refers = self.refer(name, value, declaration.local, declaration.span)?;
            if refers && declaration.freezes {
                self.state.variables.freeze_name(name);
            }
            return Ok(refers);
        }
        if declaration.given.takes_back(b'n') && self.state.variables.is_name(name) {
            return self.no_more_a_name(name, operand, equals, declaration.span);
        }
        let mut exported = false;
        if equals.is_some() || compound.is_some() {
            let global = declaration.outside || declaration.given.has(b'g');
            match self.state.dialect.declared_values_outlast {
                DeclaredValues::OutsideOrLocal
                    if global
                        || declaration.local
                        || declaration.freezes
                        || declaration.exports =>
                {
                    exported |= self.taken_over(name).is_some();
                }
                DeclaredValues::All => self.forget_temporary(name, true),
                DeclaredValues::Direct => self.forget_temporary(name, false),
                _ => {}
            }
        }
        let takes_over = self.state.dialect.declarations_take_temporary
            && (declaration.outside
                || declaration.local
                || declaration.freezes
                || declaration.exports
                || self.state.dialect.plain_declarations_take_temporary)
            && equals.is_none()
            && compound.is_none();
        let taken = takes_over.then(|| self.taken_over(name)).flatten();
        // An assignment that was passed over has left a read-only variable as it was.
        let taken = taken.filter(|variable| !variable.read_only);
        let stays_unset = self.state.dialect.bare_marks_leave_unset
            && (declaration.exports || declaration.freezes)
            && equals.is_none()
            && compound.is_none();
        let has_value = equals.is_some() || compound.is_some();
        let takes_back =
            declaration.local && !has_value && declaration.given.takes_something_back();
        if takes_back && self.state.dialect.plus_makes_no_local && !self.is_own(name) {
            return Ok(true);
        }
        let hides = !declaration.goes_outside || self.is_own(name);
        if declaration.local && hides && inside::parent(name).is_none() {
            let inherits = declaration.given.has(b'I') && self.state.dialect.locals_can_inherit;
            let outer = self.state.options.locals_inherit;
            self.state.options.locals_inherit |= inherits;
            if declaration.given.has(b'S') && !self.is_to_last(name) {
                return Ok(true);
            }
            self.hide(name, stays_unset || equals.is_some() || compound.is_some());
            self.state.options.locals_inherit = outer;
        }
        if let Some(Value::Scalar(value)) = taken.map(|variable| variable.value) {
            self.state.store(name, None, value, declaration.span)?;
            exported = true;
        }
        if exported && self.state.dialect.taken_temporaries_stay_exported {
            self.state.variables.entry(name).exported = true;
        }
        let is_inside = self.member_of.is_none() && inside::parent(name).is_some();
        let is_compound = self.state.variables.is_compound(name);
        if declaration.exports
            && self.state.dialect.compound_variables
            && (is_compound || is_inside)
        {
            let message = "a compound variable cannot be exported";
            return Err(self.state.mistake(message, declaration.span, 1));
        }
        let given = &declaration.given;
        self.state.freshen(name);
        let names_only = declaration.outside
            && equals.is_none()
            && compound.is_none()
            && !self.state.dialect.export_makes_arrays;
        if !names_only && !self.shape(name, given) {
            let message = "an array stays of its kind";
            // bash has looked at the list before, outside functions.
            let ends_line = compound.is_some() && self.scopes.is_empty();
            if ends_line && self.state.dialect.list_of_other_kind_ends_line {
                return Err(Stop::error(message, declaration.span, 1, Reach::Line));
            }
            let error = ShellError::new(message, declaration.span, 1, Reach::Command);
            self.keep_mistake(error);
            return Ok(false);
        }
        if equals.is_some() && index.is_none() && !appends {
            self.make_plain(name, declaration);
        }
        let stays = index.is_some() || appends || (equals.is_none() && compound.is_none());
        if !self.attributes(name, declaration, stays)? {
            return Ok(false);
        }
        if let Some(assignment) = compound {
            let is_number = b"iFE".iter().any(|letter| given.has(*letter));
            if is_number && self.state.dialect.numbers_refuse_lists {
                return Err(self.state.mistake("a number was expected", declaration.span, 1));
            }
            self.assign_argument(assignment)?;
        } else if let Some(equals) = equals {
            let hop = Hop {
                rule: Rule::Stored,
                span: declaration.span,
                name: Some(name.into()),
                shifted: 0,
            };
            let value = operand.slice(equals + 1, bytes.len());
            let mut value = value.passed_through(&hop, Standing::Quoted);
            if let Some(index) = index
                && !appends
                && let Some(stretch) = self.declared_stretch(name, index, declaration.span)?
            {
                self.state.check_writable(name, declaration.span)?;
                self.state.replace(name, stretch, vec![value], declaration.span)?;
                return Ok(true);
            }
            let key = match index {
                Some(index) => Some(self.declared_key(name, index, declaration.span)?),
                None => None,
            };
            let is_number = self.state.dialect.numbers_are_no_arrays
                && b"iEF".iter().any(|letter| given.has(*letter));
            let lists = (given.has(b'a') || given.has(b'A')) && !is_number;
            let is_list = lists || (!declaration.outside && self.state.variables.is_array(name));
            let is_text = value.bytes().starts_with(b"(") && value.bytes().ends_with(b")");
            match self.state.dialect.list_texts {
                ListTexts::Lists if is_list && key.is_none() && is_text => {
                    self.assign_list_text(name, &value, appends, declaration.span)?;
                }
                ListTexts::Mistakes
                    if key.is_none()
                        && !is_number
                        && (lists || self.state.variables.is_array(name)) =>
                {
                    return Err(self.state.mistake("a list was expected", declaration.span, 1));
                }
                _ => {
                    if appends {
                        value = self.appended(name, key.as_ref(), value, declaration.span)?;
                    }
                    if let Some(key) = &key {
                        let ends = self.state.dialect.declared_index_ends;
                        self.state.check_given_index(name, key, ends, declaration.span)?;
                    }
                    disciplines::store(self, name, key, value, declaration.span)?;
                }
            }
        }
        if equals.is_none()
            && !stays_unset
            && self.state.dialect.declaration_makes_empty
            && self.state.variables.get(name).is_some_and(|one| matches!(one.value, Value::Nothing))
        {
            let is_number = self
                .state
                .variables
                .get(name)
                .is_some_and(|one| matches!(one.keeps, Keeps::Integer(_) | Keeps::Real { .. }));
            match is_number {
                true => {
                    let zero = self.state.shell_text(b"0");
                    self.state.store(name, None, zero, declaration.span)?;
                }
                false => {
                    self.state.variables.entry(name).value = Value::Scalar(Text::new());
                    if self.state.variables.get(name).is_some_and(|one| one.field.is_some()) {
                        self.state.store(name, None, Text::new(), declaration.span)?;
                    }
                }
            }
        }
        if self.state.dialect.declarations_take_temporary
            && (declaration.exports || declaration.freezes)
            && !given.has(b'g')
            && !(declaration.outside && given.has(b'n'))
            && !exported
        {
            self.outlast(name);
        }
        let is_frozen = self.state.variables.get(name).is_some_and(|one| one.read_only);
        if given.takes_back(b'r') && is_frozen && !self.state.dialect.read_only_can_end {
            return Ok(false);
        }
        let ends_array = given.takes_back(b'a') || given.takes_back(b'A');
        if ends_array && self.state.dialect.arrays_stay && self.state.variables.is_array(name) {
            return Ok(false);
        }
        let thaws = given.takes_back(b'r') && self.state.dialect.read_only_can_end;
        if thaws && is_frozen && self.state.dialect.read_only_is_kept_by_mistake {
            return Err(self.state.mistake("the variable stays read-only", declaration.span, 1));
        }
        if declaration.exports || declaration.freezes || given.takes_back(b'x') || thaws {
            let variable = self.state.variables.entry(name);
            variable.read_only &= !thaws;
            variable.exported |= declaration.exports;
            let takes_back = given.has(b'n') && declaration.exports;
            variable.exported &= !given.takes_back(b'x') && !takes_back;
            variable.read_only |= declaration.freezes;
        }
        Ok(true)
    }

    /// The value of `name+=value`: of an integer the sum, else the texts one behind the other.
    pub(in crate::walk) fn appended(
        &mut self,
        name: &[u8],
        key: Option<&crate::state::Key>,
        value: Text,
        span: Span,
    ) -> Result<Text, Stop> {
        let meant = match key {
            None => self.state.element_meant(name, span)?,
            Some(_) => None,
        };
        let (name, key) = match &meant {
            Some((array, key)) => (&**array, Some(key)),
            None => (name, key),
        };
        let before = match key {
            None if self.state.variables.is_compound(name) => None,
            Some(_) if self.state.variables.is_empty_compound(name) => None,
            None => {
                let variable = self.state.variables.get(name);
                variable.and_then(|variable| variable.as_given().scalar().cloned())
            }
            Some(key) => self.state.variables.element(name, key).cloned(),
        };
        let mut joined = before.unwrap_or_default();
        let keeps = self.state.variables.get(name).map(|variable| variable.keeps);
        let adds = match keeps {
            Some(Keeps::Integer(_)) => !self.state.dialect.integers_append_text,
            Some(Keeps::Real { .. }) => true,
            _ => false,
        };
        if adds && !joined.is_empty() {
            let added = if value.bytes().trim_ascii().is_empty() { b"0" } else { value.bytes() };
            let sum = [b"(", joined.bytes(), b")+(", added, b")"].concat();
            return Ok(self.state.shell_text(&sum));
        }
        joined.push_text(&value);
        Ok(joined)
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

/// `let expression...`
pub(super) fn evaluate(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut holds = false;
    let expressions = match walker.state.dialect.let_takes_dashes {
        true => call.without_dashes().operands,
        false => call.arguments(),
    };
    let has_option = call.arguments().first().is_some_and(|first| {
        let bytes = first.bytes();
        bytes.len() > 1 && bytes.starts_with(b"-") && bytes != b"--"
    });
    if expressions.is_empty() || (has_option && walker.state.dialect.let_refuses_options) {
        let status = walker.state.dialect.let_nothing_status;
        return Ok(walker.complain(call, status));
    }
    for expression in expressions {
        holds = match arithmetic::text_holds(walker, expression.bytes(), call.span) {
            Err(Stop::Shell(error))
                if !(error.goes_through && walker.state.dialect.index_mistakes_go_through) =>
            {
                let status = walker.state.dialect.let_mistake_status;
                walker.survive(ShellError { status, ..error });
                return Ok(status);
            }
            Err(stop) => return Err(stop),
            Ok((holds, mistake)) => {
                if let Some(Stop::Shell(error)) = mistake {
                    walker.survive(error);
                }
                holds
            }
        };
    }
    Ok(Status::from(!holds))
}
