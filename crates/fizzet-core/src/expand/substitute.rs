//! Tilde expansion, parameter expansion, command substitution and arithmetic expansion, in one pass
//! from left to right, as POSIX XCU 2.6 wants it.
//!
//! The result is one text, or several where a `"$@"` breaks the word. Which bytes are still to be
//! split, and which form patterns, is kept as the standing of their runs.

use std::rc::Rc;

use crate::dialect::{Beside, EmptyAt, EmptyAtInWord};
use crate::expand::distribute::chosen;
use crate::expand::parts::{
    is_all_parameters, is_alternative, is_alternative_of_list, is_expansion, is_list_or_default,
    is_list_part,
};
use crate::expand::splitters::Splitters;
use crate::expand::{Context, Ifs, Tilde, arithmetic, ifs, record};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::{Key, State};
use crate::stop::Stop;
use crate::syntax::ast::{Operation, Part, Word};
use crate::text::{Run, Standing, Text};
use crate::trace::Expansion;

/// A part of a word that `$@` or `$*` keeps apart from the next.
pub(super) struct Piece {
    /// What it holds.
    pub(super) text: Text,
    /// What stands behind it.
    pub(super) after: Break,
    /// From which byte on which IFS splits it, where that changes within the word.
    pub(super) splitters: Vec<(usize, Rc<Ifs>)>,
}

impl Piece {
    pub(super) fn new(text: Text, after: Break) -> Piece {
        Piece { text, after, splitters: Vec::new() }
    }
}

/// What emptied quotes leave behind in the words of a `case`, where a shell lets them.
pub(super) const MARK: &[u8] = b"\x7f";

/// What separates two pieces of a word.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Break {
    /// One field ends and the next begins.
    Field,
    /// The same, but as white space of IFS would do it: between the parameters of the unquoted `$@`
    /// at this place.
    Blank(Span),
    /// The same, but as another character of IFS would do it.
    Separator(Span),
    /// What follows are choices, one of which goes on this field.
    Choices,
    /// The next choice.
    Choice,
    /// The choices end, and the field goes on.
    ChoicesEnd,
    /// The field goes on, but white space of IFS that comes next ends none; if nothing but that comes,
    /// the field is lost.
    Anew,
}

/// What a part stands in.
#[derive(Clone, Copy, Debug)]
pub(super) struct Place {
    /// Between double quotes.
    pub(super) quoted: bool,
    /// Whether the word may become several fields.
    pub(super) fields: bool,
    /// How unquoted literal text stands: text inside an unquoted `${x:-...}` is split too.
    pub(super) literal: Standing,
    /// How the bytes of an unquoted expansion stand.
    pub(super) expansion: Standing,
    /// How the bytes of an unquoted command substitution stand.
    pub(super) command: Standing,
    /// Whether a backslash that stands for itself between these double quotes can be split at.
    pub(super) bare_backslash: bool,
    /// Whether a `$@` stands in the same double quotes, where the shell minds.
    pub(super) beside_at: bool,
    /// Whether the part stands alone between its double quotes.
    pub(super) alone: bool,
    /// Where tildes are expanded.
    pub(super) tilde: Tilde,
    /// Whether the part belongs to the value of an assignment.
    pub(super) assigned: bool,
    /// Whether quotes that an expansion has emptied leave a mark.
    pub(super) marks: bool,
    /// Whether an unquoted `$*` in commands inside is joined, where a shell has it so.
    pub(super) joins_stars: bool,
    /// What stands between the values of a list that becomes one text.
    pub(super) joiner: Joiner,
    /// Whether each element of a list takes the text around it along.
    pub(super) distributes: bool,
    /// Whether it is a here-document in which words of operations have tildes, outside quotes of their own.
    pub(super) document: bool,
}

/// What stands between the values of a list that becomes one text.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Joiner {
    /// The first character of IFS.
    Ifs,
    /// The same, for the elements of `@` lists too; a space if IFS is empty.
    IfsForAll,
    /// A space.
    Space,
    /// The first character of IFS; spaces between parameters that are not quoted if IFS is empty.
    Declared,
    /// A space between the elements of `@` lists, and a mark for the empty ones that are not the first.
    Marked,
    /// As with the first one, but a backslash stands before it between quotes.
    Escaped,
    /// The first character of IFS; if that is empty, what hides the next byte of the pattern.
    OfPattern,
    /// What an assignment in bash has: only `$@` itself is joined with spaces.
    Assigned,
    /// A space, but between the elements of an array the first character of IFS, and between changed
    /// values too if `changed` says so.
    SpaceForParameters { changed: bool },
}

