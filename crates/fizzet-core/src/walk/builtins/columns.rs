//! Words in columns, as `print -c` and `print -C` of zsh show them (zsh 5.9, bin_print in Src/builtin.c).

use crate::lineage::Origin;
use crate::text::{Standing, Text, characters};

/// How the columns are laid out.
pub(super) struct Layout {
    /// How many columns there are; without a number, as many as fit.
    pub(super) columns: Option<usize>,
    /// How wide all of them may be.
    pub(super) width: usize,
    /// Whether words go on in the next column rather than in the next row.
    pub(super) across: bool,
    /// What ends a row.
    pub(super) end: u8,
}

impl Layout {
    /// The rows of the words.
    pub(super) fn rows(&self, words: &[Text], origin: &Origin) -> Text {
        let widths: Vec<usize> = words.iter().map(|word| characters(word).len()).collect();
        let columns = self.columns.unwrap_or_else(|| fitting(&widths, self.width));
        let rows = words.len().div_ceil(columns);
        let column_of = |at: usize| if self.across { at % columns } else { at / rows };
        let counts = |at: &usize| self.columns.is_none() || column_of(*at) + 1 < columns;
        let widest = (0..words.len()).filter(counts).map(|at| widths[at]).max().unwrap_or(0);
        let mut out = Text::new();
        for row in 0..rows {
            for column in 0..columns {
                let at = if self.across { row * columns + column } else { column * rows + row };
                let Some(word) = words.get(at) else { break };
                out.push_text(word);
                let goes_on = match self.across {
                    true => column + 1 < columns,
                    false => at + rows < words.len(),
                };
                if goes_on {
                    let blanks = vec![b' '; (widest + 2).saturating_sub(widths[at])];
                    out.push(&blanks, Standing::Quoted, origin);
                }
            }
            out.push(&[self.end], Standing::Quoted, origin);
        }
        out
    }
}

/// How many columns as wide as the widest word fit into a width.
fn fitting(widths: &[usize], width: usize) -> usize {
    let widest = widths.iter().max().unwrap_or(&0);
    ((width + 1) / (widest + 2)).max(1)
}

#[cfg(test)]
mod tests {
    use super::Layout;
    use crate::lineage::{Origin, Rule};
    use crate::source::{SourceId, Span};
    use crate::text::{Standing, Text};

    fn shown(words: &[&str], columns: Option<usize>, across: bool) -> String {
        let origin = Origin::new(Rule::Output, Span::new(SourceId::MAIN, 0, 0));
        let text = |word: &&str| Text::from_bytes(*word, Standing::Quoted, origin.clone());
        let words: Vec<Text> = words.iter().map(text).collect();
        let rows = Layout { columns, width: 20, across, end: b'\n' }.rows(&words, &origin);
        String::from_utf8_lossy(rows.bytes()).into_owned()
    }

    #[test]
    fn columns_are_filled_before_rows() {
        assert_eq!(shown(&["a", "b", "c", "d", "e"], Some(3), false), "a  c  e\nb  d\n");
        assert_eq!(shown(&["a", "b", "c", "d", "e"], Some(2), true), "a  b\nc  d\ne  \n");
    }

    #[test]
    fn as_many_columns_as_fit() {
        assert_eq!(shown(&["jars", "lid", "wax"], None, false), "jars  lid   wax\n");
        assert_eq!(shown(&["jars", "honeycombs", "wax"], None, false), "jars\nhoneycombs\nwax\n");
        assert_eq!(shown(&[], None, false), "");
    }
}
