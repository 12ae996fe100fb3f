//! Lists: `name=(...)`, as assignments and as words of declarations.

use crate::dialect::{AssociativeLists, ListAttributes};
use crate::expand::{self, Tilde};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::{Associative, Key, Value};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{Argument, AssignedValue, Assignment, CommandKind, Element, Part, Word};
use crate::text::{Standing, Text};
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

/// What an element of a list has become.
struct Made<'a> {
    key: Option<Key>,
    text: Text,
    /// Whether it is put behind what the element holds.
    append: bool,
    /// The list or compound variable that it is instead of a text.
    nested: Option<&'a AssignedValue>,
}

impl Made<'_> {
    fn text(key: Option<Key>, text: Text, append: bool) -> Made<'static> {
        Made { key, text, append, nested: None }
    }
}

impl Walker {
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
            Some(_) => match self.as_braces(element, keyed)? {
                Some(word) => expand::element_fields(self, &word),
                None => self.indexed_text(element, keyed).map(|text| vec![text]),
            },
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

    /// An element with an index as a word like any other, where its braces make several of it before the shell
    /// looks for the index.
    fn as_braces(&mut self, element: &Element, keyed: bool) -> Result<Option<Word>, Stop> {
        let Some(index) = &element.index else { return Ok(None) };
        if keyed || !self.state.dialect.braces_of_elements_come_first {
            return Ok(None);
        }
        let literal = |bytes: &[u8], span| Part::Literal { bytes: bytes.into(), span };
        let (open, close) = (index.word.span, element.word.span);
        let mut parts = vec![literal(b"[", Span { end: open.start, ..open })];
        parts.extend_from_slice(&index.word.parts);
        let sign: &[u8] = if element.append { b"]+=" } else { b"]=" };
        parts.push(literal(sign, Span { end: close.start, ..close }));
        parts.extend_from_slice(&element.word.parts);
        let word = Word::new(parts, Span { start: open.start, ..close });
        Ok(expand::makes_words(self, &word)?.then_some(word))
    }

    /// What `[index]=` stands before.
    pub(super) fn indexed_text(&mut self, element: &Element, keyed: bool) -> Result<Text, Stop> {
        let tilde = match keyed && self.state.dialect.pairs_are_whole {
            true => Tilde::Never,
            false if self.state.dialect.elements_are_no_assignments => Tilde::AtStart,
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
            AssignedValue::Members(members) if assignment.index.is_none() => {
                match self.members_as_elements(&assignment.name, members, true) {
                    Some(elements) => self.array(&assignment, &elements, None, true),
                    None => self.assign_members(&assignment, members).map(|_| ()),
                }
            }
            _ => self.assign(&assignment).map(|_| ()),
        }
    }

    /// Makes an array of the other kind of a variable, where the list that is assigned to it says which one it is:
    /// with indexes it is associative, and without any it is not.
    fn change_with_list(&mut self, assignment: &Assignment, elements: &[Element], declared: bool) {
        let name = &assignment.name;
        if !self.state.dialect.indexed_lists_are_associative {
            return;
        }
        let names_one = |element: &Element| {
            element.index.as_ref().is_some_and(|index| {
                !matches!(self.state.sources.bytes(index.word.span), b"" | b"@" | b"*")
            })
        };
        let has_indexes = elements.iter().any(names_one);
        let anew = !assignment.append && !declared;
        let (is_array, keyed) = (self.state.variables.is_array(name), self.is_keyed(name));
        let is_empty = self.state.variables.values(name).is_empty();
        let plain = elements.iter().all(|element| element.index.is_none());
        let value = match () {
            () if has_indexes && (!is_array || (anew && !keyed)) => {
                let mut made = Associative::new(self.state.dialect.key_order);
                // A text stays as the element of the key 0.
                let text = self.state.variables.scalar(name).filter(|_| assignment.append);
                if let Some(text) = text.cloned() {
                    made.set(self.state.shell_text(b"0"), text);
                }
                Value::Associative(made)
            }
            () if keyed && anew && !is_empty && (plain && !elements.is_empty()) => {
                Value::Indexed(Default::default())
            }
            () => return,
        };
        self.state.variables.entry(name).value = value;
    }

