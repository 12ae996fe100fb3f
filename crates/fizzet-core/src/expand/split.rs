//! Field splitting (POSIX XCU 2.6.5).

use std::rc::Rc;

use crate::dialect::IfsUnits;
use crate::expand::substitute::{Break, Piece};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::text::next_character;
use crate::text::{Run, Standing, Text};

/// The characters of IFS, told apart.
#[derive(Clone, Debug)]
pub struct Ifs {
    /// For each byte: what it is, if it is a separator by itself.
    bytes: [Kind; 256],
    /// Separators of more than one byte.
    wide: Vec<u32>,
    /// What joins `"$*"`: the first character; a space when IFS is unset; nothing when it is empty.
    joiner: Vec<u8>,
    is_empty: bool,
    /// What it was made of.
    value: Option<Vec<u8>>,
    units: IfsUnits,
}

#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Kind {
    Text,
    Blank,
    Separator,
}

impl Ifs {
    /// Reads the value of IFS; `None` when it is unset.
    pub(crate) fn new(value: Option<&[u8]>, units: IfsUnits) -> Ifs {
        let characters = units != IfsUnits::Bytes;
        let list = value.unwrap_or(b" \t\n");
        let mut ifs = Ifs {
            bytes: [Kind::Text; 256],
            wide: Vec::new(),
            joiner: Vec::new(),
            is_empty: list.is_empty(),
            value: value.map(<[u8]>::to_vec),
            units,
        };
        if units == IfsUnits::CharactersAndStrayBytes {
            for &byte in list.iter().filter(|byte| !byte.is_ascii()) {
                ifs.bytes[usize::from(byte)] = Kind::Separator;
            }
        }
        let is_whole = units == IfsUnits::Characters || std::str::from_utf8(list).is_ok();
        let characters = characters && is_whole;
        let mut at = 0;
        while let Some((code, length)) = next_character(&list[at..], characters) {
            if at == 0 {
                ifs.joiner = list[..length].to_vec();
            }
            match length {
                1 => {
                    let byte = list[at];
                    let blank = matches!(byte, b' ' | b'\t' | b'\n');
                    ifs.bytes[usize::from(byte)] =
                        if blank { Kind::Blank } else { Kind::Separator };
                }
                _ => ifs.wide.push(code),
            }
            at += length;
        }
        ifs
    }

    /// Whether it was made of this.
    pub(super) fn is_of(&self, value: Option<&[u8]>, units: IfsUnits) -> bool {
        self.value.as_deref() == value && self.units == units
    }

    /// Whether it separates as another one does.
    pub(super) fn is_like(&self, other: &Ifs) -> bool {
        self.is_of(other.value.as_deref(), other.units)
    }

    /// No separators at all.
    pub(super) fn none() -> Ifs {
        Ifs::new(Some(b""), IfsUnits::Bytes)
    }

    /// What stands between the parameters of `"$*"`.
    pub fn joiner(&self) -> &[u8] {
        &self.joiner
    }

    /// Whether IFS is set and empty: nothing is ever split.
    pub fn is_empty(&self) -> bool {
        self.is_empty
    }

    /// Whether a byte separates fields.
    pub(crate) fn separates(&self, byte: u8) -> bool {
        self.bytes[usize::from(byte)] != Kind::Text
    }

    /// Whether a byte is white space of IFS.
    pub(crate) fn is_blank(&self, byte: u8) -> bool {
        self.bytes[usize::from(byte)] == Kind::Blank
    }

    /// The kind and length of the first character.
    pub(super) fn kind(&self, bytes: &[u8]) -> (Kind, usize) {
        let byte = bytes[0];
        if byte >= 0xc0
            && self.units != IfsUnits::Bytes
            && let Some((code, length @ 2..)) = next_character(bytes, true)
        {
            let separates = self.wide.contains(&code);
            return (if separates { Kind::Separator } else { Kind::Text }, length);
        }
        (self.bytes[usize::from(byte)], 1)
    }
}

impl Piece {
    /// Quotes the characters of IFS that the author wrote, so that they form no patterns.
    pub(super) fn with_literal_ifs_quoted(self, ifs: &Ifs) -> Piece {
        let is_separator = |byte: &u8| ifs.bytes[usize::from(*byte)] != Kind::Text;
        let plain = |run: &Run| run.standing == Standing::Plain;
        if !self.text.runs().any(|(run, bytes)| plain(run) && bytes.iter().any(is_separator)) {
            return self;
        }
        let mut text = Text::new();
        for (run, bytes) in self.text.runs() {
            if run.hole || !plain(run) {
                text.push_run(run, bytes);
                continue;
            }
            for stretch in bytes.chunk_by(|a, b| is_separator(a) == is_separator(b)) {
                let quoted = is_separator(&stretch[0]);
                let standing = if quoted { Standing::Quoted } else { Standing::Plain };
                text.push(stretch, standing, &run.origin);
            }
        }
        Piece { text, ..self }
    }
}

