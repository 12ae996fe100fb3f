//! What a shell makes of words.

/// When `"$@"` with no parameters makes its quotes vanish.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyAt {
    /// Only if it stands alone in the quotes.
    Alone,
    /// If all the rest is empty.
    Any,
    /// If all the rest is empty and it stands there exactly once.
    Once,
    /// If all is empty and it stands first.
    First,
    /// If all is empty and it stands last.
    Last,
}

/// What the text of IFS is made of.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum IfsUnits {
    /// Bytes.
    Bytes,
    /// Characters of the locale.
    Characters,
    /// The same, and each of their bytes separates too where it is no part of a character.
    CharactersAndStrayBytes,
}

/// Which IFS the expansions of a word are split by, where one of them changes it.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SplitBy {
    /// All by the one that stands when the word is complete.
    Last,
    /// Each by the one that stands behind it.
    Each,
    /// The same, but an IFS that is empty at the start of the word keeps it whole, and that one joins its lists.
    EachIfFirst,
}

/// What a text in parentheses is that is given to a name which becomes an array.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListTexts {
    /// A text.
    Texts,
    /// A list.
    Lists,
    /// A mistake, as is any text.
    Mistakes,
}

/// What an empty `$@` in the word of an operation does to the quotes around.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum EmptyAtInWord {
    /// It counts as one that stands between them.
    Counts,
    /// It does not count.
    Hides,
    /// It keeps the argument, whatever else stands between them.
    Keeps,
}

/// What a command substitution does to the quotes that it stands between with an empty `$@`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Beside {
    /// Nothing.
    Nothing,
    /// It keeps the argument.
    Keeps,
    /// It lets the argument vanish.
    Vanishes,
}

/// Whether arithmetic has real numbers, and how it shows them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Reals {
    /// It has none.
    None,
    /// A whole number has no point: `3`.
    PointVanishes,
    /// A whole number keeps its point: `3.`.
    PointStays,
}

/// Which patterns of `${x#p}` and `${x%p}` are groups.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RemovalGroups {
    /// None.
    Never,
    /// Those of suffixes.
    OfSuffixes,
    /// All.
    Always,
}

/// What the elements of an associative array's list may be.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum AssociativeLists {
    /// Keys and values in turn, the last value may be missing; or indexed elements.
    Anything,
    /// Keys and values in turn, or indexed elements; but not both.
    PairsOrIndexed,
    /// Indexed elements.
    Indexed,
}

/// What `${@#p}` and its kin do to a list.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ListOperations {
    /// They change each of its values.
    Each,
    /// They take the list for one string.
    WholeString,
    /// They are refused.
    Refused,
}

/// What a negative length of `${x:offset:length}` means.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum NegativeLength {
    /// The part ends so far before the end; it is an error where that lies before the start.
    FromEnd,
    /// The same, and where there is no such start it is an error too.
    FromEndIfThere,
    /// The same as the first, but where that lies before the start all of the rest is taken.
    FromEndOrRest,
    /// Nothing is taken.
    Nothing,
    /// All of the rest is taken.
    Rest,
}

/// What becomes of a slash at the end of HOME.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum HomeSlash {
    /// It stays.
    Stays,
    /// It vanishes before another where HOME is the root.
    RootVanishes,
    /// It vanishes where HOME is not the root.
    Vanishes,
}

/// How a shell quotes a value that it tells.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Requoting {
    /// Always in single quotes: `'a'`, `'it'\''s'`.
    Always,
    /// Always in single quotes, and double quotes around single ones: `'it'"'"'s'`, `'x'"'"`.
    DoubleQuotes,
    /// Only if the shell would read it otherwise, and `$'...'` around a single quote: `$'it\'s'`.
    DollarQuotes,
    /// Only if the shell would read it otherwise, and no quotes around nothing: `'x'\'`.
    Pieces,
}

/// What quotes in the index of an indexed array do.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum IndexQuotes {
    /// They count as they do in any arithmetic expression.
    Count,
    /// They vanish in the indexes of a list.
    VanishInLists,
    /// They are taken away in lists, and what is left must be an expression.
    VanishInListedNumbers,
    /// They vanish.
    Vanish,
}

/// How control characters and what cannot be shown are written in `$'...'`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DollarQuoting {
    /// By letters, `\E` among them, else each byte by its octal digits.
    Octal,
    /// The same where each byte is a character, and those beyond ASCII are no letters.
    OctalBytes,
    /// As the first without `\E`.
    OctalAlone,
    /// By letters or octal digits, and some characters by their numbers: `\u0085`, `\047`.
    OctalAndShort,
    /// By letters or hexadecimal digits: `\x0b`, `\u[2028]`.
    Hexadecimal,
    /// As keys: `\C-K`, `\M-\C-?`.
    Carets,
}

