//! One name that a declaration utility declares.

use crate::dialect::{DeclaredValues, ListTexts, References};
use crate::expand::disciplines;
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::inside;
use crate::state::{Keeps, Value, Variable};
use crate::stop::{Reach, ShellError, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::variables::Declaration;
use crate::walk::lists::ListArgument;

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

impl Operand<'_> {
    fn has_value(&self) -> bool {
        self.equals.is_some() || self.compound.is_some()
    }
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
        let refused = self.state.dialect.whole_indexes_end_declarations.as_bytes();
        let is_refused = matches!(index, Some([sign]) if refused.contains(sign));
        if is_refused && !self.is_keyed(name) {
            let message = "one index was expected, and not all of them";
            return Err(Stop::error(message, declaration.span, 1, Reach::Shell));
        }
        let place = self.declared_place(name, at, declaration.span)?;
        let name = place.as_deref().unwrap_or(name);
        let operand = Operand { text: operand, name, index, equals, appends, compound: None };
        match declaration.given.has(b'g') && self.state.dialect.global_is_outermost {
            true => self.globally(name, |walker| walker.declare_operand(declaration, operand, at)),
            false => self.declare_operand(declaration, operand, at),
        }
    }

    /// Declares an operand that is the argument with this number, in the scope that is meant; false if it is no name.
    fn declare_operand(
        &mut self,
        declaration: &Declaration<'_>,
        operand: Operand<'_>,
        at: usize,
    ) -> Result<bool, Stop> {
        let Operand { name, index, equals, .. } = operand;
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
                        && equals.is_some()
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
        let operand = Operand { compound, ..operand };
        let gets_list = operand.compound.is_some();
        let has_value = gets_list || equals.is_some();
        let thaws = frozen && has_value && self.is_replaced(name, gets_list, &declaration.given);
        if thaws {
            self.state.variables.entry(name).read_only = false;
        }
        let declared = self.declare_named(declaration, operand);
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
        let (name, given, span) = (operand.name, &declaration.given, declaration.span);
        if declaration.refers {
            return self.declare_reference(declaration, &operand);
        }
        if given.takes_back(b'n') && self.state.variables.is_name(name) {
            return self.no_more_a_name(name, operand.text, operand.equals, span);
        }
        let has_value = operand.has_value();
        let (taken, mut exported) = self.take_temporary(declaration, &operand);
        let stays_unset = self.state.dialect.bare_marks_leave_unset
            && (declaration.exports || declaration.freezes)
            && !has_value;
        let takes_back = declaration.local && !has_value && given.takes_something_back();
        if takes_back && self.state.dialect.plus_makes_no_local && !self.is_own(name) {
            return Ok(true);
        }
        if !self.make_local(declaration, name, stays_unset || has_value) {
            return Ok(true);
        }
        if let Some(Value::Scalar(value)) = taken.map(|variable| variable.value) {
            self.state.store(name, None, value, span)?;
            exported = true;
        }
        if exported && self.state.dialect.taken_temporaries_stay_exported {
            self.state.variables.entry(name).exported = true;
        }
        self.check_export(declaration, name)?;
        self.state.freshen(name);
        let names_only =
            declaration.outside && !has_value && !self.state.dialect.export_makes_arrays;
        if !names_only && !self.shape(name, given) {
            return self.refuse_shape(operand.compound.is_some(), span);
        }
        if operand.equals.is_some() && operand.index.is_none() && !operand.appends {
            self.make_plain(name, declaration);
        }
        let stays = operand.index.is_some() || operand.appends || !has_value;
        if !self.attributes(name, declaration, stays)? {
            return Ok(false);
        }
        let makes_empty =
            operand.equals.is_none() && !stays_unset && self.state.dialect.declaration_makes_empty;
        if !self.assign_operand(declaration, operand)? {
            return Ok(true);
        }
        if makes_empty {
            self.make_empty(name, span)?;
        }
        let lasts = self.state.dialect.declarations_take_temporary
            && (declaration.exports || declaration.freezes)
            && !given.has(b'g')
            && !(declaration.outside && given.has(b'n'));
        if lasts && !exported {
            self.outlast(name);
        }
        self.mark(declaration, name)
    }

    /// A name that becomes one of another variable; false if it cannot.
    fn declare_reference(
        &mut self,
        declaration: &Declaration<'_>,
        operand: &Operand<'_>,
    ) -> Result<bool, Stop> {
        let Operand { text: operand, name, equals, appends, .. } = *operand;
        let bytes = operand.bytes();
        let hop =
            Hop { rule: Rule::Stored, span: declaration.span, name: Some(name.into()), shifted: 0 };
        let mut value = equals
            .map(|at| operand.slice(at + 1, bytes.len()).passed_through(&hop, Standing::Quoted));
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
        Ok(refers)
    }

    /// What the declaration takes of a variable that was assigned before it: the variable, if it has no value of its
    /// own to give; and whether it stays exported.
    fn take_temporary(
        &mut self,
        declaration: &Declaration<'_>,
        operand: &Operand<'_>,
    ) -> (Option<Variable>, bool) {
        let (name, has_value) = (operand.name, operand.has_value());
        let mut exported = false;
        if has_value {
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
            && !has_value;
        let taken = takes_over.then(|| self.taken_over(name)).flatten();
        // An assignment that was passed over has left a read-only variable as it was.
        (taken.filter(|variable| !variable.read_only), exported)
    }

    /// Makes the name a variable of the function, where the declaration asks for that; false if it is one already that
    /// is to last.
    fn make_local(&mut self, declaration: &Declaration<'_>, name: &[u8], has_value: bool) -> bool {
        let hides = !declaration.goes_outside || self.is_own(name);
        if declaration.local && hides && inside::parent(name).is_none() {
            let inherits = declaration.given.has(b'I') && self.state.dialect.locals_can_inherit;
            let outer = self.state.options.locals_inherit;
            self.state.options.locals_inherit |= inherits;
            if declaration.given.has(b'S') && !self.is_to_last(name) {
                return false;
            }
            self.hide(name, has_value);
            self.state.options.locals_inherit = outer;
        }
        true
    }

    /// Refuses to export a variable that is compound, or a part of one.
    fn check_export(&mut self, declaration: &Declaration<'_>, name: &[u8]) -> Result<(), Stop> {
        let is_inside = self.member_of.is_none() && inside::parent(name).is_some();
        let is_compound = self.state.variables.is_compound(name);
        if declaration.exports
            && self.state.dialect.compound_variables
            && (is_compound || is_inside)
        {
            let message = "a compound variable cannot be exported";
            return Err(self.state.mistake(message, declaration.span, 1));
        }
        Ok(())
    }

    /// An array cannot become one of the other kind.
    fn refuse_shape(&mut self, has_list: bool, span: Span) -> Result<bool, Stop> {
        let message = "an array stays of its kind";
        // bash has looked at the list before, outside functions.
        let ends_line = has_list && self.scopes.is_empty();
        if ends_line && self.state.dialect.list_of_other_kind_ends_line {
            return Err(Stop::error(message, span, 1, Reach::Line));
        }
        let error = ShellError::new(message, span, 1, Reach::Command);
        self.keep_mistake(error);
        Ok(false)
    }

    /// Assigns what the operand says; false where elements of an array have been replaced, and all is done.
    fn assign_operand(
        &mut self,
        declaration: &Declaration<'_>,
        operand: Operand<'_>,
    ) -> Result<bool, Stop> {
        let Operand { text: operand, name, index, equals, appends, compound } = operand;
        let (bytes, given) = (operand.bytes(), &declaration.given);
        if let Some(assignment) = compound {
            let is_number = b"iFE".iter().any(|letter| given.has(*letter));
            if is_number && self.state.dialect.numbers_refuse_lists {
                return Err(self.state.mistake("a number was expected", declaration.span, 1));
            }
            return self.assign_argument(assignment).map(|()| true);
        }
        let Some(equals) = equals else { return Ok(true) };
        let hop =
            Hop { rule: Rule::Stored, span: declaration.span, name: Some(name.into()), shifted: 0 };
        let value = operand.slice(equals + 1, bytes.len());
        let mut value = value.passed_through(&hop, Standing::Quoted);
        if let Some(index) = index
            && !appends
            && let Some(stretch) = self.declared_stretch(name, index, declaration.span)?
        {
            self.state.check_writable(name, declaration.span)?;
            self.state.replace(name, stretch, vec![value], declaration.span)?;
            return Ok(false);
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
        Ok(true)
    }

    /// Gives a variable that has no value an empty one, or 0 if it is a number.
    fn make_empty(&mut self, name: &[u8], span: Span) -> Result<(), Stop> {
        let Some(variable) = self.state.variables.get(name) else { return Ok(()) };
        if !matches!(variable.value, Value::Nothing) {
            return Ok(());
        }
        if matches!(variable.keeps, Keeps::Integer(_) | Keeps::Real { .. }) {
            let zero = self.state.shell_text(b"0");
            return self.state.store(name, None, zero, span);
        }
        let fills = variable.field.is_some();
        self.state.variables.entry(name).value = Value::Scalar(Text::new());
        match fills {
            true => self.state.store(name, None, Text::new(), span),
            false => Ok(()),
        }
    }

    /// Marks the variable as the declaration says; false if it cannot be marked so.
    fn mark(&mut self, declaration: &Declaration<'_>, name: &[u8]) -> Result<bool, Stop> {
        let given = &declaration.given;
        let is_frozen = self.state.variables.get(name).is_some_and(|one| one.read_only);
        let takes_back = |letters: &[u8]| letters.iter().any(|letter| given.takes_back(*letter));
        if let Some((marks, status, reach)) = self.state.dialect.read_only_keeps_marks
            && is_frozen
            && takes_back(marks)
        {
            let message = "the variable is read-only, and keeps what it has";
            return Err(Stop::error(message, declaration.span, status, reach));
        }
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
