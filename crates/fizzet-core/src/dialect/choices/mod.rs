//! What a rule of the table can say where yes and no are not enough.

mod brackets;
mod carrying;
mod expanding;
mod reading;
mod redirecting;
mod telling;
mod tests_and_signals;
mod utilities;
mod words;

pub use brackets::*;
pub use carrying::*;
pub use expanding::*;
pub use reading::*;
pub use redirecting::*;
pub use telling::*;
pub use tests_and_signals::*;
pub use utilities::*;
pub use words::*;
