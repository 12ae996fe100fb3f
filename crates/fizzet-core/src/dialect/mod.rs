//! The shells, and one table of what each does differently.
//!
//! Nothing else in the crate asks which shell it is: it asks the [`Dialect`] for a rule by name.

mod choices;
mod escapes;
mod listed;
mod own;
mod plain_locale;
mod posix;
mod rows;
mod shell;
mod switched;
mod table;
mod utilities;
mod words;

pub use choices::*;
pub use escapes::{Controls, DollarEscapes, LargeOctal, NoDigits, Nul};
pub use listed::{ListEntry, Listed, is_listed_integer, is_unseen, listed_variables};
pub use own::{Assigned, Fact, FolderList, Own, OwnVariable, own_names, own_variable};
pub use shell::Shell;
pub use table::{Dialect, ROWS, Row};
pub use utilities::{UtilityKind, is_known_elsewhere, shells_with, utility_names};
pub use words::TypeWords;
