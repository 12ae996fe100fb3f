//! `read` (POSIX XCU read).

use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::{
    BackslashInIfs, IfsUnits, InputBackslash, NamesWithValues, ReadLooksAt, ReadOfNothing,
};
use crate::expand::disciplines;
use crate::expand::places::store_list;
use crate::expand::{Context, Fields, Ifs, fields_of_line, ifs};
use crate::lineage::{Hop, Origin, Rule};
use crate::state::State;
use crate::stop::{ShellError, Status, Stop};
use crate::syntax::arithmetic::character_code;
use crate::syntax::is_name;
use crate::text::{Standing, Text, characters};
use crate::walk::Walker;
use crate::walk::builtins::input::{Reach, Stretch};
use crate::walk::builtins::options::Given;
use crate::walk::builtins::read_numbers::refused_number;
use crate::walk::builtins::{Call, control::number};
use crate::walk::descriptors::{Descriptors, Input};

/// What stands for a backslash at the end of the input that quotes nothing.
const QUOTED_NOTHING: &[u8] = b"\x01";

/// `read [-r] name...`: one line of input, split at IFS; the last name takes what is left.
pub(super) fn read(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given(walker.state.dialect.read_letters, false);
    let names = walker.names_read(&given);
    if let Some(status) = settled_by_words(walker, call, &given, &names)? {
        return Ok(status);
    }
    let dialect = walker.state.dialect.clone();
    let array = match array_of(&given, &names, walker) {
        Ok(array) => array,
        Err(status) => return Ok(status),
    };
    let whole_line = names.is_empty() && array.is_none();
    if whole_line && dialect.read_needs_name {
        return Ok(2);
    }
    let names = if whole_line { vec![b"REPLY".to_vec()] } else { names };
    let separates =
        dialect.backslash_in_ifs != BackslashInIfs::Escapes && ifs(&walker.state).separates(b'\\');
    if dialect.read_takes_keys && (given.has(b'k') || given.has(b'q')) {
        return read_keys(walker, call, &given, &names);
    }
    let mut reach = Reach::of(&given, &dialect);
    let of_coprocess = dialect.no_coprocess_status.is_some() && given.has(b'p');
    if of_coprocess {
        reach.descriptor = Descriptors::COPROCESS;
    }
    let quotes_last =
        !reach.raw && separates && dialect.backslash_in_ifs == BackslashInIfs::SeparatesButLast;
    reach.raw |= separates;
    if let Some(status) = dialect.read_minds_closed
        && (!walker.descriptors.is_open(reach.descriptor)
            || walker.descriptors.is_only_written(reach.descriptor))
    {
        return Ok(walker.complain(call, status));
    }
    let Some(Stretch { text: line, whole, quotes_nothing }) = walker.input_stretch(&reach)? else {
        if names.iter().any(|name| !walker.is_target(name)) {
            return Ok(walker.complain(call, dialect.read_late_name_status));
        }
        if let Some(status) = dialect.read_timeout_status
            && given.has(b't')
            && walker.descriptors.input(reach.descriptor).is_cut_short()
        {
            return into_names(walker, call, &names, &[], status);
        }
        return walker.unknown_line(call, &names, reach.descriptor);
    };
    if of_coprocess && !whole {
        walker.descriptors.close_input(Descriptors::COPROCESS);
    }
    let contented = (dialect.read_may_take_all || dialect.counted_reads_are_of_lines)
        && given.has(b'n')
        && !reach.exactly;
    let finds_enough = !line.is_empty() && (contented || reach.most == Some(usize::MAX));
    let lacks_nothing = dialect.read_of_nothing != ReadOfNothing::Fails || reach.most != Some(0);
    let never_ends = || walker.descriptors.input(reach.descriptor).ends_in_lines();
    let is_found = finds_enough || (whole && lacks_nothing) || never_ends();
    let status = Status::from(!is_found);
    let lacks = reach.exactly && !whole && dialect.read_needs_all;
    let mut line = if lacks { line.slice(0, 0) } else { line };
    let holds_nothing = quotes_nothing && walker.last_backslash_is_text(&line);
    if holds_nothing {
        // It stands there as text that is quoted until the fields are made.
        line.push(QUOTED_NOTHING, Standing::Quoted, &Origin::new(Rule::Output, call.span));
    }
    let ifs = match dialect.newline_separates_lines_only && reach.end != Some(b'\n') {
        true => without_newline(&walker.state),
        false => ifs(&walker.state),
    };
    if dialect.read_makes_newline_separate && reach.end == Some(b'\n') {
        walker.state.variables.let_newline_separate();
    }
    let [tells, tells_only] = dialect.read_telling_letters.map(|letter| given.has(letter));
    if array.as_ref().is_some_and(|name| !walker.state.names_variable(name)) {
        return Ok(walker.complain(call, dialect.read_late_name_status));
    }
    let mut fields = fields_read(walker, &given, (&line, &ifs), &reach, (&names, array.is_some()));
    if holds_nothing {
        let stays_alone = dialect.last_backslash_of_input == InputBackslash::IsByteAlone;
        let_nothing_go(&mut fields, stays_alone);
    }
    if quotes_last && let Some(last) = fields.get_mut(names.len().saturating_sub(1)) {
        last.set_standing(Standing::Value);
        *last = last.unquoted_values();
    }
    if tells || tells_only {
        tell(walker, call, &fields, if array.is_some() { fields.len() } else { names.len() });
    }
    if tells_only {
        return Ok(status);
    }
    let Some(array) = array else { return into_names(walker, call, &names, &fields, status) };
    walker.assign_array(&array, fields, call.span)?;
    for other in names.iter().filter(|other| **other != array) {
        walker.assign_text(other, line.slice(0, 0), call.span)?;
    }
    Ok(status)
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

/// What a line that has been read is taken apart to, for some names or an array.
fn fields_read(
    walker: &Walker,
    given: &Given<'_>,
    (line, ifs): (&Text, &Ifs),
    reach: &Reach,
    (names, is_array): (&[Vec<u8>], bool),
) -> Vec<Text> {
    let dialect = &walker.state.dialect;
    let is_whole = match reach.exactly {
        true => !dialect.exact_input_is_split,
        false => given.has(b'n') && !dialect.counted_input_is_split,
    };
    let into_reply = given.operands.is_empty() && dialect.reply_is_whole;
    match is_array {
        true if given.has(b'a') && dialect.read_array_takes_codes => codes(line),
        true if !is_whole => walker.elements(line, ifs),
        false if !is_whole && !into_reply => {
            let how = Fields {
                most: names.len(),
                keeps_last: dialect.read_keeps_last_separator,
                ends: dialect.read_escaped_ends,
            };
            fields_of_line(line, ifs, how)
        }
        _ => vec![line.clone()],
    }
}

/// The status of a `read` whose words say already that nothing is read.
fn settled_by_words(
    walker: &mut Walker,
    call: &Call<'_>,
    given: &Given<'_>,
    names: &[Vec<u8>],
) -> Result<Option<Status>, Stop> {
    let dialect = walker.state.dialect.clone();
    if let Some(status) = refused_number(dialect.read_numbers, given) {
        return Ok(Some(walker.complain(call, status)));
    }
    if given.unknown.is_some() {
        return Ok(Some(walker.complain(call, dialect.read_usage_status)));
    }
    if let Some(status) = dialect.no_coprocess_status
        && given.has(b'p')
        && !walker.descriptors.has_coprocess(true)
    {
        return Ok(Some(walker.complain(call, status)));
    }
    if dialect.read_completion_letters.bytes().any(|letter| given.has(letter)) {
        return Ok(Some(1));
    }
    let reads_keys = dialect.read_takes_keys && (given.has(b'k') || given.has(b'q'));
    if reads_keys && given.value(b'u').is_none() {
        // There is no terminal to read them from.
        return Ok(Some(walker.complain(call, 1)));
    }
    let is_bad = |name: &Vec<u8>| !walker.is_target(name);
    let refused = match dialect.read_looks_at {
        ReadLooksAt::All => names.iter().any(is_bad),
        ReadLooksAt::Filled => names.iter().filter(|name| !name.is_empty()).any(is_bad),
        ReadLooksAt::First => names.first().is_some_and(is_bad),
        ReadLooksAt::None => false,
    };
    if refused && dialect.read_bad_name_is_fatal {
        return Err(walker.fatal(call, "this is not a name"));
    }
    if refused {
        return Ok(Some(walker.complain(call, dialect.read_bad_name_status)));
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

/// Assigns the fields of a line to the names.
fn into_names(
    walker: &mut Walker,
    call: &Call<'_>,
    names: &[Vec<u8>],
    fields: &[Text],
    mut status: Status,
) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    for (at, name) in names.iter().enumerate() {
        let text = fields.get(at).cloned().unwrap_or_default();
        if !walker.is_target(name) {
            if dialect.read_names_with_values == NamesWithValues::Skipped && name.contains(&b'=') {
                continue;
            }
            return Ok(walker.complain(call, dialect.read_late_name_status));
        }
        match walker.assign_text(name, text, call.span) {
            Err(Stop::Shell(error)) if error.is_read_only && dialect.read_passes_read_only => {
                status = 1;
                walker.survive(error);
            }
            Err(Stop::Shell(error)) if error.is_read_only && dialect.read_ends_at_read_only => {
                return Err(Stop::Shell(ShellError {
                    reach: crate::stop::Reach::Command,
                    status: 2,
                    ..error
                }));
            }
            Err(Stop::Shell(error))
                if dialect.read_refused_status.is_some()
                    && walker.state.element_named(name).is_none() =>
            {
                walker.survive(error);
                return Ok(dialect.read_refused_status.unwrap_or(status));
            }
            outcome => outcome?,
        }
    }
    Ok(status)
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

/// The array that `read` fills; or its status, where that is a mistake.
fn array_of(
    given: &Given<'_>,
    names: &[Vec<u8>],
    walker: &Walker,
) -> Result<Option<Vec<u8>>, Status> {
    let dialect = &walker.state.dialect;
    if !given.has(b'a') && !given.has(b'A') {
        return Ok(None);
    }
    if let Some(name) = given.value(b'a') {
        let named = walker.state.names_variable(name.bytes());
        return if named { Ok(Some(name.bytes().to_vec())) } else { Err(1) };
    }
    match (names, dialect.read_array_others_status) {
        ([_, _, ..], Some(status)) => Err(status),
        ([first, ..], _) => Ok(Some(first.clone())),
        ([], _) => Ok(dialect.read_array_name.map(|name| name.as_bytes().to_vec())),
    }
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
    /// The names of the variables that `read` fills, without the prompt that may stand behind the first.
    fn names_read(&self, given: &Given<'_>) -> Vec<Vec<u8>> {
        let dialect = &self.state.dialect;
        let words = given.operands.iter().map(Text::bytes).enumerate();
        let mut names: Vec<Vec<u8>> =
            words.map(|(at, word)| self.read_into(word, at == 0).to_vec()).collect();
        let Some(first) = names.first_mut().filter(|_| dialect.read_prompts) else { return names };
        let Some(prompt) = first.find_byte(b'?') else { return names };
        first.truncate(prompt);
        if prompt == 0 && dialect.read_prompt_needs_no_name {
            names.remove(0);
        }
        names
    }

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

    /// The name of the variable that a word of `read` means.
    fn read_into<'a>(&self, word: &'a [u8], is_first: bool) -> &'a [u8] {
        let equals = word.iter().position(|&byte| byte == b'=');
        match (self.state.dialect.read_names_with_values, equals) {
            (NamesWithValues::Cut, Some(equals)) => &word[..equals],
            (NamesWithValues::FirstCut, Some(equals)) if is_first => {
                word[..equals].strip_suffix(b"+").unwrap_or(&word[..equals])
            }
            _ => word,
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

    /// Whether `read` can read into this: a variable, an element or a parameter.
    fn is_target(&self, name: &[u8]) -> bool {
        let array = self.state.element_named(name).map_or(name, |(name, _)| name);
        self.state.names_variable(array)
            || self.state.parameter_number(name).is_some()
            || (self.state.dialect.read_minds_first_letter_only && begins_name(name))
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

    /// Makes an array of texts.
    pub(in crate::walk) fn assign_array(
        &mut self,
        name: &[u8],
        texts: Vec<Text>,
        span: crate::source::Span,
    ) -> Result<(), Stop> {
        store_list(&mut self.state, name, texts, span)
    }

    /// Whether a word that a utility was given names a variable, or an element where there are arrays.
    pub(super) fn can_be_assigned(&self, name: &[u8]) -> bool {
        let is_number = || !name.is_empty() && name.iter().all(u8::is_ascii_digit);
        match self.state.element_named(name).filter(|_| self.state.dialect.arrays) {
            Some((array, _)) => self.state.names_variable(array),
            None => {
                self.state.names_variable(name)
                    || self.state.dialect.parameters_are_variables && is_number()
            }
        }
    }

    /// Assigns a value that a built-in utility has made.
    pub(in crate::walk) fn assign_text(
        &mut self,
        name: &[u8],
        text: Text,
        span: crate::source::Span,
    ) -> Result<(), Stop> {
        let hop = Hop { rule: Rule::Stored, span, name: Some(name.into()), shifted: 0 };
        let text = text.passed_through(&hop, Standing::Quoted);
        // A utility only fails where an assignment would end the shell.
        self.state.check_parent(name, span).map_err(|stop| match stop {
            Stop::Shell(error) => {
                Stop::Shell(ShellError { reach: crate::stop::Reach::Command, ..error })
            }
            stop => stop,
        })?;
        match self.state.element_named(name).filter(|_| self.state.dialect.arrays) {
            Some((array, index)) => {
                let key = self.element_key_of_text(array, index, span)?;
                let ends = self.state.dialect.given_index_ends;
                self.state.check_given_index(array, &key, ends, span)?;
                disciplines::store(self, array, Some(key), text, span)
            }
            None => disciplines::store(self, name, None, text, span),
        }
    }

    /// Assigns text that a built-in utility has computed.
    pub(super) fn assign_computed(
        &mut self,
        name: &[u8],
        bytes: &[u8],
        call: &Call<'_>,
    ) -> Result<(), Stop> {
        let text = self.state.shell_text(bytes);
        self.assign_text(name, text, call.span)
    }
}

/// Whether a text begins like a name.
fn begins_name(text: &[u8]) -> bool {
    text.first().is_some_and(|first| is_name(&[*first]))
}
