//! Links the command so that it starts fast, where that is known to work: at a fixed address, so that
//! nothing in it has to be moved first, and with the C library and the unwinder inside, so that no shared
//! library has to be found. Together that is about a third of the time of a short trace.

use std::path::{Path, PathBuf};
use std::process::Command;

fn main() {
    println!("cargo:rerun-if-changed=build.rs");
    let target = |name: &str| std::env::var(name).unwrap_or_default();
    if target("CARGO_CFG_TARGET_OS") != "linux" || target("CARGO_CFG_TARGET_ENV") != "gnu" {
        return;
    }
    println!("cargo:rustc-link-arg-bins=-no-pie");
    let folder = PathBuf::from(target("OUT_DIR"));
    // The linker finds a script before the shared library of that name.
    // A cross build, and a system without the static C library, go on with the shared one.
    let whole = target("HOST") == target("TARGET") && has_static_c_library();
    let scripts = if whole { STATIC } else { SHARED };
    if !scripts.iter().all(|(name, text)| std::fs::write(folder.join(name), text).is_ok()) {
        return;
    }
    println!("cargo:rustc-link-arg-bins=-L{}", folder.display());
    if whole {
        println!("cargo:rustc-link-arg-bins=-static");
    }
}

/// The unwinder inside, the C library found when the program starts.
const SHARED: &[(&str, &str)] = &[("libgcc_s.so", "GROUP ( -lgcc_eh -lgcc )\n")];

/// Everything inside.
const STATIC: &[(&str, &str)] = &[
    ("libgcc_s.so", "GROUP ( -lgcc_eh -lgcc -l:libc.a )\n"),
    ("libc.so", "GROUP ( -l:libc.a -lgcc_eh -lgcc )\n"),
    ("libm.so", "GROUP ( -l:libm.a )\n"),
];

/// Whether the C compiler knows where its static C library is: it answers a name that it does not find
/// with that name alone.
fn has_static_c_library() -> bool {
    let asked = Command::new("cc").arg("-print-file-name=libc.a").output();
    asked.is_ok_and(|said| Path::new(String::from_utf8_lossy(&said.stdout).trim()).is_absolute())
}
