//! What words and their parts stand in.

/// What a run of parts stands in; it decides what ends the run and which quotes count.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(super) enum Within {
    /// A word of a command: ends at a metacharacter.
    Word,
    /// The word of an unquoted `${x:-word}`: ends at `}`.
    Brace,
    /// The word of a `"${x:-word}"`: ends at `}`, single quotes are text.
    BraceQuoted,
    /// The pattern of a `"${x#pattern}"`: ends at `}`.
    QuotedPattern,
    /// The pattern of `${x/pattern/...}`: ends at `/` or `}`.
    Replaced,
    /// The same in `"${x/pattern/...}"`.
    QuotedReplaced,
    /// The offset of `${x:offset:length}`: ends at `:` or `}` outside parentheses.
    Offset,
    /// The same where quotes quote.
    QuotingOffset,
    /// The length behind the second colon of `${x:offset:length}`.
    Length,
    /// Between double quotes.
    Double,
    /// The body of a here-document: ends with the text.
    Document,
    /// The text of a key whose quotes belong to it: ends with the text.
    Key,
    /// `$((...))`: ends at a `)` that closes nothing inside.
    Arithmetic,
    /// The start of `name[first,last]`: ends at a comma or a bracket.
    RangeStart,
    /// `$[...]` and `name[...]`: ends at a `]` that closes nothing inside.
    Brackets,
    /// The same before an element of `(...)`.
    ElementKey,
    /// The brackets of a word that may hold blanks: ends at a `]` that closes nothing inside.
    BracketedText,
    /// Behind a double quote that ends the quotes around it: ends at the next one.
    Unquoted,
    /// `for ((a; b; c))`: ends at `;` or at a `)` that closes nothing inside.
    ArithmeticClause,
    /// The regular expression of `[[ x =~ re ]]`: parentheses and bars belong to it.
    Expression,
}

/// What parentheses are in the pattern of an operation.
#[derive(Clone, Copy, PartialEq, Eq, Default, Debug)]
pub(super) enum InPattern {
    /// Text.
    #[default]
    AreText,
    /// Text that hides what ends the pattern.
    HideEnds,
    /// Groups behind their signs, as in words.
    AreGroups,
}

impl Within {
    /// Whether the text counts as between double quotes.
    pub(super) fn is_quoted(self) -> bool {
        use Within::{Arithmetic, ArithmeticClause, Document, Double, Offset, RangeStart};
        matches!(self, Double | Document | Within::Key | Arithmetic | ArithmeticClause | Offset)
            || self.is_index()
            || matches!(self, Within::BraceQuoted | RangeStart | Within::Length)
    }

    /// Whether the text is the pattern of a replacement.
    pub(super) fn is_replaced(self) -> bool {
        matches!(self, Within::Replaced | Within::QuotedReplaced)
    }

    /// Whether the text is no word or expression, but stands in quotes.
    pub(super) fn is_text(self) -> bool {
        use Within::{BraceQuoted, Document, Double, Key};
        matches!(self, Double | Document | Key | BraceQuoted)
    }

    /// Whether the text is between the brackets of an index.
    pub(super) fn is_index(self) -> bool {
        matches!(self, Within::Brackets | Within::ElementKey)
    }

    /// Whether the text is an arithmetic expression.
    pub(super) fn is_arithmetic(self) -> bool {
        matches!(self, Within::Arithmetic | Within::ArithmeticClause)
    }

    /// Whether the text is the pattern of an operation between double quotes, or of a replacement.
    pub(super) fn is_pattern(self) -> bool {
        matches!(self, Within::QuotedPattern | Within::QuotedReplaced)
    }

    /// Whether single quotes quote here.
    pub(super) fn single_quotes(self) -> bool {
        !self.is_quoted()
    }

    /// Whether a double quote opens a quoted part here (rather than ending the run or being text).
    pub(super) fn double_quotes(self) -> bool {
        !matches!(self, Within::Double | Within::Document | Within::Key)
    }
}
