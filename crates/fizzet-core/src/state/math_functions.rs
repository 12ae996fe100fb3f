//! Functions of expressions that functions of the shell carry out: `functions -M` (zshbuiltins).

use std::collections::{BTreeMap, BTreeSet};
use std::rc::Rc;

use crate::expand::Number;

/// What `functions -M` says of a function.
#[derive(Clone, Debug)]
pub(crate) struct MathFunction {
    /// How many operands it needs.
    pub(crate) least: usize,
    /// How many it takes; nothing: any number.
    pub(crate) most: Option<usize>,
    /// The function that carries it out.
    pub(crate) calls: Rc<[u8]>,
    /// Whether what stands between its parentheses is one text.
    pub(crate) takes_text: bool,
}

/// The functions of expressions, and what their value is.
#[derive(Clone, Debug, Default)]
pub(crate) struct MathFunctions {
    /// By their names.
    pub(crate) named: Rc<BTreeMap<Box<[u8]>, MathFunction>>,
    /// The modules that `zmodload` has loaded.
    pub(crate) modules: BTreeSet<Box<[u8]>>,
    /// The value of the latest expression, which is that of a function when it ends.
    pub(crate) latest: Number,
}
