//! `echo`, `print`, `pwd`.

use crate::dialect::EchoEnd;
use crate::lineage::{Origin, Rule};
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::printf::decoded;

/// `echo [arguments]`, with the options and escapes of each shell.
pub(super) fn echo(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let dialect = walker.state.dialect.clone();
    let (mut newline, mut escapes) =
        (true, dialect.echo_decodes || walker.state.options.echo_decodes);
    let mut rest = call.arguments();
    while let Some([b'-', letters @ ..]) = rest.first().map(Text::bytes)
        && !letters.is_empty()
        && letters.iter().all(|letter| dialect.echo_options.as_bytes().contains(letter))
        && !(dialect.echo_letters_once && repeats(letters))
    {
        for letter in letters {
            match letter {
                b'n' => newline = false,
                b'e' => escapes = true,
                _ => escapes = false,
            }
        }
        rest = &rest[1..];
        if dialect.echo_takes_one_option {
            break;
        }
    }
    if dialect.echo_takes_dash && rest.first().is_some_and(|text| text.bytes() == b"-") {
        rest = &rest[1..];
    }
    Ok(Status::from(!join(walker, call, rest, newline, escapes)))
}

/// Whether a letter stands there twice.
fn repeats(letters: &[u8]) -> bool {
    letters.iter().enumerate().any(|(at, letter)| letters[..at].contains(letter))
}

/// `print [-rn] [arguments]`
pub(super) fn print(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let options: Vec<u8> =
        call.arguments().len().checked_sub(call.operands().len()).map_or_else(Vec::new, |count| {
            call.arguments()[..count].iter().flat_map(|text| text.bytes().to_vec()).collect()
        });
    let (newline, raw) = (!options.contains(&b'n'), options.contains(&b'r'));
    Ok(Status::from(!join(walker, call, call.operands(), newline, !raw)))
}

/// Prints words with blanks between them; false if that is not possible.
fn join(
    walker: &mut Walker,
    call: &Call<'_>,
    words: &[Text],
    mut newline: bool,
    escapes: bool,
) -> bool {
    let origin = Origin::new(Rule::Output, call.span);
    let mut out = Text::new();
    for (at, word) in words.iter().enumerate() {
        if at > 0 {
            out.push(b" ", Standing::Quoted, &origin);
        }
        if !(escapes && word.bytes().contains(&b'\\')) {
            out.push_text(word);
            continue;
        }
        let (text, goes_on) = decoded(
            word,
            &origin,
            walker.state.dialect.echo_escapes,
            walker.state.dialect.echo_without_digits_is_nul,
        );
        out.push_text(&text);
        let end = walker.state.dialect.echo_end;
        if !goes_on && end != EchoEnd::DropsNewline {
            if end == EchoEnd::StopsBehindBlank && at + 1 < words.len() {
                out.push(b" ", Standing::Quoted, &origin);
            }
            return walker.write(out);
        }
        if !goes_on {
            newline = false;
            let rest = word.bytes().windows(2).position(|two| two == b"\\c").map_or(0, |at| at + 2);
            out.push_text(&word.slice(rest, word.len()));
        }
    }
    if newline {
        out.push(b"\n", Standing::Quoted, &origin);
    }
    walker.write(out)
}
