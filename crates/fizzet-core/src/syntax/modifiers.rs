//! Modifiers of an expansion, as zsh has them: `${x:t}`, `${x:gs/a/b/}`, `${x:W:,:u}` (observed in zsh 5.9).

use crate::syntax::ast::{Flagged, Modifier, Operation};
use crate::syntax::cursor::{Parsed, Parser, is_meta};

/// The letters of modifiers that take nothing behind them.
const MODIFIERS: &[u8] = b"aAchlPqQreut";

/// Up to where the modifiers of an expansion reach.
pub(super) struct Bounds {
    /// Whether it stands between double quotes.
    pub(super) quoted: bool,
    /// The end, where it has been looked for.
    pub(super) end: Option<usize>,
}

impl Parser<'_> {
    /// What stands before the next delimiter of `:s/from/to/`, or before the end of the expansion.
    fn replaced_piece(&mut self, delimiter: &[u8], end: usize) -> Box<[u8]> {
        let mut piece = Vec::new();
        while self.pos < end && !self.text[self.pos..].starts_with(delimiter) {
            let byte = self.text[self.pos];
            match self.text.get(self.pos + 1) {
                Some(_) if byte == b'\\' && self.text[self.pos + 1..].starts_with(delimiter) => {
                    piece.extend(delimiter);
                    self.pos += delimiter.len();
                }
                Some(&escaped) if byte == b'\\' => {
                    piece.extend([byte, escaped]);
                    self.pos += 1;
                }
                _ => piece.push(byte),
            }
            self.pos += 1;
        }
        self.pos = self.pos.min(end);
        piece.into()
    }

    /// Where the modifiers end that begin here: in braces where those are in pairs, between double quotes at the
    /// first that closes. `None` if the text ends before.
    fn braced_end(&self, quoted: bool) -> Option<usize> {
        let (mut at, mut open) = (self.pos, 0u32);
        loop {
            match self.text.get(at)? {
                b'\\' => at += 1,
                b'}' if open == 0 => return Some(at),
                b'{' if !quoted => open += 1,
                b'}' => open -= 1,
                _ => {}
            }
            at += 1;
        }
    }

    /// Where the word ends in which modifiers stand without braces; those of one word look for it once.
    fn unbraced_end(&self) -> usize {
        if let Some((from, end)) = self.modified_word.get()
            && (from..=end).contains(&self.pos)
        {
            return end;
        }
        let (mut at, mut open) = (self.pos, 0u32);
        while let Some(&byte) = self.text.get(at) {
            match byte {
                b'\\' => at += 1,
                b'{' => open += 1,
                b'}' => open = open.saturating_sub(1),
                _ if open == 0 && (is_meta(byte) || byte == b'"') => break,
                _ => {}
            }
            at += 1;
        }
        let end = at.min(self.text.len());
        self.modified_word.set(Some((self.pos, end)));
        end
    }

    /// `:t` and its kin; false with the place unchanged if it is none.
    pub(super) fn modifier(&mut self, flagged: &mut Flagged, bounds: &mut Bounds) -> Parsed<bool> {
        self.pos = self.over_continuations(self.pos);
        let marks = self.text[self.pos + 1..].iter().take_while(|byte| **byte == b'g').count();
        let (at, global) = (self.pos + 1 + marks, marks > 0);
        let Some(&letter) = self.text.get(at) else { return Ok(false) };
        match letter {
            b'f' | b'F' if !global => {
                return self.repeated_modifier(flagged, bounds, letter == b'F');
            }
            b'w' | b'W' if marks < 2 => return self.words_modifier(flagged, bounds),
            b's' => return self.replacing_modifier(flagged, bounds, (at + 1, global)),
            b'&' if flagged.parameter.braced => {
                self.pos = at + 1;
                flagged.modifiers.push(Modifier::Again(global));
                return Ok(true);
            }
            _ => {}
        }
        if matches!(letter, b'h' | b't') && flagged.parameter.braced {
            let digits = self.text[at + 1..].iter().take_while(|byte| byte.is_ascii_digit());
            let length = digits.count();
            let written = String::from_utf8_lossy(&self.text[at + 1..][..length]);
            if let Ok(count) = written.parse() {
                self.pos = at + 1 + length;
                flagged.modifiers.push(match count {
                    0 => Modifier::Letter(letter),
                    count => Modifier::Parts(letter, count),
                });
                return Ok(true);
            }
        }
        let ends = self
            .text
            .get(at + 1)
            .is_none_or(|&byte| !byte.is_ascii_alphanumeric() && byte != b'_' && byte != b'[');
        // Without braces a letter is looked at alone.
        if !MODIFIERS.contains(&letter) || (!ends && flagged.parameter.braced) {
            return Ok(false);
        }
        self.pos = at + 1;
        flagged.modifiers.push(Modifier::Letter(letter));
        Ok(true)
    }

    /// `:s/from/to/`, whose delimiter is at this place; the last one may be missing.
    fn replacing_modifier(
        &mut self,
        flagged: &mut Flagged,
        bounds: &mut Bounds,
        (at, global): (usize, bool),
    ) -> Parsed<bool> {
        let Some(delimiter) = character_at(&self.text, at) else { return Ok(false) };
        if delimiter[0].is_ascii_alphanumeric() || delimiter == b"}" {
            return Ok(false);
        }
        let delimiter = delimiter.to_vec();
        self.pos = at + delimiter.len();
        let found = match flagged.parameter.braced {
            true => bounds.end.or_else(|| self.braced_end(bounds.quoted)),
            false => Some(self.unbraced_end()),
        };
        let Some(end) = found else {
            let start = flagged.parameter.span.start as usize;
            return Err(self.unclosed(start, 2, "${", "}"));
        };
        bounds.end = found;
        let from = self.replaced_piece(&delimiter, end);
        if !self.eat(&delimiter) {
            flagged.parameter.operation = Operation::Bad;
        }
        let to = self.replaced_piece(&delimiter, end);
        self.eat(&delimiter);
        flagged.modifiers.push(Modifier::Replace(from, to, global));
        Ok(true)
    }

    /// `:f` or `:F:count:`, and the modifier behind it.
    fn repeated_modifier(
        &mut self,
        flagged: &mut Flagged,
        bounds: &mut Bounds,
        counts: bool,
    ) -> Parsed<bool> {
        let start = self.pos;
        self.pos += 2;
        let count = match counts {
            false => None,
            true => {
                let argument = self.flag_argument(&mut None);
                let written = argument.as_deref().and_then(|text| std::str::from_utf8(text).ok());
                match written.and_then(|text| text.trim().parse().ok()) {
                    Some(count) => Some(count),
                    None => {
                        self.pos = start;
                        return Ok(false);
                    }
                }
            }
        };
        self.modifier_behind((flagged, bounds), start, |one| {
            Modifier::Repeated(Box::new(one), count)
        })
    }

    /// `:w` or `:W:separator:`, and the modifier behind it; `g` may stand before either.
    fn words_modifier(&mut self, flagged: &mut Flagged, bounds: &mut Bounds) -> Parsed<bool> {
        let start = self.pos;
        let global = self.text[start + 1] == b'g';
        self.pos += 2 + usize::from(global);
        let separator = match self.text[self.pos - 1] {
            b'W' => self.flag_argument(&mut None),
            _ => None,
        };
        let whole = |mut one| {
            if let Modifier::Replace(_, _, all) = &mut one {
                *all |= global;
            }
            Modifier::Words(Box::new(one), separator)
        };
        self.modifier_behind((flagged, bounds), start, whole)
    }

    /// The modifier behind what changes how it is applied; false with the place set back if there is none.
    fn modifier_behind(
        &mut self,
        (flagged, bounds): (&mut Flagged, &mut Bounds),
        start: usize,
        whole: impl FnOnce(Modifier) -> Modifier,
    ) -> Parsed<bool> {
        // It is read as if its colon stood right before it.
        self.pos -= 1;
        let before = flagged.modifiers.len();
        let found = self.deeper(|parser| parser.modifier(flagged, bounds))?;
        if !found || flagged.modifiers.len() != before + 1 {
            self.pos = start;
            return Ok(false);
        }
        let one = flagged.modifiers.pop();
        flagged.modifiers.extend(one.map(whole));
        Ok(true)
    }
}

/// The character at a place; a byte that begins none stands for itself.
pub(super) fn character_at(text: &[u8], at: usize) -> Option<&[u8]> {
    let rest = text.get(at..).filter(|rest| !rest.is_empty())?;
    let whole =
        (1..=rest.len().min(4)).find(|&length| std::str::from_utf8(&rest[..length]).is_ok());
    Some(&rest[..whole.unwrap_or(1)])
}
