//! Short names in tables that are made when the program is compiled, so that one is found without comparing
//! names byte by byte.

/// Names of at most 16 bytes with a number each, in `SLOTS` places: a power of two, at least twice as many as
/// there are names.
pub(crate) struct Names<const SLOTS: usize> {
    keys: [u128; SLOTS],
    numbers: [u16; SLOTS],
}

/// What stands in a place without a name: 16 bytes that no name here has.
const VACANT: u128 = u128::MAX;

impl<const SLOTS: usize> Names<SLOTS> {
    /// A table without names.
    pub(crate) const fn new() -> Names<SLOTS> {
        assert!(SLOTS.is_power_of_two());
        Names { keys: [VACANT; SLOTS], numbers: [0; SLOTS] }
    }

    /// The table with one name more; a name that is there already keeps its number.
    pub(crate) const fn with(mut self, name: &str, number: u16) -> Names<SLOTS> {
        let Some(key) = packed(name.as_bytes()) else { panic!("a name of more than 16 bytes") };
        let slot = self.slot_of(key);
        if self.keys[slot] == VACANT {
            (self.keys[slot], self.numbers[slot]) = (key, number);
        }
        self
    }

    /// The table with more names, which all have the same number.
    pub(crate) const fn with_all(mut self, names: &[&str], number: u16) -> Names<SLOTS> {
        let mut at = 0;
        while at < names.len() {
            self = self.with(names[at], number);
            at += 1;
        }
        self
    }

    /// The number of a name.
    pub(crate) fn number(&self, name: &[u8]) -> Option<u16> {
        let slot = self.slot_of(packed(name)?);
        (self.keys[slot] != VACANT).then_some(self.numbers[slot])
    }

    /// The place of a name, or the one where it would be put.
    const fn slot_of(&self, key: u128) -> usize {
        let folded = (key >> 64) as u64 ^ (key as u64);
        let mut slot = (folded.wrapping_mul(0x9E37_79B9_7F4A_7C15) >> 40) as usize % SLOTS;
        while self.keys[slot] != key && self.keys[slot] != VACANT {
            slot = (slot + 1) % SLOTS;
        }
        slot
    }
}

/// A name of at most 16 bytes as a number.
const fn packed(name: &[u8]) -> Option<u128> {
    if name.len() > 16 {
        return None;
    }
    let mut bytes = [0; 16];
    let mut at = 0;
    while at < name.len() {
        bytes[at] = name[at];
        at += 1;
    }
    Some(u128::from_be_bytes(bytes))
}

#[cfg(test)]
mod tests {
    use super::Names;

    #[test]
    fn names_are_found_and_keep_their_first_number() {
        let names = ["", ".", "[", "[[", "read", "readarray", "readonly"];
        let table = Names::<16>::new().with_all(&names, 1).with("read", 2).with("shift", 3);
        assert!(names.iter().all(|name| table.number(name.as_bytes()) == Some(1)));
        assert_eq!(table.number(b"shift"), Some(3));
        let strangers = [&b"rea"[..], b"seventeen letters", b"\xFF", &[0xFF; 16]];
        assert!(strangers.iter().all(|name| table.number(name).is_none()));
    }
}