impl Place {
    /// A word that becomes arguments.
    pub(super) const FIELDS: Place = Place {
        quoted: false,
        fields: true,
        literal: Standing::Plain,
        expansion: Standing::Splittable,
        command: Standing::Splittable,
        bare_backslash: false,
        beside_at: false,
        alone: false,
        tilde: Tilde::AtStart,
        assigned: false,
        marks: false,
        joins_stars: false,
        joiner: Joiner::Ifs,
        distributes: false,
        document: false,
    };

    /// A word that becomes exactly one text.
    pub(super) const SINGLE: Place = Place { fields: false, ..Place::FIELDS };

    /// How the bytes of an expansion stand here.
    pub(super) fn expanded(self) -> Standing {
        if self.quoted { Standing::Quoted } else { self.expansion }
    }
}

/// How the value of an unquoted parameter stands.
pub(super) fn standing_of_values(state: &State) -> Standing {
    let forms_patterns = state.dialect.splits_parameters || state.options.glob_substitution;
    match (state.splits_parameters(), forms_patterns) {
        (true, true) => Standing::Splittable,
        (true, false) => Standing::Inert,
        (false, true) => Standing::Value,
        (false, false) => Standing::Quoted,
    }
}

/// A word on its way.
pub(super) struct Substitution<'c> {
    pub(super) cx: &'c mut dyn Context,
    done: Vec<Piece>,
    current: Text,
    /// How many `$@` without parameters have been met inside the open double quotes.
    empty_ats: usize,
    /// Whether the quotes keep an argument although `$@` between them is empty.
    pub(super) keeps_empty: bool,
    /// Whether a tilde-prefix has swallowed the rest of the word.
    pub(super) cut: bool,
    /// The empty last parameter of a `$@`, which stays only if no unquoted expansion follows.
    pub(super) last_empty: Option<Origin>,
    /// An empty `$''` that stays only if no unquoted expansion follows.
    waiting_empty: Option<Origin>,
    /// Whether an expansion that counts has been met: an unset parameter counts as not written.
    pub(super) met: bool,
    /// Whether the latest expansion that can be split was a quoted `$@` with parameters.
    pub(super) behind_quoted_at: bool,
    /// Whether quotes of the word keep what stands behind a separator in the words of its operations.
    pub(super) behind_quotes: bool,
    /// Whether a brace keeps what follows from being split.
    pub(super) unsplit: bool,
    /// Whether the word is the argument `name=value` of a declaration utility.
    pub(super) declares: bool,
    /// Whether replacements look for the shortest matches.
    pub(super) shortest_matches: bool,
    /// Which match of a replacement is the first that counts, from 1.
    pub(super) which_match: usize,
    /// Whether an operation has taken all of a value away.
    pub(super) emptied: bool,
    /// Whether a list, or the output of a command, was put into the word outside quotes: where arrays are
    /// lists, one element of them is still a list.
    pub(super) has_list: bool,
    /// What a word that was not used leaves over, whose brace ends the word around it.
    pub(super) left_over: Option<Vec<Part>>,
    /// What stands behind the brace that ended an operation early.
    pub(super) behind_brace: Option<Vec<Part>>,
    /// The key of the element that was looked up, where it is not read again when that is assigned.
    pub(super) looked_up: Option<Key>,
    /// The IFS of each stretch of the word.
    pub(super) splitters: Splitters,
}

impl<'c> Substitution<'c> {
    pub(super) fn run(
        cx: &'c mut dyn Context,
        word: &Word,
        place: Place,
    ) -> Result<Vec<Piece>, Stop> {
        Substitution::run_telling(cx, word, place).map(|(pieces, _)| pieces)
    }

