//! `compgen` (bash manual, "Programmable Completion Builtins"): what could stand where a word begins so, a line each.

use crate::dialect::utility_names;
use crate::expand::pattern::Pattern;
use crate::expand::{self, Context};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::Value;
use crate::stop::{Status, Stop};
use crate::syntax::Parser;
use crate::syntax::ast::{Part, Word};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::process::unpredictable;

/// The letters of `compgen`.
const LETTERS: &str = "abcdefgjksuvA:C:F:G:P:S:W:X:o:";

/// What is generated, and the letter that asks for it beside `-A name`.
const ACTIONS: &[(&str, u8, Action)] = &[
    ("alias", b'a', Action::Aliases),
    ("arrayvar", 0, Action::Arrays),
    ("binding", 0, Action::Unknown),
    ("builtin", b'b', Action::Utilities),
    ("command", b'c', Action::Unknown),
    ("directory", b'd', Action::Folders),
    ("disabled", 0, Action::Disabled),
    ("enabled", 0, Action::Enabled),
    ("export", b'e', Action::Exported),
    ("file", b'f', Action::Files),
    ("function", 0, Action::Functions),
    ("group", b'g', Action::Unknown),
    ("helptopic", 0, Action::Unknown),
    ("hostname", 0, Action::Unknown),
    ("job", b'j', Action::Nothing),
    ("keyword", b'k', Action::Keywords),
    ("running", 0, Action::Nothing),
    ("service", b's', Action::Unknown),
    ("setopt", 0, Action::Options),
    ("shopt", 0, Action::Unknown),
    ("signal", 0, Action::Unknown),
    ("stopped", 0, Action::Nothing),
    ("user", b'u', Action::Unknown),
    ("variable", b'v', Action::Variables),
];

/// The reserved words of bash, in the order in which it tells them.
const KEYWORDS: &[&str] = &[
    "if", "then", "else", "elif", "fi", "case", "esac", "for", "select", "while", "until", "do",
    "done", "in", "function", "time", "{", "}", "!", "[[", "]]", "coproc",
];

/// What an action makes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
enum Action {
    Aliases,
    Arrays,
    Disabled,
    Enabled,
    Exported,
    Files,
    Folders,
    Functions,
    Keywords,
    /// Commands in the background, which a shell that reads no typed lines has no names for.
    Nothing,
    Options,
    /// What only the machine knows.
    Unknown,
    Utilities,
    Variables,
}

/// `compgen [-letters] [-A action] [-G pattern] [-W words] [-F function] [-X pattern] [-P prefix] [-S suffix] [word]`
pub(super) fn compgen(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(LETTERS, false);
    if given.unknown.is_some() {
        return Ok(walker.complain(call, 2));
    }
    let empty = Text::new();
    let word = given.operands.first().unwrap_or(&empty);
    let mut actions: Vec<Action> = Vec::new();
    for (name, letter, action) in ACTIONS {
        let named = |(asked, value): (u8, &Text)| asked == b'A' && value.bytes() == name.as_bytes();
        if (*letter != 0 && given.has(*letter)) || given.with_values().any(named) {
            actions.push(*action);
        }
    }
    let is_action =
        |value: &Text| ACTIONS.iter().any(|(name, ..)| name.as_bytes() == value.bytes());
    if given.with_values().any(|(letter, value)| letter == b'A' && !is_action(value)) {
        return Ok(walker.complain(call, 2));
    }
    if actions.contains(&Action::Unknown) || given.has(b'C') {
        return unpredictable(walker, call);
    }
    let asks = |letter: u8| !matches!(letter, b'o' | b'P' | b'S' | b'X');
    if !given.letters().any(asks) {
        return Ok(0);
    }
    let mut made = Vec::new();
    for action in actions {
        made.extend(walker.generated(action, word.bytes()));
    }
    if let Some(pattern) = given.value(b'G') {
        made.extend(walker.matching_pathnames(pattern, call.span)?);
    }
    if let Some(words) = given.value(b'W') {
        let words = walker.words_generated(words, call.span)?;
        made.extend(words.into_iter().filter(|one| one.bytes().starts_with(word.bytes())));
    }
    if let Some(function) = given.value(b'F') {
        made.extend(walker.replies(function, word, call)?);
    }
    if let Some(filter) = given.value(b'X') {
        walker.filter(&mut made, (filter, word), call.span);
    }
    let around = |letter| given.value(letter).cloned().unwrap_or_default();
    walker.tell_generated(&made, (&around(b'P'), &around(b'S')), call.span);
    Ok(Status::from(made.is_empty()))
}

