//! `~(options)` and `~(options:pattern)`: what a pattern says of the rest of itself, or of one part (ksh93 manual,
//! "File Name Generation"; observed in ksh93u+m).

use bstr::ByteSlice;

use crate::expand::pattern::compile::{Compiler, Letters, Told};
use crate::expand::pattern::escapes::Place;
use crate::expand::pattern::{Item, Repeat};
use crate::text::Text;

/// The options that ask for regular expressions; B and G for basic ones.
pub(crate) const EXPRESSIONS: &[u8] = b"AEPXBG";

/// All letters that mean something.
const KNOWN: &[u8] = b"AEPXBGFKSVNgilrsp";

/// How the rest of a pattern is written.
#[derive(Clone, Copy, PartialEq, Eq)]
pub(super) enum Kind {
    /// As patterns of the shell are.
    Shell,
    /// As an extended regular expression; as a basic one if it is.
    Expression { basic: bool },
    /// As a text without special characters.
    Fixed,
}

/// What stands in the parentheses.
pub(super) struct Options {
    kind: Option<Kind>,
    /// Whether capital and small letters are the same, if that is said.
    same: Option<bool>,
    /// Whether it matches as much as it can, if that is said.
    greedy: Option<bool>,
    /// Whether it has to begin, and whether it has to end where the text does.
    anchors: (bool, bool),
    /// Whether nothing comes of a pathname that is not there.
    vanishes: bool,
    /// Whether there is a letter that means nothing.
    unknown: bool,
    /// Whether a pattern follows in the parentheses, from the place on that was found.
    has_pattern: bool,
}

impl Options {
    /// The options behind `~(`, and the place behind the sign that ends them; nothing if there are none.
    pub(super) fn read(bytes: &[u8]) -> Option<(Options, usize)> {
        let end = bytes.iter().position(|byte| b":)".contains(byte))?;
        let mut options = Options {
            kind: None,
            same: None,
            greedy: None,
            anchors: (false, false),
            vanishes: false,
            unknown: false,
            has_pattern: bytes[end] == b':',
        };
        let mut on = true;
        for &letter in &bytes[..end] {
            match letter {
                b'+' | b'-' => on = letter == b'+',
                b'i' => options.same = Some(on),
                b'g' => options.greedy = Some(on),
                b'l' => options.anchors.0 = on,
                b'r' => options.anchors.1 = on,
                b'N' => options.vanishes = on,
                b'F' => options.kind = Some(Kind::Fixed),
                b'K' | b'S' => options.kind = Some(Kind::Shell),
                letter if EXPRESSIONS.contains(&letter) => {
                    let basic = matches!(letter, b'B' | b'G');
                    options.kind = Some(Kind::Expression { basic });
                }
                letter => options.unknown |= !KNOWN.contains(&letter),
            }
        }
        Some((options, end + 1))
    }
}

/// What a pattern for pathnames says at its start, for all of its parts.
pub(crate) struct OfPathname {
    /// Whether nothing comes of one that is not there.
    pub(crate) vanishes: bool,
    /// Whether capital and small letters are the same.
    pub(crate) folds_case: bool,
}

/// What the options say that a pattern for pathnames begins with, if it does.
pub(crate) fn of_pathname(text: &Text) -> Option<OfPathname> {
    let (run, bytes) = text.runs().next().filter(|(run, _)| !run.is_quoted())?;
    if run.standing.is_split() {
        return None;
    }
    let (options, _) = Options::read(bytes.strip_prefix(b"~(")?)?;
    let folds_case = options.same == Some(true) && !options.has_pattern;
    Some(OfPathname { vanishes: options.vanishes, folds_case })
}

/// Where the regular expression begins that a pattern is from there on, behind options that stand unquoted.
pub(super) fn expression_start(text: &Text) -> Option<usize> {
    let bytes = text.bytes();
    let at = bytes.find(b"~(")?;
    let (options, length) = Options::read(&bytes[at + 2..])?;
    let start = at + 2 + length;
    let is_expression = matches!(options.kind, Some(Kind::Expression { .. }));
    (is_expression && !text.quoting()[at..start].contains(&true)).then_some(start)
}

impl Compiler<'_> {
    /// The options that begin at this place, and where they end.
    pub(super) fn options(&self) -> Option<(Options, usize)> {
        if !self.rules.options || self.active(self.at + 1).flatten() != Some(b'(') {
            return None;
        }
        let start = self.at + 2;
        let unquoted = self.quoted[start..].iter().take_while(|quoted| !**quoted).count();
        let (options, length) = Options::read(&self.bytes[start..start + unquoted])?;
        Some((options, start + length))
    }

    /// Takes options for the rest of what is being read, or for the pattern in their parentheses.
    pub(super) fn take_options(&mut self, options: &Options) {
        if options.unknown {
            self.items.push(Item::Set(crate::expand::pattern::class::Set::NOTHING));
        }
        if !options.has_pattern {
            let whole = self.open == 0 && self.items.is_empty();
            return self.follow(options, whole);
        }
        let mut inner = Compiler { items: Vec::new(), open: self.open + 1, ..*self };
        let mut alternatives = Vec::new();
        loop {
            inner.follow(options, false);
            if options.kind.is_none_or(|kind| kind == Kind::Shell) {
                inner.compile();
            }
            alternatives.push(std::mem::take(&mut inner.items));
            let ends = inner.active(inner.at).is_none_or(|byte| byte == Some(b')'));
            inner.at += 1;
            if ends {
                break;
            }
        }
        self.at = inner.at.min(self.bytes.len());
        self.items.push(Item::Group(Repeat::Once, alternatives));
    }

    /// Follows options from here on; `whole`: whether they are those of the whole pattern.
    fn follow(&mut self, options: &Options, whole: bool) {
        let told = self.told.get();
        match options.same {
            Some(true) => self.letters = Letters::Same,
            Some(false) => self.letters = Letters::Written,
            None => {}
        }
        let (starts, ends) = options.anchors;
        let rarely = options.greedy.map_or(told.rarely, |greedy| !greedy);
        self.told.set(Told { rarely, ..told });
        if starts {
            self.items.push(Item::Place(Place::Start));
        }
        match options.kind {
            None | Some(Kind::Shell) => self.ends_text |= ends && whole,
            Some(kind) => {
                self.told.set(Told { loose: whole, ..self.told.get() });
                self.tells_groups = true;
                let items = match kind {
                    Kind::Fixed => self.fixed(),
                    _ => self.expression(kind == Kind::Expression { basic: true }),
                };
                self.items.extend(items);
                if ends {
                    self.items.push(Item::Place(Place::End));
                }
            }
        }
    }

    /// The rest as a text, up to the parenthesis that ends a group.
    fn fixed(&mut self) -> Vec<Item> {
        let mut inner = Compiler { items: Vec::new(), ..*self };
        while let Some(&byte) = inner.bytes.get(inner.at) {
            if byte == b')' && inner.open > 0 && !inner.quoted[inner.at] {
                break;
            }
            inner.literal(byte);
        }
        self.at = inner.at;
        inner.items
    }
}
