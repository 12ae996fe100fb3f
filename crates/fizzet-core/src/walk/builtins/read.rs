//! `read` (POSIX XCU read).

use crate::expand::{Context, ifs};
use crate::lineage::{Hop, Origin, Rule};
use crate::stop::Stop;
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// `read [-r] name...`: one line of input, split at IFS; the last name takes what is left.
pub(super) fn read(walker: &mut Walker, call: &Call<'_>) -> Result<u8, Stop> {
    let raw = call.arguments().iter().any(|text| text.bytes() == b"-r");
    let names: Vec<Vec<u8>> = call.operands().iter().map(|text| text.bytes().to_vec()).collect();
    let names = if names.is_empty() { vec![b"REPLY".to_vec()] } else { names };
    let Some((line, whole)) = walker.input_line(raw) else {
        return walker.unknown_line(call, &names);
    };
    let ifs = ifs(&walker.state);
    let fields = crate::expand::split_line(line, &ifs, names.len());
    for (at, name) in names.iter().enumerate() {
        let text = fields.get(at).cloned().unwrap_or_default();
        walker.assign_text(name, text, call.span)?;
    }
    Ok(u8::from(!whole))
}

impl Walker {
    /// One line of an input that nobody knows: the first name gets a hole, and the input ends there,
    /// so that a loop over it makes one pass.
    fn unknown_line(&mut self, call: &Call<'_>, names: &[Vec<u8>]) -> Result<u8, Stop> {
        self.missing("the input of read", call.span);
        if let Some(input) = self.input.last_mut() {
            *input = Some((Text::new(), 0));
        }
        for (at, name) in names.iter().enumerate() {
            let mut text = Text::new();
            if at == 0 {
                text.push_hole(Standing::Quoted, &Origin::new(Rule::Output, call.span));
            }
            self.assign_text(name, text, call.span)?;
        }
        Ok(0)
    }

    /// The next line of input without its newline, and whether there was one. Escaped characters are
    /// quoted. `None` when nobody knows the input.
    fn input_line(&mut self, raw: bool) -> Option<(Text, bool)> {
        let (text, at) = self.input.last_mut()?.as_mut()?;
        let bytes = text.bytes();
        let mut line = Text::new();
        let origin_of = |from: usize, to: usize, standing: Standing| {
            let mut part = text.slice(from, to);
            part.set_standing(standing);
            part
        };
        let mut from = *at;
        let mut next = from;
        while let Some(&byte) = bytes.get(next) {
            if byte == b'\n' {
                line.push_text(&origin_of(from, next, Standing::Splittable));
                *at = next + 1;
                return Some((line, true));
            }
            if byte == b'\\' && !raw {
                line.push_text(&origin_of(from, next, Standing::Splittable));
                if bytes.get(next + 1) != Some(&b'\n') {
                    let end = (next + 2).min(bytes.len());
                    line.push_text(&origin_of(next + 1, end, Standing::Quoted));
                }
                next = (next + 2).min(bytes.len());
                from = next;
                continue;
            }
            next += 1;
        }
        line.push_text(&origin_of(from, next, Standing::Splittable));
        *at = next;
        Some((line, false))
    }

    /// Assigns a value that a built-in utility has made.
    pub(super) fn assign_text(
        &mut self,
        name: &[u8],
        text: Text,
        span: crate::source::Span,
    ) -> Result<(), Stop> {
        let hop = Hop { rule: Rule::Stored, span, name: Some(name.into()), shifted: 0 };
        self.state.store(name, None, text.passed_through(&hop, Standing::Quoted), span)
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
