//! Why a byte is there, and from which earlier byte it came.
//!
//! An [`Origin`] is a chain of [`Hop`]s, latest first: "the expansion of `$2` at this place", before
//! it "argument 3 as given". Chains are shared, never copied, and bounded: a value that passes
//! through a loop a million times keeps its first hop and the latest ones, and the number of hops
//! that were folded away between them.

use std::cell::Cell;
use std::rc::Rc;

use crate::source::Span;

/// The longest chain that is kept before its middle is folded.
const MAX_HOPS: u16 = 24;
/// How many of the latest hops survive a fold.
const KEPT_HOPS: usize = 8;

/// What put bytes where they are.
#[derive(Clone, Copy, PartialEq, Eq, Hash, Debug)]
pub enum Rule {
    /// Written in the text, outside quotes.
    Literal,
    /// Written with a backslash before it, or inside quotes of some kind.
    Quoted,
    /// The escapes of `$'..'`, decoded.
    AnsiC,
    /// Given from outside: an argument, a variable, the environment.
    Given,
    /// A value that the shell keeps or computes itself: `$#`, `$?`, `$-`.
    Shell,
    /// The expansion of a named, positional or special parameter.
    Parameter,
    /// Stored in a variable or in the positional parameters.
    Stored,
    /// Handed to a function as an argument.
    Call,
    /// The separator that joined `"$*"` or an unsplit `$@`.
    Join,
    /// The output of a command substitution.
    Command,
    /// The result of an arithmetic expansion.
    Arithmetic,
    /// A home directory put for a tilde.
    Tilde,
    /// Made by a brace expansion.
    Brace,
    /// A pathname that a pattern matched.
    Pathname,
    /// Written by a built-in utility.
    Output,
    /// Many pieces, no longer told apart.
    Folded,
}

impl Rule {
    /// The name used in JSON.
    pub fn name(self) -> &'static str {
        match self {
            Rule::Literal => "literal",
            Rule::Quoted => "quoted",
            Rule::AnsiC => "ansi-c",
            Rule::Given => "given",
            Rule::Shell => "shell",
            Rule::Parameter => "parameter",
            Rule::Stored => "stored",
            Rule::Call => "call",
            Rule::Join => "join",
            Rule::Command => "command",
            Rule::Arithmetic => "arithmetic",
            Rule::Tilde => "tilde",
            Rule::Brace => "brace",
            Rule::Pathname => "pathname",
            Rule::Output => "output",
            Rule::Folded => "folded",
        }
    }

    /// Whether the bytes were put there by an expansion rather than written by the author.
    pub fn is_expansion(self) -> bool {
        use Rule::{Arithmetic, Command, Join, Parameter, Pathname};
        matches!(self, Parameter | Command | Arithmetic | Pathname | Join)
    }
}

/// One step on the way of a byte.
#[derive(Clone, PartialEq, Eq, Debug)]
pub struct Hop {
    /// What happened.
    pub rule: Rule,
    /// Where it is written.
    pub span: Span,
    /// The parameter concerned, if one is: `jar`, `2`, `@`.
    pub name: Option<Rc<[u8]>>,
    /// How often `shift` had moved the positional parameters by then.
    pub shifted: u32,
}

#[derive(Debug)]
struct Node {
    hop: Hop,
    earlier: Option<Origin>,
    /// Hops left out between this one and `earlier`.
    folded: u32,
    depth: u16,
}

thread_local! {
    static KEPT: Cell<usize> = const { Cell::new(0) };
}

impl Node {
    fn share(hop: Hop, earlier: Option<Origin>, folded: u32, depth: u16) -> Origin {
        KEPT.with(|kept| kept.set(kept.get() + 1));
        Origin(Rc::new(Node { hop, earlier, folded, depth }))
    }
}

impl Drop for Node {
    fn drop(&mut self) {
        KEPT.with(|kept| kept.set(kept.get() - 1));
    }
}

/// How many hops this thread keeps in memory: what grows when every value has a way of its own.
pub fn hops_kept() -> usize {
    KEPT.with(Cell::get)
}