/// In which details shells split differently.
#[derive(Clone, Copy, Debug)]
pub(super) struct Rules {
    /// White space at the end of one expansion and a separator at the start of the next count as one
    /// separator; otherwise each expansion is split for itself.
    pub(super) across: bool,
    /// White space before a separator of several bytes belongs to it.
    pub(super) blank_joins_wide: bool,
    /// White space that separates strictly swallows the white space behind it.
    pub(super) strict_blanks_merge: bool,
    /// White space at the start joins a separator behind it.
    pub(super) leading_blank_joins: bool,
    /// A separator at the end makes an empty field.
    pub(super) last_makes_field: bool,
    /// A separator at the start of what a command prints makes no empty field.
    pub(super) output_begins_behind_separator: bool,
    /// White space at the start of an expansion joins no separator behind it.
    pub(super) leading_blank_stands_alone: bool,
    /// White space at the end of an expansion and a separator that is written behind it count as one.
    pub(super) blank_joins_literal: bool,
}

/// Where the splitter stands.
#[derive(Clone, Copy, PartialEq, Eq)]
enum Place {
    /// At the start, or behind white space that no field came before. Text may stand there already.
    Start,
    /// In a field.
    Field,
    /// Behind white space that ended a field: a separator here belongs to it.
    Blank,
    /// Behind a separator.
    Separator,
}

/// Splits the splittable runs of a word's pieces at IFS; a field with nothing in it vanishes.
pub(super) fn split(pieces: Vec<Piece>, ifs: &Rc<Ifs>, rules: Rules) -> Vec<Text> {
    let mut splitter = Splitter {
        ifs: ifs.clone(),
        fields: Vec::new(),
        field: Text::new(),
        place: Place::Start,
        region: None,
        fresh: false,
        anew: false,
        begins_blank: false,
    };
    let mut region = None;
    for Piece { text, after, splitters } in pieces {
        let is_plain = splitters.is_empty() && !needs_splitting(&text, &splitter.ifs);
        if splitter.field.is_nothing() && is_plain {
            if !text.is_nothing() {
                region = text.runs().last().map(|(run, _)| run.origin.span());
                splitter.field = text;
                splitter.place = Place::Field;
            }
        } else {
            splitter.text(&text, splitters, rules, &mut region);
            if rules.last_makes_field
                && splitter.place == Place::Separator
                && let Some((run, _)) = text.runs().last()
            {
                splitter.end_field(&run.origin);
            }
        }
        splitter.break_field(after, rules, &mut region);
    }
    splitter.fields
}

fn needs_splitting(text: &Text, ifs: &Ifs) -> bool {
    !ifs.is_empty
        && text.runs().any(|(run, bytes)| {
            run.standing.is_split()
                && bytes.iter().any(|&b| ifs.bytes[usize::from(b)] != Kind::Text || b >= 0xc0)
        })
}

struct Splitter {
    /// What splits from here on.
    ifs: Rc<Ifs>,
    fields: Vec<Text>,
    field: Text,
    place: Place,
    /// The expansion that the splitter stands in.
    region: Option<Span>,
    /// Whether it stands at the start of that.
    fresh: bool,
    /// Whether an operation has made it begin anew, so that even a separator that joins a list ends a
    /// field.
    anew: bool,
    /// Whether white space stands before, at the start.
    begins_blank: bool,
}

impl Splitter {
    /// The runs of one piece. `region` is the expansion that the last run came from.
    fn text(
        &mut self,
        text: &Text,
        splitters: Vec<(usize, Rc<Ifs>)>,
        rules: Rules,
        region: &mut Option<Span>,
    ) {
        let mut splitters = splitters.into_iter().peekable();
        let mut ends = 0;
        for (run, bytes) in text.runs() {
            while let Some((_, ifs)) = splitters.next_if(|(from, _)| *from <= ends) {
                self.ifs = ifs;
            }
            ends += bytes.len();
            let span = Some(run.origin.span());
            if std::mem::replace(region, span) != span
                && !rules.across
                && self.place == Place::Blank
                && !(rules.blank_joins_literal && run.origin.rule() == Rule::Literal)
            {
                self.place = Place::Start;
            }
            self.fresh = std::mem::replace(&mut self.region, span) != span;
            if run.hole {
                self.field.push_run(run, b"");
                self.place = Place::Field;
            } else if run.standing.is_split() {
                self.run(bytes, rules, run);
            } else {
                self.field.push(bytes, run.standing, &run.origin);
                self.place = Place::Field;
            }
        }
        if let Some((_, ifs)) = splitters.last() {
            self.ifs = ifs;
        }
    }

    /// White space where it separates like any other character of IFS; in some shells what follows
    /// the first of it is skipped all the same.
    fn strict_blank(&mut self, rules: Rules, origin: &Origin) {
        if !(rules.strict_blanks_merge && self.place == Place::Separator) {
            self.end_field(origin);
        }
        self.place = Place::Separator;
    }

