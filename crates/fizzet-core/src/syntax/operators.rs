//! The operators of arithmetic expressions (C11 6.5), and how tightly they bind.

/// Operators with one operand.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Unary {
    /// `-`
    Minus,
    /// `+`
    Plus,
    /// `!`
    Not,
    /// `~`
    Complement,
}

/// Operators with two operands.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub enum Binary {
    /// `**`
    Power,
    /// `*`
    Times,
    /// `/`
    Divide,
    /// `%`
    Remainder,
    /// `+`
    Plus,
    /// `-`
    Minus,
    /// `<<`
    Left,
    /// `>>`
    Right,
    /// `^<`
    RotateLeft,
    /// `^>`
    RotateRight,
    /// `<`
    Less,
    /// `<=`
    LessEqual,
    /// `>`
    Greater,
    /// `>=`
    GreaterEqual,
    /// `==`
    Equal,
    /// `!=`
    NotEqual,
    /// `&`
    BitAnd,
    /// `^`
    BitXor,
    /// `|`
    BitOr,
}

/// Operators with two operands, longest first.
pub(super) const BINARY: &[(&[u8], Binary)] = &[
    (b"**", Binary::Power),
    (b"<<", Binary::Left),
    (b">>", Binary::Right),
    (b"^<", Binary::RotateLeft),
    (b"^>", Binary::RotateRight),
    (b"<=", Binary::LessEqual),
    (b">=", Binary::GreaterEqual),
    (b"==", Binary::Equal),
    (b"!=", Binary::NotEqual),
    (b"*", Binary::Times),
    (b"/", Binary::Divide),
    (b"%", Binary::Remainder),
    (b"+", Binary::Plus),
    (b"-", Binary::Minus),
    (b"<", Binary::Less),
    (b">", Binary::Greater),
    (b"&", Binary::BitAnd),
    (b"^", Binary::BitXor),
    (b"|", Binary::BitOr),
];

impl Binary {
    /// How tightly the operator binds: as in C, or with shifts and bits before everything else.
    pub(super) fn binds(self, bits_first: bool) -> u8 {
        use Binary::{
            BitAnd, BitOr, BitXor, Divide, Equal, Greater, GreaterEqual, Left, Less, LessEqual,
            Minus, NotEqual, Plus, Power, Remainder, Right, RotateLeft, RotateRight, Times,
        };
        match self {
            Left | Right | RotateLeft | RotateRight if bits_first => 18,
            BitAnd if bits_first => 17,
            BitXor if bits_first => 16,
            BitOr if bits_first => 15,
            Power => 14,
            Times | Divide | Remainder => 13,
            Plus | Minus => 12,
            Left | Right | RotateLeft | RotateRight => 11,
            Less | LessEqual | Greater | GreaterEqual => 10,
            Equal | NotEqual => 9,
            BitAnd => 8,
            BitXor => 7,
            BitOr => 6,
        }
    }
}

/// The signs of arithmetic.
pub(super) const SIGNS: &[u8] = b"=><+-*/%!()|&^~?:,";

/// Operators that also assign, as `+=`.
pub(super) const ASSIGNING: &[Binary] = &[
    Binary::Times,
    Binary::Divide,
    Binary::Remainder,
    Binary::Plus,
    Binary::Minus,
    Binary::Left,
    Binary::Right,
    Binary::RotateLeft,
    Binary::RotateRight,
    Binary::BitAnd,
    Binary::BitXor,
    Binary::BitOr,
];
