//! How `test` reads its words, and what `kill` makes of mistakes.

/// What ends `kill` before it has signalled all processes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KillEnds {
    /// Nothing.
    Never,
    /// An operand that is no number and no job.
    Words,
    /// The same, and a job that does not exist.
    All,
    /// A job that does not exist, before any process is signalled.
    JobsFirst,
}

/// What the status of `kill` tells of the processes that it could not signal.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KillFailures {
    /// That there was one.
    Any,
    /// That there were no others.
    OnlyAll,
    /// Their number.
    Counted,
    /// Their number, and that of what `kill -l` does not know.
    CountedInLists,
}

/// How `test` reads its words.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TestGrammar {
    /// The number of words decides, up to four of them.
    Numbered,
    /// The same, but what stands behind an expression is passed over.
    Passing,
    /// A word is an operator by the words behind it.
    Lookahead(TestLookahead),
    /// All words are read before anything is asked, as `[[ ... ]]` is.
    Parsed,
}

/// What comes first for a test that looks one word ahead.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TestLookahead {
    /// An operator with one operand.
    OperatorsFirst,
    /// An operator with two operands.
    ComparisonsFirst,
}
