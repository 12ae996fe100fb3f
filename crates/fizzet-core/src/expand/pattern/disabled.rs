//! Operators of patterns that `disable -p` has switched off (zshbuiltins; observed in zsh 5.9).

/// The operators that can be switched off.
const OPERATORS: [&[u8]; 14] =
    [b"(", b"|", b"<", b"[", b"*", b"?", b"~", b"^", b"#", b"?(", b"*(", b"+(", b"!(", b"@("];

/// A set of operators that stand for themselves.
#[derive(Clone, Copy, Default, PartialEq, Eq, Debug)]
pub struct Disabled(u16);

impl Disabled {
    /// No operator.
    pub const NONE: Disabled = Disabled(0);

    /// The place of an operator in the set.
    fn bit(operator: &[u8]) -> Option<u16> {
        OPERATORS.iter().position(|one| *one == operator).map(|at| 1 << at)
    }

    /// Switches an operator off or on again; false if there is none of this name.
    pub fn set(&mut self, operator: &[u8], off: bool) -> bool {
        let Some(bit) = Disabled::bit(operator) else { return false };
        match off {
            true => self.0 |= bit,
            false => self.0 &= !bit,
        }
        true
    }

    /// Whether there are any.
    pub fn any(self) -> bool {
        self.0 != 0
    }

    fn has(self, operator: &[u8]) -> bool {
        Disabled::bit(operator).is_some_and(|bit| self.0 & bit != 0)
    }

    /// Whether a byte stands for itself, with the one behind it.
    pub(super) fn quotes(self, byte: u8, next: Option<&u8>) -> bool {
        match byte {
            b'|' | b')' if self.has(b"(") => true,
            byte => self.has(&[byte]) || (next == Some(&b'(') && self.has(&[byte, b'('])),
        }
    }

    /// The bytes that do not stand for themselves.
    pub(super) fn left(self, bytes: &[u8]) -> Vec<u8> {
        let counts = |&(at, &byte): &(usize, &u8)| !self.quotes(byte, bytes.get(at + 1));
        bytes.iter().enumerate().filter(counts).map(|(_, &byte)| byte).collect()
    }
}
