//! How `test` reads its words, and what `kill` makes of mistakes.

/// How long the shell knows the status of a command in the background that was waited for.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WaitedJobs {
    /// For good.
    Kept,
    /// No longer.
    Forgotten,
    /// Until a process is started and its place in the table of jobs is needed.
    UntilPlaceIsNeeded,
}

/// What a process substitution is for `$!` and `wait`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ProcessesAreJobs {
    /// Nothing.
    No,
    /// `>(list)` is a command in the background like others.
    Readers,
    /// Each is the latest command in the background, has no place among the jobs, and its status stays known.
    Remembered,
}

/// Which commands in the background the shell knows nothing of any more behind `wait` without operands.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ForgottenJobs {
    /// All.
    All,
    /// The latest one; the others have no places in the table of jobs any more.
    Latest,
    /// None, but they have no places any more.
    None,
    /// None, and they keep their places.
    NoPlaces,
}

/// How `kill -l` lists all signals.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SignalList {
    /// In a way of its own.
    Open,
    /// Five in a line with their numbers, and SIG before the names.
    Columns,
    /// One a line, from 0.
    Lines,
    /// One a line with its number, without those for real time.
    Numbered,
    /// One a line, with the names IOT and POLL.
    OldNames,
    /// In two columns with a description.
    Described,
    /// All in one line, with the names IOT and POLL.
    OneLine,
}

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
