//! The user database.

use std::os::unix::fs::MetadataExt;

/// The home directory of a user by name; the empty name is the user who runs Fizzet.
pub(crate) fn home(user: &[u8]) -> Option<Vec<u8>> {
    let database = std::fs::read("/etc/passwd").ok()?;
    let uid = match user {
        b"" => Some(std::fs::metadata("/proc/self").ok()?.uid().to_string()),
        _ => None,
    };
    database.split(|&byte| byte == b'\n').find_map(|line| {
        let fields: Vec<&[u8]> = line.split(|&byte| byte == b':').collect();
        let found = match &uid {
            Some(uid) => *fields.get(2)? == uid.as_bytes(),
            None => *fields.first()? == user,
        };
        found.then(|| fields.get(5).map(|home| home.to_vec())).flatten()
    })
}
