//! `typeset -f`, `functions`, and what `type` says behind the name of a function.

use std::rc::Rc;

use bstr::ByteSlice;

use crate::definition::definition;
use crate::lineage::{Hop, Origin, Rule};
use crate::source::{SourceId, SourceKind};
use crate::state::{FunctionMarks, MathFunction};
use crate::stop::{Status, Stop};
use crate::syntax::is_name;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::options::Given;
use crate::walk::builtins::variables::declare_as;

/// How much of its functions a utility tells.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Tells {
    /// Their definitions.
    Definitions,
    /// Their names, as the shell lists them.
    Listed,
    /// Their names.
    Names,
}

/// `functions [name]...` of zsh.
pub(super) fn functions(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    if !walker.state.dialect.reads_functions {
        return declare_as(walker, call);
    }
    let given = call.given("ckmMsTtuUWxz", true);
    if let ([from, to], true) = (given.operands, given.has(b'c')) {
        return Ok(walker.copy_function(from.bytes(), to.bytes()));
    }
    if given.has(b'M') || given.takes_back(b'M') {
        return Ok(walker.math_functions(&given, call));
    }
    match given.letters().all(|letter| letter == b'm') {
        true => Ok(walker.tell_functions(&given, Tells::Definitions, call)),
        false => {
            crate::expand::Context::missing(walker, "what the built-in functions does", call.span);
            Ok(0)
        }
    }
}

impl Walker {
    /// Gives a function a second name; its status is 1 if there is none.
    fn copy_function(&mut self, from: &[u8], to: &[u8]) -> Status {
        match self.state.functions.get(from).cloned() {
            Some(function) => {
                self.state.functions.insert(to.into(), function);
                0
            }
            None => 1,
        }
    }
}

impl Walker {
    /// `functions -M[s] name [least [most [function]]]`, `functions +M name...`, `functions -M`.
    fn math_functions(&mut self, given: &Given<'_>, call: &Call<'_>) -> Status {
        if given.takes_back(b'M') {
            let named = Rc::make_mut(&mut self.state.math.named);
            given.operands.iter().for_each(|name| drop(named.remove(name.bytes())));
            return 0;
        }
        let Some(name) = given.operands.first() else {
            return self.list_math_functions(call);
        };
        let number = |at: usize, least: i64| -> Result<Option<i64>, ()> {
            let Some(text) = given.operands.get(at) else { return Ok(None) };
            let text = text.bytes().to_str().map_err(drop)?;
            text.parse().ok().filter(|&number| number >= least).map(Some).ok_or(())
        };
        let (least, most) = match (number(1, 0), number(2, -1)) {
            (Ok(least), Ok(most)) => (least.unwrap_or(0), most),
            _ => return self.complain(call, 1),
        };
        let is_bad = most.is_some_and(|most| most >= 0 && most < least);
        if !is_name(name.bytes()) || is_bad || given.operands.len() > 4 {
            return self.complain(call, 1);
        }
        let most = match (given.operands.len(), most) {
            (_, Some(-1)) | (1, _) => None,
            (_, most) => Some(most.unwrap_or(least) as usize),
        };
        let function = MathFunction {
            least: least as usize,
            most,
            calls: given.operands.get(3).unwrap_or(name).bytes().into(),
            takes_text: given.has(b's'),
        };
        Rc::make_mut(&mut self.state.math.named).insert(name.bytes().into(), function);
        0
    }

    fn list_math_functions(&mut self, call: &Call<'_>) -> Status {
        if !self.state.math.named.is_empty() {
            crate::expand::Context::missing(self, "in what order they are told", call.span);
        }
        0
    }
}

/// `caller [number]`: the line and the text that a function was called from; with a number, that of so many
/// calls further out, and its function.
pub(super) fn caller(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("", false);
    if given.unknown.is_some() {
        return Ok(walker.state.dialect.option_usage_status);
    }
    let (lines, names) = (walker.state.call_lines(), walker.state.call_names());
    let places = walker.state.call_places();
    let text = match given.operands.first() {
        None => lines.first().map(|line| {
            let place = places.get(1).map_or(&b"NULL"[..], |place| place);
            [line.to_string().as_bytes(), b" ", place].concat()
        }),
        Some(operand) => {
            let Some(level) = operand.bytes().to_str().ok().and_then(|text| text.parse().ok())
            else {
                return Ok(walker.state.dialect.option_usage_status);
            };
            let outer = usize::checked_add(level, 1).unwrap_or(level);
            lines.get(level).zip(names.get(outer)).zip(places.get(outer)).map(
                |((line, name), place)| {
                    [line.to_string().as_bytes(), b" ", name, b" ", place].concat()
                },
            )
        }
    };
    let Some(mut text) = text else { return Ok(1) };
    text.push(b'\n');
    let origin = Origin::new(Rule::Output, call.span);
    walker.write(Text::from_bytes(text, Standing::Quoted, origin));
    Ok(0)
}

/// The marks that the options ask for, and the utility itself.
fn asked_marks(given: &Given<'_>, utility: &[u8]) -> FunctionMarks {
    FunctionMarks {
        read_only: utility == b"readonly" || given.has(b'r'),
        traced: given.has(b't'),
        exported: utility == b"export" || given.has(b'x'),
    }
}

