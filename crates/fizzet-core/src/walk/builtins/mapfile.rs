//! `mapfile` and `readarray`: every line of the input becomes an element (observed in bash 5.2).

use crate::lineage::{Hop, Origin, Rule};
use crate::state::Key;
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;
use crate::walk::builtins::input::{Reach, Stretch};
use crate::walk::builtins::options::Given;

/// After how many lines the command of `-C` is called, where `-c` does not tell.
const USUAL_STEP: usize = 5000;

/// What the numbers behind the options ask for.
struct Wanted {
    skipped: usize,
    most: Option<usize>,
    /// The index of the first line; without one the array is emptied before.
    first: Option<usize>,
    step: usize,
    descriptor: u32,
}

/// `mapfile [-t] [-d end] [-n count] [-O first] [-s skipped] [-u descriptor] [-C command [-c step]] [array]`
pub(super) fn mapfile(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("td:n:O:s:u:C:c:", false);
    let Some(wanted) = walker.wanted_lines(&given) else { return Ok(walker.complain(call, 1)) };
    let name = given.operands.first().map_or(&b"MAPFILE"[..], |text| text.bytes());
    if given.unknown.is_some() || name.is_empty() {
        return Ok(walker.complain(call, 2));
    }
    if !walker.state.dialect.is_name(name) || walker.is_keyed(name) {
        return Ok(walker.complain(call, 1));
    }
    let Some(lines) = walker.mapped_lines(&given, &wanted, call)? else {
        return walker.unknown_line(call, &[name.to_vec()], wanted.descriptor);
    };
    if wanted.first.is_none() {
        walker.assign_array(name, Vec::new(), call.span)?;
    }
    for (at, line) in lines.into_iter().skip(wanted.skipped).enumerate() {
        let index = wanted.first.unwrap_or(0) + at;
        if let Some(action) = given.value(b'C')
            && (at + 1) % wanted.step == 0
        {
            walker.call_back(action, index, &line, call)?;
        }
        let hop = Hop { rule: Rule::Stored, span: call.span, name: Some(name.into()), shifted: 0 };
        let line = line.passed_through(&hop, Standing::Quoted);
        walker.state.store(name, Some(Key::Number(index as i64)), line, call.span)?;
    }
    Ok(0)
}

impl Walker {
    /// The numbers behind the options; `None` if one is none or too large, or nothing is open there.
    fn wanted_lines(&self, given: &Given<'_>) -> Option<Wanted> {
        let (mut skipped, mut most, mut first, mut step, mut descriptor) =
            (0, None, None, USUAL_STEP, 0);
        for (letter, text) in given.with_values().filter(|(letter, _)| !b"dC".contains(letter)) {
            let counted = number(text.bytes()).filter(|number| *number <= i64::from(i32::MAX));
            let counted = usize::try_from(counted?).ok()?;
            match letter {
                b's' => skipped = counted,
                b'n' => most = Some(counted).filter(|most| *most > 0),
                b'O' => first = Some(counted),
                b'c' if counted > 0 => step = counted,
                b'u' if self.descriptors.is_open(counted as u32) => descriptor = counted as u32,
                _ => return None,
            }
        }
        Some(Wanted { skipped, most, first, step, descriptor })
    }

    /// The lines of the input, those that are skipped too; `None` if nobody knows them.
    fn mapped_lines(
        &mut self,
        given: &Given<'_>,
        wanted: &Wanted,
        call: &Call<'_>,
    ) -> Result<Option<Vec<Text>>, Stop> {
        let end = given.value(b'd').map_or(b'\n', |end| end.bytes().first().copied().unwrap_or(0));
        let reach = Reach::lines(Some(end), wanted.descriptor);
        let count = wanted.most.map_or(usize::MAX, |most| most.saturating_add(wanted.skipped));
        let mut lines = Vec::new();
        while lines.len() < count {
            let Some(stretch) = self.input_stretch(&reach)? else { return Ok(None) };
            let Stretch { text: mut line, whole, .. } = stretch;
            if !whole && line.is_empty() {
                break;
            }
            // A text of the shell ends before a NUL.
            if whole && !given.has(b't') && end != 0 {
                line.push(&[end], Standing::Quoted, &Origin::new(Rule::Output, call.span));
            }
            lines.push(line);
        }
        Ok(Some(lines))
    }

    /// The command of `mapfile -C`, with the index and the line behind it.
    fn call_back(
        &mut self,
        action: &Text,
        index: usize,
        line: &Text,
        call: &Call<'_>,
    ) -> Result<(), Stop> {
        let index = index.to_string();
        let line = crate::expand::quoting::requoted(line.bytes());
        let text = [action.bytes(), b" ", index.as_bytes(), b" ", &line].concat();
        let source = self.state.sources.built("eval", &text);
        self.deeper_source(source, call.span)
    }
}
