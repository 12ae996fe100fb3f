//! The rows of the table, by what they are about.

mod carrying;
mod declaring;
mod expanding;
mod reading;
mod telling;
mod utilities;
mod words;

pub(in crate::dialect) use carrying::carrying_rows;
pub(in crate::dialect) use declaring::declaring_rows;
pub(in crate::dialect) use expanding::expanding_rows;
pub(in crate::dialect) use reading::reading_rows;
pub(in crate::dialect) use telling::telling_rows;
pub(in crate::dialect) use utilities::utilities_rows;
pub(in crate::dialect) use words::words_rows;
