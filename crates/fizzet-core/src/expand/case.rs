//! The word and the patterns of a `case` (POSIX XCU 2.9.4.3), where nothing is split; what becomes of lists there
//! is each shell's own (observed in all six: `set -- a b; case a in "$@") echo first;; esac`).

use crate::dialect::CasePatterns;
use crate::expand::quoted_lists::quoted_list;
use crate::expand::substitute::{Joiner, MARK, Place, Substitution};
use crate::expand::{
    Context, closed_pattern, ifs, joined, lone, lone_tilde, single_with, split_all,
};
use crate::lineage::{Origin, Rule};
use crate::stop::Stop;
use crate::syntax::ast::Word;
use crate::text::{Standing, Text};

/// The word of a `case`: as [`single`], but in some shells emptied quotes leave a mark.
///
/// # Errors
/// As for [`crate::expand::fields`].
pub(crate) fn case_text(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    if !cx.state().dialect.emptied_quotes_leave_mark {
        return lone(cx, word);
    }
    let tilde = lone_tilde(cx.state(), word);
    let place = Place { marks: true, joins_stars: true, tilde, ..Place::SINGLE };
    let pieces = Substitution::run(cx, word, place)?;
    let origin = Origin::new(Rule::Join, word.span);
    let several = pieces.len() > 1;
    let mut whole = Text::new();
    for (at, piece) in pieces.into_iter().enumerate() {
        if at > 0 {
            whole.push(b" ", Standing::Quoted, &origin);
        }
        match piece.text {
            text if several && text.is_empty() => whole.push(MARK, Standing::Quoted, &origin),
            // A mark that is alone is none.
            text if !several && text.bytes() == MARK && is_mark(&text) => {}
            text => whole.push_text(&text),
        }
    }
    Ok(whole)
}

/// The text of a pattern of a `case`, with its quoting kept.
///
/// # Errors
/// As for [`crate::expand::fields`].
pub(crate) fn case_pattern_text(cx: &mut dyn Context, word: &Word) -> Result<Text, Stop> {
    let rule = cx.state().dialect.case_patterns;
    let tilde = lone_tilde(cx.state(), word);
    let text = match rule {
        CasePatterns::FirstField if !ifs(cx.state()).is_empty() && quoted_list(word).is_some() => {
            let place = Place { marks: true, joins_stars: true, tilde, ..Place::SINGLE };
            let pieces = Substitution::run(cx, word, place)?;
            split_all(cx, pieces, word)?.into_iter().next().unwrap_or_default()
        }
        CasePatterns::UpToNul if ifs(cx.state()).is_empty() => {
            let pieces = Substitution::run(cx, word, Place { tilde, ..Place::FIELDS })?;
            let texts = pieces.into_iter().map(|piece| piece.text);
            texts.into_iter().find(|text| !text.is_nothing()).unwrap_or_default()
        }
        CasePatterns::UpToNul => {
            let joiner = Joiner::IfsForAll;
            let place = Place { joiner, joins_stars: true, tilde, ..Place::SINGLE };
            joined(Substitution::run(cx, word, place)?)
        }
        CasePatterns::Joined => single_with(cx, word, tilde, Joiner::OfPattern)?,
        CasePatterns::FirstField => case_text(cx, word)?,
    };
    let status = cx.state().dialect.case_pattern_status;
    closed_pattern(cx, text, word.span, status)
}

/// Whether the shell made a byte itself.
fn is_mark(text: &Text) -> bool {
    text.runs().all(|(run, _)| run.origin.rule() == Rule::Join)
}
