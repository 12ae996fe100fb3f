//! What the suites share.

pub mod program;
