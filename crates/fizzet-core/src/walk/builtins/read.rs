//! `read` (POSIX XCU read).

use std::borrow::Cow;
use std::rc::Rc;

use crate::dialect::{BackslashInIfs, IfsUnits, InputBackslash, ReadOfNothing};
use crate::expand::{Context, Fields, Ifs, fields_of_line, ifs};
use crate::lineage::{Origin, Rule};
use crate::state::State;
use crate::stop::{Status, Stop};
use crate::syntax::arithmetic::character_code;
use crate::text::{Standing, Text, characters};
use crate::walk::Walker;
use crate::walk::builtins::input::{Reach, Stretch};
use crate::walk::builtins::options::Given;
use crate::walk::builtins::read_numbers::refused_number;
use crate::walk::builtins::read_targets::{Targets, into_array, into_names};
use crate::walk::builtins::{Call, control::number};
use crate::walk::descriptors::{Descriptors, Input};

/// What stands for a backslash at the end of the input that quotes nothing.
const QUOTED_NOTHING: &[u8] = b"\x01";

/// `read [-r] name...`: one line of input, split at IFS; the last name takes what is left.
pub(super) fn read(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(walker.state.dialect.read_letters, false);
    if let Some(status) = settled_by_options(walker, call, &given) {
        return Ok(status);
    }
    let mut targets = match Targets::of(walker, &given) {
        Ok(targets) => targets,
        Err(status) => return Ok(walker.complain(call, status)),
    };
    if let Some(status) = settled_by_names(walker, call, &given, &targets)? {
        return Ok(status);
    }
    let dialect = walker.state.dialect.clone();
    if targets.are_none() {
        if dialect.read_needs_name {
            return Ok(2);
        }
        targets.names.push(b"REPLY".to_vec());
    }
    if dialect.read_takes_keys && (given.has(b'k') || given.has(b'q')) {
        return read_keys(walker, call, &given, &targets.listed());
    }
    let mut reach = Reach::of(&given, &dialect);
    let of_coprocess = dialect.no_coprocess_status.is_some() && given.has(b'p');
    if of_coprocess {
        reach.descriptor = Descriptors::COPROCESS;
    }
    let quotes_last = separate_at_backslashes(walker, &mut reach) && targets.array.is_none();
    if let Some(status) = dialect.read_minds_closed
        && (!walker.descriptors.is_open(reach.descriptor)
            || walker.descriptors.is_only_written(reach.descriptor))
    {
        return Ok(walker.complain(call, status));
    }
    let Some(stretch) = walker.input_stretch(&reach)? else {
        return unknown_input(walker, call, &given, &targets, &reach);
    };
    if of_coprocess && !stretch.whole {
        walker.descriptors.close_input(Descriptors::COPROCESS);
    }
    if dialect.read_makes_newline_separate && reach.end == Some(b'\n') {
        walker.state.variables.let_newline_separate();
    }
    let how = Reading { given: &given, reach: &reach, targets: &targets, quotes_last };
    let (mut fields, stretch) = how.fields(walker, call, stretch)?;
    if quotes_last && let Some(last) = fields.get_mut(targets.names.len().saturating_sub(1)) {
        if !stretch.whole && ends_quoting(last.bytes()) {
            *last = last.slice(0, last.len() - 1);
        }
        last.set_standing(Standing::Value);
        *last = last.unquoted_values(true);
    }
    let status = how.status(walker, &stretch);
    let [tells, tells_only] = dialect.read_telling_letters.map(|letter| given.has(letter));
    if tells || tells_only {
        let wanted = if targets.array.is_some() { fields.len() } else { targets.names.len() };
        tell(walker, call, &fields, wanted);
    }
    match &targets.array {
        _ if tells_only => Ok(status),
        None => into_names(walker, call, &targets.names, &fields, status),
        Some(array) => into_array(walker, call, (array, &targets.names), fields, status),
    }
}

/// Lets a backslash separate fields, where IFS has one and the shell takes that so. Answers whether it quotes in
/// what is left for the last name all the same.
fn separate_at_backslashes(walker: &Walker, reach: &mut Reach) -> bool {
    let how = walker.state.dialect.backslash_in_ifs;
    if reach.raw || how == BackslashInIfs::Escapes || !ifs(&walker.state).separates(b'\\') {
        return false;
    }
    reach.raw = true;
    reach.joins = how == BackslashInIfs::SeparatesInJoinedLines;
    how != BackslashInIfs::Separates
}

