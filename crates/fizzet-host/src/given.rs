//! What the person's own shell hands over: the environment and standard input.

use std::ffi::OsString;
use std::io::{self, Read};
use std::os::unix::ffi::OsStringExt;

use fizzet_core::source::SourceKind;

/// The environment, as bytes.
pub fn environment() -> Vec<(Vec<u8>, Vec<u8>)> {
    std::env::vars_os().map(|(name, value)| (name.into_vec(), value.into_vec())).collect()
}

/// The environment as strings, whatever their names.
pub fn environment_strings() -> Vec<Vec<u8>> {
    let string =
        |(name, value): (OsString, OsString)| [name.into_vec(), value.into_vec()].join(&b'=');
    std::env::vars_os().map(string).collect()
}

/// Whether a shell takes this as the name of a variable.
pub fn is_variable_name(name: &[u8]) -> bool {
    let starts = name.first().is_some_and(|&byte| byte.is_ascii_alphabetic() || byte == b'_');
    starts && name.iter().all(|&byte| byte.is_ascii_alphanumeric() || byte == b'_')
}

/// The source that an inherited variable is.
pub fn environment_source(name: &[u8]) -> SourceKind {
    SourceKind::Variable { name: name.into(), inherited: true }
}

/// All of standard input.
///
/// # Errors
/// What the system says when it cannot be read.
pub fn read_standard_input() -> io::Result<Vec<u8>> {
    let mut bytes = Vec::new();
    io::stdin().lock().read_to_end(&mut bytes)?;
    Ok(bytes)
}
