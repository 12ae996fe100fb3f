//! Short names as numbers, so that a sorted list of names is searched without comparing byte by byte.

/// The number of a name of at most 16 bytes; numbers are in the order of the names.
pub(crate) const fn packed(name: &[u8]) -> Option<u128> {
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

/// The numbers of names, and behind them the largest number until the array is full.
pub(crate) const fn packed_all<const N: usize>(names: &[&str]) -> [u128; N] {
    let mut all = [u128::MAX; N];
    let mut at = 0;
    while at < names.len() {
        all[at] = match packed(names[at].as_bytes()) {
            Some(key) => key,
            None => panic!("a name of more than 16 bytes"),
        };
        at += 1;
    }
    all
}

#[cfg(test)]
mod tests {
    use super::{packed, packed_all};

    #[test]
    fn numbers_are_in_the_order_of_names() {
        let names = ["", ".", "[", "[[", "read", "readarray", "readonly"];
        let keys: [u128; 8] = packed_all(&names);
        assert!(keys.is_sorted());
        assert_eq!(keys.binary_search(&packed(b"readarray").unwrap()), Ok(5));
        assert_eq!(packed(b"seventeen letters"), None);
    }
}
