//! How a shell carries commands out.

/// What a mistake in the action for EXIT does to the status of the shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ExitMistakes {
    /// Nothing.
    Pass,
    /// The shell has the status of the mistake.
    Count,
    /// The same, unless `exit` has given it another.
    CountWithoutExit,
}

impl ExitMistakes {
    /// Whether the status of a mistake counts where the shell ends by `exit`, or without it.
    pub fn count(self, by_exit: bool) -> bool {
        match self {
            ExitMistakes::Pass => false,
            ExitMistakes::Count => true,
            ExitMistakes::CountWithoutExit => !by_exit,
        }
    }
}

/// Where a pattern that matches an empty text too does so when a part of a value is replaced.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyMatches {
    /// Nowhere: what matches must have a length.
    Skipped,
    /// At the start, and it is the only match whatever its length.
    AtStart,
    /// Before each character, and at the end.
    Everywhere,
}

/// How SHLVL counts the shells that a shell is in. What is no number counts as 0.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ShellLevels {
    /// Nothing is counted.
    Never,
    /// Numbers from 0 up to 999.
    Bounded,
    /// The number at the start, as one of 32 bits without a sign.
    Unsigned,
    /// The number at the start, also in hexadecimal.
    Start,
    /// A number that is all of it, also in hexadecimal.
    Whole,
}

/// How a shell keeps the name that PWD has for the folder it begins in.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FolderName {
    /// As it is.
    Kept,
    /// Without `.`, `..` and doubled slashes.
    Tidied,
    /// As it is, unless it has `.` or `..` in it.
    WithoutDots,
}

/// What a utility does where it has no place.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Outside {
    /// It works.
    Allowed,
    /// Its status is 1.
    Fails,
    /// It ends the shell.
    Fatal,
}

/// How a shell counts lines for LINENO.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct LineNumbers {
    /// The number of the first line of a text that is no file; nothing where all its lines are 0.
    pub first_of_text: Option<i64>,
    /// The lines of a text of `eval`.
    pub in_eval: EvalLines,
    /// The lines of an action for ERR or DEBUG.
    pub in_actions: EvalLines,
    /// The lines of an action for a signal.
    pub at_signals: EvalLines,
    /// The lines of the action for EXIT.
    pub at_exit: EvalLines,
    /// `exit` in a function leaves the line where it stands.
    pub kept_by_exit: bool,
    /// The lines of a function count from its first one.
    pub functions_count_anew: bool,
}

/// How lines count for LINENO in a command substitution.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum InnerLines {
    /// As those of the text that it stands in.
    OfSource,
    /// All are 0.
    None,
    /// On from the command around, as they are written.
    OnAsWritten,
    /// The same, but a line and those it is continued on are one.
    OnWithoutContinued,
    /// On from the command around, as the shell prints them when it has read them.
    Printed,
}

/// The line of a command that is written on several.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LinesOfCommands {
    /// The first of them.
    First,
    /// Where its first word ends.
    BehindFirstToken,
    /// What the parser has read when it knows what command it is: of a simple one that begins with a word the next
    /// word too.
    BehindSecondToken,
}

/// What `$?` is behind a command substitution in the same command.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SubstitutionStatus {
    /// What it was before.
    Kept,
    /// The same, but 0 where the substitution is one pipeline of several commands.
    KeptUnlessPiped,
    /// The status of the substitution.
    Shown,
    /// The same, but what it was before where the substitution has read a file.
    ShownButForFiles,
    /// The status of the substitution; what it was before where that is nothing but redirections;
    /// where it has started processes beside the last command, the status of the latest of them,
    /// and where a mistake has ended it, the status that there was before the mistake.
    OfBeside,
}

/// What a command in the background reads as its standard input, where the shell has no jobs.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BackgroundInput {
    /// What the shell reads.
    Kept,
    /// Nothing (POSIX XCU 2.9.3.1).
    Nothing,
    /// Nothing, unless the shell has jobs after all (`set -m`).
    NothingWithoutJobs,
    /// Nothing where it would be the shell's own; a compound command with redirections around it, a pipe and a
    /// redirection of its own make it another one, and the first command of a pipeline keeps it.
    NothingOfShell,
    /// Nothing where it would be the shell's own; any redirection around it and a pipe make it another one. The
    /// end of that is an empty line for `read`.
    EmptyLinesOfShell,
}

