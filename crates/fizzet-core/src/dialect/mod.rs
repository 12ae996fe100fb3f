//! The shells, and one table of what each does differently.
//!
//! Nothing else in the crate asks which shell it is: it asks the [`Dialect`] for a rule by name.

mod escapes;
mod shell;
mod table;
mod utilities;

pub use escapes::{DollarEscapes, LargeOctal, NoDigits, Nul};
pub use shell::Shell;
pub use table::{
    BraceRanges, Braces, Dialect, EchoEnd, EmptyAt, FunctionZero, HomeSlash, Indirection, KeyOrder,
    LargeConstant, LastBackslash, ListOperations, NegativeLength, Outside, PrintfQuoting, Quotes,
    ROWS, Reals, Requoting, Row,
};
pub use utilities::{UtilityKind, is_known_elsewhere};