/// A shared chain of hops, latest first.
#[derive(Clone, Debug)]
pub struct Origin(Rc<Node>);

impl Origin {
    /// A chain of one hop.
    pub fn new(rule: Rule, span: Span) -> Origin {
        Origin::from_hop(Hop { rule, span, name: None, shifted: 0 })
    }

    /// A chain of one hop that names a parameter.
    pub fn named(rule: Rule, span: Span, name: &Rc<[u8]>) -> Origin {
        Origin::from_hop(Hop { rule, span, name: Some(name.clone()), shifted: 0 })
    }

    /// A chain of this one hop.
    pub fn from_hop(hop: Hop) -> Origin {
        Node::share(hop, None, 0, 1)
    }

    /// This chain with a later hop put before it.
    pub fn then(&self, hop: Hop) -> Origin {
        let earlier = if self.0.depth >= MAX_HOPS { self.fold() } else { self.clone() };
        let depth = earlier.0.depth + 1;
        Node::share(hop, Some(earlier), 0, depth)
    }

    /// The latest hop.
    pub fn hop(&self) -> &Hop {
        &self.0.hop
    }

    /// The rule of the latest hop.
    pub fn rule(&self) -> Rule {
        self.0.hop.rule
    }

    /// Whether the bytes are those of a text at its place, as the text has them.
    pub fn is_written(&self) -> bool {
        matches!(self.rule(), Rule::Literal | Rule::Quoted | Rule::AnsiC)
    }

    /// The place of the latest hop.
    pub fn span(&self) -> Span {
        self.0.hop.span
    }

    /// The chain before the latest hop.
    pub fn earlier(&self) -> Option<&Origin> {
        self.0.earlier.as_ref()
    }

    /// How many hops were folded away between this hop and [`Origin::earlier`].
    pub fn folded(&self) -> u32 {
        self.0.folded
    }

    /// All hops that were kept, latest first.
    pub fn hops(&self) -> impl Iterator<Item = &Origin> {
        std::iter::successors(Some(self), |origin| origin.earlier())
    }

    /// Whether both are the very same chain (cheap; equal chains may be told apart).
    pub fn same(&self, other: &Origin) -> bool {
        Rc::ptr_eq(&self.0, &other.0)
    }

    /// The first hop and the latest ones; what lay between is counted.
    fn fold(&self) -> Origin {
        let chain: Vec<&Origin> = self.hops().collect();
        let root = chain[chain.len() - 1];
        let recent = &chain[..KEPT_HOPS];
        let dropped = &chain[KEPT_HOPS..chain.len() - 1];
        let folded = dropped.iter().map(|origin| 1 + origin.folded()).sum::<u32>();
        let mut kept = root.clone();
        for (at, origin) in recent.iter().enumerate().rev() {
            let folded = origin.folded() + if at == KEPT_HOPS - 1 { folded } else { 0 };
            let depth = kept.0.depth + 1;
            let hop = origin.hop().clone();
            kept = Node::share(hop, Some(kept), folded, depth);
        }
        kept
    }
}

#[cfg(test)]
mod tests {
    use super::{Hop, MAX_HOPS, Origin, Rule};
    use crate::source::{SourceId, Span};

    fn hop(at: usize) -> Hop {
        let span = Span::new(SourceId::MAIN, at, at + 1);
        Hop { rule: Rule::Parameter, span, name: None, shifted: 0 }
    }

    #[test]
    fn a_million_hops_keep_the_first_and_the_latest_and_count_the_rest() {
        let mut origin = Origin::new(Rule::Given, Span::new(SourceId::MAIN, 7, 8));
        for at in 0..1_000_000 {
            origin = origin.then(hop(at));
        }
        let kept: Vec<&Origin> = origin.hops().collect();
        assert!(kept.len() <= MAX_HOPS as usize);
        assert_eq!(kept[0].span().start, 999_999);
        assert_eq!(kept[1].span().start, 999_998);
        assert_eq!(kept[kept.len() - 1].rule(), Rule::Given);
        let folded: u32 = kept.iter().map(|origin| origin.folded()).sum();
        assert_eq!(folded as usize + kept.len(), 1_000_001);
    }
}
