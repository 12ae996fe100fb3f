//! What `read` fills: names, and an array.

use bstr::ByteSlice;

use crate::dialect::{ArrayElement, NamesWithValues, ReadLooksAt};
use crate::state::Key;
use crate::stop::{Reach, ShellError, Status, Stop};
use crate::syntax::is_name;
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::options::Given;

/// What a call of `read` fills.
pub(super) struct Targets {
    /// The array that gets the fields.
    pub(super) array: Option<Vec<u8>>,
    /// The variables that get a field each, or those beside the array.
    pub(super) names: Vec<Vec<u8>>,
}

impl Targets {
    /// What the operands ask for; or the status, where they ask for too much.
    pub(super) fn of(walker: &Walker, given: &Given<'_>) -> Result<Targets, Status> {
        let dialect = &walker.state.dialect;
        let mut names = walker.names_read(given);
        let counts = given.has(b'n') || given.has(b'N');
        if dialect.counted_reads_fill_first && counts {
            names.truncate(1);
        }
        if let Some(array) = given.value(b'a') {
            return Ok(Targets { array: Some(array.bytes().to_vec()), names: Vec::new() });
        }
        if !given.has(b'a') && !given.has(b'A') {
            return Ok(Targets { array: None, names });
        }
        if let Some(status) = dialect.read_array_others_status
            && names.len() > 1
        {
            return Err(status);
        }
        let array = match names.is_empty() {
            true => dialect.read_array_name.map(|name| name.as_bytes().to_vec()),
            false => Some(names.remove(0)),
        };
        Ok(Targets { array, names })
    }

    /// Whether nothing is named.
    pub(super) fn are_none(&self) -> bool {
        self.array.is_none() && self.names.is_empty()
    }

    /// Everything that is named, in order.
    fn all(&self) -> impl Iterator<Item = &Vec<u8>> {
        self.array.iter().chain(&self.names)
    }

    /// The name of the variable that gets what is there of an unknown input.
    pub(super) fn listed(&self) -> Vec<Vec<u8>> {
        self.all().cloned().collect()
    }

    /// Whether one that is looked at before anything is read cannot be filled.
    pub(super) fn are_refused(&self, walker: &Walker, given: &Given<'_>) -> bool {
        let is_bad = |name: &&Vec<u8>| !walker.is_target(name);
        if given.value(b'a').is_some() {
            // The others are passed over, but for the first.
            return walker.names_read(given).first().is_some_and(|name| is_bad(&name));
        }
        match walker.state.dialect.read_looks_at {
            ReadLooksAt::All => self.all().any(|name| is_bad(&name)),
            ReadLooksAt::Filled => {
                self.all().filter(|name| !name.is_empty()).any(|name| is_bad(&name))
            }
            ReadLooksAt::First => self.all().next().is_some_and(|name| is_bad(&name)),
            ReadLooksAt::None => false,
        }
    }
}

/// Assigns the fields of a line to the names.
pub(super) fn into_names(
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
        let place = match walker.place_of_text(name, call.span) {
            Err(Stop::Shell(error)) if dialect.read_passes_index_mistakes => {
                walker.survive(error);
                return Ok(dialect.read_refused_status.unwrap_or(1));
            }
            place => place?,
        };
        match walker.assign_at(place, text, call.span) {
            Err(Stop::Shell(error)) if error.is_read_only && dialect.read_passes_read_only => {
                status = 1;
                walker.survive(error);
            }
            Err(Stop::Shell(error)) if error.is_read_only && dialect.read_ends_at_read_only => {
                return Err(Stop::Shell(ShellError { reach: Reach::Command, status: 2, ..error }));
            }
            Err(Stop::Shell(error)) if dialect.read_refused_status.is_some() => {
                walker.survive(error);
                return Ok(dialect.read_refused_status.unwrap_or(status));
            }
            outcome => outcome?,
        }
    }
    Ok(status)
}

/// Assigns the fields of a line to an array, and deals with the names beside it; `status` is that of reading.
pub(super) fn into_array(
    walker: &mut Walker,
    call: &Call<'_>,
    (array, others): (&[u8], &[Vec<u8>]),
    fields: Vec<Text>,
    status: Status,
) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let element = walker.state.element_named(array).filter(|_| dialect.arrays);
    let keyed = dialect.read_array_refuses_maps && walker.is_keyed(array);
    let refused = match (element, dialect.read_array_element) {
        (None, _) => keyed || !walker.is_target(array),
        (Some(_), ArrayElement::Refused) => true,
        (Some((array, _)), _) => !walker.is_target(array),
    };
    if refused {
        return Ok(walker.complain(call, dialect.read_late_name_status));
    }
    let Some((name, index)) = element else {
        walker.lose_attributes(array, false);
        walker.assign_array(array, fields, call.span)?;
        return into_names(walker, call, others, &[], status);
    };
    let key = walker.element_key_of_text(name, index, call.span)?;
    walker.state.check_writable(name, call.span)?;
    walker.state.variables.remove_element(name, &key);
    let first = dialect.first_index;
    for (at, text) in fields.into_iter().enumerate() {
        let key = match dialect.read_array_element {
            ArrayElement::IsOne if at > 0 => return Ok(walker.complain(call, 2)),
            ArrayElement::IsOne => key.clone(),
            _ => Key::Number(at as i64 + first),
        };
        walker.assign_at((name.to_vec(), Some(key)), text, call.span)?;
    }
    into_names(walker, call, others, &[], status)
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

    /// Whether `read` can read into this: a variable, an element or a parameter.
    pub(super) fn is_target(&self, name: &[u8]) -> bool {
        let element = self.state.element_named(name).filter(|_| self.state.dialect.arrays);
        let array = element.map_or(name, |(name, _)| name);
        self.state.names_variable(array)
            || self.state.parameter_number(name).is_some()
            || (self.state.dialect.read_minds_first_letter_only && begins_name(name))
    }
}

/// Whether a text begins like a name.
fn begins_name(text: &[u8]) -> bool {
    text.first().is_some_and(|first| is_name(&[*first]))
}
