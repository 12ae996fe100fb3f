//! Associative arrays, in the order in which each shell lists them.

use rustc_hash::FxHashMap;

use crate::dialect::KeyOrder;
use crate::text::{Standing, Text};

/// An associative array.
#[derive(Clone, Debug)]
pub struct Associative {
    elements: FxHashMap<Vec<u8>, Element>,
    order: KeyOrder,
    made: u64,
    /// How many buckets it has at first, where there are buckets.
    buckets: u64,
}

#[derive(Clone, Debug)]
struct Element {
    /// How many elements were made before it.
    made: u64,
    key: Text,
    value: Text,
}

impl Associative {
    /// How many elements there are.
    pub(crate) fn count(&self) -> usize {
        self.elements.len()
    }

    /// One without elements.
    pub fn new(order: KeyOrder) -> Associative {
        Associative { elements: FxHashMap::default(), order, made: 0, buckets: 1024 }
    }

    /// One with so many buckets, where there are buckets.
    pub fn of_buckets(order: KeyOrder, buckets: u64) -> Associative {
        Associative { buckets, ..Associative::new(order) }
    }

    /// Takes all elements away; the buckets stay.
    pub fn clear(&mut self) {
        *self = Associative::of_buckets(self.order, self.buckets);
    }

    /// The value of a key.
    pub fn get(&self, key: &[u8]) -> Option<&Text> {
        self.elements.get(key).map(|element| &element.value)
    }

    /// Takes the text that the variable was before it became an array. In bash such an array has fewer
    /// buckets.
    pub(crate) fn take_text(&mut self, text: Text) {
        self.buckets = 128;
        self.set_first(text);
    }

    /// Sets the element that the variable is without an index: that with the key `0`.
    pub fn set_first(&mut self, value: Text) {
        let mut key = Text::new();
        if let Some((run, _)) = value.runs().next() {
            key.push(b"0", Standing::Quoted, &run.origin);
        }
        if !key.is_empty() {
            self.set(key, value);
        }
    }

    /// Sets the value of a key.
    pub fn set(&mut self, key: Text, value: Text) {
        match self.elements.get_mut(key.bytes()) {
            Some(element) => element.value = value,
            None => {
                let made = self.made;
                self.made += 1;
                self.elements.insert(key.bytes().to_vec(), Element { made, key, value });
            }
        }
    }

    /// Takes an element away.
    pub fn remove(&mut self, key: &[u8]) {
        self.elements.remove(key);
    }

    /// All keys and values, in the order of the shell.
    pub fn pairs(&self) -> Vec<(&Text, &Text)> {
        let mut elements: Vec<&Element> = self.elements.values().collect();
        let count = elements.len();
        elements.sort_by_cached_key(|element| {
            let key = element.key.bytes();
            let latest_first = u64::MAX - element.made;
            match self.order {
                KeyOrder::Sorted => (0, key.to_vec(), element.made),
                KeyOrder::Buckets => (multiplied(key) % self.buckets, Vec::new(), latest_first),
                KeyOrder::GrowingBuckets => (added(key) % size(count), Vec::new(), latest_first),
            }
        });
        elements.into_iter().map(|element| (&element.key, &element.value)).collect()
    }
}

/// The hash that dash 0.5.12 and busybox sh use for the names of commands and aliases.
pub(crate) fn summed(name: &[u8]) -> u64 {
    let first = name.first().map_or(0, |&first| u64::from(first) << 4);
    let sum = name.iter().map(|&byte| u64::from(byte)).sum::<u64>();
    (first + sum) & 0x7fff
}

/// The hash that bash 5.2 uses: each byte behind a multiplication, and beyond ASCII as a negative number.
pub(crate) fn multiplied(key: &[u8]) -> u64 {
    let hash = key.iter().fold(2_166_136_261u32, |hash, &byte| {
        hash.wrapping_mul(16_777_619) ^ i32::from(byte.cast_signed()).cast_unsigned()
    });
    u64::from(hash)
}

/// The hash that zsh 5.9 uses. It keeps bytes that have a meaning for itself behind another byte.
fn added(key: &[u8]) -> u64 {
    let kept = |&byte: &u8| match byte {
        0 | 0x83..=0xa2 => [Some(0x83), Some(byte ^ 32)],
        _ => [Some(byte), None],
    };
    let hash = key.iter().flat_map(kept).flatten().fold(0u32, |hash, byte| {
        hash.wrapping_add(hash.wrapping_shl(5)).wrapping_add(u32::from(byte))
    });
    u64::from(hash)
}

/// How many buckets zsh has for this many elements.
fn size(count: usize) -> u64 {
    let mut size = 17u64;
    while count as u64 >= size * 2 {
        size *= 4;
    }
    size
}