/// Nobody knows the input of `read`.
fn unknown_input(
    walker: &mut Walker,
    call: &Call<'_>,
    given: &Given<'_>,
    targets: &Targets,
    reach: &Reach,
) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let names = targets.listed();
    if names.iter().any(|name| !walker.is_target(name)) {
        return Ok(walker.complain(call, dialect.read_late_name_status));
    }
    if let Some(status) = dialect.read_timeout_status
        && given.has(b't')
        && walker.descriptors.input(reach.descriptor).is_cut_short()
    {
        return into_names(walker, call, &names, &[], status);
    }
    walker.unknown_line(call, &names, reach.descriptor)
}

/// How a stretch of input is taken apart.
struct Reading<'a> {
    given: &'a Given<'a>,
    reach: &'a Reach,
    targets: &'a Targets,
    /// Whether a backslash quotes in what is left for the last name, though it separates before.
    quotes_last: bool,
}

impl Reading<'_> {
    /// The fields of a stretch, and the stretch: where a backslash that quotes in the last field stands at its end, it
    /// goes on with the next one.
    fn fields(
        &self,
        walker: &mut Walker,
        call: &Call<'_>,
        mut stretch: Stretch,
    ) -> Result<(Vec<Text>, Stretch), Stop> {
        loop {
            let fields = self.fields_of(walker, call, &stretch);
            let last = fields.get(self.targets.names.len().saturating_sub(1));
            let goes_on = self.quotes_last
                && !self.reach.joins
                && stretch.whole
                && last.is_some_and(|last| ends_quoting(last.bytes()));
            if !goes_on {
                return Ok((fields, stretch));
            }
            let Some(next) = walker.input_stretch(self.reach)? else {
                return Ok((fields, stretch));
            };
            let mut text = stretch.text.slice(0, stretch.text.len() - 1);
            text.push_text(&next.text);
            stretch = Stretch { text, ..next };
        }
    }

    fn fields_of(&self, walker: &Walker, call: &Call<'_>, stretch: &Stretch) -> Vec<Text> {
        let dialect = &walker.state.dialect;
        let mut line = Cow::Borrowed(&stretch.text);
        let holds_nothing = stretch.quotes_nothing && walker.last_backslash_is_text(&line);
        if holds_nothing {
            // It stands there as text that is quoted until the fields are made.
            let origin = Origin::new(Rule::Output, call.span);
            line.to_mut().push(QUOTED_NOTHING, Standing::Quoted, &origin);
        }
        let ifs = match dialect.newline_separates_lines_only && self.reach.end != Some(b'\n') {
            true => without_newline(&walker.state),
            false => ifs(&walker.state),
        };
        let mut fields = self.separated(walker, &line, &ifs);
        if holds_nothing {
            let stays_alone = dialect.last_backslash_of_input == InputBackslash::IsByteAlone;
            let_nothing_go(&mut fields, stays_alone);
        }
        fields
    }

    /// What a line that has been read is taken apart to, for some names or an array.
    fn separated(&self, walker: &Walker, line: &Text, ifs: &Ifs) -> Vec<Text> {
        let dialect = &walker.state.dialect;
        let given = self.given;
        let is_whole = match self.reach.exactly {
            true => !dialect.exact_input_is_split,
            false => given.has(b'n') && !dialect.counted_input_is_split,
        };
        let into_reply = given.operands.is_empty() && dialect.reply_is_whole;
        match self.targets.array.is_some() {
            true if given.has(b'a') && dialect.read_array_takes_codes => codes(line),
            true if !is_whole => walker.elements(line, ifs),
            false if !is_whole && !into_reply => {
                let how = Fields {
                    most: self.targets.names.len(),
                    keeps_last: dialect.read_keeps_last_separator,
                    ends: dialect.read_escaped_ends,
                };
                fields_of_line(line, ifs, how)
            }
            _ => vec![line.clone()],
        }
    }

    /// The status of a `read` that got a stretch.
    fn status(&self, walker: &Walker, stretch: &Stretch) -> Status {
        let dialect = &walker.state.dialect;
        let reach = self.reach;
        let contented = (dialect.read_may_take_all || dialect.counted_reads_are_of_lines)
            && self.given.has(b'n')
            && !reach.exactly;
        let is_empty = stretch.text.is_empty();
        let finds_enough = !is_empty && (contented || reach.most == Some(usize::MAX));
        let lacks_nothing =
            dialect.read_of_nothing != ReadOfNothing::Fails || reach.most != Some(0);
        let never_ends = || walker.descriptors.input(reach.descriptor).ends_in_lines();
        let is_found = finds_enough || (stretch.whole && lacks_nothing) || never_ends();
        Status::from(!is_found)
    }
}

