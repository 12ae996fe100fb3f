//! What `declare -p` and its kin tell of variables.

use crate::dialect::Told;
use crate::expand::Context;
use crate::expand::pattern::Pattern;
use crate::expand::transform::{attributes, double_quoted, listed, pair, subscript, told};
use crate::lineage::{Origin, Rule};
use crate::state::{Digits, Keeps, Key, Padding, Value, Variable, element_name};
use crate::stop::Status;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

impl Walker {
    /// `declare -p name...`: the commands that make the variables again. All variables of a running shell
    /// nobody can list.
    pub(super) fn tell_variables(&mut self, names: &[Text], call: &Call<'_>) -> Status {
        if names.is_empty() || self.state.dialect.told_variables == Told::Nothing {
            self.missing("all variables of the shell", call.span);
            self.write_hole(call.span);
            return 0;
        }
        let mut status = 0;
        for name in names {
            let name = name.bytes();
            if let Some(what) = self.state.freshen(name) {
                self.missing(what, call.span);
            }
            let meant = self.state.variables.meant(name);
            let follows = self.state.dialect.told_variables == Told::Elements;
            let name = meant.as_deref().filter(|_| follows).unwrap_or(name);
            if let Some(line) = element_name(name).and_then(|_| self.told_element(name)) {
                self.print_told(line, false, call);
                continue;
            }
            let Some(variable) = self.state.variables.itself(name).cloned() else {
                status = self.state.dialect.untold_variable_status;
                continue;
            };
            let line = match self.state.dialect.told_variables {
                Told::Nothing => Vec::new(),
                Told::Declare => told_by_declare(name, &variable),
                Told::Bare => self.told_bare(name, &variable),
                Told::Elements => self.told_by_elements(name, &variable),
                Told::Lists => self.told_with_lists(name, &variable),
            };
            let is_plain = variable.keeps == Keeps::Text && !variable.exported;
            if matches!(variable.value, Value::Nothing)
                && is_plain
                && !variable.read_only
                && !self.state.dialect.tells_empty_variables
            {
                continue;
            }
            self.print_told(line, variable.scalar().is_some_and(Text::has_hole), call);
        }
        status
    }

    /// An element that mksh was asked for by a name that means it.
    fn told_element(&self, written: &[u8]) -> Option<Vec<u8>> {
        let (array, index) = element_name(written)?;
        let number = std::str::from_utf8(index).ok()?.parse().ok()?;
        let text = self.state.variables.element(array, &Key::Number(number))?;
        Some([b"typeset ", written, b"=", &self.quoted(text)].concat())
    }

    /// `readonly`: the variables that may not change, with the command that makes them so unless they
    /// are told alone.
    pub(super) fn tell_read_only(&mut self, command: bool, call: &Call<'_>) {
        let names = self.state.variables.names();
        let mut names: Vec<Vec<u8>> = names.into_iter().map(<[u8]>::to_vec).collect();
        names.sort_unstable();
        for name in names {
            let Some(variable) = self.state.variables.get(&name).filter(|one| one.read_only) else {
                continue;
            };
            let value = variable.scalar().map(|text| self.quoted(text));
            let command: &[u8] = if command { b"readonly " } else { b"" };
            let line = match value {
                Some(value) => [command, &name, b"=", &value].concat(),
                None => [command, &name].concat(),
            };
            self.print_told(line, false, call);
        }
    }

    /// Whether `typeset` would not make this variable but find it.
    pub(super) fn is_known_here(&self, name: &[u8]) -> bool {
        let here = self
            .scopes
            .last()
            .is_none_or(|scope| scope.hidden.iter().any(|(known, _)| **known == *name));
        here && self.state.variables.get(name).is_some()
    }

    /// `name=value`, as zsh tells a variable without its attributes.
    pub(super) fn tell_value(&mut self, name: &[u8], call: &Call<'_>) {
        let Some(variable) = self.state.variables.get(name).cloned() else { return };
        let line = [name, b"=", &self.listed_value(&variable)].concat();
        self.print_told(line, variable.scalar().is_some_and(Text::has_hole), call);
    }

    /// `typeset -m pattern...`: the variables whose names match, with their values; with `+m` by what
    /// they are.
    pub(super) fn tell_matching(&mut self, patterns: &[Text], kinds: bool, call: &Call<'_>) {
        for pattern in patterns {
            let rules = self.state.pattern_rules(false);
            let pattern = Pattern::new(pattern.bytes(), &vec![false; pattern.len()], rules);
            let names = self.state.variables.names();
            let mut names: Vec<Vec<u8>> = names.into_iter().map(<[u8]>::to_vec).collect();
            names.retain(|name| pattern.matches(name));
            names.sort_unstable();
            for name in names {
                match kinds {
                    true => self.tell_what_it_is(&name, call),
                    false => self.tell_value(&name, call),
                }
            }
        }
    }

