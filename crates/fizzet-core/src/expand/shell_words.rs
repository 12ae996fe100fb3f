//! `${(z)x}`: the words and operators that the shell would read in a text (observed in zsh 5.9).

use std::ops::Range;

/// Operators, longest first where one begins with another, and how they are shown.
const OPERATORS: &[(&str, &str)] = &[
    ("&>>|", ">>&|"),
    ("<<<", "<<<"),
    ("<<-", "<<-"),
    ("&>>", ">>&"),
    ("&>|", ">&|"),
    (">>|", ">>|"),
    (">>&", ">>&"),
    ("&&", "&&"),
    ("||", "||"),
    (";;", ";;"),
    (";&", ";&"),
    (";|", ";|"),
    ("|&", "|&"),
    ("&|", "&|"),
    ("&!", "&|"),
    ("&>", "&>"),
    (">&", ">&"),
    ("<&", "<&"),
    ("<>", "<>"),
    (">|", ">|"),
    (">!", ">|"),
    (">>", ">>"),
    ("<<", "<<"),
    (";", ";"),
    ("&", "&"),
    ("|", "|"),
    ("<", "<"),
    (">", ">"),
];

/// Words behind which a command begins.
const OPENERS: &[&str] = &[
    "if",
    "then",
    "else",
    "elif",
    "do",
    "while",
    "until",
    "{",
    "!",
    "time",
    "always",
    "nocorrect",
    "coproc",
    "function",
];

/// What is done with comments and newlines: the letters behind `(Z)` (zshexpn, "Parameter Expansion Flags").
#[derive(Clone, Copy, Default, Debug)]
pub(super) struct Reading {
    /// `c`: a comment is one word.
    pub(super) keeps_comments: bool,
    /// `C`: comments vanish.
    pub(super) drops_comments: bool,
    /// `n`: newlines are blanks.
    pub(super) blank_newlines: bool,
}

impl Reading {
    /// What letters ask for.
    pub(super) fn of(letters: &[u8]) -> Reading {
        Reading {
            keeps_comments: letters.contains(&b'c'),
            drops_comments: letters.contains(&b'C'),
            blank_newlines: letters.contains(&b'n'),
        }
    }
}

/// How deep quotes and parentheses are followed into each other; what is deeper reaches to the end.
const MAX_DEPTH: u32 = 200;

/// A piece of the text: where it stands, and how it is shown if that is not as it stands.
pub(super) struct Piece {
    pub(super) at: Range<usize>,
    pub(super) shown: Option<&'static str>,
}

/// Splits a text as the shell reads it; newlines are `;` unless they are blanks.
pub(super) fn shell_words(text: &[u8], reading: Reading) -> Vec<Piece> {
    let mut reader = Reader {
        text,
        at: 0,
        pieces: Vec::new(),
        begins: true,
        open: 0,
        listed: 0,
        assigns: false,
        loops: false,
        tests: false,
        redirects: false,
        tried: 0,
        reading,
    };
    while reader.piece() {}
    reader.pieces
}

struct Reader<'a> {
    text: &'a [u8],
    at: usize,
    pieces: Vec<Piece>,
    /// Whether a command begins here.
    begins: bool,
    /// How many parentheses of arrays are open.
    open: u32,
    /// Whether the parentheses that are open are those of a list that is assigned.
    assigns: bool,
    /// Whether the word before is `for`.
    loops: bool,
    /// Whether a `[[` has begun that no `]]` has ended.
    tests: bool,
    /// Whether a redirection stands before, whose word ends no command.
    redirects: bool,
    reading: Reading,
    /// How many words it is until parentheses hold a list: behind `for name` and `repeat count`.
    listed: u32,
    /// How many bytes have been looked at for the ends of expressions. Parentheses inside each other that
    /// are none would have most of the text looked at again and again.
    tried: usize,
}

