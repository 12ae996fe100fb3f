//! The functions that execute programs, and a call read by this table.

use crate::kernel::call::CallError;
use crate::kernel::call::token::{Token, TokenKind, tokens};
use crate::kernel::call::value::{Names, Value, ValueKind, Values};
use crate::source::{SourceId, Span};

/// How a function takes the vector.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Form {
    /// Argument by argument, up to a null pointer.
    List,
    /// As an array, up to a null pointer.
    Array,
    /// As a text for `sh -c`.
    ShellText,
}

/// How a function names the file.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Naming {
    /// By a path.
    Path,
    /// By a name that is looked for on PATH.
    Search,
    /// By a descriptor of an open file.
    Descriptor,
}

/// A function.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Function {
    /// Its name.
    pub name: &'static str,
    /// How it takes the vector.
    pub form: Form,
    /// How it names the file.
    pub file: Naming,
    /// Whether it takes an environment.
    pub environment: bool,
    /// Whether it starts a process of its own: then three arguments more stand around the path.
    pub spawns: bool,
}

/// The table (POSIX XSH exec, posix_spawn, system, popen; `execvpe` is glibc's).
pub const FUNCTIONS: [Function; 12] = {
    use Form::{Array, List, ShellText};
    use Naming::{Descriptor, Path, Search};
    const fn row(
        name: &'static str,
        form: Form,
        file: Naming,
        environment: bool,
        spawns: bool,
    ) -> Function {
        Function { name, form, file, environment, spawns }
    }
    [
        row("execl", List, Path, false, false),
        row("execle", List, Path, true, false),
        row("execlp", List, Search, false, false),
        row("execv", Array, Path, false, false),
        row("execve", Array, Path, true, false),
        row("execvp", Array, Search, false, false),
        row("execvpe", Array, Search, true, false),
        row("fexecve", Array, Descriptor, true, false),
        row("posix_spawn", Array, Path, true, true),
        row("posix_spawnp", Array, Search, true, true),
        row("system", ShellText, Path, false, false),
        row("popen", ShellText, Path, false, false),
    ]
};

/// A call.
#[derive(Clone, Debug)]
pub struct Call {
    /// The function.
    pub function: &'static Function,
    /// All of the call.
    pub span: Span,
    /// The path, the name, or the text for the shell.
    pub file: Value,
    /// Whether `open` was told to close the file's descriptor when something is executed.
    pub closes: bool,
    /// The vector, without its null pointer.
    pub argv: Vec<Value>,
    /// What ends the vector.
    pub end: VectorEnd,
    /// Arguments behind the null pointer, which nobody looks at.
    pub behind: Vec<Span>,
    /// The environment that is handed over, and what ends it; nothing for the caller's own.
    pub environment: Option<(Vec<Value>, VectorEnd)>,
}

/// What ends a vector.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum VectorEnd {
    /// A null pointer.
    Null,
    /// A plain 0, which is no pointer among variable arguments.
    Zero(Span),
    /// Nothing; the span is where the null pointer is missing.
    Missing(Span),
}

/// Reads a call, and the declarations of strings and arrays before it.
///
/// # Errors
/// Text that is no call of these functions, is cut off, or holds what exec does not take.
pub fn read(bytes: &[u8], source: SourceId, names: &Names) -> Result<Call, CallError> {
    let tokens = tokens(bytes, source)?;
    let Some(at) = call_at(&tokens) else { return Err(no_call(&tokens)) };
    let mut names = names.clone();
    declarations(&tokens[..at], &mut names)?;
    let name = tokens[at].name().unwrap_or_default();
    let Some(function) = FUNCTIONS.iter().find(|function| function.name == name) else {
        return Err(no_call(&tokens));
    };
    let values = Values::new(&tokens, at + 2, &names);
    CallReader { function, start: tokens[at].span, closes: false, values }.call()
}

/// The place of a function's name before a parenthesis.
fn call_at(tokens: &[Token]) -> Option<usize> {
    let is_function = |name: &str| FUNCTIONS.iter().any(|function| function.name == name);
    (0..tokens.len()).find(|&at| {
        tokens[at].name().is_some_and(is_function)
            && tokens.get(at + 1).is_some_and(|next| next.is(b'('))
    })
}

fn no_call(tokens: &[Token]) -> CallError {
    let known: Vec<&str> = FUNCTIONS.iter().map(|function| function.name).collect();
    let hint = format!("these are known: {}", known.join(", "));
    let called = tokens
        .windows(2)
        .find_map(|two| two[1].is(b'(').then(|| two[0].name().map(|name| (name, two[0].span)))?);
    match called {
        Some((name, span)) => {
            CallError::new(format!("{name} is no function that executes a program"), span, hint)
        }
        None => {
            let span = tokens[0].span.to(tokens[tokens.len() - 1].span);
            CallError::new("this is no call of a function", span, hint)
        }
    }
}