    /// What a variable is, in words, and its name.
    fn tell_what_it_is(&mut self, name: &[u8], call: &Call<'_>) {
        let Some(variable) = self.state.variables.get(name) else { return };
        let mut words: Vec<String> = Vec::new();
        let mut say = |is: bool, word: &str| {
            if is {
                words.push(word.into());
            }
        };
        match variable.keeps {
            Keeps::Integer(Digits { base: 0 | 10, .. }) => say(true, "integer"),
            Keeps::Integer(digits) => say(true, &format!("integer {}", digits.base)),
            Keeps::Real { .. } => say(true, "float"),
            _ => {}
        }
        say(matches!(variable.value, Value::Indexed(_)), "array");
        say(matches!(variable.value, Value::Associative(_)), "association");
        say(self.is_local(name), "local");
        match variable.keeps {
            Keeps::Field(Padding::Left | Padding::LeftDigits, width) => {
                say(true, &format!("left justified {width}"))
            }
            Keeps::Field(Padding::Right | Padding::RightWhole, width) => {
                say(true, &format!("right justified {width}"))
            }
            Keeps::Field(Padding::Zeros | Padding::Filled, width) => {
                say(true, &format!("zero filled {width}"))
            }
            _ => {}
        }
        say(variable.keeps == Keeps::Lower, "lowercase");
        say(variable.read_only, "readonly");
        say(variable.keeps == Keeps::Upper, "uppercase");
        say(variable.exported && self.is_local(name), "exported");
        say(variable.unique, "unique");
        if let Some(tie) = self.state.tie(name) {
            let other = if *tie.list == *name { &tie.text } else { &tie.list };
            say(true, &format!("tied {}", String::from_utf8_lossy(other)));
        }
        words.push(String::from_utf8_lossy(name).into_owned());
        self.print_told(words.join(" ").into_bytes(), false, call);
    }

    fn print_told(&mut self, mut line: Vec<u8>, has_hole: bool, call: &Call<'_>) {
        line.push(b'\n');
        let origin = Origin::new(Rule::Output, call.span);
        let mut text = Text::from_bytes(line, Standing::Quoted, origin.clone());
        if has_hole {
            text.push_hole(Standing::Quoted, &origin);
        }
        self.write(text);
    }

    fn quoted(&self, text: &Text) -> Vec<u8> {
        told(&self.state.dialect, text.bytes())
    }

    /// The value of a variable that is no array; a number needs no quotes.
    fn quoted_value(&self, text: &Text, keeps: Keeps) -> Vec<u8> {
        match keeps {
            Keeps::Integer(_) => text.bytes().to_vec(),
            _ => self.quoted(text),
        }
    }

    /// As ksh93 tells it: a variable without attributes has no command before it.
    fn told_bare(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        let mut words: Vec<String> = Vec::new();
        let mut flag = |is: bool, letter: &str| {
            if is {
                words.push(letter.into());
            }
        };
        flag(variable.exported, "-x");
        flag(variable.read_only, "-r");
        flag(matches!(variable.value, Value::Indexed(_)), "-a");
        flag(matches!(variable.value, Value::Associative(_)), "-A");
        match variable.keeps {
            Keeps::Integer(Digits { base: 0 | 10, .. }) => words.push("-i".into()),
            Keeps::Integer(digits) => words.push(format!("-i {}", digits.base)),
            Keeps::Real { letter: b'f', digits, .. } => words.push(format!("-F {digits}")),
            Keeps::Real { digits, .. } => words.push(format!("-E {digits}")),
            Keeps::Upper => words.push("-u".into()),
            Keeps::Lower => words.push("-l".into()),
            Keeps::Name => words.push("-n".into()),
            Keeps::Field(Padding::Zeros | Padding::Filled, width) => {
                words.push(format!("-Z {width} -R {width}"))
            }
            Keeps::Field(Padding::Left | Padding::LeftDigits, width) => {
                words.push(format!("-L {width}"))
            }
            Keeps::Field(Padding::Right | Padding::RightWhole, width) => {
                words.push(format!("-R {width}"))
            }
            Keeps::Capital | Keeps::Text => {}
        }
        let mut line = Vec::new();
        if !words.is_empty() {
            line.extend_from_slice(format!("typeset {} ", words.join(" ")).as_bytes());
        }
        line.extend_from_slice(name);
        match &variable.value {
            Value::Nothing => {}
            Value::Scalar(text) => {
                line.extend([&b"="[..], &self.quoted_value(text, variable.keeps)].concat());
            }
            Value::Indexed(elements) => {
                let in_turn = elements.keys().copied().eq(0..elements.len() as i64);
                let items = elements.iter().map(|(key, text)| match in_turn {
                    true => self.quoted(text),
                    false => [format!("[{key}]=").as_bytes(), &self.quoted(text)].concat(),
                });
                line.extend([&b"=("[..], &items.collect::<Vec<_>>().join(&b' '), b")"].concat());
            }
            Value::Associative(elements) => {
                let items = elements.pairs().into_iter().map(|(key, text)| {
                    [b"[", &self.quoted(key)[..], b"]=", &self.quoted(text)].concat()
                });
                line.extend([&b"=("[..], &items.collect::<Vec<_>>().join(&b' '), b")"].concat());
            }
        }
        line
    }

