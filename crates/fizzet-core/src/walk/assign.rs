//! Assignments.

use std::rc::Rc;

use crate::dialect::{AssociativeLists, ListAttributes, References, TemporaryElements};
use crate::expand::{self, Tilde};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{Associative, Keeps, Key, Stretch, Value, Variable};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{
    Argument, Arithmetic, AssignedValue, Assignment, CommandKind, Element, Part, Word,
};
use crate::syntax::is_name;
use crate::text::{Standing, Text};
use crate::trace::AssignmentTrace;
use crate::walk::Walker;

/// `name=(...)` behind a declaration utility.
pub(super) struct ListArgument {
    /// The index of the argument.
    pub(super) at: usize,
    /// What it says.
    pub(super) assignment: Assignment,
    /// What its words have become, where they are expanded with the other arguments.
    texts: Option<Vec<Vec<Text>>>,
}

/// Variables as they were before a command with assignments of its own.
pub(super) type Saved = Vec<(Rc<[u8]>, Option<Variable>)>;

impl Walker {
    /// Carries assignments out, in order; with `temporary`, answers what to put back afterwards.
    pub(super) fn assignments(
        &mut self,
        assignments: &[Assignment],
        temporary: bool,
    ) -> Result<(Vec<AssignmentTrace>, Saved), Stop> {
        let mut traces = Vec::new();
        let mut saved = Saved::new();
        for assignment in assignments {
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
            let as_text = temporary && self.state.dialect.temporaries_are_texts;
            let value = match as_text {
                true => self.assign_as_text(assignment),
                false => self.assign(assignment),
            };
            let value = match value {
                Err(Stop::Shell(error)) if temporary && error.is_read_only => {
                    match self.state.dialect.read_only_before_command {
                        None => {
                            self.survive(error);
                            continue;
                        }
                        Some(reach) => return Err(Stop::Shell(ShellError { reach, ..error })),
                    }
                }
                Err(Stop::Shell(error))
                    if temporary
                        && (error.is_passed_over
                            || (error.ends_text
                                && assignment.index.is_none()
                                && self.state.dialect.no_number_is_passed_over)) =>
                {
                    let status = self.state.status;
                    self.survive(ShellError { status, ..error });
                    continue;
                }
                Err(stop) => {
                    self.restore(saved);
                    return Err(stop);
                }
                Ok(value) => value,
            };
            let (name, span) = (assignment.name.clone(), assignment.span);
            if temporary {
                self.state.variables.entry(&name).exported = true;
            }
            if self.wants.commands {
                traces.push(AssignmentTrace { name, value, span });
            }
        }
        Ok((traces, saved))
    }