    /// The pieces of a word, and whether a list of any length was put into it.
    pub(super) fn run_telling(
        cx: &'c mut dyn Context,
        word: &Word,
        place: Place,
    ) -> Result<(Vec<Piece>, bool), Stop> {
        let place = match standing_of_values(cx.state()) {
            expansion @ (Standing::Quoted | Standing::Inert) => {
                Place { expansion, command: Standing::Inert, ..place }
            }
            expansion => Place { expansion, ..place },
        };
        let assigned = place.assigned || place.tilde == Tilde::AfterColons;
        let place = Place { distributes: cx.state().options.distributes, assigned, ..place };
        let splitters = Splitters::new(cx.state(), word);
        let mut substitution = Substitution {
            cx,
            splitters,
            done: Vec::new(),
            current: Text::new(),
            empty_ats: 0,
            keeps_empty: false,
            behind_quoted_at: false,
            behind_quotes: false,
            unsplit: false,
            last_empty: None,
            waiting_empty: None,
            met: false,
            cut: false,
            left_over: None,
            behind_brace: None,
            looked_up: None,
            shortest_matches: false,
            which_match: 1,
            emptied: false,
            declares: false,
            has_list: false,
        };
        let joins = place.joins_stars.then_some(true);
        substitution.with_joined_stars(joins, |this| this.word(word, place))?;
        substitution.keep_waiting_empty();
        if let Some(origin) = substitution.last_empty.take() {
            substitution.current.push(b"", Standing::Quoted, &origin);
        }
        substitution.break_field(Break::Field);
        let (mut done, limits) = (substitution.done, substitution.cx.state().limits);
        substitution.splitters.tell(&mut done);
        Ok((chosen(done, limits, word.span)?, substitution.has_list))
    }

    /// Expands something; `joins`: whether an unquoted `$*` in the commands inside it is joined, if that
    /// changes here.
    pub(super) fn with_joined_stars(
        &mut self,
        joins: Option<bool>,
        expand: impl FnOnce(&mut Self) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        let Some(joins) = joins.filter(|_| self.cx.state().dialect.star_joins_in_commands) else {
            return expand(self);
        };
        let outer = std::mem::replace(&mut self.cx.state().joins_stars, joins);
        let outcome = expand(self);
        self.cx.state().joins_stars = outer;
        outcome
    }

    /// The parts of a word; a tilde may stand at its start.
    pub(super) fn word(&mut self, word: &Word, place: Place) -> Result<(), Stop> {
        let mut rest = &word.parts[..];
        let later = self.cx.state().dialect.tilde_in_fields;
        if (!place.quoted || place.document) && place.tilde != Tilde::Never && !later {
            rest = self.tildes(rest, place)?;
        }
        self.parts(rest, place)
    }

    /// Parts of a word, one after the other, as far as nothing ends it early.
    pub(super) fn parts(&mut self, parts: &[Part], place: Place) -> Result<(), Stop> {
        for (at, part) in parts.iter().enumerate() {
            if self.cut {
                break;
            }
            self.part(part, place)?;
            if self.left_over.is_some() {
                return self.ended_by_left_over(&parts[at + 1..], place);
            }
        }
        Ok(())
    }

    /// What an unused word leaves over belongs to the word around it, whose own rest is left over then.
    pub(super) fn ended_by_left_over(&mut self, rest: &[Part], place: Place) -> Result<(), Stop> {
        let Some(parts) = self.left_over.take() else { return Ok(()) };
        self.parts(&parts, Place { tilde: Tilde::Never, ..place })?;
        self.left_over = Some(rest.to_vec());
        Ok(())
    }

    /// One part of a word. An unquoted expansion behind a `"$@"` has rules of its own in some shells.
    pub(super) fn part(&mut self, part: &Part, mut place: Place) -> Result<(), Stop> {
        let at = (self.done.len(), self.current.len());
        if !is_expansion(part) || place.quoted {
            self.carry_out(part, place)?;
            self.splitters.look(self.cx.state(), part, at);
            return Ok(());
        }
        if self.behind_quoted_at {
            place.expansion = Standing::Strict;
        }
        if self.unsplit {
            (place.expansion, place.command) = (Standing::Quoted, Standing::Quoted);
        }
        let (empty, behind) = (self.last_empty.take(), self.behind_quoted_at);
        // The word of an operation begins behind it too, until something splittable comes.
        self.behind_quoted_at &= matches!(part, Part::Parameter(parameter)
            if matches!(parameter.operation, Operation::Instead { .. }));
        let outer = std::mem::take(&mut self.met);
        self.waiting_empty = None;
        self.carry_out(part, place)?;
        self.splitters.look(self.cx.state(), part, at);
        self.keep_waiting_empty();
        if !self.met {
            self.last_empty = empty;
            self.behind_quoted_at |= behind;
        }
        self.met |= outer;
        Ok(())
    }