impl Walker {
    /// The names of a kind that begin so.
    fn generated(&mut self, action: Action, prefix: &[u8]) -> Vec<Text> {
        if matches!(action, Action::Files | Action::Folders) {
            return self.files_that_begin(prefix, action == Action::Folders);
        }
        if matches!(action, Action::Variables | Action::Arrays) {
            self.state.freshen_like(prefix);
        }
        let state = &self.state;
        let is_forgotten = |name: &str| state.forgotten.iter().any(|one| **one == *name.as_bytes());
        let variables = |wanted: &dyn Fn(&Value, bool) -> bool| -> Vec<Vec<u8>> {
            let names = state.variables.names().into_iter();
            let fits = |name: &&[u8]| {
                let variable = state.variables.itself(name);
                variable.is_some_and(|one| wanted(&one.value, one.exported))
            };
            names.filter(fits).map(<[u8]>::to_vec).collect()
        };
        let utilities = |wanted: &dyn Fn(&str) -> bool| -> Vec<Vec<u8>> {
            let mut names: Vec<&str> =
                utility_names(state.dialect.shell).filter(|name| wanted(name)).collect();
            names.sort_unstable();
            names.into_iter().map(|name| name.as_bytes().to_vec()).collect()
        };
        let sorted = |mut names: Vec<Vec<u8>>| {
            names.sort_unstable();
            names
        };
        let is_array = |value: &Value| matches!(value, Value::Indexed(_) | Value::Associative(_));
        let names: Vec<Vec<u8>> = match action {
            Action::Aliases => sorted(state.aliases.keys().map(|name| name.to_vec()).collect()),
            Action::Arrays => variables(&|value, _| is_array(value)),
            Action::Disabled => utilities(&is_forgotten),
            Action::Enabled => utilities(&|name| !is_forgotten(name)),
            Action::Exported => variables(&|_, exported| exported),
            Action::Functions => sorted(state.functions.keys().map(|name| name.to_vec()).collect()),
            Action::Keywords => KEYWORDS.iter().map(|word| word.as_bytes().to_vec()).collect(),
            Action::Options => {
                let names = state.dialect.set_names.split(' ');
                names.map(|name| name.as_bytes().to_vec()).collect()
            }
            Action::Utilities => utilities(&|_| true),
            Action::Variables => variables(&|_, _| true),
            Action::Files | Action::Folders | Action::Nothing | Action::Unknown => Vec::new(),
        };
        let fitting = names.into_iter().filter(|name| name.starts_with(prefix));
        fitting.map(|name| state.shell_text(&name)).collect()
    }

    /// The files whose paths begin so.
    fn files_that_begin(&mut self, prefix: &[u8], only_folders: bool) -> Vec<Text> {
        let slash = prefix.iter().rposition(|&byte| byte == b'/').map_or(0, |at| at + 1);
        let (folder, name) = prefix.split_at(slash);
        let mut found: Vec<Vec<u8>> = Vec::new();
        let host = Context::host(self);
        host.list(if folder.is_empty() { b"." } else { folder }, &mut |file| {
            if file.starts_with(name) && !matches!(file, b"." | b"..") {
                found.push([folder, file].concat());
            }
        });
        found.sort_unstable();
        found.retain(|path| !only_folders || host.is_folder(path));
        found.iter().map(|path| self.state.shell_text(path)).collect()
    }

    /// The pathnames that `-G` matches: nothing in the pattern is expanded or quoted.
    fn matching_pathnames(&mut self, pattern: &Text, span: Span) -> Result<Vec<Text>, Stop> {
        let part = Part::Literal { bytes: pattern.bytes().into(), span };
        let word = Word::new(vec![part], span);
        let options = self.state.options.clone();
        self.state.options.no_braces = true;
        self.state.options.null_glob = true;
        self.state.options.fail_glob = false;
        let found = expand::file_fields(self, &word);
        self.state.options = options;
        let host = Context::host(self);
        Ok(found?.into_iter().filter(|path| host.exists(path.bytes())).collect())
    }

