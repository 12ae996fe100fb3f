//! The word of a `"${x-word}"` whose double quotes are taken out before it is read (observed in bash 5.2:
//! `x=b; echo "${v-$x"a b"}" "${v-'"'}"`, which looks for a variable `xa`).

use crate::syntax::ast::Part;
use crate::syntax::cursor::{Parsed, Parser};
use crate::syntax::within::Within;
use crate::syntax::words::Active;

/// The state of a word whose double quotes vanish before it is read: the shell looks for its end first, and there
/// single quotes hide double ones; when it takes the double quotes out, single ones are text.
#[derive(Clone, Copy, Default)]
pub(super) struct Vanishing {
    /// The single quote that hides what follows.
    pub(super) hidden: Option<usize>,
    /// The double quote that is open in the search for the end.
    pub(super) open: Option<usize>,
    /// Whether the text is between double quotes that are taken out.
    pub(super) between: bool,
}

impl Vanishing {
    /// Goes over a double quote.
    pub(super) fn passes_quote(&mut self, at: usize) {
        if self.hidden.is_none() {
            self.open = self.open.is_none().then_some(at);
        }
        self.between = !self.between;
    }
}

impl Parser<'_> {
    /// The word of a `"${x:-word}"` whose double quotes are no part of it.
    pub(super) fn parts_without_quotes(&mut self) -> Parsed<Vec<Part>> {
        let mut parts = Vec::new();
        let mut literal = self.pos;
        let mut kept_backslash = None;
        while let Some(byte) = self.raw()
            && let Some(mut now) = self.vanishing
        {
            let here = self.pos;
            let within = if now.open.is_some() { Within::Double } else { Within::BraceQuoted };
            match byte {
                b'}' if now.hidden.is_none() && now.open.is_none() => break,
                b'\''
                    if now.open.is_none()
                        && self.dialect.single_quotes_hide_brace
                        && (now.hidden.is_some() || kept_backslash != Some(here)) =>
                {
                    now.hidden = now.hidden.is_none().then_some(here);
                    self.vanishing = Some(now);
                    self.pos += 1;
                }
                b'"' => {
                    now.passes_quote(here);
                    self.vanishing = Some(now);
                    self.flush(&mut parts, literal, here);
                    self.pos += 1;
                    literal = self.pos;
                }
                b'\\' | b'$' | b'`' => {
                    let inner = now.between && self.dialect.inner_backslash_quotes_all;
                    let outer = std::mem::replace(&mut self.in_inner_quotes, inner);
                    let found = self.active(byte, within);
                    self.in_inner_quotes = outer;
                    match found? {
                        Active::Itself => {
                            self.pos = here + 1;
                            kept_backslash = (byte == b'\\').then_some(self.pos);
                        }
                        found => {
                            self.flush(&mut parts, literal, here);
                            literal = self.pos;
                            parts.extend(found.part());
                        }
                    }
                }
                _ => self.pos += 1,
            }
        }
        let open = self.vanishing.unwrap_or_default();
        if let Some(quote) = open.hidden {
            return Err(self.unclosed(quote, 1, "'", "'"));
        }
        if let Some(quote) = open.open {
            return Err(self.unclosed(quote, 1, "\"", "\""));
        }
        self.flush(&mut parts, literal, self.pos);
        Ok(parts)
    }
}