    /// As mksh tells it: an array element by element.
    fn told_by_elements(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        let mut options = String::new();
        let mut flag = |is: bool, letter: &str| options += if is { letter } else { "" };
        match variable.keeps {
            Keeps::Field(Padding::Zeros | Padding::Filled, width) => {
                flag(true, &format!(" -R{width} -Z"))
            }
            Keeps::Field(Padding::Left | Padding::LeftDigits, width) => {
                flag(true, &format!(" -L{width}"))
            }
            Keeps::Field(Padding::Right | Padding::RightWhole, width) => {
                flag(true, &format!(" -R{width}"))
            }
            _ => {}
        }
        flag(matches!(variable.keeps, Keeps::Integer(_)), " -i");
        flag(variable.exported, " -x");
        flag(variable.read_only, " -r");
        flag(variable.keeps == Keeps::Lower, " -l");
        flag(variable.keeps == Keeps::Upper, " -u");
        if let Keeps::Integer(digits) = variable.keeps {
            flag(digits.capitals, " -u");
            flag(digits.unsigned, " -U");
        }
        flag(variable.keeps == Keeps::Name, " -n");
        let command = [b"typeset", options.as_bytes(), b" ", name].concat();
        match &variable.value {
            Value::Indexed(elements) => {
                let mut lines = vec![[b"set -A ", name].concat()];
                lines.extend(elements.iter().map(|(key, text)| {
                    [&command[..], format!("[{key}]=").as_bytes(), &self.quoted(text)].concat()
                }));
                lines.join(&b'\n')
            }
            Value::Scalar(text) => {
                [&command[..], b"=", &self.quoted_value(text, variable.keeps)].concat()
            }
            _ => command,
        }
    }

    /// As zsh tells it: what is exported with `export`, lists with blanks inside the parentheses.
    fn told_with_lists(&self, name: &[u8], variable: &Variable) -> Vec<u8> {
        let is_list = matches!(variable.value, Value::Indexed(_) | Value::Associative(_));
        let exported = variable.exported && !is_list;
        let command = if exported { "export" } else { "typeset" };
        let mut letters = Letters::default();
        if !self.scopes.is_empty() && !self.is_local(name) && !exported {
            letters.numbered("g", None);
        }
        letters.add(matches!(variable.value, Value::Indexed(_)), 'a');
        letters.add(matches!(variable.value, Value::Associative(_)), 'A');
        match variable.keeps {
            Keeps::Integer(Digits { base: 0, .. }) => letters.add(true, 'i'),
            Keeps::Integer(digits) => letters.numbered("i", Some(digits.base as usize)),
            Keeps::Real { letter: b'f', .. } => letters.add(true, 'F'),
            Keeps::Real { .. } => letters.add(true, 'E'),
            Keeps::Field(Padding::Left | Padding::LeftDigits, width) => {
                letters.numbered("L", Some(width))
            }
            Keeps::Field(Padding::Right | Padding::RightWhole, width) => {
                letters.numbered("R", Some(width))
            }
            Keeps::Field(Padding::Zeros | Padding::Filled, width) => {
                letters.numbered("Z", Some(width))
            }
            _ => {}
        }
        letters.add(variable.keeps == Keeps::Lower, 'l');
        letters.add(variable.read_only, 'r');
        letters.add(variable.keeps == Keeps::Upper, 'u');
        letters.add(variable.exported && is_list, 'x');
        letters.add(variable.unique, 'U');
        let tie = self.state.tie(name).filter(|_| self.is_told_tied(name)).cloned();
        letters.add(tie.is_some(), 'T');
        let letters = letters.written;
        if let Some(tie) = tie {
            let list = self.state.variables.get(&tie.list).cloned();
            let value = list.map_or_else(Vec::new, |list| self.listed_value(&list));
            let mut line = [command.as_bytes(), letters.as_bytes(), b" "].concat();
            line.extend([&tie.text[..], b" ", &tie.list, b"=", &value].concat());
            if tie.separator != b':' {
                line.extend([b" ", &told(&self.state.dialect, &[tie.separator])[..]].concat());
            }
            return line;
        }
        if let Value::Nothing = variable.value {
            return [command.as_bytes(), letters.as_bytes(), b" ", name].concat();
        }
        let value = self.listed_value(variable);
        [command.as_bytes(), letters.as_bytes(), b" ", name, b"=", &value].concat()
    }

