//! What Rust shows of the vector: each name and its value, a NUL behind each.

use std::io::Write;
use std::os::unix::ffi::OsStrExt;

fn main() {
    let mut out = std::io::stdout().lock();
    let all: Vec<_> = std::env::args_os().collect();
    write!(out, "args_os().count() {}\0", all.len()).unwrap();
    for (at, jar) in all.iter().enumerate() {
        write!(out, "args_os().nth({at}) ").unwrap();
        out.write_all(jar.as_bytes()).unwrap();
        out.write_all(b"\0").unwrap();
    }
}
