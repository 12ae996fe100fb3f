//! Variables inside others: members of compound variables, and elements of arrays that are lists or compound
//! themselves.
//!
//! A variable inside others has a path for a name, with what stands in brackets evaluated: `c.keeper`,
//! `hives[2].jars`, `rows[1]` for the list whose elements are `rows[1][0]` and so on.

use std::cell::OnceCell;
use std::collections::BTreeMap;
use std::rc::Rc;

use crate::dialect::Dialect;
use crate::expand::disciplines::{self, Named};
use crate::expand::value_text;
use crate::lineage::Origin;
use crate::source::Span;
use crate::state::{Key, State, Value, Variable, listed};
use crate::stop::Stop;
use crate::syntax::is_name;
use crate::text::{Standing, Text};

/// How many variables may stand inside each other.
const MAX_DEPTH: usize = 500;

/// What variables inside others are made with.
#[derive(Debug)]
pub struct Nesting {
    /// The rules by which their values are quoted.
    pub rules: Rc<Dialect>,
    /// Where what the shell writes itself comes from.
    pub origin: Origin,
}

/// What stands inside a variable.
#[derive(Clone, Debug)]
pub struct Inside {
    /// Its members.
    members: BTreeMap<Rc<[u8]>, Variable>,
    /// The elements that are no texts, by their keys as they are written.
    elements: BTreeMap<Rc<[u8]>, Variable>,
    nesting: Rc<Nesting>,
    /// The text that a compound variable has for a value, once somebody has asked for it.
    shown: OnceCell<Text>,
}

impl Inside {
    /// Nothing yet.
    pub fn new(nesting: &Rc<Nesting>) -> Inside {
        let (members, elements) = Default::default();
        Inside { members, elements, nesting: nesting.clone(), shown: OnceCell::new() }
    }

    /// The members in the order of their names.
    pub fn members(&self) -> &BTreeMap<Rc<[u8]>, Variable> {
        &self.members
    }

    /// The element with a key, if it is no text.
    pub fn element(&self, key: &[u8]) -> Option<&Variable> {
        self.elements.get(key)
    }

    /// Takes away what an element is beside a text.
    pub fn flatten(&mut self, key: &[u8]) {
        self.elements.remove(key);
    }

    /// What it has been made with.
    pub fn nesting(&self) -> &Nesting {
        &self.nesting
    }

    fn at(&self, step: Step<'_>) -> Option<&Variable> {
        match step {
            Step::Member(name) => self.members.get(name),
            Step::Element(key) => self.elements.get(key),
        }
    }

    /// The same to be changed, so that the text is made anew.
    fn at_mut(&mut self, step: Step<'_>) -> Option<&mut Variable> {
        self.shown.take();
        match step {
            Step::Member(name) => self.members.get_mut(name),
            Step::Element(key) => self.elements.get_mut(key),
        }
    }
}

