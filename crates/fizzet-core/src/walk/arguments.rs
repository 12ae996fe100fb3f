//! The words of a simple command become arguments, one word behind the other.

use crate::expand;
use crate::stop::{Reach, Status, Stop};
use crate::syntax::ast::{Argument, Part, Word};
use crate::text::Text;
use crate::trace::WordTrace;
use crate::walk::Walker;

/// What the words up to here say about how those behind them are read.
#[derive(Default)]
struct Front {
    /// As assignments.
    declares: bool,
    /// As the name of a utility: all words were `command` or the like.
    named: bool,
    /// With tildes behind `=`.
    has_tildes: bool,
}

impl Walker {
    pub(super) fn arguments(
        &mut self,
        words: &[Argument],
    ) -> Result<(Vec<Text>, Vec<WordTrace>), Stop> {
        let modified = self.precommand_words(words);
        let outer = self.state.options.no_glob;
        self.state.options.no_glob |= modified.iter().any(|word| literal(word) == Some(b"noglob"));
        let outside = std::mem::take(&mut self.in_turn);
        let words = words.get(modified.len()..).unwrap_or_default();
        let made = match words.first() {
            Some(first) => self.matching_some(first.span(), |walker| walker.expanded(words)),
            None => self.expanded(words),
        };
        let in_turn = std::mem::replace(&mut self.in_turn, outside);
        self.restore(in_turn);
        self.state.options.no_glob = outer;
        made
    }