impl Walker {
    /// Tells the functions of these names, or all; the status says whether there are all of them.
    pub(super) fn tell_functions(
        &mut self,
        given: &Given<'_>,
        tells: Tells,
        call: &Call<'_>,
    ) -> Status {
        if given.operands.is_empty() {
            let asked = asked_marks(given, call.bytes(0).unwrap_or_default());
            self.tell_functions_with(asked, tells, call);
            return 0;
        }
        let mut status = 0;
        for operand in given.operands {
            match self.state.functions.contains_key(operand.bytes()) {
                true => {
                    self.tell_function(operand.bytes(), tells, call);
                    if given.has(b'p') {
                        self.tell_marks(operand.bytes(), tells, call);
                    }
                }
                false => {
                    status = 1;
                    self.status_is_answer = true;
                }
            }
        }
        status
    }

    /// Tells all functions that have some marks.
    pub(super) fn tell_functions_with(
        &mut self,
        asked: FunctionMarks,
        tells: Tells,
        call: &Call<'_>,
    ) {
        let has = |marks: FunctionMarks| {
            (marks.read_only || !asked.read_only)
                && (marks.exported || !asked.exported)
                && (marks.traced || !asked.traced)
        };
        let all = self.state.functions.iter().filter(|(_, function)| has(function.marks));
        let mut all: Vec<_> = all.map(|(name, _)| name.clone()).collect();
        all.sort_unstable();
        for name in &all {
            self.tell_function(name, tells, call);
            self.tell_marks(name, tells, call);
        }
    }

    /// Behind a definition, the marks of the function where it has any.
    fn tell_marks(&mut self, name: &[u8], tells: Tells, call: &Call<'_>) {
        let marks = self.state.functions.get(name).map(|function| function.marks);
        if tells == Tells::Definitions && marks != Some(FunctionMarks::default()) {
            self.tell_function(name, Tells::Listed, call);
        }
    }

    /// Marks the functions that are named, if `declare`, `export` or `readonly` was asked to.
    pub(super) fn mark_functions(&mut self, given: &Given<'_>, utility: &[u8]) -> Option<Status> {
        let asked = asked_marks(given, utility);
        let back = given.takes_back(b'x') || given.takes_back(b't') || given.takes_back(b'r');
        let asks = asked == FunctionMarks::default() && !back;
        if given.operands.is_empty() || given.has(b'p') || asks {
            return None;
        }
        let unmarks = utility == b"export" && given.has(b'n');
        let mut status = 0;
        for operand in given.operands {
            let Some(function) = self.state.functions.get_mut(operand.bytes()) else {
                status = 1;
                continue;
            };
            // The environment could not hold it.
            let unfit = match utility {
                b"export" => operand.bytes().iter().any(|byte| b"=/".contains(byte)),
                _ => operand.bytes().contains(&b'='),
            };
            if asked.exported && unfit && !unmarks {
                status = 1;
                continue;
            }
            if given.takes_back(b'r') && function.marks.read_only {
                status = 1;
                continue;
            }
            let marks = &mut function.marks;
            marks.read_only |= asked.read_only;
            marks.traced = (marks.traced || asked.traced) && !given.takes_back(b't');
            let exported = marks.exported || asked.exported;
            marks.exported = exported && !unmarks && !given.takes_back(b'x');
        }
        Some(status)
    }

    /// Whether a function may neither be unset nor defined again.
    pub(super) fn is_frozen_function(&self, name: &[u8]) -> bool {
        self.state.functions.get(name).is_some_and(|function| function.marks.read_only)
    }

    fn tell_function(&mut self, name: &[u8], tells: Tells, call: &Call<'_>) {
        let (before, behind) = match (tells, self.state.dialect.listed_functions) {
            (Tells::Definitions, _) => return self.define(name, call),
            (Tells::Listed, around) => around,
            (Tells::Names, _) => ("", ""),
        };
        let marks = self.state.functions.get(name).map(|function| function.marks.letters());
        let before = before.replace("-f", &format!("-f{}", marks.unwrap_or_default()));
        let origin = Origin::new(Rule::Output, call.span);
        let line = [before.as_bytes(), name, behind.as_bytes(), b"\n"].concat();
        self.write(Text::from_bytes(line, Standing::Quoted, origin));
    }

    /// Prints the definition of a function, where the shell can.
    pub(super) fn define(&mut self, name: &[u8], call: &Call<'_>) {
        let Some(function) = self.state.functions.get(name) else { return };
        let hop = Hop { rule: Rule::Output, span: call.span, name: None, shifted: 0 };
        let state = &self.state;
        if let Some(text) = definition(&state.sources, &state.dialect, name, function, hop) {
            self.write(text);
        }
    }

    /// What zsh says of where a function is from: the file, or the shell itself.
    pub(super) fn function_is_from(&self, name: &[u8]) -> Vec<u8> {
        let sources = &self.state.sources;
        let source = self.state.functions.get(name).map(|function| function.span.source);
        let file = |id: SourceId| match &sources.get(id).kind {
            SourceKind::File(path) => Some(path.to_vec()),
            _ => None,
        };
        let path = source.and_then(file).or_else(|| file(SourceId::MAIN));
        path.unwrap_or_else(|| b"zsh".to_vec())
    }
}