/// Which signals that end the shell leave time for the action for EXIT.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ActingDeaths {
    /// All but these.
    AllBut(&'static [&'static str]),
    /// These.
    Only(&'static [&'static str]),
    /// These, and they do not within a function.
    OutsideFunctions(&'static [&'static str]),
}

/// The status that the action for EXIT sees where a signal ends the shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DeathStatus {
    /// 128 and the number of the signal.
    OfSignal,
    /// That of the latest command of the shell itself, which may be `kill`.
    Latest,
    /// That before `kill`; 256 and the number of the signal for INT and within a function, and the number alone
    /// if a subshell has sent it.
    Before,
    /// 1
    One,
}

/// What of signals counts at the end of a command substitution that has sent them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SignalsInSubstitutions {
    /// Nothing: they wait for the end of the command.
    Nothing,
    /// They end the shell if they have no action.
    Deaths,
    /// Their actions are carried out too.
    All,
}

/// Which commands that are alone in a pipeline change the list of its statuses.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LoneStatuses {
    /// Simple commands, subshells and tests.
    Simple,
    /// Simple commands but functions, and tests.
    ButFunctions,
    /// All but tests and assignments.
    ButTests,
}

/// Before which commands the action for DEBUG is carried out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DebugAt {
    /// None: the shell has no such action.
    Never,
    /// Simple commands with words, `[[`, `((` and `case`; and each of their redirections but here-documents. It is
    /// carried out behind each assignment, too.
    Parts,
    /// Simple commands, `[[`, `((` and `case`.
    Tests,
    /// And-or lists.
    Lists,
}

/// When the action for DEBUG is carried out for the passes of `for`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DebugLoops {
    /// Not for each.
    Never,
    /// Before the variable is set.
    Before,
    /// Behind that.
    Behind,
}

/// When a command leaves its last argument for `$_`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LastArgument {
    /// Never.
    Never,
    /// When it has been carried out.
    Behind,
    /// Before it is carried out, and again behind a function; assignments are no arguments.
    Before,
    /// When a line of the script has been carried out that is nothing but this command.
    Lines,
}

/// Which quoting that is written in the key of an element is gone before the key is taken.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeyQuoting {
    /// None; or this is no key.
    Stays,
    /// That of backslashes.
    Backslashes,
    /// All of it.
    All,
}

/// The numbers of the lines in a text of `eval`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EvalLines {
    /// From 1.
    Own,
    /// From that of the `eval`.
    On,
    /// All have that of the `eval`.
    Same,
    /// All have that of the `exit` that asked for the end of the shell; else they count from 1.
    SameIfAsked,
}

/// Whether a variable can be the name of another one.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum References {
    /// It cannot.
    None,
    /// It can; names may go round, and a name that cannot be meant is a mistake with the status 1.
    Loose,
    /// It can; a name that cannot be meant ends the shell.
    Fatal,
    /// It can, if it is given what it means at once.
    Given,
}

/// What FUNCNEST does.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Nesting {
    /// Nothing.
    Unbounded,
    /// A positive number is the bound; passing it ends the line.
    IfPositive,
    /// A number that is not negative is the bound, this one at the start; passing it ends the shell.
    From(i64),
}

/// What a subshell still has of the actions that `trap` has set outside.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OuterTraps {
    /// Nothing.
    None,
    /// Signals that are ignored stay so.
    Ignored,
    /// That, and `trap` still tells the others.
    Told,
    /// That, but not in a pipeline, nor in a subshell of the subshell.
    ToldOutsidePipelines,
    /// Signals that are ignored stay so, and `$(trap)` with nothing else in it tells the others.
    ToldByLoneTrap,
}

/// Which texts are read as a whole before the first of their commands is carried out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReadsWhole {
    /// None.
    Nothing,
    /// All but files.
    ButFiles,
    /// What `eval` and `.` carry out.
    InnerTexts,
}