/// One step from a variable to one inside it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Step<'a> {
    /// `.name`
    Member(&'a [u8]),
    /// `[key]`
    Element(&'a [u8]),
}

/// The variable that a path begins with, and the rest of it. A path that begins with a dot is a name of the
/// shell itself.
pub fn root(path: &[u8]) -> (&[u8], &[u8]) {
    let plain = path.first() == Some(&b'.');
    let end = path.iter().position(|byte| matches!(byte, b'.' | b'[')).filter(|_| !plain);
    path.split_at(end.unwrap_or(path.len()))
}

/// The next step of the rest of a path, and what follows it.
pub fn step(rest: &[u8]) -> Option<(Step<'_>, &[u8])> {
    match rest.first()? {
        b'.' => {
            let name = &rest[1..];
            let end = name.iter().position(|byte| matches!(byte, b'.' | b'['));
            let (name, rest) = name.split_at(end.unwrap_or(name.len()));
            Some((Step::Member(name), rest))
        }
        b'[' => {
            let mut open = 0i32;
            let end = rest.iter().position(|byte| {
                open += i32::from(*byte == b'[') - i32::from(*byte == b']');
                open == 0
            })?;
            Some((Step::Element(&rest[1..end]), &rest[end + 1..]))
        }
        _ => None,
    }
}

/// A path without its last step, and that step.
pub fn parent(path: &[u8]) -> Option<(&[u8], Step<'_>)> {
    let (root, mut rest) = root(path);
    let mut length = root.len();
    let mut last = None;
    while let Some((next, behind)) = step(rest) {
        last = Some((length, next));
        length += rest.len() - behind.len();
        rest = behind;
    }
    last.map(|(length, step)| (&path[..length], step))
}

impl Variable {
    /// A compound variable without members.
    pub fn compound(nesting: &Rc<Nesting>) -> Variable {
        let inside = Some(Rc::new(Inside::new(nesting)));
        Variable { inside, ..Variable::holding(Value::Compound) }
    }

    /// The variable one step inside this one.
    pub fn at(&self, step: Step<'_>) -> Option<&Variable> {
        let inside = self.inside.as_deref()?;
        match step {
            // The members of an array are those of its first element.
            Step::Member(_) if self.is_indexed() => inside.element(b"0")?.at(step),
            step => inside.at(step),
        }
    }

    /// The same to be changed.
    pub fn at_mut(&mut self, step: Step<'_>) -> Option<&mut Variable> {
        let through = matches!(step, Step::Member(_)) && self.is_indexed();
        let inside = Rc::make_mut(self.inside.as_mut()?);
        match through {
            true => inside.at_mut(Step::Element(b"0"))?.at_mut(step),
            false => inside.at_mut(step),
        }
    }

    /// The variable one step inside this one, made if need be.
    pub fn make_at(&mut self, step: Step<'_>, nesting: &Rc<Nesting>) -> &mut Variable {
        let variable = match step {
            Step::Member(_) if self.is_indexed() => self.make_at(Step::Element(b"0"), nesting),
            _ => self,
        };
        let text = match step {
            Step::Member(_) => {
                if matches!(variable.value, Value::Nothing) {
                    variable.value = Value::Compound;
                }
                None
            }
            Step::Element(key) => variable.make_element(key, nesting),
        };
        let new = || Rc::new(Inside::new(nesting));
        let inside = Rc::make_mut(variable.inside.get_or_insert_with(new));
        inside.shown.take();
        let (all, key) = match step {
            Step::Member(name) => (&mut inside.members, name),
            Step::Element(key) => (&mut inside.elements, key),
        };
        let value = text.map_or(Value::Nothing, Value::Scalar);
        all.entry(key.into()).or_insert_with(|| Variable::holding(value))
    }

    /// Makes an element where there is none, and answers the text that it was.
    fn make_element(&mut self, key: &[u8], nesting: &Nesting) -> Option<Text> {
        self.bare = false;
        if let Value::Associative(elements) = &mut self.value {
            if elements.get(key).is_none() {
                let key = Text::copied(key, Standing::Quoted, nesting.origin.clone());
                elements.set(key, Text::new());
                return None;
            }
            return elements.get(key).cloned();
        }
        let number = std::str::from_utf8(key).ok()?.parse().ok()?;
        let mut elements = match std::mem::replace(&mut self.value, Value::Nothing) {
            Value::Indexed(elements) => elements,
            Value::Scalar(text) => BTreeMap::from([(0, text)]),
            _ => BTreeMap::new(),
        };
        let known = elements.get(&number).cloned();
        elements.entry(number).or_default();
        self.value = Value::Indexed(elements);
        known
    }

    /// Takes the variable one step inside this one away, with the element that it is.
    pub fn take_at(&mut self, step: Step<'_>) -> Option<Variable> {
        if let Step::Member(_) = step
            && self.is_indexed()
        {
            return self.at_mut(Step::Element(b"0"))?.take_at(step);
        }
        let inside = Rc::make_mut(self.inside.as_mut()?);
        inside.shown.take();
        match step {
            Step::Member(name) => inside.members.remove(name),
            Step::Element(key) => inside.elements.remove(key),
        }
    }

    fn is_indexed(&self) -> bool {
        matches!(self.value, Value::Indexed(_))
    }

    /// The text that a compound variable has for a value.
    pub fn shown(&self) -> Option<&Text> {
        let inside = self.inside.as_deref()?;
        Some(inside.shown.get_or_init(|| value_text(self, inside.nesting(), true)))
    }

    /// The text of an element whose key is written like this, which is `known` unless it is no text.
    pub fn text_of<'a>(&'a self, key: impl FnOnce() -> Vec<u8>, known: &'a Text) -> &'a Text {
        let Some(inside) = self.inside.as_deref() else { return known };
        match inside.element(&key()) {
            Some(element) => element.scalar().unwrap_or(known),
            None => known,
        }
    }

    /// The values of an array in their order; anything else has one or none. Of an element that is a list, its
    /// first element.
    pub fn texts(&self) -> Vec<&Text> {
        let first = |key: Vec<u8>, known| {
            let element = self.inside.as_deref().and_then(|inside| inside.element(&key));
            element.and_then(|element| element.texts().first().copied()).unwrap_or(known)
        };
        match &self.value {
            Value::Nothing => Vec::new(),
            Value::Scalar(text) => vec![text],
            Value::Compound => self.shown().into_iter().collect(),
            Value::Indexed(elements) if self.inside.is_none() => {
                listed(elements).map(|(_, text)| text).collect()
            }
            Value::Indexed(elements) => {
                listed(elements).map(|(key, text)| first(number(key), text)).collect()
            }
            Value::Associative(elements) => {
                let pairs = elements.pairs().into_iter();
                pairs.map(|(key, text)| first(key.bytes().to_vec(), text)).collect()
            }
        }
    }
}

impl State {
    /// Whether a name can be that of a variable, which may stand inside others.
    pub fn names_variable(&self, name: &[u8]) -> bool {
        self.dialect.is_name(name) || (self.dialect.compound_variables && is_path(name))
    }

    /// Whether a function can have this name once it is defined: that of a variable, or one that tells what happens
    /// when the variable before its point is used.
    pub fn names_function(&self, name: &[u8]) -> bool {
        let is_discipline = matches!(disciplines::named(name), Named::For(_));
        self.dialect.is_name(name) || (self.dialect.disciplines && is_discipline)
    }

    /// What a list or a compound variable shows, line by line or on one line, where variables can be compound.
    pub fn shown_value(&self, variable: &Variable, in_lines: bool) -> Text {
        let nesting = self.variables.nesting();
        nesting.map(|nesting| value_text(variable, nesting, in_lines)).unwrap_or_default()
    }

    /// The path that a written one means: its indexes are evaluated.
    ///
    /// # Errors
    /// An index that is no expression.
    pub fn path_of(&mut self, written: &[u8], span: Span) -> Result<Rc<[u8]>, Stop> {
        self.check_depth(written, span)?;
        let (root, mut rest) = root(written);
        let mut path = root.to_vec();
        while let Some((step, behind)) = step(rest) {
            match step {
                Step::Member(name) => {
                    path.push(b'.');
                    path.extend_from_slice(name);
                }
                Step::Element(index) => {
                    let key = self.element_key(&path, index, span)?;
                    path = self.element_path(&path, &key);
                }
            }
            rest = behind;
        }
        Ok(path.into())
    }

    /// The path of an element.
    pub fn element_path(&self, array: &[u8], key: &Key) -> Vec<u8> {
        match key {
            Key::Number(index) => {
                let index = self.variables.index(array, *index).unwrap_or(*index);
                [array, b"[", &number(index), b"]"].concat()
            }
            Key::Text(key) => [array, b"[", key.bytes(), b"]"].concat(),
        }
    }

    /// # Errors
    /// More variables would stand inside each other than are kept.
    fn check_depth(&self, path: &[u8], span: Span) -> Result<(), Stop> {
        let steps = path.iter().filter(|byte| matches!(byte, b'.' | b'[')).count();
        match steps > MAX_DEPTH {
            true => Err(Stop::Limit {
                what: "variables inside each other",
                limit: MAX_DEPTH as u64,
                span,
            }),
            false => Ok(()),
        }
    }

    /// # Errors
    /// The variable would be a member of one that is not there, or stand inside too many.
    pub fn check_parent(&self, name: &[u8], span: Span) -> Result<(), Stop> {
        if !self.dialect.compound_variables {
            return Ok(());
        }
        self.check_depth(name, span)?;
        if !self.variables.is_orphan(name) {
            return Ok(());
        }
        let outer = String::from_utf8_lossy(root(name).0);
        Err(self.mistake(format!("{outer} is not there to have a member"), span, 1))
    }
}

/// Whether the bytes are a way to a variable inside others.
fn is_path(path: &[u8]) -> bool {
    if let Some(of_shell) = path.strip_prefix(b".") {
        return of_shell.split(|&byte| byte == b'.').all(is_name);
    }
    let (root, mut rest) = root(path);
    let begins = is_name(root) && !rest.is_empty();
    while let Some((step, behind)) = step(rest) {
        let is_step = match step {
            Step::Member(name) => is_name(name),
            Step::Element(index) => !index.is_empty(),
        };
        if !is_step {
            return false;
        }
        rest = behind;
    }
    begins && rest.is_empty()
}

/// An index as it is written in a path.
pub fn number(index: i64) -> Vec<u8> {
    itoa::Buffer::new().format(index).as_bytes().to_vec()
}
