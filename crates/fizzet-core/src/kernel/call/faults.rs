//! What goes wrong in a call: each found in what the call hands over.

use crate::kernel::call::function::{Call, Form, Naming, VectorEnd};
use crate::kernel::call::value::{Value, ValueKind};
use crate::source::Span;

/// Something that goes wrong.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Fault {
    /// A stable name.
    pub name: &'static str,
    /// Where.
    pub place: Span,
    /// What happens, and how to mend it.
    pub text: String,
}

/// Whether what happens is left to chance: the vector has no end.
pub fn is_undefined(call: &Call) -> bool {
    let open = |end: &VectorEnd| matches!(end, VectorEnd::Missing(_));
    open(&call.end) || call.environment.as_ref().is_some_and(|(_, end)| open(end))
}

/// The faults of a call.
pub fn faults(call: &Call) -> Vec<Fault> {
    let mut found = Vec::new();
    ends(call, &mut found);
    if call.function.form == Form::ShellText {
        return found;
    }
    zero(call, &mut found);
    for (at, value) in call.argv.iter().enumerate() {
        element(at, value, &mut found);
    }
    if call.function.file != Naming::Search {
        path(call, &mut found);
    }
    if call.function.file == Naming::Descriptor {
        found.push(Fault {
            name: "path-of-descriptor",
            place: call.file.span,
            text: "the kernel knows no path here: a script that is executed so receives /dev/fd/N in its \
                   place; 3 is the number of the first file that a program opens"
                .into(),
        });
    }
    for span in &call.behind {
        found.push(Fault {
            name: "behind-null",
            place: *span,
            text: "stands behind the null pointer: nobody looks at it".into(),
        });
    }
    found
}

fn bytes(value: &Value) -> &[u8] {
    match &value.kind {
        ValueKind::Text(text) => text.bytes(),
        _ => b"",
    }
}

fn ends(call: &Call, found: &mut Vec<Fault>) {
    match call.end {
        VectorEnd::Missing(place) => found.push(Fault {
            name: "no-null",
            place,
            text: match call.function.form {
                Form::List => "the null pointer at the end is missing: the function goes on to read \
                               what happens to lie behind; write (char *)NULL as the last argument",
                _ => "the null pointer at the end of the array is missing: the kernel goes on to read \
                      what happens to lie behind; write NULL as the last element",
            }
            .into(),
        }),
        VectorEnd::Zero(place) => found.push(Fault {
            name: "plain-zero",
            place,
            text: "a plain 0 is an int here, and no null pointer where pointers are wider; write \
                   (char *)NULL"
                .into(),
        }),
        VectorEnd::Null => {}
    }
    if let Some((_, VectorEnd::Missing(place))) = call.environment {
        found.push(Fault {
            name: "no-null",
            place,
            text: "the null pointer at the end of the environment is missing".into(),
        });
    }
}

/// The first element, which a program takes for its own name.
fn zero(call: &Call, found: &mut Vec<Fault>) {
    let Some(first) = call.argv.first() else {
        let place = match call.end {
            VectorEnd::Missing(place) | VectorEnd::Zero(place) => place,
            VectorEnd::Null => call.span,
        };
        found.push(Fault {
            name: "empty-vector",
            place,
            text: "the vector is empty: since Linux 5.18 the program receives one empty argument \
                   (before, argc was 0); give it its name as argv[0]"
                .into(),
        });
        return;
    };
    let base = |path: &[u8]| path.rsplit(|&byte| byte == b'/').next().unwrap_or_default().to_vec();
    let (zero, file) = (bytes(first), bytes(&call.file));
    let name = base(zero);
    let name = name.strip_prefix(b"-").filter(|rest| **rest == base(file)[..]).unwrap_or(&name);
    if *name != base(file)[..] {
        let file = String::from_utf8_lossy(&base(file)).into_owned();
        let text = match zero.first() {
            Some(b'-') => format!(
                "an option stands where the program's name belongs: it becomes argv[0], and the program \
                 does not take it for an option; put \"{file}\" before it"
            ),
            _ => format!(
                "this becomes argv[0], which a program takes for its own name, and not its first \
                 argument; if the name was forgotten, put \"{file}\" before it"
            ),
        };
        found.push(Fault { name: "other-zero", place: first.span, text });
    }
}

fn element(at: usize, value: &Value, found: &mut Vec<Fault>) {
    let text = bytes(value);
    let sign = text.iter().copied().find(|byte| b"*?$`|<>;\"'".contains(byte));
    let tilde = (text.first() == Some(&b'~')).then_some(b'~');
    if let Some(sign) = tilde.or(sign) {
        let sign = char::from(sign);
        found.push(Fault {
            name: "no-shell",
            place: value.span,
            text: format!("no shell reads this: the {sign} arrives as it stands"),
        });
    }
    if at > 0 && text.first() == Some(&b'-') && text.contains(&b' ') {
        found.push(Fault {
            name: "one-element",
            place: value.span,
            text: "this is one argument with its blanks in it; nobody splits it; give each word a \
                   string of its own"
                .into(),
        });
    }
    if text.contains(&0) {
        found.push(Fault {
            name: "nul-inside",
            place: value.span,
            text: "a NUL ends the argument: what stands behind it does not arrive".into(),
        });
    }
}

fn path(call: &Call, found: &mut Vec<Fault>) {
    let path = bytes(&call.file);
    if !path.contains(&b'/') && call.function.file == Naming::Path {
        found.push(Fault {
            name: "no-search",
            place: call.file.span,
            text: format!(
                "{} does not search PATH: this is a file of the current folder; execvp and execlp search",
                call.function.name
            ),
        });
    }
    if path.contains(&b' ') {
        found.push(Fault {
            name: "words-in-path",
            place: call.file.span,
            text: "this is one path, its blanks in it; arguments belong into the vector".into(),
        });
    }
}
