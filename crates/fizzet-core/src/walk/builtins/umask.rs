//! `umask`, and the clauses in which it takes what is allowed.

use bstr::ByteSlice;

use crate::dialect::{Bare, Copies, MaskClauses};
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;

/// The rights of a mode; above them are set-user-ID, set-group-ID and the sticky bit.
const RIGHTS: u32 = 0o777;

/// `umask [-S] [mask]`
pub(super) fn umask(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let given = call.given(dialect.umask_letters, false);
    if given.unknown.is_some() {
        return Ok(dialect.option_usage_status);
    }
    let Some((mask, rest)) = given.operands.split_first() else {
        walker.tell_mask(call, given.has(b'S'), given.has(b'p'));
        return Ok(0);
    };
    if !rest.is_empty() && dialect.umask_takes_one {
        return Ok(walker.complain(call, dialect.umask_usage_status));
    }
    let text = mask.bytes();
    let new = match text.first() {
        Some(b'0'..=b'9') => numeric(text).filter(|&mask| match dialect.umask_bound {
            None => true,
            // Ten octal digits are what the number holds.
            Some(bound) => mask <= bound && text.trim_start_with(|one| one == '0').len() <= 10,
        }),
        _ => dialect.mask_clauses.applied(walker.state.mask, text),
    };
    let Some(new) = new else {
        return Ok(walker.complain(call, dialect.umask_usage_status));
    };
    walker.set_mask(new & RIGHTS);
    if given.has(b'S') && dialect.new_masks_are_told {
        walker.tell_mask(call, true, false);
    }
    Ok(0)
}

impl Walker {
    /// Prints the mask, with letters or digits, and as a command that sets it again.
    fn tell_mask(&mut self, call: &Call<'_>, in_letters: bool, as_command: bool) {
        let mask = self.state.mask;
        let width = self.state.dialect.mask_width;
        let told = match in_letters {
            true => in_clauses(mask),
            false if mask >= 1 << (3 * width - 3) => format!("0{mask:0width$o}"),
            false => format!("{mask:0width$o}"),
        };
        let command = match (as_command, in_letters) {
            (false, _) => "",
            (true, false) => "umask ",
            (true, true) => "umask -S ",
        };
        let origin = Origin::new(Rule::Output, call.span);
        self.write(Text::from_bytes(format!("{command}{told}\n"), Standing::Quoted, origin));
    }
}

/// What a mask allows, as `umask -S` tells it.
fn in_clauses(mask: u32) -> String {
    let rights = |shift: u32| -> String {
        let allowed = !mask >> shift & 7;
        let letters = [(4, 'r'), (2, 'w'), (1, 'x')];
        letters.iter().filter(|(bit, _)| allowed & bit != 0).map(|(_, letter)| letter).collect()
    };
    format!("u={},g={},o={}", rights(6), rights(3), rights(0))
}

/// The number that octal digits are; the upper bits of a long one are lost.
fn numeric(digits: &[u8]) -> Option<u32> {
    digits.iter().try_fold(0, |mask: u32, digit| match digit {
        b'0'..=b'7' => Some(mask.wrapping_mul(8) + u32::from(digit - b'0')),
        _ => None,
    })
}

impl MaskClauses {
    /// The mask that clauses such as `u=rwx,go-w` make of one (POSIX XCU umask, chmod): they name
    /// what is allowed. `None` if they are refused.
    fn applied(self, mask: u32, text: &[u8]) -> Option<u32> {
        let before = !mask & RIGHTS;
        let last = text.iter().filter(|&&byte| byte == b',').count();
        let clauses = text.split(|&byte| byte == b',').enumerate();
        let allowed = clauses.into_iter().try_fold(before, |allowed, (number, clause)| {
            self.clause(clause, number == last, before, allowed)
        })?;
        (allowed <= RIGHTS).then_some(!allowed)
    }

