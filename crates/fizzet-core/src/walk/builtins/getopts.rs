//! `getopts` (POSIX XCU getopts), as each shell keeps its place in the words.

use std::borrow::Cow;

use crate::dialect::{
    BadOptionName, BeyondWords, FreshOptions, IndexBehind, ReadOnlyEnd, ReadOnlyOptions,
};
use crate::state::{Positional, element_name};
use crate::stop::{Status, Stop};
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;

/// Where `getopts` stands: a word, counted from 1, and the place of the next letter in it. The letters may be those
/// of a word from before, where OPTIND has been set in the middle of one.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(in crate::walk) struct OptionPlace {
    word: usize,
    letter: usize,
    left: Option<usize>,
}

impl OptionPlace {
    /// Before the first letter of a word.
    const fn at(word: usize) -> OptionPlace {
        OptionPlace { word, letter: 1, left: None }
    }

    /// The word that the letters are those of.
    fn of<'a>(&self, words: &'a [Text]) -> Option<&'a Text> {
        words.get(self.left.unwrap_or(self.word) - 1).filter(|_| self.word <= words.len())
    }
}

impl Default for OptionPlace {
    fn default() -> OptionPlace {
        OptionPlace::at(1)
    }
}

/// What one call of `getopts` found.
struct Found {
    /// What the variable becomes.
    name: Vec<u8>,
    /// What OPTARG becomes; `None` where it is unset.
    value: Option<Text>,
    /// Where the next call goes on.
    next: OptionPlace,
    /// Whether a message tells of a mistake.
    speaks: bool,
}

/// `getopts options name [arguments]`
pub(super) fn getopts(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let arguments = match dialect.getopts_takes_dashes {
        true => call.without_dashes().operands,
        false => call.arguments(),
    };
    let refused = dialect.getopts_refuses_options && call.given("", false).unknown.is_some();
    let [options, name, own @ ..] = arguments else {
        return Ok(walker.complain(call, dialect.getopts_usage_status));
    };
    if refused {
        return Ok(walker.complain(call, dialect.getopts_usage_status));
    }
    let (options, name) = (options.bytes(), walker.option_name(name.bytes()));
    if let BadOptionName::First(status) = dialect.getopts_bad_name
        && !walker.takes_option(name)
    {
        return Ok(walker.complain(call, status));
    }
    let given = match own {
        [] => walker.state.positional.share(),
        own => {
            let mut words = Positional::default();
            words.set(own.to_vec());
            words
        }
    };
    let words = given.all();
    let Some(place) = walker.option_place(words) else { return Ok(1) };
    let plus = dialect.getopts_takes_plus;
    let is_option = |word: &&Text| {
        let sign = word.bytes().first().copied();
        word.len() > 1 && (sign == Some(b'-') || (plus && sign == Some(b'+')))
    };
    // In the middle of a word its sign is not looked at again, whatever the word is by now.
    let is_inside = dialect.getopts_is_late && place.letter > 1;
    match place.of(words).filter(|word| is_inside || is_option(word)) {
        Some(word) if word.bytes() != b"--" || place.letter > 1 => {
            let long = word.bytes().starts_with(b"--") && !options.contains(&b'-');
            let asks = word.bytes().get(place.letter) == Some(&b'?');
            let usage = (long && place.letter == 1) || asks;
            if usage && dialect.getopts_tells_usage && options.first() != Some(&b':') {
                let wrong = "this shell takes the word for a question about the options";
                return Err(walker.fatal_with(call, wrong, 2));
            }
            if usage && dialect.getopts_tells_usage && !asks {
                // A long option that a silent script hears of as a whole.
                if word.bytes() == b"---" {
                    return Ok(1);
                }
                let sign = walker.state.shell_text(b"?");
                let next = OptionPlace::at(place.word + 1);
                let found = Found { name: vec![b'?'], value: Some(sign), next, speaks: false };
                return walker.tell_option(name, found, call);
            }
            let found = walker.option_in(options, word, words, place);
            walker.tell_option(name, found, call)
        }
        dashes => walker.no_option(name, place.word + usize::from(dashes.is_some()), call),
    }
}

