//! What each stage of the expansion made of a word, kept for readers who ask for it.

use crate::expand::Context;
use crate::lineage::{Origin, Rule};
use crate::source::Sources;
use crate::syntax::ast::{Part, Word};
use crate::text::{Standing, Text};
use crate::trace::{Stage, StageTrace};

/// Keeps what a stage made, if anybody wants to know.
///
/// A stage that is gone through several times for one word (once for each of the words that its
/// braces make) is kept as one.
pub(super) fn keep<'t>(
    cx: &mut dyn Context,
    stage: Stage,
    texts: impl IntoIterator<Item = &'t Text>,
) {
    if !cx.state().keeps_stages {
        return;
    }
    let Some(record) = cx.record() else { return };
    let made = texts.into_iter().cloned();
    match record.stages.iter_mut().find(|kept| kept.stage == stage) {
        Some(kept) => kept.fields.extend(made),
        None => record.stages.push(StageTrace { stage, fields: made.collect() }),
    }
}

/// Keeps a word as it stands in the text.
pub(super) fn keep_words(cx: &mut dyn Context, stage: Stage, words: &[Word]) {
    if !cx.state().keeps_stages {
        return;
    }
    let texts: Vec<Text> = words.iter().map(|word| written(word, &cx.state().sources)).collect();
    keep(cx, stage, &texts);
}

/// A word as it is written: what is between quotes has the standing of quoted text, and expansions
/// are the text that asks for them.
fn written(word: &Word, sources: &Sources) -> Text {
    let mut text = Text::new();
    for part in &word.parts {
        push(&mut text, part, false, sources);
    }
    text
}

fn push(text: &mut Text, part: &Part, quoted: bool, sources: &Sources) {
    let span = part.span();
    let standing = |quoted| if quoted { Standing::Quoted } else { Standing::Plain };
    let origin = Origin::new(if quoted { Rule::Quoted } else { Rule::Literal }, span);
    match part {
        Part::Literal { bytes, .. } | Part::Generated { bytes, .. } => {
            text.push(bytes, standing(quoted), &origin);
        }
        Part::Escaped { bytes, .. } | Part::Single { bytes, .. } | Part::AnsiC { bytes, .. } => {
            text.push(bytes, Standing::Quoted, &origin);
        }
        Part::Double { parts, .. } => {
            text.push(b"", Standing::Quoted, &origin);
            parts.iter().for_each(|part| push(text, part, true, sources));
        }
        _ => text.push(sources.bytes(span), standing(quoted), &origin),
    }
}

/// The stages that changed something, and the taking away of quotes where there were any.
pub(crate) fn telling(stages: Vec<StageTrace>) -> Vec<StageTrace> {
    let mut kept: Vec<StageTrace> = Vec::new();
    for stage in stages {
        let same = kept.last().is_some_and(|before| before.fields == stage.fields);
        if !same {
            kept.push(stage);
        }
    }
    let quoted = |text: &Text| text.runs().any(|(run, _)| run.standing == Standing::Quoted);
    let written = kept.first().is_some_and(|first| first.fields.iter().any(quoted));
    if let Some(last) = kept.last().filter(|_| written) {
        let plain = last.fields.iter().map(|text| {
            let mut text = text.clone();
            text.set_standing(Standing::Plain);
            text
        });
        let fields = plain.collect();
        kept.push(StageTrace { stage: Stage::QuoteRemoval, fields });
    }
    kept
}
