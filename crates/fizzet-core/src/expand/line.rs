//! A line of input in fields, for `read` (POSIX XCU read).

use crate::dialect::EscapedEnds;
use crate::expand::split::{Ifs, Kind};
use crate::text::Text;

/// How a shell takes a line apart.
#[derive(Clone, Copy)]
pub(crate) struct Fields {
    /// How many fields there are at most; the last has all that is left.
    pub(crate) most: usize,
    /// A separator behind the last field stays, even when nothing else follows.
    pub(crate) keeps_last: bool,
    /// What a backslash in the line has to say where the last field ends.
    pub(crate) ends: EscapedEnds,
}

/// The fields of a line, in which what a backslash quotes stands quoted.
///
/// White space of IFS at the end is taken away, and one separator behind the last field, when nothing else
/// follows.
pub(crate) fn fields_of_line(line: &Text, ifs: &Ifs, how: Fields) -> Vec<Text> {
    if line.has_hole() {
        // What is not known is a character like others; NUL is in IFS of zsh.
        let filled = line.with_holes_of(b"\x01");
        let fields = Line::new(&filled, ifs, how).fields();
        return fields.iter().map(|field| field.with_holes_of(b"")).collect();
    }
    Line::new(line, ifs, how).fields()
}

struct Line<'a> {
    line: &'a Text,
    bytes: &'a [u8],
    escaped: Vec<bool>,
    ifs: &'a Ifs,
    how: Fields,
}

impl<'a> Line<'a> {
    fn new(line: &'a Text, ifs: &'a Ifs, how: Fields) -> Line<'a> {
        Line { line, bytes: line.bytes(), escaped: line.quoting(), ifs, how }
    }

    /// What the byte at a place is for IFS, and how long its character is.
    fn kind(&self, at: usize) -> (Kind, usize) {
        match self.escaped[at] {
            true => (Kind::Text, 1),
            false => self.ifs.kind(&self.bytes[at..]),
        }
    }

    /// The same, whether it is escaped or not.
    fn bare_kind(&self, at: usize) -> Kind {
        self.ifs.kind(&self.bytes[at..]).0
    }

    fn is_blank(&self, at: usize) -> bool {
        self.kind(at).0 == Kind::Blank
    }

    /// The place behind the blanks at a place.
    fn behind_blanks(&self, mut at: usize) -> usize {
        while at < self.bytes.len() && self.is_blank(at) {
            at += 1;
        }
        at
    }

    fn fields(&self) -> Vec<Text> {
        let end = self.end();
        let mut fields = Vec::new();
        let mut at = self.behind_blanks(0);
        while at < end && fields.len() + 1 < self.how.most {
            let (before, start) = self.start(at, end);
            at = start;
            while at < end && self.kind(at).0 == Kind::Text {
                at += self.kind(at).1;
            }
            fields.push(self.field(&before, start, at));
            at = self.behind_blanks(at);
            if at < end
                && self.kind(at).0 == Kind::Separator
                && (at == start || self.kind(at - 1).0 != Kind::Separator)
            {
                at = self.behind_blanks(at + self.kind(at).1);
                if at >= end && self.how.keeps_last {
                    fields.push(self.line.slice(end, end));
                }
            }
        }
        if at < end {
            let (mut before, start) = self.start(at, end);
            let end = self.end_of_last(&before, start, end);
            before.retain(|&at| at < end);
            fields.push(self.field(&before, start, end.max(start)));
        }
        fields
    }

    /// Some characters, and a stretch behind them.
    fn field(&self, before: &[usize], start: usize, end: usize) -> Text {
        let mut field = Text::new();
        for &at in before {
            field.push_text(&self.line.slice(at, at + 1));
        }
        field.push_text(&self.line.slice(start, end));
        field
    }

    /// The end of the line without white space.
    fn end(&self) -> usize {
        let mut end = self.bytes.len();
        let forgotten = self.how.ends == EscapedEnds::Forgotten;
        while end > 0
            && (self.is_blank(end - 1) || (forgotten && self.bare_kind(end - 1) == Kind::Blank))
        {
            end -= 1;
        }
        let loses_one = self.how.ends == EscapedEnds::OneIsLost
            && end > 0
            && self.bare_kind(end - 1) == Kind::Blank;
        end - usize::from(loses_one)
    }

    /// The escaped characters at the start of a field, and where the field goes on: they do not end the white
    /// space before it, where the shell forgets what is escaped.
    fn start(&self, mut at: usize, end: usize) -> (Vec<usize>, usize) {
        let mut before = Vec::new();
        if self.how.ends == EscapedEnds::Forgotten {
            while at < end && (self.escaped[at] || self.is_blank(at)) {
                before.extend(self.escaped[at].then_some(at));
                at += 1;
            }
        }
        (before, at)
    }

    /// Where the last field ends, which has some characters `before` the stretch from `start` on.
    fn end_of_last(&self, before: &[usize], start: usize, end: usize) -> usize {
        let ends = self.how.ends;
        let end = if ends == EscapedEnds::PassedOver { self.bytes.len() } else { end };
        let sees = |at: &usize| ends != EscapedEnds::PassedOver || !self.escaped[*at];
        let seen: Vec<usize> = before.iter().copied().chain(start..end).filter(sees).collect();
        let strips = |at: usize| match ends {
            EscapedEnds::Lost | EscapedEnds::LostBehindOthers => self.bare_kind(at) == Kind::Blank,
            EscapedEnds::PassedOver => self.is_blank(at),
            _ => false,
        };
        let several = || seen.iter().any(|&at| self.kind(at).0 != Kind::Text);
        let mut count = seen.len();
        if ends != EscapedEnds::LostBehindOthers || several() {
            while count > 0 && strips(seen[count - 1]) {
                count -= 1;
            }
        }
        let loses_escaped = end < self.bytes.len() && self.escaped[end]
            || seen[count..].iter().any(|&at| self.escaped[at]);
        if !self.how.keeps_last && (!loses_escaped || ends == EscapedEnds::Forgotten) {
            count = self.without_separator(&seen[..count]);
        }
        seen.get(count).copied().unwrap_or(end)
    }

    /// How many of the characters of the last field are left without the only separator, at their end.
    fn without_separator(&self, seen: &[usize]) -> usize {
        let forgotten = self.how.ends == EscapedEnds::Forgotten;
        let counts = |at: usize| match forgotten || self.how.ends == EscapedEnds::Lost {
            true => self.bare_kind(at),
            false => self.kind(at).0,
        };
        let Some(first) = seen.iter().position(|&at| counts(at) == Kind::Separator) else {
            return seen.len();
        };
        let mut cut = first;
        while cut > 0
            && (if forgotten { self.bare_kind(seen[cut - 1]) } else { self.kind(seen[cut - 1]).0 })
                == Kind::Blank
        {
            cut -= 1;
        }
        // With several fields the separator behind the last one stays.
        let is_last = first + self.ifs.kind(&self.bytes[seen[first]..]).1 == seen.len();
        let is_one_field = !seen[..cut].iter().any(|&at| counts(at) == Kind::Blank);
        let is_free = forgotten || !self.escaped[seen[first]];
        if is_last && is_one_field && is_free { cut } else { seen.len() }
    }
}

