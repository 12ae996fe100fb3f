//! Lists of all variables: `set`, `export`, `readonly`, `typeset`, `local`.

use std::collections::BTreeMap;

use crate::dialect::{Listed, PosixMode, Shown, Told, is_unseen, listed_variables, own_names};
use crate::expand::Context;
use crate::lineage::{Origin, Rule};
use crate::state::{Associative, Digits, FunctionMarks, Keeps, Value, Variable};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::functions::Tells;
use crate::walk::builtins::options::Given;
use crate::walk::builtins::tell::commands::declared;

/// A variable in a list.
struct Entry {
    variable: Variable,
    /// Whether the shell makes it only when somebody asks for it.
    undefined: bool,
}

impl Entry {
    fn of(variable: Variable) -> Entry {
        Entry { variable, undefined: false }
    }
}

impl Walker {
    /// `set` without arguments: all variables with their values, and in bash the functions.
    pub(in crate::walk::builtins) fn list_values(&mut self, call: &Call<'_>) {
        let skips = !self.state.dialect.set_lists_unset;
        let hides_bare = self.state.dialect.variable_lists.hides_bare;
        let is_unset =
            |one: &Variable| matches!(one.value, Value::Nothing) || (one.bare && hides_bare);
        let wanted = |entry: &Entry| !(skips && is_unset(&entry.variable));
        self.list_variables(Shown::Values, wanted, call);
        if self.state.dialect.set_lists_functions && !self.state.options.posix {
            self.tell_functions_with(FunctionMarks::default(), Tells::Definitions, call);
        }
    }

    /// `set +`: the names of all variables.
    pub(in crate::walk::builtins) fn list_names(&mut self, call: &Call<'_>) {
        self.list_variables(Shown::Names, |_| true, call);
    }

    /// `set -A` and `set +A` without a name: the lists.
    pub(in crate::walk::builtins) fn list_arrays(&mut self, shown: Shown, call: &Call<'_>) {
        let wanted = |entry: &Entry| matches!(entry.variable.value, Value::Indexed(_));
        self.list_variables(shown, wanted, call);
    }

    /// `export` and `readonly` without names.
    pub(in crate::walk::builtins) fn list_marked(
        &mut self,
        read_only: bool,
        commands: bool,
        call: &Call<'_>,
    ) {
        let lists = self.state.dialect.variable_lists;
        let follows_posix = self.state.dialect.posix_mode == PosixMode::Rules;
        let shown = match commands {
            _ if follows_posix && self.state.options.posix => Shown::Behind,
            true => lists.marked_as_commands,
            false => lists.marked,
        };
        let wanted = |entry: &Entry| match read_only {
            true => entry.variable.read_only,
            false => entry.variable.exported,
        };
        self.list_variables(shown, wanted, call);
    }

    /// `typeset`, `declare` and `local` without names, with the options that choose among the variables.
    pub(in crate::walk::builtins) fn list_declared(
        &mut self,
        given: &Given<'_>,
        plus: bool,
        call: &Call<'_>,
    ) {
        let lists = self.state.dialect.variable_lists;
        let passed_over = self.state.dialect.list_letters_passed_over.as_bytes();
        let chosen = given.letters().filter(|letter| choices(*letter).is_some());
        let chosen: Vec<u8> = chosen.filter(|letter| !passed_over.contains(letter)).collect();
        let takes_back = chosen.iter().any(|&letter| given.takes_back(letter));
        let commands = given.has(b'p') || (given.takes_back(b'p') && lists.plus_p_is_p);
        let shown = match (chosen.is_empty(), commands) {
            (true, true) => Shown::Commands,
            (false, true) => lists.chosen_as_commands,
            (true, false) if plus => lists.plus,
            (true, false) if given.takes_back(b'p') => Shown::CommandsWithoutValues,
            (true, false) if given.letters().next().is_some() => lists.other_letters,
            (true, false) => lists.all,
            (false, false) if takes_back => lists.taken_back,
            (false, false) => lists.chosen,
        };
        if takes_back && shown == Shown::Values {
            return self.list_values(call);
        }
        if call.bytes(0) == Some(b"local") && self.state.dialect.local_lists_own {
            return self.list_own(call);
        }
        if chosen.is_empty() && shown == Shown::Values {
            return self.list_values(call);
        }
        let all_count = self.state.dialect.list_letters_all_count;
        let skips = chosen.is_empty() && !self.state.dialect.set_lists_unset;
        let wanted = |entry: &Entry| {
            let is_unset = matches!(entry.variable.value, Value::Nothing);
            let mut fit = chosen
                .iter()
                .map(|&letter| choices(letter).is_some_and(|choice| choice(&entry.variable)));
            let fits = match all_count {
                true => fit.all(|fits| fits),
                false => chosen.is_empty() || fit.any(|fits| fits),
            };
            fits && !(skips && is_unset && shown == Shown::Names)
        };
        self.list_variables(shown, wanted, call);
    }

