//! Tasks of the developers.
fn main() {}