/// Declarations such as `char *argv[] = {"label", NULL};` give names to values.
fn declarations(tokens: &[Token], names: &mut Names) -> Result<(), CallError> {
    let mut start = 0;
    while let Some(length) = tokens[start..].iter().position(|token| token.is(b';')) {
        let statement = &tokens[start..start + length];
        start += length + 1;
        let Some(equals) = statement.iter().position(|token| token.is(b'=')) else { continue };
        let Some(name) = statement[..equals].iter().rev().find_map(Token::name) else { continue };
        let name = name.to_owned();
        let mut ended = statement[equals + 1..].to_vec();
        let Some(last) = ended.last() else { continue };
        ended.push(Token { kind: TokenKind::End, span: last.span });
        let value = Values::new(&ended, 0, names).value()?;
        names.insert(name, value);
    }
    Ok(())
}

/// Reads the value of `--let`.
///
/// # Errors
/// Text that is no value.
pub fn read_value(bytes: &[u8], source: SourceId, names: &Names) -> Result<Value, CallError> {
    let tokens = tokens(bytes, source)?;
    let mut values = Values::new(&tokens, 0, names);
    let value = values.value()?;
    match values.next().kind {
        TokenKind::End => Ok(value),
        _ => {
            let hint = "quote it for the shell: --let jar='\"lime honey\"'";
            Err(CallError::new("the value goes on behind its end", values.next().span, hint))
        }
    }
}

struct CallReader<'a> {
    function: &'static Function,
    start: Span,
    closes: bool,
    values: Values<'a>,
}

impl CallReader<'_> {
    fn call(mut self) -> Result<Call, CallError> {
        if self.function.spawns {
            self.values.skip();
            self.comma()?;
        }
        let file = self.file()?;
        if self.function.spawns {
            for _ in 0..2 {
                self.comma()?;
                self.values.skip();
            }
        }
        let mut behind = Vec::new();
        let (argv, end) = match self.function.form {
            Form::ShellText => {
                // The mode of popen.
                while self.values.take(b',') {
                    self.values.skip();
                }
                (Vec::new(), VectorEnd::Null)
            }
            Form::List => self.list(&mut behind)?,
            Form::Array => {
                self.comma()?;
                let value = self.values.value()?;
                self.array(value, "the vector")?
            }
        };
        let environment = match self.function.environment {
            false => None,
            true => self.environment()?,
        };
        if self.function.form != Form::List && self.values.next().is(b',') {
            let span = self.values.next().span;
            let message = format!("{} takes no more arguments", self.function.name);
            return Err(CallError::new(message, span, "leave the rest away"));
        }
        let close = self.values.next().span;
        self.values.expect(b')', "the arguments")?;
        let span = self.start.to(close);
        let closes = self.closes;
        Ok(Call { function: self.function, span, file, closes, argv, end, behind, environment })
    }

    fn comma(&mut self) -> Result<(), CallError> {
        let name = self.function.name;
        if self.values.take(b',') {
            return Ok(());
        }
        let span = self.values.next().span;
        let message = match self.values.next().kind {
            TokenKind::End => "the text ends in the middle of the call".to_owned(),
            _ => format!("{name} takes more arguments"),
        };
        Err(CallError::new(message, span, usage(self.function)))
    }

    /// The path; for a descriptor a path stands in, or the call of `open`.
    fn file(&mut self) -> Result<Value, CallError> {
        let opens = self.values.next().name() == Some("open");
        if self.function.file == Naming::Descriptor && opens {
            self.values.at += 1;
            self.values.expect(b'(', "open")?;
            let path = self.text("the path of open")?;
            while self.values.take(b',') {
                let from = self.values.at;
                self.values.skip();
                let flags = &self.values.tokens[from..self.values.at];
                self.closes |= flags.iter().any(|token| token.name() == Some("O_CLOEXEC"));
            }
            self.values.expect(b')', "the arguments of open")?;
            return Ok(path);
        }
        self.text(match self.function.form {
            Form::ShellText => "the text for the shell",
            _ => "the file",
        })
    }

    fn text(&mut self, what: &str) -> Result<Value, CallError> {
        let value = self.values.value()?;
        match value.kind {
            ValueKind::Text(_) => Ok(value),
            _ => {
                let hint = "write a string, or a name that --let gives one";
                Err(CallError::new(format!("{what} is no string"), value.span, hint))
            }
        }
    }

    /// The arguments of `execl` and its kin, behind the path.
    fn list(&mut self, behind: &mut Vec<Span>) -> Result<(Vec<Value>, VectorEnd), CallError> {
        let mut argv = Vec::new();
        while self.values.take(b',') {
            let value = self.values.value()?;
            match value.kind {
                ValueKind::Null => {
                    self.rest(behind);
                    return Ok((argv, VectorEnd::Null));
                }
                ValueKind::Zero => {
                    self.rest(behind);
                    return Ok((argv, VectorEnd::Zero(value.span)));
                }
                ValueKind::Text(_) => argv.push(value),
                _ => return Err(no_argument(&value)),
            }
        }
        let mut span = self.values.next().span;
        span.end = span.start;
        Ok((argv, VectorEnd::Missing(span)))
    }

    /// What stands behind the null pointer; the environment is no part of it.
    fn rest(&mut self, behind: &mut Vec<Span>) {
        if self.function.environment {
            return;
        }
        while self.values.take(b',') {
            let start = self.values.next().span;
            self.values.skip();
            let last = &self.values.tokens[self.values.at - 1];
            behind.push(start.to(last.span));
        }
    }

    fn array(&self, value: Value, what: &str) -> Result<(Vec<Value>, VectorEnd), CallError> {
        let elements = match value.kind {
            ValueKind::Array(elements) => elements,
            ValueKind::Null => return Ok((Vec::new(), VectorEnd::Null)),
            _ => {
                let hint = "write an array: {\"a\", \"b\", NULL}, or a name that --let gives one";
                return Err(CallError::new(format!("{what} is no array"), value.span, hint));
            }
        };
        // It is missing behind the last element, wherever the array is written.
        let mut span = elements.last().map_or(value.span, |last| last.span);
        span.start = span.end;
        span.end += 1;
        let mut texts = Vec::new();
        for element in elements {
            match element.kind {
                // In an array 0 is a null pointer.
                ValueKind::Null | ValueKind::Zero => return Ok((texts, VectorEnd::Null)),
                ValueKind::Text(_) => texts.push(element),
                _ => return Err(no_argument(&element)),
            }
        }
        Ok((texts, VectorEnd::Missing(span)))
    }

    fn environment(&mut self) -> Result<Option<(Vec<Value>, VectorEnd)>, CallError> {
        self.comma()?;
        let value = self.values.value()?;
        match value.kind {
            ValueKind::Environment => Ok(None),
            _ => self.array(value, "the environment").map(Some),
        }
    }
}

