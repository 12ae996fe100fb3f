//! `set`: its options, the arrays that it fills, and the parameters that it replaces (POSIX XCU 2.14, `set`).

use crate::dialect::{LettersBehind, ListsBefore, LonePlus, Shown};
use crate::lineage::{Hop, Rule};
use crate::stop::{ShellError, Status, Stop};
use crate::text::{Passage, Standing, Text};
use crate::walk::builtins::Call;
use crate::walk::{Cause, Walker};

/// Which way `-s` and `+s` sort.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Order {
    Forwards,
    Backwards,
}

/// What the options of a call have asked for besides switching options.
#[derive(Default)]
struct Asked {
    /// `-A name`, or `+A name`, which keeps the elements behind the new ones.
    array: Option<(Text, bool)>,
    /// `-s`
    sorts: Option<Order>,
    /// The parameters are replaced even where no words are left.
    clears: bool,
    /// The names of all variables are listed where no words are left.
    lists_names: bool,
    /// The call ends here, whatever stands behind.
    is_done: bool,
    /// An option is not known, which the shell minds when it has seen all others.
    refused: bool,
}

/// An option that `set` refuses, and by what it was given.
enum Refused {
    Letter,
    Name,
}

/// What a word of options says of those behind it.
#[derive(PartialEq, Eq)]
enum Then {
    GoOn,
    End,
}

/// `set [options] [--] [arguments]`
pub(super) fn set(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let words = call.arguments();
    if words.is_empty() {
        walker.list_values(call);
        return Ok(0);
    }
    if walker.state.dialect.set_checks_letters_first && walker.refuses_some_letter(words) {
        call.misused.set(true);
        return Ok(2);
    }
    let kept = walker.state.dialect.set_mistakes_undo.then(|| walker.state.options.clone());
    let mut asked = Asked::default();
    let rest = match walker.options_of_set(words, &mut asked, call) {
        Ok(rest) if !asked.refused => rest,
        outcome => {
            if let Some(kept) = kept {
                walker.state.put_options(kept);
            }
            return walker.refuse_option(outcome.err().unwrap_or(Refused::Letter), call);
        }
    };
    if asked.is_done {
        return Ok(0);
    }
    if let Some((name, anew)) = &asked.array {
        let is_parameter = walker.state.dialect.parameters_are_variables && is_number(name);
        if !walker.state.names_variable(name.bytes()) && !is_parameter {
            return Err(spared(walker.fatal_with(call, "this is not a name", 1), walker));
        }
        return walker.fill_array(call, name, &in_order(rest, asked.sorts), *anew);
    }
    if asked.lists_names && rest.is_empty() {
        walker.list_names(call);
    }
    let sorts_present = asked.sorts.is_some() && walker.state.dialect.set_sorts_present;
    if !asked.clears && rest.is_empty() && !sorts_present {
        return Ok(walker.status_of_set());
    }
    let before = walker.state.positional.share();
    let given = if rest.is_empty() && !asked.clears { before.all() } else { rest };
    let hop = Hop { rule: Rule::Stored, span: call.span, name: None, shifted: 0 };
    let parameters = Passage::all(&hop, Standing::Quoted, in_order(given, asked.sorts).iter());
    walker.state.positional.set(parameters);
    walker.parameters_replaced |= walker.scopes.is_empty();
    walker.options_begin_again();
    walker.tell_change(Cause::Set, &before, call.span)?;
    Ok(walker.status_of_set())
}

/// Words in the order of their bytes, where that is asked for.
fn in_order(words: &[Text], order: Option<Order>) -> std::borrow::Cow<'_, [Text]> {
    let Some(order) = order else { return words.into() };
    let mut words = words.to_vec();
    words.sort_by(|one, next| one.bytes().cmp(next.bytes()));
    if order == Order::Backwards {
        words.reverse();
    }
    words.into()
}

impl Walker {
    /// The status of `set`: scripts from before POSIX ask for that of `set -- $(getopt ...)` (mksh manual, set).
    fn status_of_set(&self) -> Status {
        let keeps =
            self.state.dialect.set_keeps_status && self.state.option_is_on(b"sh") == Some(true);
        self.substituted.filter(|_| keeps).unwrap_or(0)
    }

