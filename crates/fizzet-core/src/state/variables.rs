//! Variables.

use std::borrow::Cow;
use std::collections::BTreeMap;
use std::rc::Rc;

use rustc_hash::{FxHashMap, FxHashSet};

use crate::state::inside::{self, Inside, Nesting};
use crate::state::{Keeps, Key, Value, Variable, element_name, listed, shown_name};
use crate::text::Text;

/// How many names of names are followed.
pub(crate) const MAX_NAMES: usize = 8;

/// All variables by name.
#[derive(Clone, Default, Debug)]
pub struct Variables {
    by_name: FxHashMap<Rc<[u8]>, Variable>,
    /// Whether some variable has ever been the name of another.
    has_names: bool,
    /// Whether a function has ever stood between some variable and what reads or changes it.
    has_disciplines: bool,
    /// Whether a newline separates fields although IFS does not say so: until IFS is set again.
    newline_separates: bool,
    /// What variables inside others are made with, where there can be any.
    nesting: Option<Rc<Nesting>>,
    /// Whether there has ever been one.
    nests: bool,
}

impl Variables {
    /// Lets a newline separate fields until IFS is set again, unless IFS is empty.
    pub fn let_newline_separate(&mut self) {
        let ifs = self.scalar(b"IFS").map(Text::bytes);
        self.newline_separates = ifs.is_some_and(|ifs| !ifs.is_empty() && !ifs.contains(&b'\n'));
    }

    /// Whether that is so.
    pub fn newline_separates(&self) -> bool {
        self.newline_separates
    }

    /// Undoes that.
    pub fn forget_newline(&mut self) {
        self.newline_separates = false;
    }

