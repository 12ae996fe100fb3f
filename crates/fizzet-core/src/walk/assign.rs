//! Assignments.

use std::rc::Rc;

use crate::dialect::{FailedTemporaries, References, TemporariesSaved, TemporaryElements};
use crate::expand::disciplines;
use crate::expand::{self, Tilde, arithmetic};
use crate::lineage::{Hop, Rule};
use crate::source::Span;
use crate::state::{Keeps, Key, Stretch, Value, Variable};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{AssignedValue, Assignment, Part, Word};
use crate::text::{Standing, Text};
use crate::trace::AssignmentTrace;
use crate::walk::Walker;
use crate::walk::lists::ListDeclared;

/// What assignments have done, and what to put back afterwards.
pub(super) type Assigned = (Vec<AssignmentTrace>, Saved);

/// How many elements are shown again when others are added to them.
const FEW_ELEMENTS: usize = 16;

/// Variables as they were before a command with assignments of its own.
pub(super) type Saved = Vec<(Rc<[u8]>, Option<Variable>)>;

/// For how long the variables of assignments keep their values.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Lasting {
    /// Until other values come.
    Always,
    /// While the shell carries a command out.
    ForCommand,
    /// While the shell calls a function.
    ForCall,
    /// The same, for the shell alone: programs do not get them.
    ForShell,
    /// In the child of the shell that becomes a program.
    InChild,
}

impl Walker {
    /// Carries assignments out, in order; answers what to put back afterwards.
    pub(super) fn assignments(
        &mut self,
        assignments: &[Assignment],
        lasting: Lasting,
    ) -> Result<Assigned, Stop> {
        let temporary = lasting != Lasting::Always;
        let mut traces = Vec::new();
        let mut saved = Saved::new();
        let mut ahead = match temporary && self.state.dialect.temporaries_expand_first {
            true => self.values_ahead(assignments)?,
            false => Vec::new(),
        }
        .into_iter();
        for assignment in assignments {
            let is_early = self.state.dialect.temporaries_are_saved == TemporariesSaved::Early;
            let ahead = match temporary && !is_early {
                true => self.value_before_save(assignment, &mut saved)?,
                false => ahead.next().flatten(),
            };
            let element = temporary && assignment.index.is_some();
            if element && self.state.dialect.temporary_elements == TemporaryElements::Ignored {
                continue;
            }
            if temporary
                && !(element && self.state.dialect.temporary_elements == TemporaryElements::Stay)
            {
                let name = self.state.variables.keeper(&assignment.name);
                let before = self.state.variables.itself(&name).cloned();
                saved.push((name, before));
            }
            if temporary
                && self.state.dialect.temporaries_hide_arrays
                && !assignment.append
                && self.state.variables.is_array(&assignment.name)
            {
                self.state.variables.clear(&assignment.name);
            }
            let highest = match self.wants.commands && assignment.append {
                true => self.state.variables.highest(&assignment.name),
                false => -1,
            };
            if temporary && !assignment.append && self.state.dialect.temporaries_are_plain {
                self.without_attributes(&assignment.name);
            }
            let value = match self.assign_in_place(assignment, temporary, ahead) {
                Ok(value) => value,
                Err(stop) => match self.assignment_failed(assignment, lasting, stop) {
                    None => continue,
                    Some(stop) => {
                        if !self.values_stay(lasting, &stop) {
                            self.restore(saved);
                        }
                        return Err(stop);
                    }
                },
            };
            let (name, span) = (assignment.name.clone(), assignment.span);
            if temporary && lasting != Lasting::ForShell {
                self.state.variables.entry(&name).exported = true;
            }
            self.act_at_part()?;
            if self.wants.commands {
                let elements = self.elements_of(assignment, highest);
                let index = assignment.index.as_ref().map(|index| index.word.span);
                let index = index.map(|at| self.state.sources.bytes(at).into());
                traces.push(AssignmentTrace { name, index, value, elements, span });
            }
        }
        Ok((traces, saved))
    }

    /// Carries one of some assignments out, whose value may be there already.
    fn assign_in_place(
        &mut self,
        assignment: &Assignment,
        temporary: bool,
        ahead: Option<Text>,
    ) -> Result<Text, Stop> {
        if temporary {
            self.state.variables.undiscipline(&assignment.name);
        }
        let is_list = !matches!(assignment.value, AssignedValue::Scalar(_));
        let as_text = temporary && self.state.dialect.temporaries_are_texts;
        if as_text && (is_list || self.state.variables.is_array(&assignment.name)) {
            return self.assign_as_text(assignment, ahead);
        }
        match ahead {
            Some(value) => self.assign_value(assignment, &value),
            None => self.assign(assignment),
        }
    }

