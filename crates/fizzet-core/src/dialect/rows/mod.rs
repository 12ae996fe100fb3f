//! The rows of the table, by what they are about.

mod carrying;
mod expanding;
mod reading;
mod utilities;

pub(in crate::dialect) use carrying::carrying_rows;
pub(in crate::dialect) use expanding::expanding_rows;
pub(in crate::dialect) use reading::reading_rows;
pub(in crate::dialect) use utilities::utilities_rows;
