//! Percent escapes of zsh's prompts, as `${(%)x}` and `print -P` expand them (zsh 5.9, zshmisc, "Simple Prompt
//! Escapes" and "Conditional Substrings in Prompts"). A script has no terminal: what only changes how letters look
//! is nothing, colours excepted.

use crate::state::{State, Value};
use crate::text::{character_count, character_ends};

/// What a text has become.
pub(crate) struct Prompt {
    /// The bytes of it.
    pub(crate) bytes: Vec<u8>,
    /// What in it nobody knows beforehand.
    pub(crate) unknown: Option<&'static str>,
}

/// The names of the eight colours, in the order of their numbers.
const COLOURS: [&str; 8] = ["black", "red", "green", "yellow", "blue", "magenta", "cyan", "white"];

/// How deep choices may stand inside each other.
const MAX_DEPTH: u32 = 100;

/// Expands the escapes of a text.
pub(crate) fn expanded(state: &State, text: &[u8]) -> Prompt {
    let (made, cut, unknown) = (Vec::new(), None, None);
    let mut reader = Reader { state, rest: text, made, cut, unknown, depth: 0, too_deep: false };
    reader.until(None);
    reader.end_cut();
    let deep = reader.too_deep.then_some("what so many choices inside each other give");
    Prompt { bytes: reader.made, unknown: reader.unknown.or(deep) }
}

/// `%10<..<`: from where on the text is to be cut, to how many characters, what stands for the rest, and
/// whether that is at the start.
struct Cut {
    from: usize,
    most: usize,
    mark: Vec<u8>,
    at_start: bool,
}

struct Reader<'a> {
    state: &'a State,
    rest: &'a [u8],
    made: Vec<u8>,
    cut: Option<Cut>,
    unknown: Option<&'static str>,
    depth: u32,
    too_deep: bool,
}

impl<'a> Reader<'a> {
    fn next(&mut self) -> Option<u8> {
        let (&first, rest) = self.rest.split_first()?;
        self.rest = rest;
        Some(first)
    }

    /// Reads up to a byte that ends this part, or to the end.
    fn until(&mut self, end: Option<u8>) {
        while let Some(byte) = self.next() {
            match byte {
                _ if Some(byte) == end => return,
                b'%' => self.escape(),
                byte => self.made.push(byte),
            }
        }
    }

    /// A number with a sign before it, if one stands here.
    fn number(&mut self) -> Option<i64> {
        let sign = usize::from(self.rest.first() == Some(&b'-'));
        let digits = self.rest[sign..].iter().take_while(|byte| byte.is_ascii_digit()).count();
        let (number, rest) = self.rest.split_at(if digits == 0 { 0 } else { sign + digits });
        self.rest = rest;
        std::str::from_utf8(number).ok()?.parse().ok()
    }