    /// What a mistake in an assignment ends; nothing where the assignment is passed over.
    fn assignment_failed(
        &mut self,
        assignment: &Assignment,
        lasting: Lasting,
        stop: Stop,
    ) -> Option<Stop> {
        let error = match stop {
            Stop::Shell(error) if lasting != Lasting::Always => error,
            stop => return Some(stop),
        };
        let dialect = self.state.dialect.clone();
        let passes = match error.is_read_only {
            true => dialect.read_only_before_command.is_none(),
            false => {
                let no_number = error.ends_text && assignment.index.is_none();
                error.is_passed_over || (no_number && dialect.no_number_is_passed_over)
            }
        };
        let reach = match dialect.read_only_before_command {
            _ if passes
                && dialect.passed_over_end_under_option
                && self.state.options.exit_on_error =>
            {
                Reach::Shell
            }
            Some(_)
                if error.is_read_only
                    && lasting == Lasting::ForCall
                    && dialect.read_only_before_call_ends_shell =>
            {
                Reach::Shell
            }
            Some(reach) if error.is_read_only => reach,
            _ => error.reach,
        };
        if !passes || reach == Reach::Shell {
            return Some(Stop::Shell(ShellError { reach, ..error }));
        }
        let status = self.state.status;
        self.survive(ShellError { status, ..error });
        None
    }

    /// Whether variables keep what they were given for a command, when another assignment before it has failed.
    fn values_stay(&self, lasting: Lasting, stop: &Stop) -> bool {
        let Stop::Shell(error) = stop else { return false };
        let stay = match self.state.dialect.failed_temporaries {
            FailedTemporaries::PutBack => false,
            FailedTemporaries::StayAtReadOnly => error.is_read_only,
            FailedTemporaries::Stay => lasting != Lasting::InChild,
        };
        stay && error.reach == Reach::Shell
    }

    /// The elements of an array that an assignment has made. Of one that it has added to, all if they are few,
    /// else those behind what was the highest index: what is kept is in proportion to what was done.
    fn elements_of(&self, assignment: &Assignment, highest: i64) -> Option<Vec<(Text, Text)>> {
        if assignment.index.is_some() || !matches!(assignment.value, AssignedValue::Array(_)) {
            return None;
        }
        let number = |key: &i64| self.state.shell_number(*key);
        match &self.state.variables.get(&assignment.name)?.value {
            Value::Indexed(elements) => {
                let first = i64::from(self.state.dialect.zero_is_first);
                let told = |(key, text): (&i64, &Text)| (number(&(key - first)), text.clone());
                let all = !assignment.append || elements.len() <= FEW_ELEMENTS;
                let from = if all { i64::MIN } else { highest.saturating_add(1) };
                Some(elements.range(from..).map(told).collect())
            }
            Value::Associative(elements)
                if assignment.append && elements.count() > FEW_ELEMENTS =>
            {
                None
            }
            Value::Associative(elements) => {
                let told = |(key, text): (&Text, &Text)| (key.clone(), text.clone());
                Some(elements.pairs().into_iter().map(told).collect())
            }
            _ => None,
        }
    }

    /// The values of assignments of texts, before any of them is carried out.
    fn values_ahead(&mut self, assignments: &[Assignment]) -> Result<Vec<Option<Text>>, Stop> {
        let value = |one: &Assignment| match (&one.value, &one.index) {
            (AssignedValue::Scalar(word), None) => {
                expand::single(self, word, Tilde::AfterColons).map(Some)
            }
            _ => Ok(None),
        };
        assignments.iter().map(value).collect()
    }