    /// `name=(...)`, `name+=(...)`; `texts` is what the words have become, if that is known,
    /// and `is_declared` tells that it stands behind a declaration utility.
    pub(super) fn array(
        &mut self,
        assignment: &Assignment,
        elements: &[Element],
        texts: Option<Vec<Vec<Text>>>,
        is_declared: bool,
    ) -> Result<(), Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        self.state.check_parent(name, span)?;
        self.change_with_list(assignment, elements, is_declared);
        if self.state.dialect.read_only_lists_are_not_expanded {
            self.state.check_writable(name, span)?;
        }
        let keyed = self.is_keyed(name);
        // Behind elements with numbers what looks like an index is a part of a word.
        let only_words = self.state.dialect.indexed_lists_are_associative
            && assignment.append
            && !keyed
            && self.state.variables.is_array(name)
            && !self.state.variables.values(name).is_empty();
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
        let mut made: Vec<Made<'_>> = Vec::new();
        // What a declaration utility has just given the variable, stays.
        let declared = self.state.dialect.list_attributes == ListAttributes::LostUnlessBare
            && (is_declared || keyed);
        let mut texts = texts.map(Vec::into_iter);
        for element in elements {
            let known = texts.as_mut().and_then(Iterator::next);
            match &element.index {
                None if element.nested.is_some() => {
                    let nested = element.nested.as_deref();
                    made.push(Made { key: None, text: Text::new(), append: false, nested });
                }
                Some(index) if element.nested.is_some() => {
                    let key = Some(self.element_key(name, index, true)?);
                    let (append, nested) = (element.append, element.nested.as_deref());
                    made.push(Made { key, text: Text::new(), append, nested });
                }
                _ if pairs => {
                    let text = match known.and_then(|mut texts| texts.pop()) {
                        Some(text) => text,
                        None => self.whole_text(element)?,
                    };
                    made.push(Made::text(None, text, false));
                }
                None if keyed && self.state.dialect.pairs_are_whole => {
                    let message = "an element of an associative array needs an index here";
                    let span = element.word.span;
                    self.survive_told(ShellError::new(message, span, 0, Reach::Command))?;
                }
                None => {
                    let fields = match known {
                        Some(fields) => fields,
                        None => expand::element_fields(self, &element.word)?,
                    };
                    made.extend(fields.into_iter().map(|text| Made::text(None, text, false)));
                }
                Some(index) if only_words => {
                    let word = self.with_index(index, element)?;
                    let fields = expand::element_fields(self, &word)?;
                    made.extend(fields.into_iter().map(|text| Made::text(None, text, false)));
                }
                Some(_) if let Some(word) = self.as_braces(element, keyed)? => {
                    let fields = match known {
                        Some(fields) => fields,
                        None => expand::element_fields(self, &word)?,
                    };
                    made.extend(fields.into_iter().map(|text| Made::text(None, text, false)));
                }
                Some(index) if !keyed && self.is_read_again(index) => {
                    match self.read_again(element, index) {
                        Ok((key, text)) => made.push(Made::text(key, text, element.append)),
                        Err(stop) => self.survive_in_list(stop)?,
                    }
                }
                Some(index) => {
                    let key = match self.element_key(name, index, true) {
                        Ok(key) => key,
                        Err(stop) => {
                            self.survive_in_list(stop)?;
                            continue;
                        }
                    };
                    let text = match known.and_then(|mut texts| texts.pop()) {
                        Some(text) => text,
                        None => self.indexed_text(element, keyed)?,
                    };
                    made.push(Made::text(Some(key), text, element.append));
                }
            }
        }
        let is_compound = self.state.dialect.compound_variables && !(is_declared && keyed);
        let stays = assignment.append
            && (self.state.variables.is_array(name) || self.state.variables.is_compound(name));
        if elements.is_empty() && is_compound && !stays {
            self.state.check_writable(name, span)?;
            self.state.variables.make_compound(name);
            return Ok(());
        }
        self.state.check_writable(name, span)?;
        let order = self.state.dialect.key_order;
        if !declared {
            self.lose_attributes(name, assignment.append);
        }
        let variable = self.state.variables.entry(name);
        variable.bare = false;
        if !assignment.append {
            variable.inside = None;
        }
        let mut next = self.state.dialect.first_index;
        match (&mut variable.value, assignment.append) {
            (Value::Indexed(elements), true) => {
                next = elements.last_key_value().map_or(next, |(last, _)| last + 1);
            }
            (Value::Scalar(text), true) => {
                let elements = std::collections::BTreeMap::from([(next, std::mem::take(text))]);
                variable.value = Value::Indexed(elements);
                next += 1;
            }
            (Value::Associative(_), true) => {}
            (value @ Value::Compound, true) => {
                // What it was counts as the element before.
                *value = Value::Indexed(Default::default());
                variable.inside = None;
                next += 1;
            }
            (value, _) if keyed => *value = Value::Associative(Associative::new(order)),
            (value, _) => *value = Value::Indexed(Default::default()),
        }
        if keyed && made.iter().all(|one| one.key.is_none()) {
            let in_pairs = self.state.dialect.associative_lists == AssociativeLists::PairsOrIndexed;
            if in_pairs && made.len() % 2 == 1 {
                let message = "the last key of an associative array has no value";
                return Err(self.state.mistake(message, span, 1));
            }
            // A list without indexes is read as keys and values in turn.
            let mut texts = made.into_iter().map(|one| one.text);
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
        for Made { key, text, append, nested } in made {
            let key = match key {
                None => Key::Number(next),
                Some(Key::Number(number)) if number < 0 => {
                    let Some(number) = self.state.variables.index(name, number) else {
                        let message = "the index is before the first element";
                        let error = self.state.mistake(message, span, 1);
                        self.survive_in_list(error)?;
                        continue;
                    };
                    Key::Number(number)
                }
                Some(key) => key,
            };
            if let Key::Number(number) = key {
                next = number.saturating_add(1);
            }
            if let Some(value) = nested {
                self.assign_nested(assignment, &key, value, append)?;
                continue;
            }
            let mut stored = self.stored(name, &text, span);
            if append {
                stored = self.appended(name, Some(&key), stored, span)?;
            }
            self.state.store(name, Some(key), stored, span)?;
        }
        self.state.variables.entry(name).unique = unique;
        self.state.drop_repeats(name);
        Ok(())
    }

    /// A mistake in the index of an element of a list, which costs only the element if it would cost a line.
    fn survive_in_list(&mut self, stop: Stop) -> Result<(), Stop> {
        match stop {
            Stop::Shell(error) if error.reach == Reach::Line && !error.is_of_words => {
                self.survive_told(error)
            }
            stop => Err(stop),
        }
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
    pub(super) fn list_text(&mut self, assignment: &Assignment) -> Result<Text, Stop> {
        let span = assignment.span;
        let written = self.state.sources.bytes(span).to_vec();
        let dialect = self.state.dialect.clone();
        let word = Parser::new(&written, span.source, &dialect).whole_word(span)?;
        expand::single(self, &word, Tilde::Never)
    }
}

/// Whether the options of a declaration utility make its names associative arrays.
fn makes_keyed(argv: &[Text]) -> bool {
    let mut options = argv.iter().skip(1).take_while(|word| word.bytes().starts_with(b"-"));
    options.any(|option| option.bytes().contains(&b'A'))
}