    /// The separators: the value of IFS, and what counts beside it.
    pub fn separators(&self) -> Option<Cow<'_, [u8]>> {
        let value = self.scalar(b"IFS").map(Text::bytes)?;
        Some(match self.newline_separates {
            true => Cow::Owned([value, b"\n"].concat()),
            false => Cow::Borrowed(value),
        })
    }

    /// Notes that a variable gets another value.
    fn changes(&mut self, name: &[u8]) {
        if name == b"IFS" {
            self.newline_separates = false;
        }
    }

    /// The variable of this name; where that is the name of another one, the other one.
    pub fn get(&self, name: &[u8]) -> Option<&Variable> {
        self.itself(&self.target(name)?)
    }

    /// The same to be changed.
    pub fn get_mut(&mut self, name: &[u8]) -> Option<&mut Variable> {
        let place = self.place(name);
        self.itself_mut(&place)
    }

    /// The variable of this name itself, also where it is the name of another.
    pub fn itself(&self, name: &[u8]) -> Option<&Variable> {
        if !self.nests {
            return self.by_name.get(name);
        }
        let (root, mut rest) = inside::root(name);
        let mut variable = self.by_name.get(root)?;
        while let Some((step, behind)) = inside::step(rest) {
            variable = variable.at(step)?;
            rest = behind;
        }
        Some(variable)
    }

    /// The same to be changed.
    fn itself_mut(&mut self, name: &[u8]) -> Option<&mut Variable> {
        if !self.nests {
            return self.by_name.get_mut(name);
        }
        let (root, mut rest) = inside::root(name);
        let mut variable = self.by_name.get_mut(root)?;
        while let Some((step, behind)) = inside::step(rest) {
            variable = variable.at_mut(step)?;
            rest = behind;
        }
        Some(variable)
    }

    /// Lets variables stand inside others.
    pub fn nest(&mut self, nesting: Nesting) {
        self.nesting = Some(Rc::new(nesting));
    }

    /// What variables inside others are made with, where there can be any.
    pub fn nesting(&self) -> Option<&Nesting> {
        self.nesting.as_deref()
    }

    /// Makes a compound variable without members of one; what it made of its values is over.
    pub fn make_compound(&mut self, name: &[u8]) {
        let Some(nesting) = self.nesting.clone() else { return };
        let variable = self.entry(name);
        variable.value = Value::Compound;
        variable.keeps = Keeps::Text;
        variable.field = None;
        variable.inside = Variable::compound(&nesting).inside;
    }

    /// Whether a path leads to a member of a variable that is not there.
    pub fn is_orphan(&self, path: &[u8]) -> bool {
        let (root, rest) = inside::root(path);
        rest.starts_with(b".") && self.get(root).is_none()
    }

    /// Gives a compound variable the members of another one, and answers whether both are compound.
    pub fn copy_compound(&mut self, from: &[u8], to: &[u8]) -> bool {
        let copies = self.nesting.is_some() && self.is_compound(to) && self.is_compound(from);
        if copies {
            let inside = self.get(from).and_then(|variable| variable.inside.clone());
            self.entry(to).inside = inside;
        }
        copies
    }

    /// The names of all variables and the paths of their members, sorted.
    pub fn paths(&self) -> Vec<Vec<u8>> {
        let mut paths = Vec::new();
        for name in self.names() {
            paths.push(name.to_vec());
            if let Some(inside) = self.itself(name).and_then(|one| one.inside.as_deref()) {
                add_paths(name, inside, &mut paths);
            }
        }
        paths
    }

    /// Says that a variable is the name of another from now on.
    pub fn make_name(&mut self, name: &[u8]) {
        self.has_names = true;
        self.entry_itself(name).keeps = Keeps::Name;
    }

    /// Gives a variable that is a name another one to mean.
    pub fn point(&mut self, name: &[u8], to: Text) {
        self.entry_itself(name).value = Value::Scalar(to);
    }

    /// Says that a variable is no name of another any more, and answers whether it was one.
    pub fn make_plain(&mut self, name: &[u8]) -> bool {
        let is_name = self.is_name(name);
        if is_name {
            self.entry_itself(name).keeps = Keeps::Text;
        }
        is_name
    }

    /// A name of another variable stays what it is.
    pub fn freeze_name(&mut self, name: &[u8]) {
        if self.is_name(name) {
            self.entry_itself(name).read_only = true;
        }
    }

    /// The variables that are names of others, to be changed.
    pub(super) fn names_of_names(&mut self) -> impl Iterator<Item = &mut Variable> {
        let all = self.has_names.then(|| self.by_name.values_mut());
        all.into_iter().flatten().filter(|variable| variable.keeps == Keeps::Name)
    }

    /// Whether a variable is the name of another.
    pub fn is_name(&self, name: &[u8]) -> bool {
        self.has_names && self.itself(name).is_some_and(|variable| variable.keeps == Keeps::Name)
    }

    /// The name that is meant by this name of a variable, if it is that of another variable or of an
    /// element. A name that comes back to itself means nothing.
    pub fn meant(&self, name: &[u8]) -> Option<Rc<[u8]>> {
        if !self.is_name(name) {
            return None;
        }
        let mut meant = self.named(name)?;
        // A chain of names that leads nowhere is given up.
        for _ in 0..MAX_NAMES {
            match self.named(meant) {
                Some(next) => meant = next,
                None => return Some(meant.into()),
            }
        }
        None
    }

    /// Whether a name of names leads back to itself.
    pub fn goes_round(&self, name: &[u8]) -> bool {
        self.has_names && self.target(name).is_none()
    }

    fn named(&self, name: &[u8]) -> Option<&[u8]> {
        let variable = self.itself(name).filter(|variable| variable.keeps == Keeps::Name)?;
        Some(variable.scalar()?.bytes())
    }

    /// The name of the variable that holds the value: through all names of names, up to one that means
    /// an element or nothing yet. `None` if they go round.
    fn target<'a>(&'a self, name: &'a [u8]) -> Option<Cow<'a, [u8]>> {
        if !self.has_names {
            return Some(name.into());
        }
        if self.nesting.is_some()
            && let (root, rest @ [_, ..]) = inside::root(name)
        {
            return match self.meant(root) {
                Some(meant) => Some([&meant[..], rest].concat().into()),
                None => Some(name.into()),
            };
        }
        let mut target = name;
        for _ in 0..MAX_NAMES {
            match self.named(target) {
                Some(next) if !next.contains(&b'[') => target = next,
                _ => return Some(target.into()),
            }
        }
        None
    }

    /// The name under which the value of this variable is kept.
    pub fn keeper(&self, name: &Rc<[u8]>) -> Rc<[u8]> {
        if !self.has_names {
            return name.clone();
        }
        self.target(name).map_or_else(|| name.clone(), |target| target.into())
    }

    /// The value of `$name`.
    pub fn scalar(&self, name: &[u8]) -> Option<&Text> {
        self.get(name)?.scalar()
    }

    /// The value of a variable that is one text, and neither the name of another one nor kept by the
    /// shell itself.
    pub fn plain(&self, name: &[u8]) -> Option<&Text> {
        match self.by_name.get(name).filter(|_| !self.has_names)? {
            Variable { own: false, disciplined: false, value: Value::Scalar(text), .. } => {
                Some(text)
            }
            _ => None,
        }
    }

    /// The highest index of an array; -1 if it has none.
    pub fn highest(&self, name: &[u8]) -> i64 {
        match self.get(name).map(|variable| &variable.value) {
            Some(Value::Indexed(elements)) => {
                elements.last_key_value().map_or(-1, |(last, _)| *last)
            }
            _ => -1,
        }
    }

    /// Takes the value of a variable away and keeps its attributes.
    pub fn clear(&mut self, name: &[u8]) {
        let variable = self.entry(name);
        variable.value = Value::Nothing;
        variable.inside = None;
    }

    /// Functions may stand between a variable and what reads or changes it from here on.
    pub(crate) fn discipline(&mut self, name: &[u8]) {
        self.has_disciplines = true;
        self.entry(name).disciplined = true;
    }

    /// No function stands between a variable and what reads or changes it any more.
    pub(crate) fn undiscipline(&mut self, name: &[u8]) {
        if self.has_disciplines
            && let Some(variable) = self.get_mut(name)
        {
            variable.disciplined = false;
        }
    }

    /// The variable, if functions may stand between it and what reads or changes it.
    pub(crate) fn disciplined(&self, name: &[u8]) -> Option<&Variable> {
        if !self.has_disciplines {
            return None;
        }
        self.get(name).filter(|variable| variable.disciplined)
    }

    /// Whether a variable is compound.
    pub fn is_compound(&self, name: &[u8]) -> bool {
        let value = self.get(name).map(|variable| &variable.value);
        matches!(value, Some(Value::Compound))
    }

    /// Whether that is one without members: to an index it is an array without elements (observed in ksh93u+m:
    /// `s=(); echo $((s[0]+1))`).
    pub fn is_empty_compound(&self, name: &[u8]) -> bool {
        let inside = self.get(name).and_then(|variable| variable.inside.as_ref());
        self.is_compound(name) && inside.is_none_or(|inside| inside.members().is_empty())
    }

    /// Whether a variable is an array.
    pub fn is_array(&self, name: &[u8]) -> bool {
        let value = self.get(name).map(|variable| &variable.value);
        matches!(value, Some(Value::Indexed(_) | Value::Associative(_)))
    }

    /// Whether a variable is an associative array.
    pub(crate) fn is_keyed(&self, name: &[u8]) -> bool {
        self.get(name).is_some_and(|one| matches!(one.value, Value::Associative(_)))
    }

    /// The value of an element; a scalar is its own element 0.
    pub fn element(&self, name: &[u8], key: &Key) -> Option<&Text> {
        let Some(variable) = self.get(name) else {
            return self.own_element(name, key);
        };
        match (&variable.value, key) {
            (Value::Scalar(text), Key::Number(0)) => Some(text),
            (Value::Compound, Key::Number(0)) => variable.shown(),
            (Value::Indexed(elements), Key::Number(number)) => {
                let number = match number {
                    0.. => *number,
                    _ => elements.last_key_value()?.0 + 1 + number,
                };
                let text = elements.get(&number)?;
                Some(variable.text_of(|| inside::number(number), text))
            }
            (Value::Associative(elements), Key::Text(wanted)) => {
                let text = elements.get(wanted.bytes())?;
                Some(variable.text_of(|| wanted.bytes().to_vec(), text))
            }
            _ => None,
        }
    }

    /// An element that is a text is its own element 0, where elements can be lists.
    fn own_element(&self, path: &[u8], key: &Key) -> Option<&Text> {
        self.nesting()?;
        let (name, index) = element_name(path).filter(|_| *key == Key::Number(0))?;
        match &self.get(name)?.value {
            Value::Associative(elements) => elements.get(index),
            _ => {
                let number = std::str::from_utf8(index).ok()?.parse().ok()?;
                self.element(name, &Key::Number(number))
            }
        }
    }

    /// The index that a negative one means: it counts from the end. `None` if it lies before the
    /// start.
    pub fn index(&self, name: &[u8], number: i64) -> Option<i64> {
        if number >= 0 {
            return Some(number);
        }
        let end = match &self.get(name)?.value {
            Value::Indexed(elements) => elements.last_key_value().map_or(0, |(last, _)| last + 1),
            Value::Scalar(_) => 1,
            _ => 0,
        };
        Some(end + number).filter(|index| *index >= 0)
    }

    /// Whether there is no place that an index counts to from the end of what a variable holds.
    pub fn lies_before(&self, name: &[u8], key: &Key) -> bool {
        matches!(key, Key::Number(number @ ..0) if self.index(name, *number).is_none())
    }

    /// Whether an index counts from the end of an array, and further than to its start.
    pub fn is_before_start(&self, name: &[u8], key: &Key) -> bool {
        self.is_array(name) && self.lies_before(name, key)
    }

    /// Makes an array of a text, which is its element 0 from then on.
    pub fn make_array(&mut self, name: &[u8]) {
        let Some(variable) = self.get_mut(name).filter(|variable| !variable.own) else { return };
        if let Value::Scalar(text) = &mut variable.value {
            variable.value = Value::Indexed([(0, std::mem::take(text))].into());
        }
    }

    /// Sets an element; a scalar becomes an indexed array.
    pub fn set_element(&mut self, name: &[u8], key: Key, mut text: Text) {
        text.bound_runs();
        let variable = self.entry(name);
        variable.bare = false;
        variable.flatten(&key);
        match key {
            Key::Number(number) => {
                let mut elements = match std::mem::replace(&mut variable.value, Value::Nothing) {
                    Value::Indexed(elements) => elements,
                    Value::Scalar(text) => BTreeMap::from([(0, text)]),
                    _ => BTreeMap::new(),
                };
                elements.insert(number.max(0), text);
                variable.value = Value::Indexed(elements);
            }
            Key::Text(key) => {
                // A key of text is made for an associative array only.
                let Value::Associative(elements) = &mut variable.value else { return };
                elements.set(key, text);
            }
        }
    }

    /// Drops the elements that stand before in the array, where it is to have each once; the others move up.
    pub fn drop_repeats(&mut self, name: &[u8]) {
        let Some(variable) = self.get_mut(name) else { return };
        if let Value::Indexed(elements) = &mut variable.value {
            let first = elements.first_key_value().map_or(0, |(at, _)| *at);
            let mut seen = FxHashSet::default();
            let kept = std::mem::take(elements).into_values();
            let kept = kept.filter(|text| seen.insert(text.bytes().to_vec()));
            *elements = (first..).zip(kept).collect();
        }
    }

    /// Sets a value and keeps the attributes. The value is bounded in its runs.
    pub fn set(&mut self, name: &[u8], mut text: Text) {
        text.bound_runs();
        self.changes(name);
        match self.get_mut(name) {
            Some(variable) => {
                variable.bare = false;
                variable.flatten(&Key::Number(0));
                match &mut variable.value {
                    Value::Indexed(elements) => {
                        elements.insert(0, text);
                    }
                    Value::Associative(elements) => elements.set_first(text),
                    _ => variable.value = Value::Scalar(text),
                }
            }
            None => self.entry(name).value = Value::Scalar(text),
        }
    }

    /// The variable of this name, made if need be; where that is the name of another one, the other one.
    pub fn entry(&mut self, name: &[u8]) -> &mut Variable {
        let place = self.place(name);
        self.entry_itself(&place)
    }

    /// The variable of this name itself, made if need be.
    pub fn entry_itself(&mut self, name: &[u8]) -> &mut Variable {
        let nothing = || Variable::holding(Value::Nothing);
        let Some(nesting) = &self.nesting else {
            return self.by_name.entry(name.into()).or_insert_with(nothing);
        };
        let (root, mut rest) = inside::root(name);
        self.nests |= !rest.is_empty();
        let mut variable = self.by_name.entry(root.into()).or_insert_with(nothing);
        while let Some((step, behind)) = inside::step(rest) {
            variable = variable.make_at(step, nesting);
            rest = behind;
        }
        variable
    }

    /// The name under which a value for this variable is stored.
    fn place<'a>(&self, name: &'a [u8]) -> Cow<'a, [u8]> {
        match self.has_names {
            true => Cow::Owned(self.target(name).map_or_else(|| name.to_vec(), Cow::into_owned)),
            false => Cow::Borrowed(name),
        }
    }

    /// Takes an element away.
    pub fn remove_element(&mut self, name: &[u8], key: &Key) {
        let Some(variable) = self.get_mut(name) else { return };
        if !matches!(variable.value, Value::Compound) {
            variable.flatten(key);
        }
        match (&mut variable.value, key) {
            (Value::Indexed(elements), Key::Number(number)) => {
                elements.remove(number);
            }
            (value @ Value::Scalar(_), Key::Number(0)) => *value = Value::Nothing,
            (Value::Associative(elements), Key::Text(wanted)) => {
                elements.remove(wanted.bytes());
            }
            _ => {}
        }
    }

    /// Takes a variable itself away and answers what it was.
    pub fn remove(&mut self, name: &[u8]) -> Option<Variable> {
        match inside::parent(name).filter(|_| self.nests) {
            Some((outer, step)) => self.itself_mut(outer)?.take_at(step),
            None => self.by_name.remove(name),
        }
    }

    /// Puts back what was saved: a variable, or that there was none.
    pub fn restore(&mut self, name: &[u8], saved: Option<Variable>) {
        self.changes(name);
        match saved {
            Some(variable) => *self.entry_itself(name) = variable,
            None => {
                self.remove(name);
            }
        }
    }

    /// The keys of an array; a scalar has the key 0.
    pub fn keys(&self, name: &[u8]) -> Vec<Vec<u8>> {
        match self.get(name).map(|variable| &variable.value) {
            None | Some(Value::Nothing) => Vec::new(),
            Some(Value::Scalar(_) | Value::Compound) => vec![b"0".to_vec()],
            Some(Value::Indexed(elements)) => {
                let keys: Vec<_> = listed(elements).map(|(key, _)| inside::number(key)).collect();
                match keys.is_empty() && !elements.is_empty() {
                    true => vec![inside::number(0)],
                    false => keys,
                }
            }
            Some(Value::Associative(elements)) => {
                elements.pairs().iter().map(|(key, _)| key.bytes().to_vec()).collect()
            }
        }
    }

    /// The values of an array in their order; a scalar has one.
    pub fn values(&self, name: &[u8]) -> Vec<Text> {
        let texts = self.get(name).map(Variable::texts).unwrap_or_default();
        texts.into_iter().cloned().collect()
    }

    /// The exported variables that have a value, sorted by name: the environment of programs.
    pub fn exported(&self) -> Vec<(&[u8], &[u8])> {
        let seen = |name: &[u8]| shown_name(name).len() == name.len();
        let exported =
            self.by_name.iter().filter(|(name, variable)| variable.exported && seen(name));
        let mut all: Vec<(&[u8], &[u8])> = exported
            .filter_map(|(name, variable)| Some((&**name, variable.scalar()?.bytes())))
            .collect();
        all.sort_unstable();
        all
    }

    /// All names, sorted.
    pub fn names(&self) -> Vec<&[u8]> {
        let names = self.by_name.keys().map(|name| &**name);
        let mut names: Vec<&[u8]> =
            names.filter(|name| shown_name(name).len() == name.len()).collect();
        names.sort_unstable();
        names
    }
}

fn add_paths(name: &[u8], inside: &Inside, paths: &mut Vec<Vec<u8>>) {
    for (member, variable) in inside.members() {
        let path = [name, b".", member].concat();
        paths.push(path.clone());
        if let Some(inside) = &variable.inside {
            add_paths(&path, inside, paths);
        }
    }
}