/// Whether a text ends with a backslash that quotes what is behind it.
fn ends_quoting(bytes: &[u8]) -> bool {
    bytes.iter().rev().take_while(|&&byte| byte == b'\\').count() % 2 == 1
}

/// Takes what stands for a backslash that quotes nothing out of the last field with text.
fn let_nothing_go(fields: &mut [Text], stays_alone: bool) {
    let Some(last) = fields.iter_mut().rfind(|field| !field.is_empty()) else { return };
    let before = last.bytes().strip_suffix(QUOTED_NOTHING).map(<[u8]>::len);
    if let Some(before) = before.filter(|before| *before > 0 || !stays_alone) {
        *last = last.slice(0, before);
    }
}

/// `read -k` and `read -q`: a number of keys, or one that says yes. They come from the terminal, which a script
/// has none of, unless a descriptor is named.
fn read_keys(
    walker: &mut Walker,
    call: &Call<'_>,
    given: &Given<'_>,
    names: &[Vec<u8>],
) -> Result<Status, Stop> {
    let wanted = given.value(b'k').map_or(Some(1), |text| number(text.bytes()));
    let Some(most) =
        wanted.and_then(|wanted| usize::try_from(wanted).ok()).filter(|most| *most > 0)
    else {
        return Ok(walker.complain(call, 1));
    };
    let asks = given.has(b'q');
    let reach = Reach::keys(given, if asks { 1 } else { most });
    let Some(Stretch { text, whole, .. }) = walker.input_stretch(&reach)? else {
        return walker.unknown_line(call, names, reach.descriptor);
    };
    let says_yes = matches!(text.bytes(), b"y" | b"Y");
    let (value, status) = match (asks, whole) {
        (false, whole) => (text, Status::from(!whole)),
        (true, false) => (walker.state.shell_text(b"n"), 2),
        (true, true) if says_yes => (walker.state.shell_text(b"y"), 0),
        (true, true) => (walker.state.shell_text(b"n"), 1),
    };
    let tells_only = given.has(b'e');
    if tells_only || given.has(b'E') {
        tell(walker, call, std::slice::from_ref(&value), 1);
    }
    if tells_only {
        return Ok(status);
    }
    into_names(walker, call, names, &[value], status)
}

/// The status of a `read` whose options say already that nothing is read.
fn settled_by_options(walker: &mut Walker, call: &Call<'_>, given: &Given<'_>) -> Option<Status> {
    let dialect = walker.state.dialect.clone();
    if let Some(status) = refused_number(dialect.read_numbers, given) {
        return Some(walker.complain(call, status));
    }
    if given.unknown.is_some() {
        return Some(walker.complain(call, dialect.read_usage_status));
    }
    if let Some(status) = dialect.no_coprocess_status
        && given.has(b'p')
        && !walker.descriptors.has_coprocess(true)
    {
        return Some(walker.complain(call, status));
    }
    if dialect.read_completion_letters.bytes().any(|letter| given.has(letter)) {
        return Some(1);
    }
    let reads_keys = dialect.read_takes_keys && (given.has(b'k') || given.has(b'q'));
    // There is no terminal to read them from.
    (reads_keys && given.value(b'u').is_none()).then(|| walker.complain(call, 1))
}

/// The status of a `read` that cannot fill what its words name, or only asks whether there is something.
fn settled_by_names(
    walker: &mut Walker,
    call: &Call<'_>,
    given: &Given<'_>,
    targets: &Targets,
) -> Result<Option<Status>, Stop> {
    let dialect = walker.state.dialect.clone();
    let [_, tells_only] = dialect.read_telling_letters.map(|letter| given.has(letter));
    if !tells_only && targets.are_refused(walker, given) {
        return match dialect.read_bad_name_is_fatal {
            true => Err(walker.fatal(call, "this is not a name")),
            false => Ok(Some(walker.complain(call, dialect.read_bad_name_status))),
        };
    }
    let is_zero = |text: &Text| text.bytes().iter().all(|byte| b"0.+".contains(byte));
    // It only asks whether something can be read: the end of a file, too.
    let asks = given.value(b't').is_some_and(is_zero);
    Ok(dialect.read_without_waiting.filter(|_| asks))
}