impl Walker {
    /// The place from which `getopts` goes on; `None` where the shell gives up.
    fn option_place(&mut self, words: &[Text]) -> Option<OptionPlace> {
        let dialect = self.state.dialect.clone();
        self.follow_option_index();
        let mut place = self.options_at;
        let (last, spent) = (words.len() + 1, |place: OptionPlace| {
            let word = place.of(words);
            place.letter > 1 && word.is_some_and(|word| place.letter >= word.len())
        });
        if place.word > last {
            match dialect.getopts_beyond {
                BeyondWords::Stays => {}
                BeyondWords::StartsOver => place = OptionPlace::default(),
                BeyondWords::GoesBack => place = OptionPlace::at(last),
                BeyondWords::GivesUp => return None,
            }
        }
        if dialect.getopts_beyond == BeyondWords::GivesUp
            && place.letter > words.get(place.word - 1).map_or(1, Text::len).max(1)
        {
            return None;
        }
        if spent(place) {
            let word = place.word + usize::from(!dialect.getopts_rereads_word);
            place = OptionPlace::at(word);
        }
        Some(place)
    }

    /// Goes to the word that OPTIND has been set to since `getopts` last looked.
    pub(in crate::walk) fn follow_option_index(&mut self) {
        let Some(assigned) = self.state.assigned_option_index.take() else { return };
        let index = number(assigned.bytes()).and_then(|index| usize::try_from(index).ok());
        let word = index.unwrap_or(1).max(1);
        let place = self.options_at;
        self.options_at = match self.state.dialect.getopts_is_late {
            true => OptionPlace { word, ..place },
            false if self.state.dialect.getopts_finishes_words && word > 1 && place.letter > 1 => {
                OptionPlace { word, left: place.left.or(Some(place.word)), ..place }
            }
            false => OptionPlace::at(word),
        };
    }

    /// The option at a place of a word.
    fn option_in(
        &mut self,
        options: &[u8],
        word: &Text,
        words: &[Text],
        place: OptionPlace,
    ) -> Found {
        let quiet =
            || self.state.variables.scalar(b"OPTERR").is_some_and(|text| text.bytes() == b"0");
        let silent = options.first() == Some(&b':')
            || (self.state.dialect.getopts_quiet_is_silent && quiet());
        let hushed = self.state.dialect.getopts_can_be_quiet && quiet();
        let speaks = !(silent || hushed);
        let at = place.letter;
        let letter = word.bytes()[at];
        let options = &*match self.state.dialect.getopts_knows_names {
            true => Cow::Owned(without_names(options)),
            false => Cow::Borrowed(options),
        };
        let known = match self.state.dialect.getopts_finds_colon {
            true => find_in_turn(options, letter),
            false => options.iter().position(|&one| one == letter).filter(|_| letter != b':'),
        };
        let takes_value = known.is_some_and(|place| options.get(place + 1) == Some(&b':'));
        let last = at + 1 >= word.len();
        let is_late = self.state.dialect.getopts_is_late;
        let mut name = if word.bytes()[0] == b'+' { vec![b'+'] } else { Vec::new() };
        name.push(letter);
        let this = silent.then(|| match word.bytes()[0] {
            b'+' if self.state.dialect.getopts_tells_plus => self.state.shell_text(&name),
            _ => word.slice(at, at + 1),
        });
        let next = match last {
            _ if self.state.dialect.getopts_stays_at_end || !last => {
                OptionPlace { letter: at + 1, ..place }
            }
            _ if is_late => OptionPlace { letter: word.len().max(2), ..place },
            _ => OptionPlace::at(place.word + 1),
        };
        let behind = |step: usize| OptionPlace::at(place.word + step);
        let leaves = self.state.dialect.getopts_leaves_mistaken_words;
        if known.is_none() {
            let next = if leaves { behind(1) } else { next };
            return Found { name: vec![b'?'], value: this, next, speaks };
        }
        if !takes_value {
            let empty = self.state.dialect.getopts_empties_value;
            let value = empty.then(|| self.state.shell_text(b""));
            return Found { name, value, next, speaks: false };
        }
        if !last {
            let value = Some(word.slice(at + 1, word.len()));
            return Found { name, value, next: behind(1), speaks: false };
        }
        match words.get(place.word) {
            Some(value) => {
                Found { name, value: Some(value.clone()), next: behind(2), speaks: false }
            }
            None => {
                let name = match silent {
                    true if name.len() > 1 && self.state.dialect.getopts_marks_lost_values => {
                        b"+:".to_vec()
                    }
                    true => b":".to_vec(),
                    false => b"?".to_vec(),
                };
                let next = if leaves { behind(1) } else { next };
                Found { name, value: this, next, speaks }
            }
        }
    }