    /// What stands up to a byte, which is passed.
    fn piece(&mut self, end: u8) -> &'a [u8] {
        let rest = self.rest;
        let length = rest.iter().position(|&byte| byte == end).unwrap_or(rest.len());
        self.rest = rest.get(length + 1..).unwrap_or_default();
        &rest[..length]
    }

    fn escape(&mut self) {
        let number = self.number();
        let Some(letter) = self.next() else { return };
        let state = self.state;
        match letter {
            b'%' | b')' => self.made.push(letter),
            b'~' | b'/' | b'd' => {
                let path = self.folder(letter == b'~');
                self.made.extend(parts_of(&path, number.unwrap_or(0)));
            }
            b'c' | b'.' | b'C' => {
                let path = self.folder(letter != b'C');
                self.made.extend(parts_of(&path, number.unwrap_or(1)));
            }
            b'?' => self.made.extend(state.status.to_string().bytes()),
            b'j' => self.made.extend(state.jobs.count().to_string().bytes()),
            b'h' | b'!' => self.made.push(b'0'),
            b'y' | b'l' => self.made.extend(b"()"),
            b'N' | b'x' => self.name(letter),
            b'i' | b'I' => {
                let at = state.doing.at;
                let line = match letter {
                    b'i' => at.map_or(0, |at| state.line_number(at)),
                    _ => at.map_or(0, |at| {
                        state.sources.get(at.source).line_of(at.start as usize).0 as i64
                    }),
                };
                self.made.extend(line.to_string().bytes());
            }
            b'v' => self.made.extend(self.variable(number.unwrap_or(1))),
            b'F' | b'K' => self.colour(letter, number),
            b'f' => self.made.extend(b"\x1b[39m"),
            b'k' => self.made.extend(b"\x1b[49m"),
            b'(' => self.choice(number),
            b'<' | b'>' => self.begin_cut(letter, number),
            b'#' if let Some(process) = state.doing.process => {
                self.made.push(if process.effective_user == 0 { b'#' } else { b'%' });
            }
            b'#' | b'n' => self.unknown = Some("the user who runs the shell"),
            b'm' | b'M' => match self.machine() {
                Some(name) if letter == b'M' => self.made.extend(name),
                Some(name) => self.made.extend(labels_of(name, number.unwrap_or(1))),
                None => self.unknown = Some("the name of the machine"),
            },
            b'D' | b'T' | b't' | b'@' | b'*' | b'w' | b'W' => self.unknown = Some("the time"),
            b'L' | b'e' | b'E' | b'G' => self.unknown = Some("what the shell runs in"),
            // What has no meaning is nothing, as are bold letters and their kin.
            _ => {}
        }
    }

    /// The name of the machine, which is that of HOST.
    fn machine(&self) -> Option<&'a [u8]> {
        let told = self.state.variables.scalar(b"HOST").map(crate::text::Text::bytes);
        told.or(self.state.doing.machine.as_deref())
    }

    /// The current folder.
    fn folder(&self, abbreviated: bool) -> Vec<u8> {
        let path = self.state.entered.bytes();
        match self.state.name_of_folder(path).filter(|_| abbreviated) {
            Some((name, above)) => [b"~", &name[..], &path[above..]].concat(),
            None => path.to_vec(),
        }
    }

    /// The function or file that is carried out; the file alone with `x`.
    fn name(&mut self, letter: u8) {
        let calls = &self.state.doing.calls;
        match calls.last() {
            Some(call) if letter == b'N' => self.made.extend(call.name.bytes()),
            _ if calls.iter().any(|call| call.is_file) => self.unknown = Some("the file of this"),
            _ => self.made.extend(self.state.positional.zero.bytes()),
        }
    }

    /// An element of `psvar`.
    fn variable(&self, number: i64) -> Vec<u8> {
        match self.state.variables.get(b"psvar").map(|variable| &variable.value) {
            Some(Value::Indexed(list)) => {
                list.get(&number).map(|text| text.bytes().to_vec()).unwrap_or_default()
            }
            _ => Vec::new(),
        }
    }

    fn colour(&mut self, letter: u8, number: Option<i64>) {
        let base = if letter == b'F' { 30 } else { 40 };
        let named = match self.rest.first() {
            Some(b'{') => {
                self.next();
                std::str::from_utf8(self.piece(b'}')).unwrap_or_default()
            }
            _ => "",
        };
        let known = COLOURS.iter().position(|name| *name == named).map(|at| at as i64);
        let known = known.or_else(|| named.parse().ok());
        let code = match known.or(number.filter(|_| named.is_empty())) {
            Some(number @ 0..8) => (base + number).to_string(),
            Some(number @ 8..256) => format!("{};5;{number}", base + 8),
            _ => (base + 9).to_string(),
        };
        self.made.extend(format!("\x1b[{code}m").bytes());
    }

    /// `%(x.yes.no)`
    fn choice(&mut self, before: Option<i64>) {
        let number = self.number().or(before);
        let (Some(what), Some(separator)) = (self.next(), self.next()) else { return };
        if self.depth >= MAX_DEPTH {
            self.too_deep = true;
            self.rest = &[];
            return;
        }
        let holds = self.holds(what, number.unwrap_or(0));
        self.depth += 1;
        self.branch(separator, holds);
        self.branch(b')', !holds);
        self.depth -= 1;
    }

    /// One side of a choice, which leaves nothing behind if it is not the one that counts.
    fn branch(&mut self, end: u8, counts: bool) {
        if counts {
            return self.until(Some(end));
        }
        let outer = (std::mem::take(&mut self.made), self.cut.take(), self.unknown);
        self.until(Some(end));
        (self.made, self.cut, self.unknown) = outer;
    }

    fn holds(&mut self, what: u8, number: i64) -> bool {
        let parts = |path: &[u8]| {
            path.split(|&byte| byte == b'/').filter(|part| !part.is_empty()).count() as i64
        };
        match what {
            b'?' => i64::from(self.state.status) == number,
            b'j' => self.state.jobs.count() as i64 >= number,
            b'~' | b'c' | b'.' => parts(&self.folder(true)) >= number,
            b'/' | b'C' => parts(&self.folder(false)) >= number,
            b'v' | b'V' => !self.variable(number.max(1)).is_empty(),
            b'_' => number == 0,
            b'l' => self.made.len() as i64 >= number,
            _ => {
                self.unknown = Some("what this part of a prompt asks for");
                false
            }
        }
    }

    fn begin_cut(&mut self, letter: u8, number: Option<i64>) {
        let mark = self.piece(letter).to_vec();
        self.end_cut();
        let most = usize::try_from(number.unwrap_or(0)).unwrap_or(0);
        self.cut = (most > 0).then_some(Cut {
            from: self.made.len(),
            most,
            mark,
            at_start: letter == b'<',
        });
    }

    fn end_cut(&mut self) {
        let Some(Cut { from, most, mark, at_start }) = self.cut.take() else { return };
        let ends = character_ends(&self.made[from..], true);
        let count = ends.len() - 1;
        if count <= most {
            return;
        }
        let kept = most.saturating_sub(character_count(&mark, true));
        match at_start {
            true => drop(self.made.splice(from..from + ends[count - kept], mark)),
            false => {
                self.made.truncate(from + ends[kept]);
                self.made.extend(mark);
            }
        }
    }
}

/// So many parts of the name of a machine: the first ones, or the last ones where the number is negative.
fn labels_of(name: &[u8], count: i64) -> Vec<u8> {
    let labels: Vec<&[u8]> = name.split(|&byte| byte == b'.').collect();
    let most = usize::try_from(count.unsigned_abs()).unwrap_or(usize::MAX).min(labels.len());
    match count {
        0 => labels[..1].join(&b'.'),
        1.. => labels[..most].join(&b'.'),
        _ => labels[labels.len() - most..].join(&b'.'),
    }
}

/// The last parts of a path, the first with a number below 0, all with 0.
fn parts_of(path: &[u8], count: i64) -> Vec<u8> {
    let slashes: Vec<usize> = (0..path.len()).filter(|&at| path[at] == b'/').collect();
    let most = usize::try_from(count.unsigned_abs()).unwrap_or(usize::MAX);
    match count {
        0 => path.to_vec(),
        1.. if path == b"/" => path.to_vec(),
        1.. => match slashes.len().checked_sub(most) {
            Some(at) => path[slashes[at] + 1..].to_vec(),
            None => path.to_vec(),
        },
        _ => {
            // The slash of the root belongs to the first part.
            let skipped = most - usize::from(!path.starts_with(b"/"));
            slashes.get(skipped).map_or(path, |&end| &path[..end]).to_vec()
        }
    }
}
