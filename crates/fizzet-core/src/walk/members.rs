//! Assignments to variables inside others, and of compound variables. Observed in ksh93 93u+m.

use std::rc::Rc;

use crate::expand;
use crate::source::Span;
use crate::state::{BEFORE_START, Key, Value};
use crate::stop::Stop;
use crate::syntax::ast::{AssignedValue, Assignment, Command, CommandKind, Element, Members, Word};
use crate::syntax::is_name;
use crate::text::Text;
use crate::walk::Walker;

impl Walker {
    /// An assignment to the variable that is meant where it stands: a member of the compound variable that is
    /// being made, or the end of a way with indexes on it. `None` if it is the one that is written.
    pub(super) fn assignment_inside(
        &mut self,
        assignment: &Assignment,
    ) -> Result<Option<Assignment>, Stop> {
        let outer = self.member_of.take();
        if outer.is_none() && assignment.path.is_none() {
            return Ok(None);
        }
        let name = match &assignment.path {
            Some(path) => self.way_from(outer.as_deref(), path, assignment.span)?,
            None => member(outer.as_deref(), &assignment.name),
        };
        self.member_of = outer;
        Ok(Some(Assignment { name, path: None, ..assignment.clone() }))
    }

    /// The path that a way leads along, from inside a variable or not.
    fn way_from(
        &mut self,
        outer: Option<&[u8]>,
        path: &Word,
        span: Span,
    ) -> Result<Rc<[u8]>, Stop> {
        let written = expand::single(self, path, expand::Tilde::Never)?;
        self.state.path_of(&member(outer, written.bytes()), span)
    }

    /// The path of the variable that an operand declares, where it is not its name: that of a member, or of one to
    /// which a way leads.
    pub(in crate::walk) fn declared_place(
        &mut self,
        name: &[u8],
        at: usize,
        span: Span,
    ) -> Result<Option<Rc<[u8]>>, Stop> {
        let outer = self.member_of.as_deref();
        if outer.is_none() && (is_name(name) || !self.state.names_variable(name)) {
            return Ok(None);
        }
        let path = self.state.path_of(&member(outer, name), span)?;
        self.state.check_parent(&path, span)?;
        if let Some(list) = self.list_arguments.iter_mut().find(|list| list.at == at) {
            list.assignment.name = path.clone();
        }
        Ok(Some(path))
    }

    /// A list that becomes an element of an array.
    pub(super) fn assign_list_element(
        &mut self,
        assignment: &Assignment,
        key: &Key,
    ) -> Result<Text, Stop> {
        let array = &assignment.name;
        if let Key::Number(index) = key
            && self.state.variables.index(array, *index).is_none()
        {
            return Err(self.state.mistake(BEFORE_START, assignment.span, 1));
        }
        let name: Rc<[u8]> = self.state.element_path(array, key).into();
        if self.state.variables.itself(&name).is_none() {
            // The text of the element is lost, not put before the list.
            self.state.variables.entry(&name).value = Value::Nothing;
        }
        let whole = Assignment { name, index: None, slice: None, ..assignment.clone() };
        self.assign_variable(&whole)
    }

    /// An element of a list that is a list or compound itself.
    pub(super) fn assign_nested(
        &mut self,
        assignment: &Assignment,
        key: &Key,
        value: &AssignedValue,
        append: bool,
    ) -> Result<(), Stop> {
        let value = value.clone();
        let element = Assignment { value, append, ..assignment.clone() };
        self.assign_list_element(&element, key).map(|_| ())
    }

    /// The elements of a list that members are, as the variable is a list already.
    pub(super) fn members_as_elements(
        &self,
        name: &[u8],
        members: &Members,
        stays_list: bool,
    ) -> Option<Vec<Element>> {
        let elements = members.elements.as_ref().filter(|_| stays_list)?;
        match &self.state.variables.get(name)?.value {
            Value::Indexed(_) => Some(elements.clone()),
            // What has no key becomes no element.
            Value::Associative(_) => Some(Vec::new()),
            _ => None,
        }
    }

    /// `name=(member=value ...)`
    pub(super) fn assign_members(
        &mut self,
        assignment: &Assignment,
        members: &Members,
    ) -> Result<Text, Stop> {
        let name = &assignment.name;
        let name = self.state.variables.meant(name).unwrap_or_else(|| name.clone());
        self.state.check_parent(&name, assignment.span)?;
        self.state.check_writable(&name, assignment.span)?;
        if !(assignment.append && self.state.variables.is_compound(&name)) {
            self.state.variables.make_compound(&name);
        }
        for command in &members.commands {
            self.make_member(&name, command)?;
        }
        Ok(self.state.variables.scalar(&name).cloned().unwrap_or_default())
    }

    /// Carries out what makes a member.
    fn make_member(&mut self, outer: &Rc<[u8]>, command: &Command) -> Result<(), Stop> {
        let around = self.member_of.replace(outer.clone());
        let outcome = match &command.kind {
            CommandKind::Simple(simple) if simple.words.is_empty() => {
                simple.assignments.iter().try_for_each(|one| self.assign(one).map(|_| ()))
            }
            _ => self.command(command),
        };
        self.member_of = around;
        outcome
    }
}

/// The name of a member.
pub(super) fn member(outer: Option<&[u8]>, name: &[u8]) -> Rc<[u8]> {
    match outer {
        Some(outer) => [outer, b".", name].concat().into(),
        None => name.into(),
    }
}
