//! The demo's data, which is part of the program.

use std::fs::Permissions;
use std::io;
use std::os::unix::fs::PermissionsExt;
use std::path::Path;

/// One file of the demo data.
pub struct DataFile {
    /// Its path in the folder.
    path: &'static str,
    /// Its content.
    bytes: &'static [u8],
}

macro_rules! data {
    ($($path:literal),+ $(,)?) => {
        &[$(DataFile {
            path: $path,
            bytes: include_bytes!(concat!("../../../demo/", $path)),
        }),+]
    };
}

/// The folder of the tour.
pub const DATA: &[DataFile] = data![
    "calls/press.c",
    "contracts/press.toml",
    "hives/keepers.csv",
    "hives/names.txt",
    "labels/-heather.txt",
    "labels/.draft",
    "labels/Bärlauch.txt",
    "labels/acacia honey.txt",
    "labels/batch1.csv",
    "labels/batch[1].csv",
    "labels/lime honey.txt",
    "scripts/labels.sh",
    "scripts/list.sh",
    "scripts/move-hives.sh",
    "scripts/seal.sh",
    "scripts/stamp.sh",
];

/// The tiny receivers, one a language.
pub const RECEIVERS: &[DataFile] = data![
    "receivers/Press.java",
    "receivers/press.awk",
    "receivers/press.c",
    "receivers/press.cpp",
    "receivers/press.go",
    "receivers/press.js",
    "receivers/press.lua",
    "receivers/press.php",
    "receivers/press.pl",
    "receivers/press.py",
    "receivers/press.rb",
    "receivers/press.rs",
    "receivers/press.sh",
    "receivers/press.tcl",
];

/// Copies files to a folder.
///
/// # Errors
/// What writing says.
pub fn write(files: &[DataFile], folder: &Path) -> io::Result<()> {
    for file in files {
        let path = folder.join(file.path);
        if let Some(parent) = path.parent() {
            std::fs::create_dir_all(parent)?;
        }
        std::fs::write(&path, file.bytes)?;
        if file.bytes.starts_with(b"#!") {
            std::fs::set_permissions(path, Permissions::from_mode(0o755))?;
        }
    }
    Ok(())
}