    fn carry_out(&mut self, part: &Part, place: Place) -> Result<(), Stop> {
        let quotes = matches!(part, Part::Single { .. } | Part::AnsiC { .. } | Part::Double { .. });
        if quotes && place.fields && !place.quoted && place.literal == Standing::Plain {
            self.behind_quotes = self.cx.state().dialect.quotes_keep_later_words;
        }
        match part {
            Part::Literal { bytes, span } => {
                let (rule, standing) = match place.quoted {
                    true => (Rule::Quoted, Standing::Quoted),
                    false
                        if place.literal == Standing::Splittable
                            && std::mem::take(&mut self.behind_quoted_at) =>
                    {
                        self.last_empty = None;
                        (Rule::Literal, Standing::Strict)
                    }
                    false => (Rule::Literal, place.literal),
                };
                if !place.quoted && place.literal == Standing::Plain && bytes.contains(&b'{') {
                    let state = self.cx.state();
                    self.unsplit |= state.dialect.brace_stops_splitting && !state.options.no_glob;
                }
                if place.bare_backslash && bytes.contains(&b'\\') {
                    return self.bare_backslashes(bytes, &Origin::new(rule, *span));
                }
                self.push(bytes, standing, &Origin::new(rule, *span))
            }
            Part::Generated { bytes, span } => {
                let standing = if place.quoted { Standing::Quoted } else { place.literal };
                self.push(bytes, standing, &Origin::new(Rule::Brace, *span))
            }
            Part::Escaped { bytes, span } | Part::Single { bytes, span } => {
                self.push(bytes, Standing::Quoted, &Origin::new(Rule::Quoted, *span))
            }
            Part::AnsiC { bytes, span } if bytes.is_empty() && self.gives_way(place) => {
                self.waiting_empty = Some(Origin::new(Rule::AnsiC, *span));
                Ok(())
            }
            Part::AnsiC { bytes, span } => {
                self.push(bytes, Standing::Quoted, &Origin::new(Rule::AnsiC, *span))
            }
            Part::Double { parts, span } => self.double(parts, *span, place),
            Part::Parameter(parameter) => self.parameter(parameter, place),
            Part::Flagged(flagged) => self.flagged(flagged, place),
            Part::Command(command) => {
                let span = command.span;
                let output = self.cx.command_output(command)?;
                let hop = Hop { rule: Rule::Command, span, name: None, shifted: 0 };
                self.expanded(Rule::Command, span, place);
                self.has_list |= !place.quoted;
                let standing = match place.expansion {
                    Standing::Quoted | Standing::Value if !place.quoted => place.command,
                    _ => place.expanded(),
                };
                self.push_text(&output.passed_through(&hop, standing))
            }
            Part::Arithmetic { expression, span } => {
                arithmetic::check_comments(self.cx.state(), *span)?;
                let value = arithmetic::shown(self.cx, expression)?;
                self.expanded(Rule::Arithmetic, *span, place);
                let origin = Origin::new(Rule::Arithmetic, *span);
                let Some(value) = value else {
                    self.current.push_hole(Standing::Quoted, &origin);
                    return Ok(());
                };
                let splits = !self.cx.state().dialect.arithmetic_is_whole;
                let standing = if splits { place.expanded() } else { Standing::Quoted };
                self.push(value.as_bytes(), standing, &origin)
            }
            Part::Process(process) => {
                if let Some(name) = self.cx.process(process)? {
                    let origin = Origin::new(Rule::Shell, process.span);
                    return self.push(&name, Standing::Quoted, &origin);
                }
                let what = "the name of the file that stands for this process";
                self.cx.missing(what, process.span);
                let origin = Origin::new(Rule::Command, process.span);
                self.current.push_hole(Standing::Quoted, &origin);
                Ok(())
            }
        }
    }