/// In which order the keys of an associative array are listed.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum KeyOrder {
    /// That of a table with a fixed number of buckets.
    Buckets,
    /// Sorted by bytes.
    Sorted,
    /// That of a table that grows.
    GrowingBuckets,
}

/// What joins `$*` in a here-document.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum DocumentJoiner {
    /// The first character of IFS, as between double quotes.
    Ifs,
    /// The same, but a space if IFS is empty.
    IfsOrSpace,
    /// A space.
    Space,
    /// A space, but the elements of arrays and changed parameters are joined with IFS.
    SpaceForParameters,
}

/// What in the expression of `=~` quotes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RegularQuotes {
    /// Quotes and backslashes.
    All,
    /// Quotes and backslashes, but not between brackets.
    OutsideBrackets,
    /// Quotes, the signs that patterns have too; backslashes belong to the expression.
    Escaped,
    /// Nothing: what quoted is taken away.
    Nothing,
}

/// How the expression of `=~` is read.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum RegularReading {
    /// As the C library reads it: with the letters `\w \W \s \S \b \B`, and strictly.
    Library,
    /// With all letters behind backslashes that patterns have; braces that hold no numbers are text, and
    /// ranges are taken as they come.
    Lenient,
}

/// What `getopts` does where OPTIND lies behind all words.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum BeyondWords {
    /// It finds nothing and stays there.
    Stays,
    /// It goes back to the place behind the last word.
    GoesBack,
    /// It starts over.
    StartsOver,
    /// It finds nothing and changes nothing, here and where a word has become too short.
    GivesUp,
}

/// Which parameters an operation must have found before its word is expanded.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct OperandsWait {
    /// The pattern of `${x#p}` and `${x%p}`.
    pub removal: Wait,
    /// The words of `${x/p/r}` and `${x^p}`.
    pub replacement: Wait,
    /// The numbers of `${x:n:m}`.
    pub substring: Wait,
}

/// What the word of an operation waits for.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Wait {
    /// Nothing: it is always expanded.
    Never,
    /// A parameter that is set; every list is.
    Set,
    /// The same, and a list has an element.
    Elements,
    /// The same, and there is any text.
    Text,
}

/// What a part can be taken of under `set -u`, although it is not set.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum SlicedUnset {
    /// Nothing.
    Nothing,
    /// Positional parameters.
    Parameters,
    /// Everything, and replacements work on it as well.
    All,
}

/// Before which quoted characters a backslash of a value stands for itself in a pattern.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum QuotesPair {
    /// Before none.
    Never,
    /// Before any.
    Always,
    /// Before these.
    Before(&'static str),
    /// Before any, and nothing matches such a pattern.
    Spoils,
}

/// What stands between the elements of a quoted list in the word of `${x/p/word}`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ReplacementLists {
    /// What stands there elsewhere.
    Plain,
    /// A space, and a byte 127 for each empty one but the first.
    Marked,
    /// A backslash, and what stands there elsewhere.
    Escaped,
}

/// What a list in a pattern of `case` becomes.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum CasePatterns {
    /// One text, joined as in the value of an assignment.
    Joined,
    /// With a list between quotes the pattern is split, and its first field is what counts.
    FirstField,
    /// One text, joined with the first character of IFS; if there is none, with a NUL, which ends the pattern.
    UpToNul,
}

/// Which values are read only when the operands of an operation on them have been expanded.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum ValuesBehind {
    /// None.
    None,
    /// Those of variables that were neither unset nor empty before, and are no numbers.
    Texts,
    /// Those of all variables.
    All,
    /// None; but where the operands have replaced a value, its memory has been given back, and nobody knows
    /// what it holds.
    Lost,
}

/// What the pattern of a replacement matches that ends in a backslash which quotes nothing.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OpenBackslash {
    /// A backslash.
    Matches,
    /// The same, but only at the end of a value, where the pattern must fit.
    MatchesSuffixes,
    /// Nothing.
    Fails,
}

/// Which lists count as empty in `${*:-word}` where they are so when an empty IFS joins them.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum JoinedEmpty {
    /// None.
    Never,
    /// Those of `*`, but where they become fields.
    StarUnlessFields,
    /// Those of `*`.
    Star,
    /// Those of `*` and of `@`, but where the list itself stands as fields.
    UnlessFieldsStand,
}

/// What a group that is not closed makes of a pattern.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum OpenGroups {
    /// Its sign and its parenthesis stand for themselves.
    ArePatterns,
    /// From there on the pattern is a text.
    BeginText,
    /// All of it is a text.
    MakeText,
    /// No group counts, unless as many parentheses open as close: then all of it is a text.
    UndoAll,
}

/// Of what `${#a[@]}` is a mistake under `set -u`.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum LengthMinds {
    /// Of nothing.
    Nothing,
    /// Of what is not set.
    Unset,
    /// Of all but arrays that something has been assigned to.
    OtherThanArrays,
}
