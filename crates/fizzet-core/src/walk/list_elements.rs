//! What the elements of a list become before they are put into the array.

use crate::expand::{self, Tilde};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::state::{BEFORE_START, Key};
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{Arithmetic, AssignedValue, Assignment, Element, Part, Word};
use crate::text::{Standing, Text};
use crate::walk::Walker;

/// What an element of a list has become.
pub(super) struct Made<'a> {
    pub(super) index: MadeIndex<'a>,
    pub(super) text: Text,
    /// Whether it is put behind what the element holds.
    pub(super) append: bool,
    /// The list or compound variable that it is instead of a text.
    pub(super) nested: Option<&'a AssignedValue>,
}

/// Where an element goes.
pub(super) enum MadeIndex<'a> {
    /// Behind the one before.
    Next,
    /// To this key.
    At(Key),
    /// To the index that is written, which is reckoned when the elements before it are there.
    Written(&'a Arithmetic),
    /// To the index that this text of it means then.
    Expanded(Text, &'a Arithmetic),
}

/// How a list is read.
#[derive(Clone, Copy)]
struct Shape {
    /// Whether it is that of an associative array.
    keyed: bool,
    /// Whether its elements are keys and values in turn, each of them one text.
    pairs: bool,
    /// Whether all of its elements are words, what looks like an index too.
    only_words: bool,
    /// Whether a word that leaves nothing is an empty element.
    keeps_nothing: bool,
}

impl<'a> Made<'a> {
    pub(super) fn has_no_key(&self) -> bool {
        matches!(self.index, MadeIndex::Next)
    }

    fn word(text: Text) -> Made<'a> {
        Made { index: MadeIndex::Next, text, append: false, nested: None }
    }
}