fn no_argument(value: &Value) -> CallError {
    let hint = "an argument is a string; the vector ends with NULL or (char *)0";
    CallError::new("this is no string and no null pointer", value.span, hint)
}

/// How a function is called.
fn usage(function: &Function) -> String {
    let file = match (function.form, function.file) {
        (Form::ShellText, _) => "text",
        (_, Naming::Path) => "path",
        (_, Naming::Search) => "name",
        (_, Naming::Descriptor) => "fd",
    };
    let before = if function.spawns { "&pid, " } else { "" };
    let between = if function.spawns { ", NULL, NULL" } else { "" };
    let vector = match function.form {
        Form::List => ", \"zero\", ..., (char *)NULL",
        Form::Array => ", argv",
        Form::ShellText => "",
    };
    let environment = if function.environment { ", envp" } else { "" };
    format!("it is called as {}({before}{file}{between}{vector}{environment})", function.name)
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::{VectorEnd, read};
    use crate::kernel::call::faults::faults;
    use crate::kernel::call::value::Names;
    use crate::source::SourceId;

    fn call(text: &str) -> Result<super::Call, crate::kernel::call::CallError> {
        read(text.as_bytes(), SourceId::MAIN, &Names::new())
    }

    #[test]
    fn what_ends_a_vector_is_told() {
        let end = |text: &str| call(text).unwrap().end;
        assert_eq!(end(r#"execl("jar", "jar", (const char *)0)"#), VectorEnd::Null);
        assert_eq!(end(r#"char *a[] = {"jar", 0}; execv("jar", a)"#), VectorEnd::Null);
        assert!(matches!(end(r#"execl("jar", "jar", 0)"#), VectorEnd::Zero(_)));
        assert!(matches!(end(r#"execl("jar", "jar")"#), VectorEnd::Missing(_)));
    }

    proptest! {
        #[test]
        fn any_text_is_a_call_or_an_error(pieces in proptest::collection::vec(
            proptest::sample::select(vec![
                "execl", "execve", "posix_spawn", "(", ")", ",", "\"jar\"", "\"", "\\", "NULL", "0",
                "{", "}", "(char *)", "char *a[] =", ";", "a", "[1]", "'", "/*", "*/", "\n", "ä", "\\x",
            ]), 0..24)) {
            let text = pieces.concat();
            if let Ok(call) = call(&text) {
                for fault in faults(&call) {
                    prop_assert!(fault.place.start <= fault.place.end);
                }
            }
        }
    }
}
