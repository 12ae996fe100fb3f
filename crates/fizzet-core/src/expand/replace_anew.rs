//! `${x@/pattern/word}`, whose pattern is expanded before each match and whose word behind it (observed in mksh).

use crate::expand::parameter::Held;
use crate::expand::pattern::Pattern;
use crate::expand::places::keep_match;
use crate::expand::substitute::{Place, Substitution};
use crate::expand::{Tilde, pattern_text_with};
use crate::stop::Stop;
use crate::syntax::ast::{Parameter, Word};
use crate::text::Text;

impl Substitution<'_> {
    /// The value behind all replacements.
    ///
    /// # Errors
    /// Those of the words; a value that grows over the limit.
    pub(super) fn replace_anew(
        &mut self,
        parameter: &Parameter,
        held: Held,
        (pattern, replacement): (&Word, Option<&Word>),
        place: Place,
    ) -> Result<Held, Stop> {
        self.each_in_turn(parameter, held, |this, text| {
            let (mut made, mut at) = (Text::new(), 0);
            loop {
                let expanded = pattern_text_with(this.cx, pattern, Tilde::InOperation)?;
                if expanded.is_empty() {
                    return Ok(text.clone());
                }
                let rules = this.cx.state().operation_pattern_rules();
                let pattern = Pattern::from_text(&expanded, rules);
                // One that matches nothing at all takes a match away, and is the last.
                let is_last = pattern.matches(b"");
                let Some(found) = first_match(&pattern, text, (at, is_last)) else { break };
                keep_match(this.cx.state(), &pattern, text, found, parameter.span)?;
                made.push_part(text, at, found.0);
                at = found.1;
                if is_last {
                    break;
                }
                let word = this.replacement(parameter, (None, replacement), place)?;
                word.put(&mut made, text, found);
                let limit = this.cx.state().limits.bytes;
                if made.len() > limit {
                    let (what, limit) = ("bytes in one word", limit as u64);
                    return Err(Stop::Limit { what, limit, span: parameter.span });
                }
            }
            made.push_part(text, at, text.len());
            Ok(made)
        })
    }
}

/// The longest one of the first matches from an offset on; one that may be empty begins there.
fn first_match(
    pattern: &Pattern,
    text: &Text,
    (at, is_empty): (usize, bool),
) -> Option<(usize, usize)> {
    let rest = &text.bytes()[at..];
    match is_empty {
        true => Some((at, at + pattern.longest_end(rest)?)),
        false => pattern.search(text.bytes()).next(at),
    }
}