#[cfg(test)]
mod tests {
    use super::{EscapedEnds, Fields, fields_of_line};
    use crate::expand::Ifs;
    use crate::lineage::{Origin, Rule};
    use crate::source::{SourceId, Span};
    use crate::text::{Standing, Text};

    /// The fields of a line, in which a backslash escapes.
    fn fields(written: &str, ifs: &str, most: usize, ends: EscapedEnds) -> String {
        let origin = Origin::new(Rule::Literal, Span::new(SourceId::MAIN, 0, 0));
        let mut line = Text::new();
        let mut bytes = written.bytes();
        while let Some(byte) = bytes.next() {
            match byte {
                b'\\' => {
                    line.push(&[bytes.next().unwrap_or(b'\\')], Standing::Quoted, &origin);
                }
                byte => line.push(&[byte], Standing::Splittable, &origin),
            }
        }
        let how = Fields { most, keeps_last: false, ends };
        let fields = fields_of_line(
            &line,
            &Ifs::new(Some(ifs.as_bytes()), crate::dialect::IfsUnits::Bytes),
            how,
        );
        let shown = fields.iter().map(|field| String::from_utf8_lossy(field.bytes()).into_owned());
        shown.collect::<Vec<_>>().join("|")
    }

    const EVERY: [EscapedEnds; 6] = [
        EscapedEnds::Kept,
        EscapedEnds::LostBehindOthers,
        EscapedEnds::Lost,
        EscapedEnds::OneIsLost,
        EscapedEnds::PassedOver,
        EscapedEnds::Forgotten,
    ];

    #[test]
    fn lines_without_backslashes_are_the_same_for_all() {
        let lines = [
            ("lime  dark honey ", " ", 2, "lime|dark honey"),
            ("lime:dark:", ":", 2, "lime|dark"),
            ("lime:dark:honey:", ":", 2, "lime|dark:honey:"),
            ("  lime ", " ", 3, "lime"),
            ("lime : dark", " :", 3, "lime|dark"),
            ("", " ", 2, ""),
        ];
        for (line, ifs, most, expected) in lines {
            for ends in EVERY {
                assert_eq!(fields(line, ifs, most, ends), expected, "{line:?} {ends:?}");
            }
        }
    }

    #[test]
    fn an_escaped_blank_at_the_end_stays_where_the_shell_keeps_it() {
        let ends = |line| EVERY.map(|ends| fields(line, " ", 2, ends));
        let one = ["lime|dark ", "lime|dark ", "lime|dark", "lime|dark", "lime|dark ", "lime|dark"];
        assert_eq!(ends("lime dark\\ "), one);
        let alone =
            ["lime|dark  ", "lime|dark", "lime|dark", "lime|dark ", "lime|dark", "lime|dark"];
        assert_eq!(ends("lime dark \\ "), alone);
    }

    #[test]
    fn an_escaped_letter_behind_blanks_is_lost_where_escapes_are_passed_over() {
        assert_eq!(fields("lime dark \\h", " ", 2, EscapedEnds::PassedOver), "lime|dark");
        assert_eq!(fields("lime dark \\ho", " ", 2, EscapedEnds::PassedOver), "lime|dark ho");
        assert_eq!(fields("lime \\  dark", " ", 2, EscapedEnds::Forgotten), "lime| dark");
        assert_eq!(fields("lime \\  dark", " ", 2, EscapedEnds::Kept), "lime|  dark");
    }
}
