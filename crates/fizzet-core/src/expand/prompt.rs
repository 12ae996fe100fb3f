//! `${x@P}`: a value expanded as the prompts of bash are (observed in bash 5.2).

use crate::expand::substitute::Substitution;
use crate::expand::{Context, document};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::State;
use crate::stop::Stop;
use crate::syntax::Parser;
use crate::syntax::ast::Parameter;
use crate::text::{Standing, Text};

/// How many prompts may be expanded inside each other.
const MAX_DEPTH: u32 = 100;

/// What the characters behind backslashes have become.
struct Decoded {
    bytes: Vec<u8>,
    /// What in it nobody knows beforehand.
    unknown: Option<&'static str>,
    /// Whether it is expanded, and what stands for the shell's own texts quoted against that.
    expands: bool,
}

impl Substitution<'_> {
    /// The text that a value is as a prompt.
    pub(super) fn prompt(&mut self, parameter: &Parameter, value: &Text) -> Result<Text, Stop> {
        let span = parameter.span;
        let expands = self.cx.state().options.shopts_on().contains(&"promptvars");
        let decoded = decode(value.bytes(), self.cx.state(), expands);
        let unknown = decoded.unknown.or(value.has_hole().then_some("the value"));
        if let Some(what) = unknown {
            self.cx.missing(what, span);
            let mut hole = Text::new();
            hole.push_hole(Standing::Quoted, &Origin::new(Rule::Parameter, span));
            return Ok(hole);
        }
        let hop =
            Hop { rule: Rule::Parameter, span, name: Some(parameter.name.to_bytes()), shifted: 0 };
        let plain = |this: &mut Self| {
            let bytes = if expands { unescaped(&decoded.bytes) } else { decoded.bytes.clone() };
            this.cx.state().shell_text(&bytes).passed_through(&hop, Standing::Quoted)
        };
        if !expands {
            return Ok(plain(self));
        }
        if self.cx.state().prompts >= MAX_DEPTH {
            let (what, limit) = ("prompts inside each other", u64::from(MAX_DEPTH));
            return Err(Stop::Limit { what, limit, span });
        }
        self.cx.state().prompts += 1;
        let expanded = expanded(self.cx, &decoded.bytes);
        self.cx.state().prompts -= 1;
        match expanded {
            Ok(text) => Ok(text.passed_through(&hop, Standing::Quoted)),
            // What cannot be expanded stays as it is.
            Err(Stop::Shell(_) | Stop::Syntax(_)) => Ok(plain(self)),
            Err(stop) => Err(stop),
        }
    }
}

/// Expands a text as between double quotes.
fn expanded(cx: &mut dyn Context, decoded: &[u8]) -> Result<Text, Stop> {
    let mut text = Vec::with_capacity(decoded.len());
    let mut bytes = decoded.iter().copied().peekable();
    while let Some(byte) = bytes.next() {
        match (byte, bytes.peek()) {
            // A here-document, as which it is read, would keep the backslash.
            (b'\\', Some(b'"')) => {}
            (b'\\', Some(&quoted)) => {
                text.extend([byte, quoted]);
                bytes.next();
            }
            _ => text.push(byte),
        }
    }
    let state = cx.state();
    let source = state.sources.built("a prompt", &text);
    let dialect = state.dialect.clone();
    let whole = Span::new(source, 0, text.len());
    let word = Parser::new(&text, source, &dialect).whole_text(whole)?;
    document(cx, &word)
}

/// A text without the backslashes that quote.
fn unescaped(decoded: &[u8]) -> Vec<u8> {
    let mut text = Vec::with_capacity(decoded.len());
    let mut bytes = decoded.iter().copied().peekable();
    while let Some(byte) = bytes.next() {
        let quotes = byte == b'\\' && bytes.peek().is_some_and(|next| b"$`\"\\".contains(next));
        text.push(if quotes { bytes.next().unwrap_or(byte) } else { byte });
    }
    text
}

/// What the characters behind backslashes stand for.
fn decode(value: &[u8], state: &State, expands: bool) -> Decoded {
    let bytes = Vec::with_capacity(value.len());
    let mut decoded = Decoded { bytes, unknown: None, expands };
    let mut rest = value;
    while let Some((&byte, behind)) = rest.split_first() {
        rest = behind;
        match (byte, behind.split_first()) {
            (b'\\', Some((&letter, behind))) => {
                rest = behind;
                decoded.escape(letter, &mut rest, state);
            }
            _ => decoded.bytes.push(byte),
        }
    }
    decoded
}

