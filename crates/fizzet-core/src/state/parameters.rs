//! The positional parameters.

use std::borrow::Cow;
use std::cell::OnceCell;
use std::rc::Rc;

use crate::lineage::{Origin, Rule};
use crate::source::Given;
use crate::text::{Standing, Text};

/// `$0` and `$1`, `$2`, ...
///
/// `shift` moves a start index, so that shifting through any number of parameters is linear.
#[derive(Clone, Default, Debug)]
pub struct Positional {
    /// `$0`
    pub zero: Rc<Text>,
    all: Rc<Parameters>,
    shifted: usize,
}

/// All parameters, those that `shift` has passed too.
#[derive(Clone, Default, Debug)]
struct Parameters {
    /// What the parameters were given as, until they are set.
    given: Option<Given>,
    /// The parameters; made of the given ones when all are asked for at once.
    texts: OnceCell<Vec<Text>>,
}

impl Parameters {
    fn texts(&self) -> &Vec<Text> {
        let made = || (0..self.count()).filter_map(|at| self.made(at)).collect();
        self.texts.get_or_init(made)
    }

    fn count(&self) -> usize {
        match (self.texts.get(), &self.given) {
            (Some(texts), _) => texts.len(),
            (None, Some(given)) => given.len(),
            (None, None) => 0,
        }
    }

    /// A given parameter as a text of its own.
    fn made(&self, at: usize) -> Option<Text> {
        let (bytes, span) = self.given.as_ref()?.get(at)?;
        Some(Text::copied(bytes, Standing::Quoted, Origin::new(Rule::Given, span)))
    }

    fn get(&self, at: usize) -> Option<Cow<'_, Text>> {
        match self.texts.get() {
            Some(texts) => texts.get(at).map(Cow::Borrowed),
            None => self.made(at).map(Cow::Owned),
        }
    }
}

impl Positional {
    /// Replaces all parameters.
    pub fn set(&mut self, all: Vec<Text>) {
        self.all = Rc::new(Parameters { given: None, texts: OnceCell::from(all) });
        self.shifted = 0;
    }

    /// Replaces all parameters by what was given from outside.
    pub(crate) fn give(&mut self, given: Given) {
        self.all = Rc::new(Parameters { given: Some(given), texts: OnceCell::new() });
        self.shifted = 0;
    }

    /// Sets `$n`, with n counted from 1. Parameters that are skipped are there, and empty.
    pub fn put(&mut self, n: usize, text: Text, empty: &Text) {
        let all = Rc::make_mut(&mut self.all);
        all.texts();
        let mut texts = all.texts.take().unwrap_or_default();
        texts.drain(..std::mem::take(&mut self.shifted));
        if texts.len() < n {
            texts.resize(n, empty.clone());
        }
        texts[n - 1] = text;
        self.set(texts);
    }

    /// `$1` and on.
    pub fn all(&self) -> &[Text] {
        &self.all.texts()[self.shifted..]
    }

    /// `$n`, with n counted from 1.
    pub fn get(&self, n: usize) -> Option<Cow<'_, Text>> {
        self.all.get(self.shifted.checked_add(n)?.checked_sub(1)?)
    }

    /// `$#`
    pub fn count(&self) -> usize {
        self.all.count() - self.shifted
    }

    /// How often `shift` has moved them since they were set.
    pub fn shifted(&self) -> u32 {
        self.shifted as u32
    }

    /// `shift n`; false, and nothing moved, when there are fewer than n.
    pub fn shift(&mut self, n: usize) -> bool {
        let fits = n <= self.count();
        if fits {
            self.shifted += n;
        }
        fits
    }

    /// A second owner of the parameters, so that they can be read while the state changes.
    pub fn share(&self) -> Positional {
        self.clone()
    }
}

#[cfg(test)]
mod tests {
    use std::rc::Rc;

    use super::Positional;
    use crate::source::{SourceKind, Sources};

    /// Parameters given as these, and the sources of the trace.
    fn given(arguments: &[&str]) -> (Positional, Sources) {
        let mut sources = Sources::new(SourceKind::Line, b"label");
        let all: Rc<[Vec<u8>]> = arguments.iter().map(|one| one.as_bytes().to_vec()).collect();
        let mut positional = Positional::default();
        positional.give(sources.give(&all));
        (positional, sources)
    }

    fn texts(positional: &Positional) -> Vec<String> {
        let text = |at: usize| positional.get(at).map(|text| text.bytes().to_vec());
        (1..=positional.count())
            .map(|at| String::from_utf8(text(at).unwrap_or_default()).unwrap())
            .collect()
    }

    #[test]
    fn given_arguments_are_counted_and_moved_before_any_is_made() {
        let (mut positional, _) = given(&["lime", "", "acacia honey"]);
        assert_eq!(texts(&positional), ["lime", "", "acacia honey"]);
        assert!(positional.shift(2));
        assert_eq!((positional.count(), positional.shifted()), (1, 2));
        assert!(!positional.shift(2), "there are fewer than that");
        assert_eq!(texts(&positional), ["acacia honey"]);
        assert_eq!(positional.all()[0].bytes(), b"acacia honey");
        assert!(positional.get(2).is_none());
    }

    #[test]
    fn a_parameter_that_is_set_leaves_the_others_as_given() {
        let (mut positional, _) = given(&["hive", "comb", "jar"]);
        let text = positional.get(3).unwrap().into_owned();
        assert!(positional.shift(1));
        positional.put(4, text.clone(), &Default::default());
        assert_eq!(texts(&positional), ["comb", "jar", "", "jar"]);
        positional.set(vec![text]);
        assert_eq!((texts(&positional), positional.shifted()), (vec!["jar".to_owned()], 0));
    }

    #[test]
    fn each_comes_from_a_source_of_its_own_among_those_of_others() {
        let (positional, mut sources) = given(&["hive", "comb"]);
        let later = sources.add(SourceKind::Zero, b"label.sh");
        let name = |at: usize| {
            let text = positional.get(at).unwrap();
            let span = text.runs().next().unwrap().0.origin.span();
            (sources.get(span.source).kind.name().into_owned(), sources.bytes(span).to_vec())
        };
        assert_eq!(name(1), ("argument 1".to_owned(), b"hive".to_vec()));
        assert_eq!(name(2), ("argument 2".to_owned(), b"comb".to_vec()));
        assert_eq!(&*sources.get(later).bytes, b"label.sh");
    }
}