impl Reader<'_> {
    fn piece(&mut self) -> bool {
        let newlines = self.reading.blank_newlines;
        let is_blank = |byte: &u8| matches!(byte, b' ' | b'\t') || (newlines && *byte == b'\n');
        self.at += self.text[self.at..].iter().take_while(|byte| is_blank(byte)).count();
        let rest = &self.text[self.at..];
        match rest {
            [] => return false,
            [b'\\', b'\n', ..] => self.at += 2,
            [b'\n', ..] => {
                self.push(1, Some(";"));
                self.begins = true;
            }
            [b'#', ..] if self.reading.keeps_comments || self.reading.drops_comments => {
                let length = rest.iter().take_while(|&&byte| byte != b'\n').count();
                match self.reading.drops_comments {
                    true => self.at += length,
                    false => self.push(length, None),
                }
            }
            [b'(', b')', ..] => {
                self.push(2, None);
                self.begins = true;
            }
            [b'(', b'(', ..] if std::mem::take(&mut self.loops) => self.loop_head(),
            [b'(', b'(', ..] if let Some(length) = self.arithmetic() => {
                self.push(length, None);
                self.begins = false;
            }
            [b'(', ..] if self.tests => self.push(1, None),
            [b'(', ..] if self.begins || self.listed == 1 => {
                self.open += u32::from(self.listed == 1);
                self.begins = self.listed != 1;
                self.listed = 0;
                self.push(1, None);
            }
            [b')', ..] => {
                // Behind a list that is assigned, the command is still to come.
                self.begins = self.open == 1 && self.assigns;
                self.open = self.open.saturating_sub(1);
                self.push(1, None);
            }
            [b'<' | b'>', b'(', ..] => self.word(),
            _ => match self.operator() {
                Some((length, shown, redirects)) => {
                    self.push(length, shown);
                    self.redirects = redirects;
                    if !redirects {
                        (self.begins, self.listed) = (true, 0);
                    }
                }
                None => self.word(),
            },
        }
        true
    }

    fn push(&mut self, length: usize, shown: Option<&'static str>) {
        self.pieces.push(Piece { at: self.at..self.at + length, shown });
        self.at += length;
    }

    /// The head of `for ((...))`: each expression with the semicolon behind it, between its parentheses.
    fn loop_head(&mut self) {
        let end = self.closed(self.at, b'(', b')', 0);
        self.push(2, None);
        let last = end.map_or(self.text.len(), |end| end.saturating_sub(2).max(self.at));
        while self.at < last {
            let inner = &self.text[self.at..last];
            let blanks = inner.iter().take_while(|byte| matches!(byte, b' ' | b'\t')).count();
            self.at += blanks;
            let inner = &inner[blanks..];
            match inner.iter().position(|&byte| byte == b';') {
                Some(sign) => self.push(sign + 1, None),
                None if inner.is_empty() => {}
                None => self.push(inner.len(), None),
            }
        }
        if end.is_some() {
            self.push(2, None);
        }
        self.begins = true;
    }

    /// The length of `((...))`, if it is one; where a command begins, one that is never closed is all of the rest.
    fn arithmetic(&mut self) -> Option<usize> {
        if self.tried > 16 * self.text.len() {
            return None;
        }
        let inner = self.closed(self.at + 1, b'(', b')', 0);
        self.tried += inner.unwrap_or(self.text.len()) - self.at;
        let Some(inner) = inner else {
            return self.begins.then_some(self.text.len() - self.at);
        };
        (self.text.get(inner) == Some(&b')')).then(|| inner + 1 - self.at)
    }

    /// An operator: its length, how it is shown, and whether it redirects.
    fn operator(&self) -> Option<(usize, Option<&'static str>, bool)> {
        let rest = &self.text[self.at..];
        let digit = matches!(rest, [b'0'..=b'9', b'<' | b'>', ..]);
        let sign = &rest[usize::from(digit)..];
        let (written, shown) =
            OPERATORS.iter().find(|(one, _)| sign.starts_with(one.as_bytes()))?;
        let redirects = written.contains(['<', '>']);
        let differs = written != shown && !digit;
        Some((usize::from(digit) + written.len(), differs.then_some(*shown), redirects))
    }

    fn word(&mut self) {
        let start = self.at;
        let is_assignment = self.at_list();
        let end = match is_assignment {
            Some(end) => end,
            None => self.word_end(),
        };
        self.push(end - start, None);
        let word = &self.text[start..end];
        let redirected = std::mem::take(&mut self.redirects);
        if self.begins && redirected {
            return;
        }
        self.loops = self.begins && word == b"for";
        self.tests = (self.tests || (self.begins && word == b"[[")) && word != b"]]";
        self.listed = match self.listed {
            0 if self.begins && matches!(word, b"for" | b"foreach" | b"select" | b"repeat") => 2,
            count => count.saturating_sub(1),
        };
        self.open += u32::from(is_assignment.is_some());
        self.assigns = is_assignment.is_some() || (self.assigns && self.open > 0);
        let goes_on = word == b"]]" || (self.begins && (goes_on(word) || is_assigned(word)));
        self.begins = is_assignment.is_none() && self.open == 0 && goes_on;
    }

    /// The place behind `name=(` where a command begins.
    fn at_list(&self) -> Option<usize> {
        let rest = &self.text[self.at..];
        let name = rest.iter().take_while(|byte| byte.is_ascii_alphanumeric() || **byte == b'_');
        let length = name.count();
        let sign = if rest[length..].starts_with(b"+=(") { 3 } else { 2 };
        let is_list = rest[length..].starts_with(b"=(") || sign == 3;
        (self.begins && length > 0 && is_list).then_some(self.at + length + sign)
    }

    fn word_end(&self) -> usize {
        let mut at = self.at;
        if self.begins && !self.redirects && self.text[at] == b'{' {
            return at + 1;
        }
        while let Some(&byte) = self.text.get(at) {
            let whole = self.text.len();
            at = match byte {
                b' ' | b'\t' | b'\n' | b';' | b'&' | b'|' | b')' => break,
                b'<' | b'>' if self.text.get(at + 1) != Some(&b'(') => break,
                b'\\' => (at + 2).min(whole),
                b'\'' | b'"' | b'`' => self.quoted(at, 0),
                b'$' if self.text.get(at + 1) == Some(&b'\'') => self.quoted(at, 0),
                b'$' if matches!(self.text.get(at + 1), Some(b'(' | b'{' | b'[')) => {
                    let open = self.text[at + 1];
                    self.closed(at + 1, open, closer(open), 0).unwrap_or(whole)
                }
                b'(' if self.text.get(at + 1) == Some(&b')') => break,
                b'(' | b'<' | b'>' | b'='
                    if byte == b'(' || self.text.get(at + 1) == Some(&b'(') =>
                {
                    let open = at + usize::from(byte != b'(');
                    self.closed(open, b'(', b')', 0).unwrap_or(whole)
                }
                _ => at + 1,
            };
        }
        at
    }

    /// The place behind the quotes at `at`.
    fn quoted(&self, at: usize, depth: u32) -> usize {
        let dollar = usize::from(self.text[at] == b'$');
        let quote = self.text[at + dollar];
        let mut end = at + dollar + 1;
        while let Some(&byte) = self.text.get(end) {
            end = match byte {
                byte if byte == quote => return end + 1,
                b'\\' if quote != b'\'' || dollar == 1 => end + 2,
                b'$' if quote == b'"' && matches!(self.text.get(end + 1), Some(b'(' | b'{')) => {
                    let open = self.text[end + 1];
                    self.closed(end + 1, open, closer(open), depth + 1).unwrap_or(self.text.len())
                }
                _ => end + 1,
            };
        }
        self.text.len()
    }

    /// The place behind what closes the sign at `at`.
    fn closed(&self, at: usize, open: u8, close: u8, depth: u32) -> Option<usize> {
        if depth > MAX_DEPTH {
            return None;
        }
        let (mut level, mut end) = (0u32, at);
        loop {
            match *self.text.get(end)? {
                byte if byte == open => level += 1,
                byte if byte == close => level -= 1,
                b'\\' => end += 1,
                b'\'' | b'"' | b'`' => {
                    end = self.quoted(end, depth);
                    continue;
                }
                _ => {}
            }
            end += 1;
            if level == 0 {
                return Some(end);
            }
        }
    }
}

