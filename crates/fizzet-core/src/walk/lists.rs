//! Lists: `name=(...)`, as assignments and as words of declarations.

use std::rc::Rc;

use crate::dialect::{AssociativeLists, ListAttributes};
use crate::expand::{self, Tilde};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::{Associative, Key, Value};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{Argument, AssignedValue, Assignment, CommandKind, Element};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::list_elements::{Made, MadeIndex};

/// `name=(...)` behind a declaration utility.
#[derive(Clone)]
pub(super) struct ListArgument {
    /// The index of the argument.
    pub(super) at: usize,
    /// What it says.
    pub(super) assignment: Assignment,
    /// What its words have become, where they are expanded with the other arguments.
    texts: Option<Vec<Vec<Text>>>,
    /// What declares its variable.
    declared: ListDeclared,
}

/// What declares the variable that a list is assigned to.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum ListDeclared {
    /// Nothing.
    Not,
    /// A utility.
    Plainly,
    /// A utility that says which kind of array it is.
    AsArray,
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

    /// The lists behind the declaration utility that is carried out.
    pub(super) fn take_list_arguments(&mut self) -> Vec<ListArgument> {
        std::mem::take(&mut self.list_arguments)
    }

    /// Carries out `name=(...)` behind a declaration utility.
    pub(super) fn assign_argument(&mut self, argument: ListArgument) -> Result<(), Stop> {
        let ListArgument { assignment, texts, declared, .. } = argument;
        match &assignment.value {
            AssignedValue::Array(elements) if assignment.index.is_none() => {
                self.array(&assignment, elements, texts, declared)
            }
            AssignedValue::Members(members) if assignment.index.is_none() => {
                match self.members_as_elements(&assignment.name, members, true) {
                    Some(elements) => self.array(&assignment, &elements, None, declared),
                    None => self.assign_members(&assignment, members).map(|_| ()),
                }
            }
            _ => self.assign(&assignment).map(|_| ()),
        }
    }

    /// Makes an array of the other kind of a variable, where the list that is assigned to it says which one it is:
    /// with indexes it is associative, and without any it is not. The words of a list without indexes still see the
    /// array as it was: answers what they have become.
    fn change_with_list(
        &mut self,
        assignment: &Assignment,
        elements: &[Element],
        texts: Option<Vec<Vec<Text>>>,
        declared: bool,
    ) -> Result<Option<Vec<Vec<Text>>>, Stop> {
        let name = &assignment.name;
        if !self.state.dialect.indexed_lists_are_associative {
            return Ok(texts);
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
        let (value, texts) = match () {
            () if has_indexes && (!is_array || (anew && !keyed)) => {
                let mut made = Associative::new(self.state.dialect.key_order);
                // A text stays as the element of the key 0.
                let text = self.state.variables.scalar(name).filter(|_| assignment.append);
                if let Some(text) = text.cloned() {
                    made.set(self.state.shell_text(b"0"), text);
                }
                (Value::Associative(made), texts)
            }
            () if keyed && anew && !is_empty && (plain && !elements.is_empty()) => {
                let texts = match texts {
                    Some(texts) => texts,
                    None => self.matching_some(assignment.span, |walker| {
                        walker.element_texts(elements, false)
                    })?,
                };
                (Value::Indexed(Default::default()), Some(texts))
            }
            () => return Ok(texts),
        };
        self.state.variables.entry(name).value = value;
        Ok(texts)
    }

    /// `name=(...)`, `name+=(...)`; `texts` is what the words have become, if that is known,
    /// and `declared` what declares the variable.
    pub(super) fn array(
        &mut self,
        assignment: &Assignment,
        elements: &[Element],
        texts: Option<Vec<Vec<Text>>>,
        declared: ListDeclared,
    ) -> Result<(), Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        self.state.check_parent(name, span)?;
        let kind_is_said = declared == ListDeclared::AsArray;
        let texts = self.change_with_list(assignment, elements, texts, kind_is_said)?;
        if !assignment.append {
            self.state.variables.undiscipline(name);
        }
        if self.state.dialect.read_only_lists_are_not_expanded {
            self.state.check_writable(name, span)?;
        }
        let keyed = self.is_keyed(name);
        // Lists of pairs are looked at when their words are there.
        let pairs = self.state.dialect.associative_lists == AssociativeLists::PairsOrIndexed;
        if !pairs {
            self.check_indexes(elements, keyed, span)?;
        }
        // What a declaration utility has just given the variable, stays.
        let stays_as_declared = self.state.dialect.list_attributes
            == ListAttributes::LostUnlessBare
            && (declared != ListDeclared::Not || keyed);
        if keyed && self.state.dialect.keyed_lists_grow && has_indexes(elements) {
            return self.grow_list(assignment, elements, stays_as_declared);
        }
        let mut made =
            self.matching_some(span, |walker| walker.made_elements(assignment, elements, texts))?;
        if pairs {
            self.check_indexes(elements, keyed, span)?;
        }
        if keyed && !assignment.append && self.state.dialect.keyed_lists_append_to_old {
            self.append_to_old(name, &mut made, span)?;
        }
        self.state.check_writable(name, span)?;
        let is_compound = self.state.dialect.compound_variables && !(kind_is_said && keyed);
        let stays = assignment.append
            && (self.state.variables.is_array(name) || self.state.variables.is_compound(name));
        if elements.is_empty() && is_compound && !stays {
            self.state.variables.make_compound(name);
            return Ok(());
        }
        if !stays_as_declared {
            self.lose_attributes(name, assignment.append);
        }
        let next = self.begin_list(assignment, keyed);
        if keyed && made.iter().all(Made::has_no_key) {
            let pairs = self.are_pairs(elements, keyed);
            return self.fill_with_pairs(name, made, pairs, span);
        }
        self.fill_list(assignment, made, next)
    }

    /// Puts what elements of a list are given behind what the array holds before the list replaces that.
    fn append_to_old(
        &mut self,
        name: &Rc<[u8]>,
        made: &mut [Made<'_>],
        span: Span,
    ) -> Result<(), Stop> {
        for one in made.iter_mut().filter(|one| one.append) {
            if let MadeIndex::At(key) = &one.index {
                one.text = self.appended(name, Some(key), std::mem::take(&mut one.text), span)?;
                one.append = false;
            }
        }
        Ok(())
    }

    /// Makes the elements of a list and puts them into the emptied array one by one.
    fn grow_list(
        &mut self,
        assignment: &Assignment,
        elements: &[Element],
        declared: bool,
    ) -> Result<(), Stop> {
        self.state.check_writable(&assignment.name, assignment.span)?;
        if !declared {
            self.lose_attributes(&assignment.name, assignment.append);
        }
        let next = self.begin_list(assignment, true);
        elements.chunks(1).try_for_each(|element| {
            let made = self.made_elements(assignment, element, None)?;
            self.fill_list(assignment, made, next)
        })
    }

    /// Looks whether all elements of an associative array have indexes, where the shell minds that.
    fn check_indexes(&self, elements: &[Element], keyed: bool, span: Span) -> Result<(), Stop> {
        if !keyed || self.state.dialect.pairs_are_whole {
            return Ok(());
        }
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
        match refused {
            Some(message) => Err(self.state.mistake(message, span, 1)),
            None => Ok(()),
        }
    }

    /// Makes the variable the array that the elements go into, and answers the index of the first that has none.
    fn begin_list(&mut self, assignment: &Assignment, keyed: bool) -> i64 {
        let order = self.state.dialect.key_order;
        let mut next = self.state.dialect.first_index;
        let variable = self.state.variables.entry(&assignment.name);
        variable.bare = false;
        if !assignment.append {
            variable.inside = None;
        }
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
            (Value::Associative(elements), _) if keyed => elements.clear(),
            (value, _) if keyed => *value = Value::Associative(Associative::new(order)),
            (value, _) => *value = Value::Indexed(Default::default()),
        }
        next
    }

    /// Reads a list without indexes as keys and values in turn.
    fn fill_with_pairs(
        &mut self,
        name: &Rc<[u8]>,
        made: Vec<Made<'_>>,
        pairs: bool,
        span: Span,
    ) -> Result<(), Stop> {
        let in_pairs = self.state.dialect.associative_lists == AssociativeLists::PairsOrIndexed;
        if in_pairs && made.len() % 2 == 1 {
            let message = "the last key of an associative array has no value";
            return Err(self.state.mistake(message, span, 1));
        }
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
        Ok(())
    }

    /// Puts the elements into the array, those without an index from `next` on.
    fn fill_list(
        &mut self,
        assignment: &Assignment,
        made: Vec<Made<'_>>,
        mut next: i64,
    ) -> Result<(), Stop> {
        let (name, span) = (&assignment.name, assignment.span);
        // Repeated elements go when all are there.
        let unique = std::mem::take(&mut self.state.variables.entry(name).unique);
        for Made { index, text, append, nested } in made {
            let key = match self.place_of(name, index, next, span) {
                Ok(key) => key,
                Err(stop) => {
                    self.survive_in_list(stop)?;
                    continue;
                }
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

    /// The key that the index of an element means in the array as it has become so far.
    fn place_of(
        &mut self,
        name: &[u8],
        index: MadeIndex<'_>,
        next: i64,
        span: Span,
    ) -> Result<Key, Stop> {
        let key = match index {
            MadeIndex::Next => return Ok(Key::Number(next)),
            MadeIndex::At(key) => key,
            MadeIndex::Written(index) => self.element_key(name, index, true)?,
            MadeIndex::Expanded(text, index) => self.listed_number(&text, index)?,
        };
        match key {
            Key::Number(number) if number < 0 => {
                let number = self.state.variables.index(name, number).ok_or_else(|| {
                    self.state.mistake("the index is before the first element", span, 1)
                })?;
                Ok(Key::Number(number))
            }
            key => Ok(key),
        }
    }

    /// A mistake in the index of an element of a list, which costs only the element if it would cost a line.
    pub(super) fn survive_in_list(&mut self, stop: Stop) -> Result<(), Stop> {
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
                // Where keys and values come in turn, only what the utility says counts, not what the variable is.
                let is_keyed =
                    !self.state.dialect.pairs_are_whole && self.is_keyed(&assignment.name);
                Some(self.element_texts(elements, has_option(argv, b'A') || is_keyed)?)
            }
            _ => None,
        };
        let declared = match has_option(argv, b'A') || has_option(argv, b'a') {
            true => ListDeclared::AsArray,
            false => ListDeclared::Plainly,
        };
        let assignment_itself = (**assignment).clone();
        self.list_arguments.push(ListArgument {
            at: argv.len(),
            assignment: assignment_itself,
            texts,
            declared,
        });
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

/// Whether a letter is among the options of a declaration utility.
fn has_option(argv: &[Text], letter: u8) -> bool {
    let mut options = argv.iter().skip(1).take_while(|word| word.bytes().starts_with(b"-"));
    options.any(|option| option.bytes().contains(&letter))
}

/// Whether all elements of a list have indexes, and there are some.
fn has_indexes(elements: &[Element]) -> bool {
    !elements.is_empty() && elements.iter().all(|element| element.index.is_some())
}
