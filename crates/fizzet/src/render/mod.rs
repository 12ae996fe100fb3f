//! Renderings of a trace: text for people, JSON and NUL-separated bytes for programs.
//!
//! A renderer reads `fizzet_core::trace` values and writes to a writer; it decides nothing.

pub mod abreast;
pub mod accept;
pub mod boxes;
pub mod detail;
pub mod diagnose;
mod excerpt;
pub mod json;
pub mod launch;
pub mod line;
pub mod nul;
pub mod outline;
pub mod page;
pub mod prove;
pub mod reason;
pub mod received;
pub mod shells;
pub mod spread;
mod stages;
pub mod systems;
pub mod timeline;
pub mod view;
pub mod visible;