    /// Whether both tied variables are there, so that each tells the other.
    fn is_told_tied(&self, name: &[u8]) -> bool {
        let tie = self.state.tie(name);
        tie.is_some_and(|tie| {
            [&tie.text, &tie.list].into_iter().all(|one| self.state.variables.get(one).is_some())
        })
    }

    /// A value as zsh lists it, with blanks inside the parentheses of a list.
    fn listed_value(&self, variable: &Variable) -> Vec<u8> {
        match &variable.value {
            Value::Nothing => Vec::new(),
            Value::Scalar(text) if matches!(variable.keeps, Keeps::Integer(_)) => {
                in_decimal(text.bytes())
            }
            Value::Scalar(text) => self.quoted_value(text, variable.keeps),
            Value::Indexed(elements) => {
                let last = elements.last_key_value().map_or(0, |(last, _)| *last);
                let empty = Text::new();
                let items = (1..=last).map(|at| self.quoted(elements.get(&at).unwrap_or(&empty)));
                [&b"( "[..], &items.collect::<Vec<_>>().join(&b' '), b" )"].concat()
            }
            Value::Associative(elements) if elements.pairs().is_empty() => b"( )".to_vec(),
            Value::Associative(elements) => {
                let items = elements.pairs().into_iter().map(|(key, text)| {
                    [b"[", &self.quoted(key)[..], b"]=", &self.quoted(text)].concat()
                });
                [&b"( "[..], &items.collect::<Vec<_>>().join(&b' '), b" )"].concat()
            }
        }
    }
}

/// An integer without the base that it is shown with.
fn in_decimal(shown: &[u8]) -> Vec<u8> {
    let text = String::from_utf8_lossy(shown);
    let (sign, digits) = match text.strip_prefix('-') {
        Some(digits) => ("-", digits),
        None => ("", &*text),
    };
    let number = digits.split_once('#').and_then(|(base, digits)| {
        let base = base.parse().ok().filter(|base| (2..=36).contains(base))?;
        u64::from_str_radix(digits, base).ok()
    });
    match number {
        Some(number) => format!("{sign}{number}").into_bytes(),
        None => shown.to_vec(),
    }
}

/// Option letters as zsh joins them: ` -ar -L3 -l`.
#[derive(Default)]
struct Letters {
    written: String,
    /// Whether another letter can follow the latest directly.
    open: bool,
}

impl Letters {
    fn add(&mut self, is: bool, letter: char) {
        if !is {
            return;
        }
        if !std::mem::replace(&mut self.open, true) {
            self.written.push_str(" -");
        }
        self.written.push(letter);
    }

    /// A letter that stands alone, with its number.
    fn numbered(&mut self, letter: &str, number: Option<usize>) {
        let number = number.map_or_else(String::new, |number| number.to_string());
        self.written += &format!(" -{letter}{number}");
        self.open = false;
    }
}

/// As bash tells it: `declare -LETTERS name="value"`.
fn told_by_declare(name: &[u8], variable: &Variable) -> Vec<u8> {
    let letters = attributes(variable);
    let letters = if letters.is_empty() { "-".into() } else { letters };
    let command = [format!("declare -{letters} ").as_bytes(), name].concat();
    let value = match &variable.value {
        Value::Nothing => return command,
        _ if variable.bare => return command,
        Value::Scalar(text) => double_quoted(text.bytes()),
        Value::Indexed(elements) => {
            listed(elements.iter().map(|(key, text)| pair(&key.to_string(), text)).collect(), false)
        }
        Value::Associative(elements) => listed(
            elements.pairs().into_iter().map(|(key, text)| pair(&subscript(key), text)).collect(),
            true,
        ),
    };
    [&command[..], b"=", value.as_bytes()].concat()
}
