//! How much an exec may hand over: strings and pointers against the stack limit, counted as Linux
//! counts them (`bprm_stack_limits` of fs/exec.c; observed at the edge in Linux 6.18).

/// The most bytes of one string, its NUL included (`MAX_ARG_STRLEN`).
pub const MOST_OF_ONE: u64 = 128 << 10;
/// The least that may be handed over, whatever the stack limit (`ARG_MAX` of the kernel).
const FLOOR: u64 = 128 << 10;
/// The most, whatever the stack limit: three quarters of 8 MiB (`_STK_LIM / 4 * 3`).
const CEILING: u64 = 6 << 20;
/// The size of a pointer.
const POINTER: u64 = 8;
/// The size of a page, in which the stack grows.
const PAGE: u64 = 4096;

/// How many bytes strings and pointers may take together under a stack limit in bytes.
///
/// ```
/// assert_eq!(fizzet_core::kernel::limits::total(8 << 20), 2 << 20);
/// ```
pub fn total(stack: u64) -> u64 {
    (stack / 4).clamp(FLOOR, CEILING)
}

/// What an exec hands over, counted.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub struct Count {
    /// Bytes of strings with their NULs: the vector, the environment, the path.
    pub strings: u64,
    /// How many pointers there are: those of the vector (at least one) and of the environment.
    pub pointers: u64,
}

impl Count {
    /// Strings and pointers in bytes.
    pub fn bytes(&self) -> u64 {
        self.strings + POINTER * self.pointers
    }
}

/// What does not fit.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Excess {
    /// One string is too long: its index in the vector, or behind it in the environment.
    One {
        /// Its place.
        index: usize,
        /// Its bytes, its NUL included.
        bytes: u64,
    },
    /// All together is too much.
    All {
        /// What there is.
        bytes: u64,
        /// What there may be.
        limit: u64,
    },
    /// The strings alone do not fit into the stack.
    Stack {
        /// What there is.
        bytes: u64,
        /// What there may be.
        limit: u64,
    },
}

/// Counts lengths in bytes, without NULs.
///
/// # Errors
/// A string that is too long by itself.
pub fn count(
    path: usize,
    vector: impl ExactSizeIterator<Item = usize>,
    environment: impl ExactSizeIterator<Item = usize>,
) -> Result<Count, Excess> {
    let pointers = (vector.len().max(1) + environment.len()) as u64;
    let mut strings = path as u64 + 1;
    for (index, length) in vector.chain(environment).enumerate() {
        let bytes = length as u64 + 1;
        if bytes > MOST_OF_ONE {
            return Err(Excess::One { index, bytes });
        }
        strings += bytes;
    }
    Ok(Count { strings, pointers })
}

/// Holds what is counted against a stack limit in bytes.
///
/// # Errors
/// More than the kernel takes.
pub fn check(count: Count, stack: u64) -> Result<(), Excess> {
    let limit = total(stack);
    if count.bytes() > limit {
        return Err(Excess::All { bytes: count.bytes(), limit });
    }
    // A word at the top of the stack stays free.
    let (bytes, limit) = (count.strings + POINTER, stack / PAGE * PAGE);
    match bytes > limit {
        true => Err(Excess::Stack { bytes, limit }),
        false => Ok(()),
    }
}

/// How many calls carry the arguments behind the first `kept` ones, which stand in each of them;
/// nothing if one of them fits into no call.
pub fn calls(
    path: usize,
    vector: &[usize],
    kept: usize,
    environment: &[usize],
    stack: u64,
) -> Option<usize> {
    let (fixed, rest) = vector.split_at(kept.min(vector.len()));
    let base = count(path, fixed.iter().copied(), environment.iter().copied()).ok()?;
    // With no argument yet, the pointer that there always is counts for the first.
    let spare = u64::from(fixed.is_empty());
    let mut calls = 1;
    let (mut now, mut carried) = (base, 0u64);
    for &length in rest {
        let bytes = length as u64 + 1;
        if bytes > MOST_OF_ONE {
            return None;
        }
        let with = |count: Count, carried: u64| Count {
            strings: count.strings + bytes,
            pointers: base.pointers + (carried + 1).saturating_sub(spare),
        };
        let next = with(now, carried);
        if check(next, stack).is_ok() {
            (now, carried) = (next, carried + 1);
            continue;
        }
        let alone = with(base, 0);
        if carried == 0 || check(alone, stack).is_err() {
            return None;
        }
        (now, carried) = (alone, 1);
        calls += 1;
    }
    Some(calls)
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::{Count, Excess, calls, check, count, total};

    #[test]
    fn a_quarter_of_the_stack_has_a_floor_and_a_ceiling() {
        let known =
            [(64 << 10, 131_072), (1 << 20, 262_144), (24 << 20, 6_291_456), (1 << 40, 6_291_456)];
        for (stack, limit) in known {
            assert_eq!(total(stack), limit);
        }
    }

    #[test]
    fn the_edge_is_where_linux_has_it() {
        // Observed: under a stack limit of 16384 bytes, 16376 bytes of strings fit.
        let of = |strings| Count { strings, pointers: 2 };
        assert_eq!(check(of(16_376), 16_384), Ok(()));
        assert_eq!(check(of(16_377), 16_384), Err(Excess::Stack { bytes: 16_385, limit: 16_384 }));
        assert!(count(1, [131_071].into_iter(), [].into_iter()).is_ok());
        let long = count(1, [1, 131_072].into_iter(), [].into_iter());
        assert_eq!(long, Err(Excess::One { index: 1, bytes: 131_073 }));
    }

    proptest! {
        #[test]
        fn calls_carry_everything(lengths in proptest::collection::vec(0usize..3000, 1..400)) {
            let stack = 200 << 10;
            let vector: Vec<usize> = [5].into_iter().chain(lengths).collect();
            let whole = count(9, vector.iter().copied(), [].into_iter()).unwrap();
            let needed = calls(9, &vector, 1, &[], stack).unwrap();
            prop_assert_eq!(needed == 1, check(whole, stack).is_ok());
            let least = whole.bytes().div_ceil(total(stack)) as usize;
            prop_assert!(needed >= least);
        }
    }
}
