//! The positional parameters.

use std::rc::Rc;

use crate::text::Text;

/// `$0` and `$1`, `$2`, ...
///
/// `shift` moves a start index, so that shifting through any number of parameters is linear.
#[derive(Clone, Default, Debug)]
pub struct Positional {
    /// `$0`
    pub zero: Text,
    all: Rc<Vec<Text>>,
    shifted: usize,
}

impl Positional {
    /// Replaces all parameters.
    pub fn set(&mut self, all: Vec<Text>) {
        self.all = Rc::new(all);
        self.shifted = 0;
    }

    /// Sets `$n`, with n counted from 1. Parameters that are skipped are there, and empty.
    pub fn put(&mut self, n: usize, text: Text, empty: &Text) {
        let all = Rc::make_mut(&mut self.all);
        all.drain(..std::mem::take(&mut self.shifted));
        if all.len() < n {
            all.resize(n, empty.clone());
        }
        all[n - 1] = text;
    }

    /// `$1` and on.
    pub fn all(&self) -> &[Text] {
        &self.all[self.shifted..]
    }

    /// `$n`, with n counted from 1.
    pub fn get(&self, n: usize) -> Option<&Text> {
        self.all.get(self.shifted.checked_add(n)?.checked_sub(1)?)
    }

    /// `$#`
    pub fn count(&self) -> usize {
        self.all.len() - self.shifted
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