/// Writes each of the fields on a line, and an empty one where there are fewer than are wanted.
fn tell(walker: &mut Walker, call: &Call<'_>, fields: &[Text], wanted: usize) {
    let origin = Origin::new(Rule::Output, call.span);
    for at in 0..wanted {
        let mut line = fields.get(at).cloned().unwrap_or_default();
        line.push(b"\n", Standing::Quoted, &origin);
        walker.write(line);
    }
}

/// The separators of fields but for the newline.
fn without_newline(state: &State) -> Rc<Ifs> {
    let separators = state.variables.separators();
    let all = separators.as_deref().unwrap_or(state.dialect.first_ifs);
    let kept: Vec<u8> = all.iter().copied().filter(|&byte| byte != b'\n').collect();
    let cuts = state.dialect.read_cuts_characters && std::str::from_utf8(&kept).is_err();
    let units = if state.utf8() && !cuts { state.dialect.ifs_units } else { IfsUnits::Bytes };
    Rc::new(Ifs::new(Some(&kept), units))
}

/// The code of each character of a text.
fn codes(text: &Text) -> Vec<Text> {
    let code = |character: Text| {
        let code = character_code(character.bytes()).map_or(0, |(code, _)| code).to_string();
        let origin = character.runs().next().map(|(run, _)| run.origin.clone());
        origin.map(|origin| Text::from_bytes(code, Standing::Quoted, origin))
    };
    characters(text).into_iter().filter_map(code).collect()
}

impl Walker {
    /// Whether a backslash at the end of the input counts as text, though it quotes nothing.
    fn last_backslash_is_text(&self, line: &Text) -> bool {
        match self.state.dialect.last_backslash_of_input {
            InputBackslash::Vanishes => false,
            InputBackslash::IsText | InputBackslash::IsByteAlone => true,
            InputBackslash::IsTextBehindText => {
                let separators = ifs(&self.state);
                line.bytes().last().is_none_or(|last| !separators.is_blank(*last))
            }
        }
    }

    /// The elements that a line makes.
    fn elements(&self, line: &Text, ifs: &Ifs) -> Vec<Text> {
        let dialect = &self.state.dialect;
        let mut elements = fields_of_line(
            line,
            ifs,
            Fields {
                most: usize::MAX,
                keeps_last: dialect.read_keeps_last_separator,
                ends: dialect.read_escaped_ends,
            },
        );
        let ends_blank = || {
            let (last, rest) = line.bytes().split_last()?;
            let blank = |byte: &u8| ifs.is_blank(*byte);
            let before = rest.iter().rfind(|byte| !blank(byte))?;
            Some(blank(last) && !line.quoting()[rest.len()] && !ifs.separates(*before))
        };
        if dialect.read_end_is_element && ends_blank() == Some(true) {
            elements.push(line.slice(0, 0));
        }
        if elements.is_empty() && dialect.read_empty_is_element {
            elements.push(line.slice(0, 0));
        }
        elements
    }
}

impl Walker {
    /// The next line of input as it stands, and whether its newline was there.
    pub(in crate::walk) fn line_of_input(&mut self) -> Result<Option<(Text, bool)>, Stop> {
        let stretch = self.input_stretch(&Reach::lines(Some(b'\n'), 0))?;
        Ok(stretch.map(|stretch| (stretch.text, stretch.whole)))
    }

    /// One line of an input that nobody knows: the first name gets a hole, and the input ends there,
    /// so that a loop over it makes one pass.
    pub(super) fn unknown_line(
        &mut self,
        call: &Call<'_>,
        names: &[Vec<u8>],
        descriptor: u32,
    ) -> Result<Status, Stop> {
        self.missing("the input of read", call.span);
        self.descriptors.read_from(descriptor, Input::of(Text::new()));
        for (at, name) in names.iter().enumerate() {
            let mut text = Text::new();
            if at == 0 {
                text.push_hole(Standing::Quoted, &Origin::new(Rule::Output, call.span));
            }
            self.assign_text(name, text, call.span)?;
        }
        Ok(0)
    }
}