    /// What a clause makes of what was `allowed`; `before` is what was so before all clauses.
    fn clause(self, clause: &[u8], is_last: bool, before: u32, allowed: u32) -> Option<u32> {
        let whose = clause.iter().take_while(|byte| b"ugoa".contains(byte)).count();
        let (whose, actions) = clause.split_at(whose);
        let is_idle = match self.bare {
            Bare::Refused | Bare::Clears => false,
            Bare::AtEnd => clause.is_empty() && is_last,
            Bare::AtEndWithWho => is_last,
            Bare::Empty => clause.is_empty(),
        };
        if actions.is_empty() && is_idle {
            return Some(allowed);
        }
        let named = whose.iter().fold(0, |bits, &letter| bits | bits_of(letter));
        let whole = if named == 0 { bits_of(b'a') } else { named };
        let reached = match named == 0 && self.nobody_is_masked {
            true => whole & !(!before & RIGHTS),
            false => whole,
        };
        self.actions(actions)?.into_iter().try_fold(allowed, |allowed, (operator, letters)| {
            let left = if operator == b'=' { allowed & !whole } else { allowed };
            let rights = self.rights(letters, before, left)? & reached;
            Some(if operator == b'-' { left & !rights } else { left | rights })
        })
    }

    /// The operators of a clause, each with its letters.
    fn actions(self, text: &[u8]) -> Option<Vec<(u8, &[u8])>> {
        let is_operator = |byte: &u8| b"+-=".contains(byte);
        let letters = |rest: &[u8]| rest.iter().take_while(|byte| !is_operator(byte)).count();
        let (mut rest, mut actions) = (text, Vec::new());
        if !rest.first().is_some_and(is_operator) {
            if self.bare != Bare::Clears {
                return None;
            }
            let (first, others) = rest.split_at(letters(rest));
            actions.push((b'=', first));
            rest = others;
        }
        while let Some((&operator, behind)) = rest.split_first() {
            let (first, others) = behind.split_at(letters(behind));
            actions.push((operator, first));
            rest = others;
        }
        (self.repeats || actions.len() == 1).then_some(actions)
    }

    /// The rights that letters stand for, for each of the three.
    fn rights(self, letters: &[u8], before: u32, allowed: u32) -> Option<u32> {
        let copied = |from: u32, letter: u8| spread(from >> shift_of(letter));
        if let (Copies::OfOneNow, [letter @ (b'u' | b'g' | b'o')]) = (self.copies, letters) {
            return Some(copied(allowed, *letter));
        }
        let executed = if self.copies == Copies::OfBefore { before } else { allowed };
        if self.takes_digits && letters.iter().any(u8::is_ascii_digit) {
            let digits = letters.iter().skip_while(|letter| !letter.is_ascii_digit());
            let digits: Vec<u8> = digits.copied().collect();
            let letters = &letters[..letters.len() - digits.len()];
            return Some(numeric(&digits)? & RIGHTS | self.rights(letters, before, allowed)?);
        }
        letters.iter().try_fold(0, |rights, &letter| {
            let right = match letter {
                b'r' => spread(4),
                b'w' => spread(2),
                b'x' => spread(1),
                b'u' | b'g' | b'o' if self.copies == Copies::OfBefore => copied(before, letter),
                _ if !self.further.contains(&letter) => return None,
                b'X' if executed & spread(1) != 0 => spread(1),
                b's' if self.nobody_is_masked => 0o6000,
                b't' if self.nobody_is_masked => 0o1000,
                _ => 0,
            };
            Some(rights | right)
        })
    }
}

/// The bits of a mode that a letter names.
fn bits_of(who: u8) -> u32 {
    match who {
        b'u' => 0o4700,
        b'g' => 0o2070,
        b'o' => 0o0007,
        _ => 0o7777,
    }
}

/// Where the rights of one of the three stand.
fn shift_of(who: u8) -> u32 {
    match who {
        b'u' => 6,
        b'g' => 3,
        _ => 0,
    }
}

/// The rights of one, for each of the three.
fn spread(rights: u32) -> u32 {
    (rights & 7) * 0o111
}