    /// `"..."`: what keeps an empty argument alive, unless an empty `$@` makes it vanish.
    fn double(&mut self, parts: &[Part], span: Span, place: Place) -> Result<(), Stop> {
        if place.quoted && self.cx.state().dialect.inner_quotes_unquote {
            let inner = Place { quoted: false, literal: Standing::Splittable, ..place };
            // The quotes around end here and begin again behind.
            let origin = Origin::new(Rule::Quoted, span);
            self.push(b"", Standing::Quoted, &origin)?;
            parts.iter().try_for_each(|part| self.part(part, inner))?;
            return self.push(b"", Standing::Quoted, &origin);
        }
        let bare_backslash = place.fields
            && self.cx.state().dialect.bare_backslash_under_at
            && parts.iter().any(is_all_parameters);
        let alone = parts.len() == 1 && !place.quoted;
        let inside = Place {
            quoted: true,
            tilde: Tilde::Never,
            bare_backslash,
            beside_at: place.fields
                && self.cx.state().dialect.stars_part_beside_at
                && parts.iter().any(is_list_part),
            alone,
            document: false,
            ..place
        };
        let (fields, bytes, runs) = (self.done.len(), self.current.len(), self.current.run_count());
        let outer = std::mem::take(&mut self.empty_ats);
        let outer_keeps = std::mem::take(&mut self.keeps_empty);
        self.emptied = false;
        for part in parts {
            self.part(part, inside)?;
            if self.cut {
                break;
            }
        }
        let empty_ats = std::mem::replace(&mut self.empty_ats, outer);
        let keeps_empty = std::mem::replace(&mut self.keeps_empty, outer_keeps);
        let nothing = self.done.len() == fields
            && self.current.len() == bytes
            && self.current.run_count() == runs;
        if nothing
            && self.last_empty.is_none()
            && (keeps_empty || !self.vanishes(parts, empty_ats, place))
        {
            let (mark, rule): (&[u8], Rule) = match place.marks && self.emptied {
                true => (MARK, Rule::Join),
                false => (b"", Rule::Quoted),
            };
            self.push(mark, Standing::Quoted, &Origin::new(rule, span))?;
        }
        Ok(())
    }

    /// Nothing follows that would take the argument of an empty `$''`.
    fn keep_waiting_empty(&mut self) {
        if let Some(origin) = self.waiting_empty.take() {
            self.current.push(b"", Standing::Quoted, &origin);
        }
    }

    /// Whether an empty `$''` here keeps its argument only if no unquoted expansion follows.
    fn gives_way(&mut self, place: Place) -> bool {
        place.fields && !place.quoted && self.cx.state().dialect.empty_ansi_c_gives_way
    }

    fn bare_backslashes(&mut self, bytes: &[u8], origin: &Origin) -> Result<(), Stop> {
        bytes.chunk_by(|a, b| (*a == b'\\') == (*b == b'\\')).try_for_each(|stretch| {
            let bare = stretch[0] == b'\\';
            let standing = if bare { Standing::Splittable } else { Standing::Quoted };
            self.push(stretch, standing, origin)
        })
    }

    fn vanishes(&mut self, parts: &[Part], empty_ats: usize, place: Place) -> bool {
        if empty_ats == 0 || !place.fields {
            return false;
        }
        if parts.iter().any(|part| matches!(part, Part::Command(_))) {
            match self.cx.state().dialect.empty_at_beside_command {
                Beside::Nothing => {}
                Beside::Keeps => return false,
                Beside::Vanishes => return true,
            }
        }
        match self.cx.state().dialect.empty_at {
            EmptyAt::Alone => matches!(parts, [part] if is_all_parameters(part)),
            EmptyAt::Any => true,
            EmptyAt::Once => empty_ats == 1,
            EmptyAt::First => parts
                .first()
                .is_some_and(|part| is_all_parameters(part) || is_alternative_of_list(part)),
            EmptyAt::Last => parts.last().is_some_and(|part| {
                is_list_part(part) || is_alternative(part) || is_list_or_default(part)
            }),
        }
    }

    /// Appends bytes, within the limit.
    pub(super) fn push(
        &mut self,
        bytes: &[u8],
        standing: Standing,
        origin: &Origin,
    ) -> Result<(), Stop> {
        self.check(bytes.len(), origin.span())?;
        self.met |= standing.is_split();
        self.current.push(bytes, standing, origin);
        Ok(())
    }

    /// Appends a value whose runs have their standing already. Between double quotes an empty value
    /// adds nothing: the quotes see to it that the argument stays.
    pub(super) fn push_text(&mut self, text: &Text) -> Result<(), Stop> {
        if text.is_empty() && !text.has_hole() {
            return Ok(());
        }
        if let Some((run, _)) = text.runs().next() {
            self.check(text.len(), run.origin.span())?;
        }
        self.current.push_text(text);
        Ok(())
    }

    fn check(&mut self, more: usize, span: Span) -> Result<(), Stop> {
        let limit = self.cx.state().limits.bytes;
        if self.current.len() + more > limit {
            return Err(Stop::Limit { what: "bytes in one word", limit: limit as u64, span });
        }
        Ok(())
    }

    /// Forgets the empty quotes that the field on hand begins with, if it has nothing else.
    pub(super) fn drop_empty_quotes(&mut self) {
        if self.current.is_empty() && !self.current.has_hole() {
            self.current = Text::new();
        }
    }