    /// What the words of `-W` expand to, which IFS separates outside of quotes; no pathnames.
    fn words_generated(&mut self, words: &Text, span: Span) -> Result<Vec<Text>, Stop> {
        let separators = self.state.variables.separators();
        let separators = separators.as_deref().unwrap_or(b" \t\n").to_vec();
        let dialect = self.state.dialect.clone();
        let no_glob = std::mem::replace(&mut self.state.options.no_glob, true);
        let mut made = Vec::new();
        let mut outcome = Ok(());
        for piece in pieces(words.bytes(), &separators) {
            let source = self.state.sources.built("words", piece);
            let place = Span::new(source, 0, piece.len());
            let word = Parser::new(piece, source, &dialect).whole_word(place);
            let fields = word.map_err(Stop::from).and_then(|word| expand::file_fields(self, &word));
            match fields {
                Ok(fields) => made.extend(fields),
                Err(stop) => {
                    outcome = Err(stop);
                    break;
                }
            }
        }
        self.state.options.no_glob = no_glob;
        let hop = Hop { rule: Rule::Stored, span, name: None, shifted: 0 };
        let made = made.iter().map(|text| text.passed_through(&hop, Standing::Quoted));
        outcome.map(|()| made.collect())
    }

    /// What a function leaves in COMPREPLY.
    fn replies(
        &mut self,
        function: &Text,
        word: &Text,
        call: &Call<'_>,
    ) -> Result<Vec<Text>, Stop> {
        self.message_hole(call.span);
        if !self.state.functions.contains_key(function.bytes()) {
            return Ok(Vec::new());
        }
        self.state.variables.remove(b"COMPREPLY");
        let argv = vec![function.clone(), call.argv[0].clone(), word.clone(), Text::new()];
        self.call_function(function.bytes(), argv, call.span)?;
        let replies = self.state.variables.remove(b"COMPREPLY");
        Ok(replies
            .map(|variable| variable.texts().into_iter().cloned().collect())
            .unwrap_or_default())
    }

    /// Leaves out what `-X` matches, or what it does not match behind `!`. An `&` in it is the word.
    fn filter(&self, made: &mut Vec<Text>, (filter, word): (&Text, &Text), span: Span) {
        let keeps = filter.bytes().starts_with(b"!");
        let mut pattern = Vec::new();
        for &byte in &filter.bytes()[usize::from(keeps)..] {
            match byte {
                b'&' => pattern.extend_from_slice(word.bytes()),
                byte => pattern.push(byte),
            }
        }
        let pattern = Text::copied(&pattern, Standing::Plain, Origin::new(Rule::Literal, span));
        let pattern = Pattern::from_text(&pattern, self.state.pattern_rules(false));
        made.retain(|one| pattern.matches(one.bytes()) == keeps);
    }

    fn tell_generated(&mut self, made: &[Text], (before, behind): (&Text, &Text), span: Span) {
        let hop = Hop { rule: Rule::Output, span, name: None, shifted: 0 };
        let newline = self.state.shell_text(b"\n");
        let mut told = Text::new();
        for one in made {
            for part in [before, one, behind, &newline] {
                told.push_text(&part.passed_through(&hop, Standing::Quoted));
            }
        }
        if !told.is_empty() {
            self.write(told);
        }
    }
}

/// The pieces of a text between separators outside of quotes and expansions.
fn pieces<'t>(text: &'t [u8], separators: &[u8]) -> Vec<&'t [u8]> {
    let mut pieces = Vec::new();
    let (mut start, mut at) = (0, 0);
    // What closes the quotes and expansions that are open.
    let mut open: Vec<u8> = Vec::new();
    while at < text.len() {
        let (byte, inner) = (text[at], open.last().copied());
        match (byte, inner) {
            (b'\\', _) if inner != Some(b'\'') => at += 1,
            (byte, Some(end)) if byte == end => drop(open.pop()),
            (_, Some(b'\'')) => {}
            (b'$', _) if matches!(text.get(at + 1), Some(b'(' | b'{')) => {
                at += 1;
                open.push(if text[at] == b'(' { b')' } else { b'}' });
            }
            (b'(', Some(b')')) => open.push(b')'),
            (b'"' | b'`', _) => open.push(byte),
            (b'\'', _) if inner != Some(b'"') => open.push(byte),
            (byte, None) if separators.contains(&byte) => {
                pieces.push(&text[start..at]);
                start = at + 1;
            }
            _ => {}
        }
        at += 1;
    }
    pieces.push(&text[start.min(text.len())..]);
    pieces.retain(|piece| !piece.is_empty());
    pieces
}