    /// The value of an assignment that could assign others, which is expanded before what was there is saved;
    /// `None` where it cannot.
    fn value_before_save(
        &mut self,
        assignment: &Assignment,
        saved: &mut Saved,
    ) -> Result<Option<Text>, Stop> {
        let AssignedValue::Scalar(word) = &assignment.value else { return Ok(None) };
        if assignment.index.is_some() || !word.may_change() {
            return Ok(None);
        }
        let outer = self.state.assigned.replace(Vec::new());
        let value = expand::single(self, word, Tilde::AfterColons);
        let assigned = std::mem::replace(&mut self.state.assigned, outer).unwrap_or_default();
        let through = self.state.dialect.temporaries_are_saved == TemporariesSaved::Through;
        for name in assigned.into_iter().filter(|_| through) {
            let Some(text) = self.state.variables.scalar(&name).cloned() else { continue };
            for (_, before) in saved.iter_mut().filter(|(one, _)| *one == name) {
                let variable = before.get_or_insert_with(|| Variable::holding(Value::Nothing));
                variable.value.put_first(text.clone());
            }
        }
        match value {
            Ok(value) => Ok(Some(value)),
            Err(stop) => {
                self.restore(std::mem::take(saved));
                Err(stop)
            }
        }
    }

    /// Gives a variable a value that has been expanded.
    fn assign_value(&mut self, assignment: &Assignment, value: &Text) -> Result<Text, Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        let mut stored = self.stored(name, value, span);
        if assignment.append {
            stored = disciplines::appended(self, name, None, stored, span)?;
            stored = self.appended(name, None, stored, span)?;
            self.state.store(name, None, stored.clone(), span)?;
        } else {
            disciplines::store(self, name, None, stored.clone(), span)?;
        }
        Ok(stored)
    }

    /// Takes away what a variable makes of its values.
    fn without_attributes(&mut self, name: &[u8]) {
        if let Some(variable) = self.state.variables.get_mut(name)
            && variable.keeps != Keeps::Name
        {
            variable.keeps = Keeps::Text;
        }
    }

    /// Carries an assignment out that makes a text of a list, or where a list was; the value may be there already.
    fn assign_as_text(
        &mut self,
        assignment: &Assignment,
        ahead: Option<Text>,
    ) -> Result<Text, Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        let value = match (ahead, &assignment.value) {
            (Some(value), _) => value,
            (None, AssignedValue::Scalar(word)) => expand::single(self, word, Tilde::AfterColons)?,
            (None, AssignedValue::Array(_) | AssignedValue::Members(_)) => {
                let whole = self.list_text(assignment)?;
                let list = whole.bytes().iter().position(|&byte| byte == b'(').unwrap_or(0);
                whole.slice(list, whole.len())
            }
        };
        let mut stored = self.stored(name, &value, span);
        if assignment.append {
            stored = self.appended(name, None, stored, span)?;
        }
        self.state.variables.clear(name);
        self.state.store(name, None, stored.clone(), span)?;
        Ok(stored)
    }

    /// Ends the assignments before a utility, behind which OPTIND has rules of its own.
    pub(super) fn restore_behind_utility(&mut self, mut saved: Saved) {
        saved.retain(|(name, _)| **name != *b"OPTIND" || !self.keeps_option_index());
        self.restore(saved);
    }

    pub(super) fn restore(&mut self, saved: Saved) {
        for (name, before) in saved.into_iter().rev() {
            self.state.variables.restore(&name, before);
            self.state.follow_variable(&name);
            if &*name == b"PATH" {
                self.state.hashed = Rc::default();
            }
        }
    }

    /// Carries out one assignment and answers the value; of an array, its first element.
    pub(super) fn assign(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        if let Some(inside) = self.assignment_inside(assignment)? {
            let outer = self.member_of.take();
            let value = self.assign_variable(&inside);
            self.member_of = outer;
            return value;
        }
        let name = &assignment.name;
        let is_number = name.first().is_some_and(u8::is_ascii_digit);
        if self.state.dialect.parameters_are_variables && (is_number || &**name == b"argv") {
            return self.assign_parameters(assignment);
        }
        match self.assign_variable(assignment) {
            Err(Stop::Shell(error))
                if error.is_read_only
                    && matches!(assignment.value, AssignedValue::Scalar(_))
                    && self.state.is_held(name) =>
            {
                Ok(Text::new())
            }
            outcome => outcome,
        }
    }

    /// Carries out an assignment to a variable.
    pub(super) fn assign_variable(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let name = &assignment.name;
        self.state.before_assignment(name);
        if self.state.dialect.empty_index_assigns_nothing
            && let Some(index) = &assignment.index
            && self.state.sources.bytes(index.word.span).is_empty()
        {
            return Ok(Text::new());
        }
        if self.state.dialect.empty_index_is_mistake
            && let Some(index) = &assignment.index
            && self.state.sources.bytes(index.word.span).is_empty()
        {
            let message = "there is no index in the brackets";
            return Err(self.state.mistake(message, assignment.span, 1));
        }
        if let Some(index) = &assignment.index
            && self.state.dialect.all_elements_assign
            && matches!(self.state.sources.bytes(index.word.span), b"@" | b"*")
        {
            if self.is_keyed(name) {
                let message = "all elements of an associative array cannot be one value";
                return Err(self.state.mistake(message, assignment.span, 1));
            }
            if assignment.append && self.state.variables.is_array(name) {
                let whole = Assignment { index: None, ..assignment.clone() };
                return self.assign_variable(&whole);
            }
            let append = assignment.append && self.state.variables.get(name).is_some();
            let assignment = Assignment { append, ..assignment.clone() };
            return self.assign_to(&assignment, Stretch::Range(1, i64::MAX));
        }
        if assignment.index.is_none()
            && let AssignedValue::Array(elements) = &assignment.value
            && let Some(table) = self.told_table(name)
        {
            self.state.freshen(name);
            return self.assign_table(table, elements, assignment);
        }
        if let Some(index) = &assignment.index
            && let Some(table) = self.told_table(name)
        {
            self.state.freshen(name);
            return self.assign_in_table(table, index, assignment);
        }
        let is_number =
            |one: &Variable| matches!(one.keeps, Keeps::Integer(_) | Keeps::Real { .. });
        if assignment.index.is_some()
            && self.state.dialect.array_is_list
            && self.state.variables.get(name).is_some_and(is_number)
            && !self.state.variables.is_array(name)
        {
            if assignment.append {
                let message = "there is no part of a number to put something behind";
                return Err(self.state.mistake(message, assignment.span, 1));
            }
            if let Some(index) = &assignment.index
                && arithmetic::value(self, index)? == 0
            {
                return Err(self.state.mistake("there is no element 0", assignment.span, 1));
            }
            // A number is assigned as a whole.
            return self.assign(&Assignment { index: None, slice: None, ..assignment.clone() });
        }
        if let Some(index) = &assignment.index {
            let span = index.word.span;
            self.check_index_text(self.state.sources.bytes(span), span)?;
        }
        if let Some(index) = &assignment.index
            && self.state.dialect.array_is_list
            && !self.is_keyed(name)
        {
            return self.assign_stretch(assignment, index);
        }
        let word = match &assignment.value {
            AssignedValue::Scalar(word) => word,
            AssignedValue::Array(_) if let Some(index) = &assignment.index => {
                if self.state.dialect.array_is_list {
                    let message = "a list cannot be one value";
                    return Err(self.state.mistake(message, assignment.span, 1));
                }
                if let Some(reach) = self.state.dialect.list_in_element_ends {
                    let message = "a list cannot be one element";
                    let error = ShellError::new(message, assignment.span, 1, reach);
                    return Err(Stop::Shell(ShellError { is_passed_over: true, ..error }));
                }
                let key = self.element_key(name, index, false)?;
                return self.assign_list_element(assignment, &key);
            }
            AssignedValue::Members(_) if let Some(index) = &assignment.index => {
                let key = self.element_key(name, index, false)?;
                return self.assign_list_element(assignment, &key);
            }
            AssignedValue::Members(members) => {
                return match self.members_as_elements(name, members, assignment.append) {
                    None => self.assign_members(assignment, members),
                    Some(elements) => {
                        self.array(assignment, &elements, None, ListDeclared::Not)?;
                        Ok(self.state.variables.scalar(name).cloned().unwrap_or_default())
                    }
                };
            }
            AssignedValue::Array(elements) => {
                if let Some((array, _)) = self.state.element_meant(name, assignment.span)? {
                    return self.assign_through_element(assignment, array);
                }
                self.array(assignment, elements, None, ListDeclared::Not)?;
                if self.state.dialect.lists_succeed {
                    self.substituted = None;
                }
                return Ok(self.state.variables.scalar(name).cloned().unwrap_or_default());
            }
        };
        let key = match &assignment.index {
            None => self.state.first_key(name),
            Some(index) => Some(self.element_key(name, index, false)?),
        };
        let mut value = expand::single(self, word, Tilde::AfterColons)?;
        if key.is_none() && self.state.dialect.assigned_patterns_match {
            let mut texts = expand::assigned(self, value, word)?;
            if texts.len() > 1 {
                let first = texts[0].clone();
                self.assign_array(name, texts, assignment.span)?;
                return Ok(first);
            }
            value = texts.pop().unwrap_or_default();
        }
        let mut stored = self.stored(name, &value, assignment.span);
        let lists = self.state.dialect.names_mean_lists && self.state.variables.is_array(name);
        if assignment.append && key.is_none() && lists {
            let last = Key::Number(self.state.variables.highest(name).max(0) + 1);
            self.state.store(name, Some(last), stored.clone(), assignment.span)?;
            return Ok(stored);
        }
        let span = assignment.span;
        if assignment.append {
            stored = disciplines::appended(self, name, key.as_ref(), stored, span)?;
            stored = self.appended(name, key.as_ref(), stored, span)?;
            self.state.store(name, key, stored.clone(), span)?;
        } else {
            disciplines::store(self, name, key, stored.clone(), span)?;
        }
        Ok(stored)
    }

    /// A list for a name that means an element: it goes to the array, where it is no mistake.
    fn assign_through_element(
        &mut self,
        assignment: &Assignment,
        array: Rc<[u8]>,
    ) -> Result<Text, Stop> {
        match self.state.dialect.references {
            References::Loose => {
                let message = "a list cannot be one element";
                Err(Stop::error(message, assignment.span, 1, Reach::Line))
            }
            _ => self.assign_variable(&Assignment { name: array, ..assignment.clone() }),
        }
    }

    pub(super) fn stored(&self, name: &Rc<[u8]>, value: &Text, span: Span) -> Text {
        let hop = Hop { rule: Rule::Stored, span, name: Some(name.clone()), shifted: 0 };
        value.passed_through(&hop, Standing::Quoted)
    }

    /// The argument that `name=value` behind a declaration utility makes: its value is expanded as
    /// in an assignment. `None` if the word does not look like one.
    pub(super) fn declared(&mut self, word: &Word) -> Result<Option<Text>, Stop> {
        let joined = with_joined_literals(word);
        let word = joined.as_ref().unwrap_or(word);
        let Some(Part::Literal { bytes, .. }) = word.parts.first() else { return Ok(None) };
        if expand::makes_words(self, word)? {
            return Ok(None);
        }
        let (equals, bracket) =
            (bytes.iter().position(|&b| b == b'='), bytes.iter().position(|&b| b == b'['));
        let bracket = bracket.filter(|&at| equals.is_none_or(|equals| at < equals));
        if bracket.is_some() && self.state.dialect.arrays {
            return match bracket.filter(|&at| self.state.dialect.is_name(&bytes[..at])).is_some()
                && has_equals_behind_bracket(word)
            {
                true => expand::single(self, word, Tilde::AfterAssignment).map(Some),
                false => Ok(None),
            };
        }
        let Some(equals) = equals else { return Ok(None) };
        let name = bytes[..equals].strip_suffix(b"+").unwrap_or(&bytes[..equals]);
        if !self.state.dialect.is_name(name) {
            return Ok(None);
        }
        expand::single(self, word, Tilde::AfterAssignment).map(Some)
    }
}

/// A word that begins with an element, `name[1]=value`, whose brackets were read as a part of their own, with what is
/// written before them.
fn with_joined_literals(word: &Word) -> Option<Word> {
    let is_literal = |part: &&Part| matches!(part, Part::Literal { .. });
    let count = word.parts.iter().take_while(is_literal).count();
    let [Part::Literal { bytes, span }, ..] = &word.parts[..] else { return None };
    if count < 2 || !bytes.contains(&b'[') {
        return None;
    }
    let (mut joined, mut span) = (Vec::new(), *span);
    for part in &word.parts[..count] {
        let Part::Literal { bytes, span: here } = part else { continue };
        joined.extend_from_slice(bytes);
        span.end = here.end;
    }
    let first = Part::Literal { bytes: joined.into(), span };
    let parts = [first].into_iter().chain(word.parts[count..].iter().cloned()).collect();
    Some(Word::new(parts, word.span))
}

/// Whether `]=` follows in a word that begins with `name[`.
fn has_equals_behind_bracket(word: &Word) -> bool {
    word.parts.iter().any(|part| {
        matches!(part, Part::Literal { bytes, .. } if bytes.windows(2).any(|two| two == b"]="))
    })
}