    /// How many equals signs stand outside quotes in what will be the last field so far, and whether it ends
    /// in one.
    pub(super) fn made_equals(&mut self) -> (usize, bool) {
        let ifs = ifs(self.cx.state());
        let (mut count, mut last) = (0, false);
        for (run, bytes) in self.current.runs().filter(|(_, bytes)| !bytes.is_empty()) {
            for &byte in bytes {
                let equals = byte == b'=' && !run.is_quoted();
                let separates = run.standing.is_split() && ifs.separates(byte);
                count = if separates { 0 } else { count + usize::from(equals) };
                last = equals;
            }
        }
        (count, last)
    }

    /// How many fields have ended.
    pub(super) fn fields_done(&self) -> usize {
        self.done.len()
    }

    /// How many bytes the field on hand has.
    pub(super) fn current_len(&self) -> usize {
        self.current.len()
    }

    /// How much of the word has been made.
    pub(super) fn made_so_far(&self) -> (usize, usize) {
        (self.done.len(), self.current.len())
    }

    /// Lets what has been made since then form patterns, also where it is quoted: the runs that `which` holds for.
    pub(super) fn form_patterns_since(
        &mut self,
        (pieces, mut at): (usize, usize),
        which: impl Fn(&Run) -> bool,
    ) {
        for piece in &mut self.done[pieces..] {
            piece.text.form_patterns_from(std::mem::take(&mut at), &which);
        }
        self.current.form_patterns_from(at, which);
    }

    /// Makes the commas outside of braces stand for themselves in what has been made since then.
    pub(super) fn hide_commas_since(&mut self, (pieces, mut at): (usize, usize)) {
        for piece in &mut self.done[pieces..] {
            piece.text.hide_commas_from(std::mem::take(&mut at));
        }
        self.current.hide_commas_from(at);
    }

    /// How many runs the field on hand has.
    pub(super) fn current_runs(&self) -> usize {
        self.current.run_count()
    }

    /// Takes away the empty quotes at the end that were made since there were so many pieces, and so many runs.
    pub(super) fn drop_last_empty_quotes(&mut self, pieces: usize, runs: usize) {
        let same = self.done.len() == pieces;
        self.current.drop_last_empty_quotes(if same { runs } else { 0 });
    }

    /// Takes the field on hand away, and puts another in its place.
    pub(super) fn replace_current(&mut self, text: Text) -> Text {
        std::mem::replace(&mut self.current, text)
    }

    /// The field with this number, or the one on hand.
    pub(super) fn field_made(&mut self, at: usize) -> &mut Text {
        match self.done.get_mut(at) {
            Some(piece) => &mut piece.text,
            None => &mut self.current,
        }
    }

    /// Ends the field on hand: what follows belongs to the next one.
    pub(super) fn break_field(&mut self, after: Break) {
        self.done.push(Piece::new(std::mem::take(&mut self.current), after));
    }

    /// An empty parameter of a quoted `$@`: an argument of its own.
    pub(super) fn empty_parameter(&mut self, span: Span, last: bool, place: Place) {
        let origin = Origin::new(Rule::Parameter, span);
        let dialect = &self.cx.state().dialect;
        if last && place.alone && dialect.last_empty_parameter_needs_word_end {
            self.last_empty = Some(origin);
        } else {
            self.current.push(b"", Standing::Quoted, &origin);
        }
    }

    /// A quoted `$@` with this many parameters.
    /// How many empty `$@` there have been between these quotes.
    pub(super) fn empties(&self) -> usize {
        self.empty_ats
    }

    /// Says that the word of an operation ends here, before which there were so many empty `$@`.
    pub(super) fn word_behind(&mut self, before: usize) {
        let in_word = self.cx.state().dialect.empty_at_in_word;
        if self.empty_ats > before && in_word != EmptyAtInWord::Counts {
            self.empty_ats = before;
            self.keeps_empty |= in_word == EmptyAtInWord::Keeps;
        }
    }

    pub(super) fn met_quoted_at(&mut self, count: usize) {
        self.empty_ats += usize::from(count == 0);
        self.behind_quoted_at |= count > 0 && self.cx.state().dialect.strict_behind_quoted_at;
    }

    pub(super) fn expanded(&mut self, rule: Rule, span: Span, place: Place) {
        let quoted = place.quoted;
        self.met = true;
        record(self.cx, || Expansion { rule, span, name: None, quoted, count: 1, filled: 1 });
    }
}