    /// `local` in bash: the variables of the function.
    fn list_own(&mut self, call: &Call<'_>) {
        let hidden = self.scopes.last().map(|scope| &scope.hidden);
        let mut names: Vec<_> =
            hidden.into_iter().flatten().map(|(name, _)| name.clone()).collect();
        names.sort_unstable();
        let mut text = Text::new();
        for name in names {
            let variable = self.state.variables.itself(&name).cloned();
            if let Some(variable) = variable {
                self.tell_entry(&mut text, &name, &Entry::of(variable), Shown::Commands, call);
            }
        }
        self.write(text);
    }

    /// Prints the variables that are wanted.
    fn list_variables(&mut self, shown: Shown, wanted: impl Fn(&Entry) -> bool, call: &Call<'_>) {
        let mut entries = self.entries(shown != Shown::Commands);
        if self.state.dialect.lists_each_scope {
            entries = self.by_scope(entries);
        }
        let skips = self.state.dialect.lists_skip_plain_unset;
        entries.retain(|(_, entry)| wanted(entry) && !(skips && entry.variable.is_nothing()));
        if self.state.dialect.lists_names_last && !shown.is_of_values() {
            entries.sort_by_key(|(_, entry)| entry.variable.keeps == Keeps::Name);
        }
        let (mut text, mut unknown) = (Text::new(), Vec::<String>::new());
        for (name, entry) in &entries {
            if self.tell_entry(&mut text, name, entry, shown, call) {
                unknown.push(String::from_utf8_lossy(name).into_owned());
            }
        }
        self.write(text);
        if !unknown.is_empty() {
            let what = format!("what the machine says of {}", unknown.join(", "));
            self.missing(&what, call.span);
        }
    }

    /// The variables outside of functions, then those of each function that is being called, also those
    /// that are hidden by others.
    fn by_scope(&self, entries: Vec<(Vec<u8>, Entry)>) -> Vec<(Vec<u8>, Entry)> {
        let mut scopes: Vec<Vec<(Vec<u8>, Entry)>> = Vec::new();
        scopes.resize_with(self.scopes.len() + 1, Vec::new);
        for (name, entry) in entries {
            let mut depth = 0;
            for (at, scope) in self.scopes.iter().enumerate() {
                let hidden = scope.hidden.iter().find(|(known, _)| **known == *name);
                let Some((_, outer)) = hidden else { continue };
                if let Some(outer) = outer {
                    scopes[depth].push((name.clone(), Entry::of(outer.clone())));
                }
                depth = at + 1;
            }
            scopes[depth].push((name, entry));
        }
        scopes.into_iter().flatten().collect()
    }

    /// All variables in the order of their names.
    fn entries(&mut self, of_values: bool) -> Vec<(Vec<u8>, Entry)> {
        let shell = self.state.dialect.shell;
        let mut entries = BTreeMap::new();
        let starts = |name: &[u8]| {
            let entry = listed_variables(shell).iter().find(|(known, ..)| known.as_bytes() == name);
            entry.is_some_and(|(_, listed, _)| *listed != Listed::Kept)
        };
        for name in own_names(shell) {
            if starts(name) {
                continue;
            }
            if !is_unseen(shell, name) {
                self.state.freshen(name);
            } else if !of_values && self.state.dialect.lists_unseen {
                entries.insert(name.to_vec(), Entry::of(unset()));
            }
        }
        for name in self.state.variables.names() {
            let known = self.state.variables.itself(name);
            entries.insert(name.to_vec(), Entry::of(known.cloned().unwrap_or_else(unset)));
        }
        for (name, listed, letters) in listed_variables(shell) {
            let stays = *listed == Listed::Undefined || letters.contains('n');
            let known = entries.remove(name.as_bytes()).filter(|_| !stays);
            let Some(mut entry) = known.or_else(|| self.start(*listed)) else { continue };
            mark(&mut entry.variable, letters);
            entries.insert(name.as_bytes().to_vec(), entry);
        }
        entries.into_iter().collect()
    }