    fn break_field(&mut self, after: Break, rules: Rules, region: &mut Option<Span>) {
        if let Break::Separator(span) = after {
            self.strict_blank(rules, &Origin::new(Rule::Parameter, span));
            *region = Some(span);
            return;
        }
        if after == Break::Anew {
            self.place = Place::Start;
            self.anew = true;
            return;
        }
        self.anew = false;
        let field = std::mem::take(&mut self.field);
        if !field.is_nothing() && self.place == Place::Field {
            self.fields.push(field);
            self.place = Place::Blank;
        }
        match after {
            Break::Blank(span) => *region = Some(span),
            _ => self.place = Place::Start,
        }
    }

    fn run(&mut self, bytes: &[u8], rules: Rules, run: &Run) {
        let ifs = self.ifs.clone();
        let (mut at, origin) = (0, &run.origin);
        let joins = rules.blank_joins_literal && origin.rule() == Rule::Literal;
        while at < bytes.len() {
            let (kind, length) = ifs.kind(&bytes[at..]);
            match kind {
                Kind::Blank if run.standing == Standing::Strict => self.strict_blank(rules, origin),
                Kind::Text => {
                    let start = at;
                    at += length;
                    while at < bytes.len()
                        && let (Kind::Text, length) = ifs.kind(&bytes[at..])
                    {
                        at += length;
                    }
                    let standing = match run.standing {
                        Standing::Inert => Standing::Quoted,
                        _ => Standing::Splittable,
                    };
                    self.field.push(&bytes[start..at], standing, origin);
                    self.place = Place::Field;
                    self.fresh = false;
                    self.begins_blank = false;
                    continue;
                }
                Kind::Blank => {
                    self.anew = false;
                    if self.place == Place::Field {
                        self.end_field(origin);
                        let alone = self.fresh
                            && rules.leading_blank_stands_alone
                            && !joins
                            && run.standing != Standing::Joined;
                        self.place = if alone { Place::Start } else { Place::Blank };
                    } else if self.place == Place::Start
                        && (rules.leading_blank_joins || !self.field.is_nothing())
                    {
                        self.place = Place::Blank;
                    } else {
                        self.begins_blank |= self.place == Place::Start;
                    }
                }
                // What joins a list is no separator at the start of a word, nor is the first of what a
                // command prints in some shells.
                Kind::Separator
                    if (run.standing == Standing::Joined
                        || (rules.output_begins_behind_separator
                            && origin.rule() == Rule::Command))
                        && self.place == Place::Start
                        && !self.anew
                        && self.fields.is_empty()
                        && self.field.is_nothing() =>
                {
                    self.place = Place::Separator;
                }
                Kind::Separator
                    if joins
                        && self.place == Place::Start
                        && std::mem::take(&mut self.begins_blank) =>
                {
                    self.place = Place::Separator;
                }
                Kind::Separator => {
                    if self.place != Place::Blank || (length > 1 && !rules.blank_joins_wide) {
                        self.end_field(origin);
                    }
                    self.place = Place::Separator;
                }
            }
            at += length;
        }
    }

    fn end_field(&mut self, origin: &Origin) {
        let mut field = std::mem::take(&mut self.field);
        if field.is_nothing() {
            field = Text::from_bytes(Vec::new(), Standing::Splittable, origin.clone());
        }
        self.fields.push(field);
    }
}

#[cfg(test)]
mod tests {
    use std::rc::Rc;

    use super::{Ifs, Rules, split};
    use crate::dialect::IfsUnits;
    use crate::expand::substitute::{Break, Piece};
    use crate::lineage::{Origin, Rule};
    use crate::source::{SourceId, Span};
    use crate::text::{Standing, Text};

    fn fields(value: &str, ifs: &str) -> Vec<String> {
        let origin = Origin::new(Rule::Parameter, Span::new(SourceId::MAIN, 0, 2));
        let text = Text::from_bytes(value, Standing::Splittable, origin);
        let ifs = Rc::new(Ifs::new(Some(ifs.as_bytes()), IfsUnits::Characters));
        split(
            vec![Piece::new(text, Break::Field)],
            &ifs,
            Rules {
                across: true,
                blank_joins_wide: true,
                leading_blank_joins: false,
                leading_blank_stands_alone: false,
                blank_joins_literal: false,
                last_makes_field: false,
                output_begins_behind_separator: false,
                strict_blanks_merge: false,
            },
        )
        .iter()
        .map(|field| String::from_utf8_lossy(field.bytes()).into_owned())
        .collect()
    }

    #[test]
    fn separators_make_empty_fields_and_white_space_does_not() {
        assert_eq!(fields("jar::lid:", ":"), ["jar", "", "lid"]);
        assert_eq!(fields("  jar  lid ", " "), ["jar", "lid"]);
        assert_eq!(fields(" :a : : b: ", " :"), ["", "a", "", "b"]);
        assert_eq!(fields(" ", " "), [""; 0]);
        assert_eq!(fields(":", ":"), [""]);
    }

    #[test]
    fn a_separator_may_be_a_wide_character() {
        assert_eq!(fields("1ä2ã3", "ä"), ["1", "2ã3"]);
    }
}