impl Decoded {
    fn escape(&mut self, letter: u8, rest: &mut &[u8], state: &State) {
        match letter {
            b'0'..=b'7' => match octal(letter, rest) {
                Some((byte, used)) => {
                    self.bytes.extend(Some(byte).filter(|byte| *byte != 0));
                    *rest = &rest[used..];
                }
                None => self.bytes.extend([b'\\', letter]),
            },
            b'\\' => self.bytes.push(b'\\'),
            b'n' => self.bytes.push(b'\n'),
            b'r' => self.bytes.push(b'\r'),
            b'a' => self.bytes.push(7),
            b'e' => self.bytes.push(27),
            // They enclose what takes no room on a terminal; a script has none.
            b'[' | b']' => {}
            b's' => self.bytes.extend(b"bash"),
            b'v' => self.bytes.extend(b"5.2"),
            b'V' => self.bytes.extend(b"5.2.15"),
            b'w' | b'W' => {
                let shown = folder(state, letter == b'W');
                self.quote(&shown);
            }
            b'j' if state.jobs.is_empty() => self.bytes.push(b'0'),
            b'$' if let Some(process) = state.doing.process => {
                self.bytes.push(if process.effective_user == 0 { b'#' } else { b'$' });
            }
            b'u' | b'$' => self.unknown = Some("the user who runs the shell"),
            b'h' if let Some(name) = &state.doing.machine => {
                let first = name.split(|&byte| byte == b'.').next();
                self.quote(first.unwrap_or_default());
            }
            b'H' if let Some(name) = &state.doing.machine => self.quote(name),
            b'h' | b'H' | b'l' => self.unknown = Some("the names of the machine and its terminal"),
            b'd' | b't' | b'T' | b'@' | b'A' => self.unknown = Some("the time"),
            b'D' if rest.first() == Some(&b'{') => self.unknown = Some("the time"),
            b'j' | b'!' | b'#' => self.unknown = Some("the numbers of jobs and commands"),
            other => self.bytes.extend([b'\\', other]),
        }
    }

    /// Adds what nothing is expanded in.
    fn quote(&mut self, text: &[u8]) {
        for &byte in text {
            if self.expands && b"$`\"\\".contains(&byte) {
                self.bytes.push(b'\\');
            }
            self.bytes.push(byte);
        }
    }
}

/// The byte that up to three octal digits are, and how many stand behind the first; nothing where another
/// character stands among the three.
fn octal(first: u8, rest: &[u8]) -> Option<(u8, usize)> {
    let more = &rest[..rest.len().min(2)];
    let all = more.iter().all(|byte| (b'0'..=b'7').contains(byte));
    let value = |sum: u32, byte: &u8| sum * 8 + u32::from(byte - b'0');
    all.then(|| (more.iter().fold(u32::from(first - b'0'), value) as u8, more.len()))
}

/// The current folder as prompts show it.
fn folder(state: &State, last_only: bool) -> Vec<u8> {
    let here = state.entered.bytes();
    let home = state.variables.scalar(b"HOME").map(Text::bytes).filter(|home| home.len() > 1);
    let below = home.and_then(|home| here.strip_prefix(home));
    let below = below.filter(|below| below.is_empty() || below.starts_with(b"/"));
    if last_only {
        return match below {
            Some([]) => b"~".to_vec(),
            _ if here == b"/" => here.to_vec(),
            _ => here.rsplit(|&byte| byte == b'/').next().unwrap_or_default().to_vec(),
        };
    }
    let (start, path): (&[u8], &[u8]) = match below {
        Some(below) => (b"~", below),
        None => (b"", here),
    };
    let most = state
        .variables
        .scalar(b"PROMPT_DIRTRIM")
        .and_then(|most| std::str::from_utf8(most.bytes()).ok()?.trim().parse::<usize>().ok());
    let parts: Vec<&[u8]> =
        path.split(|&byte| byte == b'/').filter(|one| !one.is_empty()).collect();
    match most.filter(|most| (1..parts.len()).contains(most)) {
        None => [start, path].concat(),
        Some(most) => {
            let start: &[u8] = if start.is_empty() { b".../" } else { b"~/.../" };
            [start, &parts[parts.len() - most..].join(&b'/')].concat()
        }
    }
}