    /// What a variable is that nobody has assigned.
    fn start(&self, listed: Listed) -> Option<Entry> {
        let number = |number: i64| Value::Scalar(self.state.shell_number(number));
        let scalar = |bytes: &[u8]| Value::Scalar(self.state.shell_text(bytes));
        let value = match listed {
            Listed::Kept => return None,
            Listed::Text(text) => scalar(text.as_bytes()),
            Listed::Unknown => Value::Scalar(self.unknown_text()),
            Listed::List => Value::Indexed(BTreeMap::new()),
            Listed::Pairs => Value::Associative(Associative::new(self.state.dialect.key_order)),
            Listed::Unset => Value::Nothing,
            Listed::Undefined => return Some(Entry { undefined: true, ..Entry::of(unset()) }),
            Listed::Parameters => {
                Value::Indexed((1..).zip(self.state.positional.all().iter().cloned()).collect())
            }
            Listed::Count => number(self.state.positional.count() as i64),
            Listed::Status => number(i64::from(self.state.status)),
            Listed::Zero => Value::Scalar((*self.state.positional.zero).clone()),
            Listed::Letters => scalar(&self.state.option_letters()),
        };
        Some(Entry::of(Variable::own(value)))
    }

    fn unknown_text(&self) -> Text {
        let mut text = Text::new();
        text.push_hole(Standing::Quoted, &self.state.shell_origin());
        text
    }

    /// Tells one variable, and answers whether its value is not known.
    fn tell_entry(
        &self,
        text: &mut Text,
        name: &[u8],
        entry: &Entry,
        shown: Shown,
        call: &Call<'_>,
    ) -> bool {
        let special = self.state.dialect.variable_lists.special;
        let hidden = entry.undefined || (entry.variable.own && entry.variable.read_only);
        let is_kind = matches!(shown, Shown::Kinds | Shown::KindsAndValues);
        if (special && shown == Shown::Commands && hidden)
            || (!special && entry.undefined && !is_kind)
        {
            return false;
        }
        let has_hole = has_hole(&entry.variable) && shown.tells_values();
        let mut variable = entry.variable.as_given().into_owned();
        if has_hole {
            variable.value = Value::Nothing;
        }
        let name = match special {
            true => self.quoted_name(name),
            false => name.to_vec(),
        };
        let is_cut = self.is_cut(&entry.variable, shown, call);
        let Some(mut line) = self.line(&name, &variable, entry.undefined, shown, call) else {
            return false;
        };
        if is_cut {
            line.truncate(line.len() - name.len());
        }
        let origin = Origin::new(Rule::Output, call.span);
        text.push(&line, Standing::Quoted, &origin);
        if has_hole {
            text.push(b"=", Standing::Quoted, &origin);
            text.push_hole(Standing::Quoted, &self.state.shell_origin());
        }
        if !is_cut {
            text.push(b"\n", Standing::Quoted, &origin);
        }
        has_hole
    }