    /// The name that an argument of `getopts` gives.
    fn option_name<'a>(&self, argument: &'a [u8]) -> &'a [u8] {
        let end = argument.iter().position(|&byte| byte == b'=');
        &argument
            [..end.filter(|_| self.state.dialect.names_end_at_equals).unwrap_or(argument.len())]
    }

    /// Whether `getopts` can assign to this.
    fn takes_option(&self, name: &[u8]) -> bool {
        self.state.names_variable(name)
            || self.state.parameter_number(name).is_some()
            || (self.state.dialect.getopts_takes_elements && element_name(name).is_some())
    }

    /// Tells the script of an option.
    fn tell_option(&mut self, name: &[u8], found: Found, call: &Call<'_>) -> Result<Status, Stop> {
        let dialect = self.state.dialect.clone();
        let inside = found.next.letter > 1 && !dialect.getopts_is_late;
        let told = found.next.word + usize::from(inside && dialect.getopts_counts_ahead);
        let before = self.options_at;
        if found.speaks {
            self.message_hole(call.span);
        }
        let names_first = dialect.getopts_names_first;
        let value = found.value;
        let leaves = dialect.getopts_and_read_only == ReadOnlyOptions::Leaves
            && value.is_none()
            && found.name != b"?"
            && self.state.variables.get(b"OPTARG").is_some_and(|variable| variable.read_only);
        if !(names_first || leaves) {
            self.tell_option_value(value.clone(), call)?;
        }
        self.tell_index(found.next, told, call)?;
        let bad = (!self.takes_option(name)).then_some(dialect.getopts_bad_name);
        if bad == Some(BadOptionName::Fatal) {
            return Err(self.fatal(call, "this is not a name"));
        }
        if bad.is_none() {
            self.assign_computed(name, &found.name, call)?;
        }
        if names_first {
            self.tell_option_value(value, call)?;
        }
        Ok(match bad {
            Some(BadOptionName::Late(status)) => {
                self.options_at = before;
                self.complain(call, status)
            }
            Some(BadOptionName::Skipped(status) | BadOptionName::First(status)) => {
                self.complain(call, status)
            }
            Some(BadOptionName::Fatal) | None => 0,
        })
    }

    /// Tells the script that there are no more options; `word` is the first behind them.
    fn no_option(&mut self, name: &[u8], word: usize, call: &Call<'_>) -> Result<Status, Stop> {
        let dialect = self.state.dialect.clone();
        if dialect.getopts_end_unsets_value {
            self.tell_option_value(None, call)?;
        }
        self.tell_index(OptionPlace::at(word), word, call)?;
        if dialect.getopts_is_late {
            return Ok(1);
        }
        let status = match dialect.getopts_bad_name {
            BadOptionName::Late(status) if !self.takes_option(name) => self.complain(call, status),
            _ => 1,
        };
        let read_only = self.state.variables.get(name).is_some_and(|variable| variable.read_only);
        match dialect.getopts_end_and_read_only {
            ReadOnlyEnd::Leaves if read_only => self.message_hole(call.span),
            ReadOnlyEnd::EndsShell if read_only => {
                return Err(self.fatal(call, "the variable is read-only").exiting());
            }
            _ if self.takes_option(name) => self.assign_computed(name, b"?", call)?,
            _ => self.message_hole(call.span),
        }
        Ok(status)
    }

    /// Tells the value of an option, or that it has none.
    fn tell_option_value(&mut self, value: Option<Text>, call: &Call<'_>) -> Result<(), Stop> {
        let name = b"OPTARG";
        let empty = self.state.shell_text(b"");
        let read_only = self.state.variables.get(name).is_some_and(|variable| variable.read_only);
        let minds = self.state.dialect.getopts_and_read_only == ReadOnlyOptions::Minds;
        match value {
            _ if self.state.value_is_lost => Ok(()),
            Some(value) => self.assign_own(name, value, call),
            None if self.state.dialect.getopts_is_late || (read_only && minds) => {
                self.assign_own(name, empty, call)
            }
            None => {
                self.state.variables.remove(name);
                Ok(())
            }
        }
    }

    /// Assigns OPTIND or OPTARG, which may be read-only.
    fn assign_own(&mut self, name: &[u8], text: Text, call: &Call<'_>) -> Result<(), Stop> {
        let read_only = self.state.variables.get(name).is_some_and(|variable| variable.read_only);
        match self.state.dialect.getopts_and_read_only {
            ReadOnlyOptions::Leaves if read_only => Ok(()),
            ReadOnlyOptions::Overwrites if read_only => {
                self.state.variables.set(name, text);
                Ok(())
            }
            _ => self.assign_text(name, text, call.span),
        }
    }

    /// Keeps the place, and tells it in OPTIND.
    fn tell_index(&mut self, place: OptionPlace, told: usize, call: &Call<'_>) -> Result<(), Stop> {
        self.options_at = place;
        if self.state.index_is_lost {
            return Ok(());
        }
        let told = self.state.shell_text(told.to_string().as_bytes());
        let outcome = self.assign_own(b"OPTIND", told, call);
        // What `getopts` assigns itself is no order to go elsewhere.
        self.state.assigned_option_index = None;
        self.state.index_by_script = false;
        outcome
    }

    /// The words have changed: some shells begin at the first of them again.
    pub(in crate::walk) fn options_begin_again(&mut self) {
        if self.state.dialect.getopts_follows_set {
            self.state.assigned_option_index = None;
            self.options_at = OptionPlace::default();
        }
    }

    /// A function begins; answers the place to go back to, and OPTIND, where it has its own.
    pub(in crate::walk) fn own_options(&mut self, keyword: bool) -> Option<OwnOptions> {
        let own = match self.state.dialect.getopts_in_functions {
            FreshOptions::Never => false,
            FreshOptions::Keyword => keyword,
            FreshOptions::Always | FreshOptions::PlaceOnly => true,
        };
        if !own {
            return None;
        }
        self.follow_option_index();
        let place = std::mem::take(&mut self.options_at);
        if self.state.dialect.getopts_in_functions == FreshOptions::PlaceOnly {
            return Some(OwnOptions { place, index: None });
        }
        let index = self.state.variables.scalar(b"OPTIND").cloned();
        if !self.state.index_is_lost {
            let first = self.state.shell_text(b"1");
            self.state.variables.set(b"OPTIND", first);
        }
        Some(OwnOptions { place, index })
    }

    /// The value of OPTIND that is back behind a function with its own is an order to go there; `looked` where
    /// the function has given its own a value.
    pub(in crate::walk) fn index_is_back(&mut self, looked: bool, by_script: bool) {
        if self.state.dialect.getopts_starts_over_behind_local {
            if !looked {
                return;
            }
            if !by_script {
                let first = self.state.shell_text(b"1");
                self.state.variables.set(b"OPTIND", first);
            }
        }
        self.state.assigned_option_index = self.state.variables.scalar(b"OPTIND").cloned();
    }

    /// Whether the OPTIND that stood before a command stays behind it. Where it does not, the one that is back is an
    /// order to go there in most shells.
    pub(in crate::walk) fn keeps_option_index(&mut self) -> bool {
        match self.state.dialect.getopts_behind_assignment {
            IndexBehind::Stays => return true,
            IndexBehind::Orders => {
                self.state.assigned_option_index = Some(self.state.shell_text(b"1"));
            }
            IndexBehind::IsTold => {}
        }
        false
    }

    /// A function with options of its own ends.
    pub(in crate::walk) fn earlier_options(&mut self, own: OwnOptions) {
        self.options_at = own.place;
        if let Some(index) = own.index {
            self.state.assigned_option_index = None;
            self.state.variables.set(b"OPTIND", index);
        }
    }
}

/// The letters of options, where a blank ends them and long names stand behind them in parentheses.
fn without_names(options: &[u8]) -> Vec<u8> {
    let mut rest = options.split(|&byte| byte == b' ').next().unwrap_or_default();
    let mut letters = Vec::with_capacity(rest.len());
    while let Some((&first, behind)) = rest.split_first() {
        rest = match behind.iter().position(|&byte| byte == b')') {
            Some(end) if first == b'(' => &behind[end + 1..],
            _ => {
                letters.push(first);
                behind
            }
        };
    }
    letters
}

/// The place of an option, where the shell looks at each letter and passes over one colon behind it.
fn find_in_turn(options: &[u8], letter: u8) -> Option<usize> {
    let mut at = 0;
    while *options.get(at)? != letter {
        at += 1 + usize::from(options.get(at + 1) == Some(&b':'));
    }
    Some(at)
}

/// What `getopts` goes back to when a function ends.
pub(in crate::walk) struct OwnOptions {
    place: OptionPlace,
    pub(in crate::walk) index: Option<Text>,
}