    fn expanded(&mut self, words: &[Argument]) -> Result<(Vec<Text>, Vec<WordTrace>), Stop> {
        // The status that a mistake in the words leaves.
        let before = if self.state.status == 0 { 1 } else { self.state.status };
        let mut argv: Vec<Text> = Vec::with_capacity(words.len());
        let mut traces = match self.wants.commands {
            true => Vec::with_capacity(words.len()),
            false => Vec::new(),
        };
        let mut front = Front::default();
        let mut unmatched = None;
        for (at, argument) in words.iter().enumerate() {
            self.state.doing.pattern = None;
            let Argument::Word(word) = argument else {
                match self.array_argument(argument, &mut argv) {
                    Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                        unmatched.get_or_insert((error, argv.len()));
                    }
                    made => made.map_err(|stop| self.mistaken_after(stop, before))?,
                }
                continue;
            };
            let first = argv.len();
            let unchanged = if front.declares { None } else { expand::unchanged(word) };
            let trace = match unchanged {
                Some(text) => {
                    argv.push(text);
                    self.wants.commands.then(|| WordTrace::new(word.span, first))
                }
                None => {
                    self.word = self.wants.commands.then(|| WordTrace::new(word.span, first));
                    let declared = front.declares.then_some(at + 1 == words.len());
                    match self.next_fields(word, declared, front.has_tildes, &mut argv) {
                        // Another word may hold a mistake that reaches farther.
                        Err(Stop::Shell(error)) if error.reach == Reach::Command => {
                            unmatched.get_or_insert((error, first));
                        }
                        made => made.map_err(|stop| self.mistaken_after(stop, before))?,
                    }
                    self.word.take()
                }
            };
            let limit = self.state.limits.fields;
            if argv.len() > limit {
                let (what, limit, span) = ("arguments of one command", limit as u64, word.span);
                return Err(Stop::Limit { what, limit, span });
            }
            if let Some(mut trace) = trace {
                trace.count = argv.len() - first;
                if !trace.stages.is_empty() {
                    trace.stages = expand::telling(std::mem::take(&mut trace.stages));
                }
                traces.push(trace);
            }
            if at == 0 || (front.named && !front.declares) {
                front = self.front(word, at == 0, &argv[first.min(argv.len())..]);
            }
        }
        match unmatched {
            Some((error, before)) => Err(self.farther(error, &argv[..before])),
            None => Ok((argv, traces)),
        }
    }

    /// What a word says about those behind it. `is_first`: of the command. `made`: what became of it.
    fn front(&self, word: &Word, is_first: bool, made: &[Text]) -> Front {
        let dialect = &self.state.dialect;
        let is_keyword = is_first && word.literal().is_some();
        let has_tildes = dialect.builtin_values_have_tildes
            && made.first().is_some_and(|name| {
                name.bytes() == b"alias" || (!is_keyword && dialect.is_declaration(name.bytes()))
            });
        let named = self.passes_declarations(word, made)
            || (dialect.builtin_values_have_tildes && word.literal() == Some(b"builtin"));
        Front { declares: self.declares(word, made) && !has_tildes, named, has_tildes }
    }

    /// A mistake in the words of a command that leaves this status, where the shell has it so.
    pub(super) fn mistaken_after(&self, stop: Stop, status: Status) -> Stop {
        let exits = matches!(&stop, Stop::Shell(error) if error.exits);
        match self.state.dialect.mistakes_keep_status && !exits {
            true => stop.leaving(status),
            false => stop,
        }
    }

    /// All fields of a word, put behind those of other words. Behind the name of a declaration utility: whether it is
    /// the last one.
    fn next_fields(
        &mut self,
        word: &Word,
        declared: Option<bool>,
        has_tildes: bool,
        argv: &mut Vec<Text>,
    ) -> Result<(), Stop> {
        if let Some(is_last) = declared
            && let Some(text) = self.declared_in_turn(word, is_last)?
        {
            argv.push(text);
            return Ok(());
        }
        expand::fields_onto(self, word, has_tildes, argv)
    }

    /// What a word behind a declaration utility assigns, if it looks like an assignment; where words are assigned in
    /// turn, those behind it see that.
    fn declared_in_turn(&mut self, word: &Word, is_last: bool) -> Result<Option<Text>, Stop> {
        let assigned = self.declared(word)?;
        if let Some(text) = &assigned
            && self.state.dialect.declarations_assign_in_turn
            && !is_last
        {
            self.assign_in_turn(text);
        }
        Ok(assigned)
    }

    /// Gives a variable what a word of a declaration says, until the words behind it are expanded as well.
    fn assign_in_turn(&mut self, assignment: &Text) {
        let bytes = assignment.bytes();
        let Some(equals) = bytes.iter().position(|&byte| byte == b'=') else { return };
        let name = &bytes[..equals];
        if !self.state.dialect.is_name(name) {
            return;
        }
        let before = self.state.variables.get(name).cloned();
        self.in_turn.push((name.into(), before));
        self.state.variables.set(name, assignment.slice(equals + 1, assignment.len()));
    }

    /// Whether the arguments behind this command name are read as assignments.
    fn declares(&self, name: &Word, argv: &[Text]) -> bool {
        let dialect = &self.state.dialect;
        match dialect.late_declarations {
            true => argv.first().is_some_and(|name| dialect.is_declaration(name.bytes())),
            false if dialect.quoted_name_declares && is_fixed(name) => {
                argv.first().is_some_and(|name| dialect.is_declaration(name.bytes()))
            }
            false => name.literal().is_some_and(|name| dialect.is_declaration(name)),
        }
    }

    /// Whether a utility of this name passes on that a declaration utility is behind it.
    fn passes_declarations(&self, name: &Word, argv: &[Text]) -> bool {
        let prefixes = self.state.dialect.declaring_prefixes;
        let is = |text: &[u8]| prefixes.iter().any(|prefix| prefix.as_bytes() == text);
        match name.literal() {
            Some(name) => is(name),
            None => {
                self.state.dialect.quoted_name_declares
                    && is_fixed(name)
                    && argv.first().is_some_and(|text| is(text.bytes()))
            }
        }
    }
}

/// The text of a word in which nothing is quoted or expanded.
pub(super) fn literal(argument: &Argument) -> Option<&[u8]> {
    match argument {
        Argument::Word(word) => word.literal(),
        Argument::Assignment(_) => None,
    }
}

/// Whether a word holds quotes and text only.
fn is_fixed(word: &Word) -> bool {
    let fixed = |part: &Part| match part {
        Part::Literal { .. } | Part::Escaped { .. } | Part::Single { .. } => true,
        Part::Double { parts, .. } => parts.iter().all(|part| matches!(part, Part::Literal { .. })),
        _ => false,
    };
    word.parts.iter().all(fixed)
}