/// What an assignment behind the colon of `?:` in an expression belongs to.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BehindChoice {
    /// The whole choice, which is nothing that can be assigned.
    Whole,
    /// What stands behind the colon.
    Last,
    /// The side that is taken, which must be a variable.
    Taken,
}

/// Where the commands of a substitution are spared by `set -e` as the command is that holds it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AskedSubstitutions {
    /// Nowhere.
    Never,
    /// In the words and assignments of a simple command.
    InWords,
    /// Everywhere.
    Always,
}

/// The locale where no variable names one that there is any more.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum UnnamedLocale {
    /// The plain one, C.
    Plain,
    /// The one that the shell was started in.
    First,
    /// The one that held before.
    Latest,
    /// The plain one; so it is with every name that does not say UTF-8, the empty one too.
    ByName,
}

/// What a shell has evaluated of an expression by the time it finds something wrong with it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum WhileReading {
    /// Nothing.
    Nothing,
    /// All that stands before; an assignment only once what stands behind it has been read.
    Ahead,
    /// What stands before, as far as an operator or a parenthesis behind it has closed it.
    Operators,
}

/// What is still there of a function that has ended the shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeepsScope {
    /// Nothing: all is as it was before the call.
    Nothing,
    /// Its local variables.
    Variables,
    /// Its parameters.
    Parameters,
    /// Its local variables and its parameters.
    All,
}

/// How often one failure is acted upon that several commands around each other have.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ErrorAction {
    /// For each of them.
    Each,
    /// For a command and the function that it is the last command of, once.
    OncePerCall,
    /// Once.
    Once,
}

/// What `unset` takes away of all elements of an array.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum UnsetAll {
    /// The variable.
    Variable,
    /// The elements of an indexed array; of an associative one the element with that key.
    Elements,
    /// Nothing, which is a mistake.
    Refused,
    /// The variable for `*`; `@` is no name, which ends the shell.
    Fatal,
    /// All elements of an indexed array but an empty one.
    Value,
}

/// What `exit` or `return` without an operand ends with in an action of `trap`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ActionStatus {
    /// `$?`, as everywhere.
    Latest,
    /// What `$?` was when the action began.
    Before,
    /// The same, but in the functions that the action calls.
    BeforeOutsideFunctions,
    /// The same in the action for EXIT, but in its subshells.
    BeforeAtEnd,
}

/// Where an integer variable without a base takes one from.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum TakesBase {
    /// From nowhere.
    Never,
    /// From the value of the first expression that is assigned to it, which has the base that the leftmost of
    /// its numbers and variables has.
    OfValue,
    /// From the last number with a base of the first expression that has one.
    OfLastBased,
}

/// What becomes of attributes such as those of `typeset -i` and `-u` when a list is assigned.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListAttributes {
    /// They stay, and change the elements.
    Kept,
    /// They are lost, unless the variable is an array that has never had a value.
    LostUnlessBare,
    /// They are lost, unless the list is added to others.
    Lost,
    /// Arrays have none.
    None,
}

/// Which mistakes in an action of `trap` end only the action.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum MistakesEndAction {
    /// None: they end the shell.
    None,
    /// All in the action for ERR.
    OfErr,
    /// All but wrong uses of utilities.
    ButOfUtilities,
    /// All but `${x?}`, which exits.
    ButExits,
}

/// What an action of `trap` does that cannot be read when it is to be carried out.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ActionMistakes {
    /// It ends the shell.
    Fatal,
    /// The same for signals; the shell goes on behind the actions for ERR and DEBUG.
    HeldButOfSignals,
    /// The shell goes on.
    Held,
}

/// Whose parameters the action for EXIT sees when a file that `.` carries out with arguments ends the shell.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum FileParameters {
    /// Those around the file.
    Restored,
    /// Those of the file.
    Kept,
    /// Those of the outermost such file; behind `-c`, outside of subshells, and in `eval` those around it. In a function,
    /// and where the file has set new ones, those that there were last. The same holds for mistakes.
    OfOutermost,
}