/// Whether a command begins behind a word at the start of one.
fn goes_on(word: &[u8]) -> bool {
    OPENERS.iter().any(|one| one.as_bytes() == word)
}

/// Whether a word is an assignment of one text.
fn is_assigned(word: &[u8]) -> bool {
    let length =
        word.iter().take_while(|byte| byte.is_ascii_alphanumeric() || **byte == b'_').count();
    length > 0 && !word[0].is_ascii_digit() && word[length..].starts_with(b"=")
}

fn closer(open: u8) -> u8 {
    match open {
        b'(' => b')',
        b'{' => b'}',
        _ => b']',
    }
}

#[cfg(test)]
mod tests {
    use super::{Reading, shell_words};

    fn words(text: &str) -> Vec<&str> {
        let pieces = shell_words(text.as_bytes(), Reading::default());
        pieces.into_iter().map(|piece| piece.shown.unwrap_or(&text[piece.at])).collect()
    }

    #[test]
    fn text_is_split_as_the_shell_reads_it() {
        let cases = [
            ("label 'a b' \"$(c \"d e\")\" f\\ g", "label|'a b'|\"$(c \"d e\")\"|f\\ g"),
            ("jars=(b c) d", "jars=(|b|c|)|d"),
            ("x a=(b c)", "x|a=(b c)"),
            ("(( 1 + 2 )); ((a); b)", "(( 1 + 2 ))|;|(|(|a|)|;|b|)"),
            ("2>&1 &>>y >!b 12>x", "2>&|1|>>&|y|>||b|12|>|x"),
            ("for x (a b) c", "for|x|(|a|b|)|c"),
            ("case x in (a|b) c;; d) e;; esac", "case|x|in|(a|b)|c|;;|d|)|e|;;|esac"),
            ("f() { a }", "f|()|{|a|}"),
            ("a*(.) b?(x y) ~x", "a*(.)|b?(x y)|~x"),
            ("<(a b) =(e f) $'a\\'c' a'b", "<(a b)|=(e f)|$'a\\'c'|a'b"),
            ("a $(b", "a|$(b"),
            ("for ((i=0;i<3;i++)) do x", "for|((|i=0;|i<3;|i++|))|do|x"),
            ("a=() b=(c) d", "a=(|)|b=(|c|)|d"),
            (">f x=1 (a b)", ">|f|x=1|(|a|b|)"),
            ("a; (( b", "a|;|(( b"),
            ("[[ (a) && b ]] (c)", "[[|(|a|)|&&|b|]]|(|c|)"),
        ];
        for (text, expected) in cases {
            assert_eq!(words(text).join("|"), expected, "{text}");
        }
        assert_eq!(words("a\nb"), ["a", ";", "b"]);
        // Neither deep nesting nor what is never closed takes long.
        assert_eq!(words(&"\"$(".repeat(100_000)).len(), 1);
        assert_eq!(words(&"(".repeat(100_000)).len(), 1);
    }
}