impl Walker {
    /// What the elements of a list have become; `texts` is what their words have, if that is known.
    pub(super) fn made_elements<'a>(
        &mut self,
        assignment: &Assignment,
        elements: &'a [Element],
        texts: Option<Vec<Vec<Text>>>,
    ) -> Result<Vec<Made<'a>>, Stop> {
        let name = &assignment.name;
        let keyed = self.is_keyed(name);
        let pairs = self.are_pairs(elements, keyed);
        // Behind elements with numbers what looks like an index is a part of a word.
        let only_words = self.state.dialect.indexed_lists_are_associative
            && assignment.append
            && !keyed
            && self.state.variables.is_array(name)
            && !self.state.variables.values(name).is_empty();
        let keeps_nothing = self.state.dialect.words_beside_keys_stay
            && elements.iter().any(|one| one.index.is_some());
        let shape = Shape { keyed, pairs, only_words, keeps_nothing };
        let mut texts = texts.map(Vec::into_iter);
        let mut made = Vec::with_capacity(elements.len());
        for element in elements {
            let known = texts.as_mut().and_then(Iterator::next);
            self.make_element(name, element, known, shape, &mut made)?;
        }
        Ok(made)
    }

    /// Puts what an element has become behind the others.
    fn make_element<'a>(
        &mut self,
        name: &[u8],
        element: &'a Element,
        known: Option<Vec<Text>>,
        shape: Shape,
        made: &mut Vec<Made<'a>>,
    ) -> Result<(), Stop> {
        let (append, nested) = (element.append, element.nested.as_deref());
        match &element.index {
            None if nested.is_some() => {
                let (index, text) = (MadeIndex::Next, Text::new());
                made.push(Made { index, text, append: false, nested });
            }
            Some(index) if nested.is_some() => {
                let index = MadeIndex::At(self.element_key(name, index, true)?);
                made.push(Made { index, text: Text::new(), append, nested });
            }
            _ if shape.pairs => {
                let texts = match known {
                    Some(texts) => texts,
                    None => vec![self.whole_text(element)?],
                };
                made.extend(texts.into_iter().map(Made::word));
            }
            None if shape.keyed && self.state.dialect.pairs_are_whole => {
                let message = "an element of an associative array needs an index here";
                let span = element.word.span;
                self.survive_told(ShellError::new(message, span, 0, Reach::Command))?;
            }
            None => {
                let before = made.len();
                self.make_words(&element.word, known, made)?;
                if shape.keeps_nothing && made.len() == before {
                    made.push(Made::word(Text::new()));
                }
            }
            Some(index) if shape.only_words => {
                let word = self.with_index(index, element)?;
                self.make_words(&word, None, made)?;
            }
            Some(_) if let Some(word) = self.as_braces(element, shape.keyed)? => {
                self.make_words(&word, known, made)?;
            }
            Some(index) if !shape.keyed && self.is_read_again(index) => {
                match self.read_again(element, index) {
                    Ok((index, text)) => made.push(Made { index, text, append, nested }),
                    Err(stop) => self.survive_in_list(stop)?,
                }
            }
            Some(written) => {
                let index = match !shape.keyed && self.state.dialect.lists_are_emptied_first {
                    true => MadeIndex::Written(written),
                    false => match self.listed_key(name, written, known.as_deref()) {
                        Ok(key) => MadeIndex::At(key),
                        Err(stop) => return self.survive_in_list(stop),
                    },
                };
                let text = match known.and_then(|mut texts| texts.pop()) {
                    Some(text) => text,
                    None => self.indexed_text(element, shape.keyed)?,
                };
                made.push(Made { index, text, append, nested });
            }
        }
        Ok(())
    }

    /// The key of an element; that of an associative array may be known with its value.
    fn listed_key(
        &mut self,
        name: &[u8],
        index: &Arithmetic,
        known: Option<&[Text]>,
    ) -> Result<Key, Stop> {
        match known {
            Some([key, _]) => self.key_of_known(key, index.word.span),
            _ => match self.element_key(name, index, true)? {
                Key::Number(..0) if self.state.dialect.array_is_list => {
                    Err(self.state.mistake(BEFORE_START, index.word.span, 1))
                }
                key => Ok(key),
            },
        }
    }

    /// Puts the fields of a word, each an element without an index, behind the others.
    fn make_words(
        &mut self,
        word: &Word,
        known: Option<Vec<Text>>,
        made: &mut Vec<Made<'_>>,
    ) -> Result<(), Stop> {
        let fields = match known {
            Some(fields) => fields,
            None => self.fields_of_element(word)?,
        };
        made.extend(fields.into_iter().map(Made::word));
        Ok(())
    }

    fn fields_of_element(&mut self, word: &Word) -> Result<Vec<Text>, Stop> {
        let fields = expand::element_fields(self, word)?;
        self.count_words(&fields, word.span);
        Ok(fields)
    }

    /// What the words of a list become: for each, one text or more.
    pub(super) fn element_texts(
        &mut self,
        elements: &[Element],
        keyed: bool,
    ) -> Result<Vec<Vec<Text>>, Stop> {
        let pairs = self.are_pairs(elements, keyed);
        let texts = |element: &Element| match &element.index {
            _ if pairs => self.whole_text(element).map(|text| vec![text]),
            None => self.fields_of_element(&element.word),
            Some(index) => match self.as_braces(element, keyed)? {
                Some(word) => expand::element_fields(self, &word),
                None if keyed => {
                    let key = expand::parameter::listed_key(self, index)?;
                    self.indexed_text(element, keyed).map(|text| vec![key, text])
                }
                None => self.indexed_text(element, keyed).map(|text| vec![text]),
            },
        };
        elements.iter().map(texts).collect()
    }

    /// Whether the elements of a list are keys and values in turn, and each of them one text: so where the
    /// first has no index.
    pub(super) fn are_pairs(&self, elements: &[Element], keyed: bool) -> bool {
        keyed
            && self.state.dialect.pairs_are_whole
            && elements.first().is_some_and(|first| first.index.is_none())
    }

    /// An element with an index as a word like any other, where its braces make several of it before the shell
    /// looks for the index.
    fn as_braces(&mut self, element: &Element, keyed: bool) -> Result<Option<Word>, Stop> {
        let Some(index) = &element.index else { return Ok(None) };
        if keyed || !self.state.dialect.braces_of_elements_come_first {
            return Ok(None);
        }
        let literal = |bytes: &[u8], span| Part::Literal { bytes: bytes.into(), span };
        let (open, close) = (index.word.span, element.word.span);
        let mut parts = vec![literal(b"[", Span { end: open.start, ..open })];
        parts.extend_from_slice(&index.word.parts);
        let sign: &[u8] = if element.append { b"]+=" } else { b"]=" };
        parts.push(literal(sign, Span { end: close.start, ..close }));
        parts.extend_from_slice(&element.word.parts);
        let word = Word::new(parts, Span { start: open.start, ..close });
        Ok(expand::makes_words(self, &word)?.then_some(word))
    }

    /// What `[index]=` stands before.
    pub(super) fn indexed_text(&mut self, element: &Element, keyed: bool) -> Result<Text, Stop> {
        let tilde = match keyed && self.state.dialect.pairs_are_whole {
            true => Tilde::Never,
            false if self.state.dialect.elements_are_no_assignments => Tilde::AtStart,
            false => Tilde::AfterColons,
        };
        expand::single(self, &element.word, tilde)
    }

    /// A key or value of a list of pairs: nothing in it is split or matched, and brackets are text.
    fn whole_text(&mut self, element: &Element) -> Result<Text, Stop> {
        let value = expand::single(self, &element.word, Tilde::Never)?;
        let Some(index) = &element.index else { return Ok(value) };
        let origin = Origin::new(Rule::Literal, index.word.span);
        let mut text = Text::copied(b"[", Standing::Quoted, origin.clone());
        text.push_text(&expand::single(self, &index.word, Tilde::Never)?);
        let sign: &[u8] = if element.append { b"]+=" } else { b"]=" };
        text.push(sign, Standing::Quoted, &origin);
        text.push_text(&value);
        Ok(text)
    }
}