    fn line(
        &self,
        name: &[u8],
        variable: &Variable,
        undefined: bool,
        shown: Shown,
        call: &Call<'_>,
    ) -> Option<Vec<u8>> {
        let with = |before: &[u8]| {
            let assignments = self.told_assignments(name, variable).into_iter();
            let lines: Vec<Vec<u8>> = assignments.map(|one| [before, &one].concat()).collect();
            lines.join(&b'\n')
        };
        Some(match shown {
            Shown::Names => {
                let assignments = self.told_assignments(name, variable);
                let names = assignments.iter().map(|one| before_equals(one));
                names.collect::<Vec<_>>().join(&b'\n')
            }
            Shown::Values => with(b""),
            Shown::Kinds | Shown::KindsAndValues => {
                let kinds = match undefined && self.state.dialect.variable_lists.special {
                    true => "undefined".into(),
                    false => self.kinds(name, variable),
                };
                let space = if kinds.is_empty() { "" } else { " " };
                let before = format!("{kinds}{space}").into_bytes();
                match shown {
                    Shown::KindsAndValues => with(&before),
                    _ if kinds.is_empty() && self.state.dialect.lists_special_only => return None,
                    _ => [&before[..], name].concat(),
                }
            }
            Shown::Behind => {
                let utility = call.bytes(0).unwrap_or_default();
                match self.state.dialect.told_variables {
                    Told::Declare => [utility, b" ", &declared(name, variable)].concat(),
                    _ => with(&[utility, b" "].concat()),
                }
            }
            Shown::Commands => self.command_for(name, variable),
            Shown::CommandsWithoutValues => {
                let value = match &variable.value {
                    Value::Scalar(_) => Value::Nothing,
                    other => other.clone(),
                };
                let command = self.command_for(name, &Variable { value, ..variable.clone() });
                let names = command.split(|&byte| byte == b'\n').map(before_equals);
                names.collect::<Vec<_>>().join(&b'\n')
            }
        })
    }

    /// Whether a command is cut before the name.
    fn is_cut(&self, variable: &Variable, shown: Shown, call: &Call<'_>) -> bool {
        self.state.dialect.lists_cut_unset_commands
            && matches!(shown, Shown::Commands | Shown::CommandsWithoutValues)
            && matches!(variable.value, Value::Nothing)
            && !variable.own
            && call.bytes(1).is_some_and(|options| matches!(options, b"-p" | b"+p"))
    }

    /// A name as zsh lists it: the special ones in quotes.
    fn quoted_name(&self, name: &[u8]) -> Vec<u8> {
        match name {
            b"#" | b"$" | b"*" | b"?" => [b"'", name, b"'"].concat(),
            _ => name.to_vec(),
        }
    }
}

fn before_equals(line: &[u8]) -> &[u8] {
    &line[..line.iter().position(|&byte| byte == b'=').unwrap_or(line.len())]
}

fn unset() -> Variable {
    Variable::own(Value::Nothing)
}

fn has_hole(variable: &Variable) -> bool {
    variable.texts().into_iter().any(Text::has_hole)
}

/// Gives a variable the attributes of a list entry.
fn mark(variable: &mut Variable, letters: &str) {
    if letters.contains('i') {
        let base = if letters.contains('t') { 10 } else { 0 };
        let unsigned = letters.contains('U');
        let bits = if unsigned { 32 } else { 64 };
        variable.keeps = Keeps::Integer(Digits { bits, unsigned, ..Digits::of(base) });
    }
    if letters.contains('n') {
        variable.keeps = Keeps::Name;
    }
    if letters.contains('f') {
        variable.keeps = Keeps::Real { letter: b'f', digits: 3, long: false };
    }
    variable.read_only |= letters.contains('r');
    variable.exported |= letters.contains('x');
}

/// The variables that a letter of `typeset` chooses.
fn choices(letter: u8) -> Option<fn(&Variable) -> bool> {
    Some(match letter {
        b'x' => |one| one.exported,
        b'r' => |one| one.read_only,
        b'i' => |one| matches!(one.keeps, Keeps::Integer(_)),
        b'a' => |one| matches!(one.value, Value::Indexed(_)),
        b'A' => |one| matches!(one.value, Value::Associative(_)),
        b'u' => |one| one.keeps == Keeps::Upper,
        b'l' => |one| one.keeps == Keeps::Lower,
        b'c' => |one| one.keeps == Keeps::Capital,
        b'n' => |one| one.keeps == Keeps::Name,
        b'E' | b'F' => |one| matches!(one.keeps, Keeps::Real { .. }),
        b'L' | b'R' | b'Z' => |one| one.field.is_some(),
        b'U' => |one| one.unique,
        _ => return None,
    })
}
