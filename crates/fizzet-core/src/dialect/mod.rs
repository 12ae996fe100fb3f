//! The shells, and one table of what each does differently.
//!
//! Nothing else in the crate asks which shell it is: it asks the [`Dialect`] for a rule by name.

mod shell;
mod table;
mod utilities;

pub use shell::Shell;
pub use table::{Dialect, EmptyAt, Outside, ROWS, Row};
pub use utilities::{UtilityKind, is_known_elsewhere};