    /// Carries the options out; returns the words behind them.
    fn options_of_set<'a>(
        &mut self,
        words: &'a [Text],
        asked: &mut Asked,
        call: &Call<'_>,
    ) -> Result<&'a [Text], Refused> {
        let mut rest = words;
        while let Some((word, behind)) = rest.split_first() {
            let [sign @ (b'-' | b'+'), letters @ ..] = word.bytes() else { break };
            let on = *sign == b'-';
            match (letters, self.state.dialect.set_letters_behind) {
                ([], _) => match self.lone_sign(on, asked) {
                    Then::GoOn => rest = behind,
                    Then::End => return Ok(behind),
                },
                ([b'-'], _) if on => {
                    asked.clears = true;
                    return Ok(behind);
                }
                ([b'-', b'-', ..], LettersBehind::Names) if on => return Ok(rest),
                ([b'+'], LettersBehind::Names) if !on => return Ok(behind),
                ([b'-', name @ ..], LettersBehind::Names) if on => {
                    rest = behind;
                    if !self.state.set_option(name, true) {
                        return Err(Refused::Letter);
                    }
                }
                ([b'+', ..], LettersBehind::Names) if !on => return Err(Refused::Letter),
                _ => {
                    rest = behind;
                    if self.letters_of_set(word, &mut rest, asked, call)? == Then::End {
                        return Ok(rest);
                    }
                }
            }
        }
        Ok(rest)
    }

    /// `set -` and `set +`
    fn lone_sign(&mut self, minus: bool, asked: &mut Asked) -> Then {
        let dialect = self.state.dialect.clone();
        if !minus {
            let clears = dialect.set_lone_plus == LonePlus::Clears;
            asked.clears |= clears;
            asked.lists_names |= clears;
            return if dialect.set_lone_plus == LonePlus::Passed { Then::GoOn } else { Then::End };
        }
        asked.clears |= dialect.set_dash_clears;
        if dialect.set_dash_ends_tracing {
            for letter in *b"vx" {
                self.state.set_letter(letter, false);
            }
        }
        Then::End
    }

    /// The letters of one word; takes the words that they need from those behind.
    fn letters_of_set(
        &mut self,
        word: &Text,
        behind: &mut &[Text],
        asked: &mut Asked,
        call: &Call<'_>,
    ) -> Result<Then, Refused> {
        let dialect = self.state.dialect.clone();
        let (on, letters) = (word.bytes()[0] == b'-', word.bytes());
        for (at, &letter) in letters.iter().enumerate().skip(1) {
            let attached = || {
                let is_there = dialect.set_names_are_attached && at + 1 < letters.len();
                is_there.then(|| word.slice(at + 1, letters.len()))
            };
            match letter {
                b'-' if dialect.set_letters_behind == LettersBehind::End => {
                    asked.clears = true;
                    asked.lists_names |= !on && at == 1;
                    return Ok(Then::End);
                }
                b'-' | b'+' if dialect.set_letters_behind == LettersBehind::Names => {
                    self.state.switch_text_letter(on);
                }
                b'o' => {
                    let name = attached();
                    let ends = name.is_some();
                    self.named_by_set(name, behind, on, asked, call)?;
                    if ends || asked.is_done {
                        return Ok(if asked.is_done { Then::End } else { Then::GoOn });
                    }
                }
                b'A' if dialect.set_fills_arrays => {
                    let Some(name) = attached().or_else(|| next(behind)) else {
                        if !dialect.set_lists_arrays {
                            return Err(Refused::Letter);
                        }
                        self.list_arrays(if on { Shown::Values } else { Shown::Names }, call);
                        asked.is_done = true;
                        return Ok(Then::End);
                    };
                    asked.array = Some((name, on));
                    let ends = dialect.set_array_keeps_dashes;
                    return Ok(if ends { Then::End } else { Then::GoOn });
                }
                b's' if dialect.set_sorts => {
                    let backwards = !on && dialect.set_sorts_backwards;
                    asked.sorts = Some(if backwards { Order::Backwards } else { Order::Forwards });
                }
                letter if self.state.set_given_letter(letter, on) => {}
                _ if dialect.set_minds_at_the_end => asked.refused = true,
                _ => return Err(Refused::Letter),
            }
        }
        Ok(Then::GoOn)
    }

    /// `-o`, with the name that is attached to it, or the next word, or with none.
    fn named_by_set(
        &mut self,
        attached: Option<Text>,
        behind: &mut &[Text],
        on: bool,
        asked: &mut Asked,
        call: &Call<'_>,
    ) -> Result<(), Refused> {
        let dialect = self.state.dialect.clone();
        let lists_before = dialect.set_o_lists_before;
        let stays = behind.first().is_some_and(|word| lists_before.holds(word.bytes()));
        let name = attached.or_else(|| if stays { None } else { next(behind) });
        match name {
            Some(name)
                if !(name.is_empty() && lists_before == ListsBefore::OptionsOrForNothing) =>
            {
                match self.state.set_option(name.bytes(), on) {
                    true => {}
                    false if dialect.set_minds_at_the_end => asked.refused = true,
                    false => return Err(Refused::Name),
                }
            }
            _ => {
                self.tell_options(!on, call);
                asked.is_done = dialect.set_list_ends;
            }
        }
        Ok(())
    }

    /// What becomes of a call whose options are refused.
    fn refuse_option(&mut self, refused: Refused, call: &Call<'_>) -> Result<Status, Stop> {
        let dialect = self.state.dialect.clone();
        let (fatal, status) = match refused {
            Refused::Name => {
                (dialect.unknown_long_option_is_fatal, dialect.unknown_long_option_status)
            }
            Refused::Letter => (dialect.unknown_option_is_fatal, 1),
        };
        call.misused.set(true);
        if fatal { Err(self.refused_option(call)) } else { Ok(status) }
    }

    /// An option that is not known, which ends the shell unless `command` spares it.
    pub(super) fn refused_option(&mut self, call: &Call<'_>) -> Stop {
        spared(self.fatal_option(call), self)
    }

    /// Whether `set` knows a letter not, where it looks at all of them first: what is behind an `o` in its
    /// word is taken for a name then, and so is the next word, unless it begins with a dash.
    fn refuses_some_letter(&mut self, words: &[Text]) -> bool {
        let kept = self.state.options.clone();
        let mut words = words.iter().map(Text::bytes).peekable();
        let mut refuses = false;
        while let Some([sign @ (b'-' | b'+'), letters @ ..]) = words.next() {
            if letters.is_empty() || (letters == b"-" && *sign == b'-') {
                break;
            }
            let end = letters.iter().position(|&letter| letter == b'o');
            refuses |= letters[..end.unwrap_or(letters.len())]
                .iter()
                .any(|&letter| !self.state.set_letter(letter, true));
            if end == Some(letters.len() - 1) {
                words.next_if(|word| !word.starts_with(b"-"));
            }
        }
        self.state.put_options(kept);
        refuses
    }

    /// `set -A name value...`; `set +A` keeps the elements behind the new ones.
    fn fill_array(
        &mut self,
        call: &Call<'_>,
        name: &Text,
        values: &[Text],
        anew: bool,
    ) -> Result<Status, Stop> {
        if anew && values.is_empty() && self.state.dialect.set_array_unsets {
            self.state.check_writable(name.bytes(), call.span)?;
            self.state.variables.remove(name.bytes());
            return Ok(0);
        }
        if anew {
            self.lose_attributes(name.bytes(), false);
            self.assign_array(name.bytes(), values.to_vec(), call.span)?;
            return Ok(0);
        }
        let first = self.state.dialect.first_index;
        for (at, value) in values.iter().enumerate() {
            let key = crate::state::Key::Number(at as i64 + first);
            self.state.store(name.bytes(), Some(key), value.clone(), call.span)?;
        }
        Ok(0)
    }
}

/// A mistake with the status that it has where `command` spares the shell.
fn spared(mistake: Stop, walker: &Walker) -> Stop {
    match mistake {
        Stop::Shell(error) => {
            let spared_status = walker.state.dialect.spared_option_status;
            Stop::Shell(ShellError { spared_status, ..error })
        }
        stop => stop,
    }
}

/// Whether a name is the number of a parameter.
fn is_number(name: &Text) -> bool {
    !name.is_empty() && name.bytes().iter().all(u8::is_ascii_digit)
}

/// Takes the first of some words.
fn next(words: &mut &[Text]) -> Option<Text> {
    let (word, others) = words.split_first()?;
    *words = others;
    Some(word.clone())
}