    /// Carries an assignment out that makes a text, whatever the variable was.
    fn assign_as_text(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        let is_list = matches!(assignment.value, AssignedValue::Array(_));
        if !is_list && !self.state.variables.is_array(name) {
            return self.assign(assignment);
        }
        let value = match &assignment.value {
            AssignedValue::Scalar(word) => expand::single(self, word, Tilde::AfterColons)?,
            AssignedValue::Array(_) => {
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

    pub(super) fn restore(&mut self, saved: Saved) {
        for (name, before) in saved.into_iter().rev() {
            self.state.variables.restore(&name, before);
        }
    }

    /// Carries out one assignment and answers the value; of an array, its first element.
    pub(super) fn assign(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let name = &assignment.name;
        let is_number = name.first().is_some_and(u8::is_ascii_digit);
        if self.state.dialect.parameters_are_variables && (is_number || &**name == b"argv") {
            return self.assign_parameters(assignment);
        }
        self.assign_variable(assignment)
    }

    /// Carries out an assignment to a variable.
    pub(super) fn assign_variable(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let name = &assignment.name;
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
            return self.assign_to(assignment, Stretch::Range(1, i64::MAX));
        }
        if let Some(index) = &assignment.index
            && self.state.dialect.array_is_list
            && !self.is_keyed(name)
        {
            return self.assign_stretch(assignment, index);
        }
        let word = match &assignment.value {
            AssignedValue::Scalar(word) => word,
            AssignedValue::Array(_) if assignment.index.is_some() => {
                if self.state.dialect.array_is_list {
                    let message = "a list cannot be one value";
                    return Err(self.state.mistake(message, assignment.span, 1));
                }
                if let Some(reach) = self.state.dialect.list_in_element_ends {
                    let message = "a list cannot be one element";
                    let error = ShellError::new(message, assignment.span, 1, reach);
                    return Err(Stop::Shell(ShellError { is_passed_over: true, ..error }));
                }
                // What ksh93 makes there is no array and no text.
                let what = "what a list in an element of an array is";
                expand::Context::missing(self, what, assignment.span);
                return Ok(Text::new());
            }
            AssignedValue::Array(elements) => {
                if let Some((array, _)) = self.state.element_meant(name, assignment.span)? {
                    return self.assign_through_element(assignment, array);
                }
                self.array(assignment, elements, None, false)?;
                return Ok(self.state.variables.scalar(name).cloned().unwrap_or_default());
            }
        };
        let key = match &assignment.index {
            None => None,
            Some(index) => Some(self.element_key(name, index, false)?),
        };
        let value = expand::single(self, word, Tilde::AfterColons)?;
        let mut stored = self.stored(name, &value, assignment.span);
        let lists = self.state.dialect.array_is_list && self.state.variables.is_array(name);
        if assignment.append && key.is_none() && lists {
            let last = Key::Number(self.state.variables.highest(name).max(0) + 1);
            self.state.store(name, Some(last), stored.clone(), assignment.span)?;
            return Ok(stored);
        }
        if assignment.append {
            stored = self.appended(name, key.as_ref(), stored, assignment.span)?;
        }
        self.state.store(name, key, stored.clone(), assignment.span)?;
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

    pub(super) fn is_keyed(&self, name: &[u8]) -> bool {
        let associative = |one: &Variable| matches!(one.value, Value::Associative(_));
        self.state.variables.get(name).is_some_and(associative)
    }

    fn element_key(&mut self, name: &[u8], index: &Arithmetic, in_list: bool) -> Result<Key, Stop> {
        let span = index.word.span;
        let keyed = self.is_keyed(name);
        if !keyed && matches!(self.state.sources.bytes(span), b"" | b"@" | b"*") {
            return Err(self.state.mistake("one index was expected", span, 1));
        }
        if keyed {
            let text = match in_list {
                true => expand::parameter::listed_key(self, index)?,
                false => expand::parameter::key_text(self, index)?,
            };
            return match self.is_refused(&text) {
                true => Err(self.state.mistake("the key is empty", span, 1)),
                false => Ok(Key::Text(text)),
            };
        }
        let number = expand::parameter::index_number(self, index, in_list);
        let number = number.map_err(Stop::in_index)?;
        Ok(Key::Number(self.state.index(number)))
    }

    /// A list is assigned, or added with `append`: takes away the attributes that do not outlast that.
    pub(in crate::walk) fn lose_attributes(&mut self, name: &[u8], append: bool) {
        let how = self.state.dialect.list_attributes;
        let Some(variable) = self.state.variables.get_mut(name) else { return };
        let is_bare = variable.bare && matches!(variable.value, Value::Indexed(_));
        let loses = match how {
            ListAttributes::Kept => false,
            ListAttributes::LostUnlessBare => !append && !is_bare,
            ListAttributes::Lost => !append,
            ListAttributes::None => true,
        };
        if loses && variable.keeps != Keeps::Name {
            variable.keeps = Keeps::Text;
        }
    }

    /// Whether a key is empty where the shell minds that in an element that is assigned.
    fn is_refused(&self, key: &Text) -> bool {
        key.is_empty() && !key.has_hole() && self.state.dialect.empty_key_is_mistake
    }

    /// The key that the text of an index stands for, which a utility was given.
    pub(super) fn element_key_of_text(
        &mut self,
        name: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Key, Stop> {
        match self.key_of_text(name, index, span)? {
            Key::Text(text) if self.is_refused(&text) => {
                Err(Stop::error("the key is empty", span, 1, Reach::Command))
            }
            key => Ok(key),
        }
    }

    /// The same, where it may be empty.
    pub(super) fn key_of_text(
        &mut self,
        name: &[u8],
        index: &[u8],
        span: Span,
    ) -> Result<Key, Stop> {
        let expands = index.iter().any(|byte| b"$`\"'\\".contains(byte));
        if !expands || !self.state.dialect.index_texts_expand {
            return self.state.element_key(name, index, span);
        }
        let keyed = self.is_keyed(name);
        if keyed && self.state.dialect.keys_keep_quotes {
            return self.state.element_key(name, index, span);
        }
        let text =
            expand::parameter::index_text(self, index, keyed).map_err(|stop| match stop {
                Stop::Syntax(error) => Stop::error(error.to_string(), span, 1, Reach::Command),
                stop => stop,
            })?;
        match keyed {
            true => Ok(Key::Text(text)),
            false => self.state.element_key(name, text.bytes(), span),
        }
    }

    /// `declare -a name='(...)'`: the text is read as a list.
    pub(super) fn assign_list_text(
        &mut self,
        name: &[u8],
        list: &Text,
        append: bool,
        span: Span,
    ) -> Result<(), Stop> {
        let dialect = self.state.dialect.clone();
        let sign: &[u8] = if append { b"+=" } else { b"=" };
        let written = [name, sign, list.bytes()].concat();
        let source = self.state.sources.built("list", &written);
        let commands = Parser::new(&written, source, &dialect).all_commands()?;
        let read = commands.items.first().and_then(|and_or| and_or.first.commands.first());
        match read.map(|command| &command.kind) {
            Some(CommandKind::Simple(simple)) if simple.assignments.len() == 1 => {
                self.assign(&simple.assignments[0]).map(|_| ())
            }
            _ => Err(self.state.mistake("this is no list", span, 1)),
        }
    }

    /// What the words of a list become: for each, one text or more.
    fn element_texts(&mut self, elements: &[Element], keyed: bool) -> Result<Vec<Vec<Text>>, Stop> {
        let pairs = self.are_pairs(elements, keyed);
        let texts = |element: &Element| match &element.index {
            _ if pairs => self.whole_text(element).map(|text| vec![text]),
            None => expand::element_fields(self, &element.word),
            Some(_) => self.indexed_text(element, keyed).map(|text| vec![text]),
        };
        elements.iter().map(texts).collect()
    }

    /// Whether the elements of a list are keys and values in turn, and each of them one text: so where the
    /// first has no index.
    fn are_pairs(&self, elements: &[Element], keyed: bool) -> bool {
        keyed
            && self.state.dialect.pairs_are_whole
            && elements.first().is_some_and(|first| first.index.is_none())
    }

    /// What `[index]=` stands before.
    fn indexed_text(&mut self, element: &Element, keyed: bool) -> Result<Text, Stop> {
        let tilde = match keyed && self.state.dialect.pairs_are_whole {
            true => Tilde::Never,
            false => Tilde::AfterColons,
        };
        expand::single(self, &element.word, tilde)
    }

    /// A key or value of a list of pairs: nothing in it is split or matched, and brackets are text.
    fn whole_text(&mut self, element: &Element) -> Result<Text, Stop> {
        let value = expand::single(self, &element.word, Tilde::Never)?;
        let Some(index) = &element.index else { return Ok(value) };
        let origin = Origin::new(Rule::Literal, index.word.span);
        let mut text = Text::copied(b"[", Standing::Quoted, origin.clone());
        text.push_text(&expand::single(self, &index.word, Tilde::Never)?);
        let sign: &[u8] = if element.append { b"]+=" } else { b"]=" };
        text.push(sign, Standing::Quoted, &origin);
        text.push_text(&value);
        Ok(text)
    }

    /// The lists behind the declaration utility that is carried out.
    pub(super) fn take_list_arguments(&mut self) -> Vec<ListArgument> {
        std::mem::take(&mut self.list_arguments)
    }

    /// Carries out `name=(...)` behind a declaration utility.
    pub(super) fn assign_argument(&mut self, argument: ListArgument) -> Result<(), Stop> {
        let ListArgument { assignment, texts, .. } = argument;
        match &assignment.value {
            AssignedValue::Array(elements) if assignment.index.is_none() => {
                self.array(&assignment, elements, texts, true)
            }
            _ => self.assign(&assignment).map(|_| ()),
        }
    }

    /// `name=(...)`, `name+=(...)`; `texts` is what the words have become, if that is known,
    /// and `is_declared` tells that it stands behind a declaration utility.
    fn array(
        &mut self,
        assignment: &Assignment,
        elements: &[Element],
        texts: Option<Vec<Vec<Text>>>,
        is_declared: bool,
    ) -> Result<(), Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        if self.state.dialect.indexed_lists_are_associative
            && elements.iter().any(|element| {
                element.index.as_ref().is_some_and(|index| {
                    !matches!(self.state.sources.bytes(index.word.span), b"" | b"@" | b"*")
                })
            })
            && !self.state.variables.is_array(name)
        {
            let empty = Associative::new(self.state.dialect.key_order);
            self.state.variables.entry(name).value = Value::Associative(empty);
        }
        let keyed = self.is_keyed(name);
        let pairs = self.are_pairs(elements, keyed);
        let plain = elements.iter().filter(|element| element.index.is_none()).count();
        let refused = match self.state.dialect.associative_lists {
            AssociativeLists::Anything => None,
            AssociativeLists::PairsOrIndexed => {
                let mixed = plain > 0 && plain < elements.len();
                mixed.then_some("all elements of an associative array have indexes, or none has")
            }
            AssociativeLists::Indexed => {
                (plain > 0).then_some("an associative array cannot take elements without indexes")
            }
        };
        if let Some(message) = refused.filter(|_| keyed && !self.state.dialect.pairs_are_whole) {
            return Err(self.state.mistake(message, span, 1));
        }
        // Each with whether it is put behind what the element holds.
        let mut made: Vec<(Option<Key>, Text, bool)> = Vec::new();
        // What a declaration utility has just given the variable, stays.
        let declared = self.state.dialect.list_attributes == ListAttributes::LostUnlessBare
            && (is_declared || keyed);
        let mut texts = texts.map(Vec::into_iter);
        for element in elements {
            let known = texts.as_mut().and_then(Iterator::next);
            match &element.index {
                _ if pairs => {
                    let text = match known.and_then(|mut texts| texts.pop()) {
                        Some(text) => text,
                        None => self.whole_text(element)?,
                    };
                    made.push((None, text, false));
                }
                None if keyed && self.state.dialect.pairs_are_whole => {
                    let message = "an element of an associative array needs an index here";
                    let span = element.word.span;
                    self.survive(ShellError::new(message, span, 0, Reach::Command));
                }
                None => {
                    let fields = match known {
                        Some(fields) => fields,
                        None => expand::element_fields(self, &element.word)?,
                    };
                    made.extend(fields.into_iter().map(|text| (None, text, false)));
                }
                Some(index) => {
                    let key = match self.element_key(name, index, true) {
                        Err(Stop::Shell(error)) if error.reach == Reach::Line => {
                            self.survive(error);
                            continue;
                        }
                        key => key?,
                    };
                    let text = match known.and_then(|mut texts| texts.pop()) {
                        Some(text) => text,
                        None => self.indexed_text(element, keyed)?,
                    };
                    made.push((Some(key), text, element.append));
                }
            }
        }
        if elements.is_empty() && !assignment.append && self.state.dialect.empty_array_is_compound {
            let text = self.state.shell_text(b"(\n)");
            return self.state.store(name, None, text, span);
        }
        let order = self.state.dialect.key_order;
        if !declared {
            self.lose_attributes(name, assignment.append);
        }
        let variable = self.state.variables.entry(name);
        variable.bare = false;
        let mut next = self.state.dialect.first_index;
        match (&mut variable.value, assignment.append) {
            (Value::Indexed(elements), true) => {
                next = elements.last_key_value().map_or(next, |(last, _)| last + 1);
            }
            (value @ Value::Scalar(_), true)
                if self.state.dialect.empty_array_is_compound && is_compound(value) =>
            {
                *value = Value::Indexed(Default::default());
            }
            (Value::Scalar(text), true) => {
                let elements = std::collections::BTreeMap::from([(next, std::mem::take(text))]);
                variable.value = Value::Indexed(elements);
                next += 1;
            }
            (Value::Associative(_), true) => {}
            (value, _) if keyed => *value = Value::Associative(Associative::new(order)),
            (value, _) => *value = Value::Indexed(Default::default()),
        }
        if keyed && made.iter().all(|(key, ..)| key.is_none()) {
            let in_pairs = self.state.dialect.associative_lists == AssociativeLists::PairsOrIndexed;
            if in_pairs && made.len() % 2 == 1 {
                let message = "the last key of an associative array has no value";
                return Err(self.state.mistake(message, span, 1));
            }
            // A list without indexes is read as keys and values in turn.
            let mut texts = made.into_iter().map(|(_, text, _)| text);
            while let Some(key) = texts.next() {
                let value = self.stored(name, &texts.next().unwrap_or_default(), span);
                if key.is_empty() && pairs {
                    let message = "an element of an associative array needs a key";
                    self.survive(ShellError::new(message, span, 0, Reach::Command));
                    continue;
                }
                self.state.store(name, Some(Key::Text(key)), value, span)?;
            }
            return Ok(());
        }
        // Repeated elements go when all are there.
        let unique = std::mem::take(&mut self.state.variables.entry(name).unique);
        for (key, text, appends) in made {
            let key = key.unwrap_or(Key::Number(next));
            if let Key::Number(number) = key {
                next = number.saturating_add(1);
            }
            let mut stored = self.stored(name, &text, span);
            if appends {
                stored = self.appended(name, Some(&key), stored, span)?;
            }
            self.state.store(name, Some(key), stored, span)?;
        }
        self.state.variables.entry(name).unique = unique;
        self.state.drop_repeats(name);
        Ok(())
    }

    /// `name=(...)` behind a declaration utility: the name is the argument, and the utility carries
    /// the assignment out.
    pub(super) fn array_argument(
        &mut self,
        argument: &Argument,
        argv: &mut Vec<Text>,
    ) -> Result<(), Stop> {
        let Argument::Assignment(assignment) = argument else { return Ok(()) };
        let is_text = argv.first().is_some_and(|utility| {
            let takes = self.state.dialect.list_text_utilities;
            takes.iter().any(|name| name.as_bytes() == utility.bytes())
        });
        if is_text {
            argv.push(self.list_text(assignment)?);
            return Ok(());
        }
        let texts = match &assignment.value {
            AssignedValue::Array(elements) if self.state.dialect.list_arguments_expand_first => {
                let keyed = self.is_keyed(&assignment.name) || makes_keyed(argv);
                Some(self.element_texts(elements, keyed)?)
            }
            _ => None,
        };
        let (at, assignment_itself) = (argv.len(), (**assignment).clone());
        self.list_arguments.push(ListArgument { at, assignment: assignment_itself, texts });
        let origin = Origin::new(Rule::Literal, assignment.span);
        argv.push(Text::copied(&assignment.name, Standing::Quoted, origin));
        Ok(())
    }

    /// `name=(...)` as one word of a utility that reads it as text: expanded, but not split.
    fn list_text(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let span = assignment.span;
        let written = self.state.sources.bytes(span).to_vec();
        let dialect = self.state.dialect.clone();
        let word = Parser::new(&written, span.source, &dialect).whole_word(span)?;
        expand::single(self, &word, Tilde::Never)
    }

    /// The argument that `name=value` behind a declaration utility makes: its value is expanded as
    /// in an assignment. `None` if the word does not look like one.
    pub(super) fn declared(&mut self, word: &Word) -> Result<Option<Text>, Stop> {
        let Some(Part::Literal { bytes, .. }) = word.parts.first() else { return Ok(None) };
        if expand::makes_words(self, word)? {
            return Ok(None);
        }
        let (equals, bracket) =
            (bytes.iter().position(|&b| b == b'='), bytes.iter().position(|&b| b == b'['));
        let bracket = bracket.filter(|&at| equals.is_none_or(|equals| at < equals));
        if bracket.is_some() && self.state.dialect.arrays {
            return match bracket.filter(|&at| is_name(&bytes[..at])).is_some()
                && has_equals_behind_bracket(word)
            {
                true => expand::single(self, word, Tilde::AfterAssignment).map(Some),
                false => Ok(None),
            };
        }
        let Some(equals) = equals else { return Ok(None) };
        let name = bytes[..equals].strip_suffix(b"+").unwrap_or(&bytes[..equals]);
        if !is_name(name) {
            return Ok(None);
        }
        expand::single(self, word, Tilde::AfterAssignment).map(Some)
    }
}

/// Whether `]=` follows in a word that begins with `name[`.
fn has_equals_behind_bracket(word: &Word) -> bool {
    word.parts.iter().any(|part| {
        matches!(part, Part::Literal { bytes, .. } if bytes.windows(2).any(|two| two == b"]="))
    })
}

/// Whether a value is what `name=()` makes where that is a compound variable.
fn is_compound(value: &Value) -> bool {
    matches!(value, Value::Scalar(text) if text.bytes() == b"(\n)")
}

/// Whether the options of a declaration utility make its names associative arrays.
fn makes_keyed(argv: &[Text]) -> bool {
    let mut options = argv.iter().skip(1).take_while(|word| word.bytes().starts_with(b"-"));
    options.any(|option| option.bytes().contains(&b'A'))
}
