//! `fizzet demo`: placeholder until its data is written.
use crate::cli::DemoOptions;
use crate::failure::Failure;
/// Runs the tour.
///
/// # Errors
/// None yet.
pub fn run(_options: DemoOptions) -> Result<u8, Failure> {
    Ok(0)
}
