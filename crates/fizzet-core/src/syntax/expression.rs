//! The tree of an arithmetic expression.

use std::rc::Rc;

use crate::real::Real;
use crate::syntax::functions::Function;
use crate::syntax::operators::{Binary, Unary};
use crate::syntax::signs::Showing;

/// What is wrong with an assignment to anything else.
pub(crate) const NO_VARIABLE: &str = "only a variable can be assigned";

/// An expression.
#[derive(Clone, Debug)]
pub enum Expression {
    /// A constant.
    Number(i64),
    /// A constant that is written in this base, where values carry their base on; nothing at all is 0 without
    /// a base.
    Written(i64, u32),
    /// A constant with a fraction.
    Real(Real),
    /// A function of mathematics.
    Function(Function, Vec<Expression>),
    /// A call of a function that the script may have made.
    Call {
        /// Its name.
        name: Rc<[u8]>,
        /// Its operands, if they can be read.
        operands: Option<Vec<Expression>>,
        /// What stands between the parentheses.
        text: Box<[u8]>,
    },
    /// An expression and how its value is shown: zsh's `[#16] x`.
    Shown(Showing, Box<Expression>),
    /// An expression whose numbers have no sign.
    Unsigned(Box<Expression>),
    /// A variable, or an element of an array with the text of its index.
    Variable(Target),
    /// The status of the latest command.
    Status,
    /// The number of positional parameters.
    Count,
    /// The code of the first character of a variable.
    Code(Target),
    /// `- + ! ~`
    Unary(Unary, Box<Expression>),
    /// `left operator right`
    Binary(Binary, Box<Expression>, Box<Expression>),
    /// `a && b`
    And(Box<Expression>, Box<Expression>),
    /// `a || b`
    Or(Box<Expression>, Box<Expression>),
    /// `a ^^ b`
    Either(Box<Expression>, Box<Expression>),
    /// `c ? a : b`
    Choice(Box<Expression>, Box<Expression>, Box<Expression>),
    /// `x = v`, `x += v`
    Assign(Target, Option<Binary>, Box<Expression>),
    /// An assignment that gives this base to a variable that has none.
    Based(u32, Box<Expression>),
    /// An assignment to what is no variable, which is a mistake only when it comes to it.
    NoVariable,
    /// Where a mistake ends what the shell evaluates while it reads. Nothing stands behind it.
    Wrong,
    /// `++x`, `x++` and the like.
    Step {
        /// What is changed.
        target: Target,
        /// By how much.
        by: i64,
        /// Whether the value is the one before the change.
        after: bool,
    },
    /// `a, b`
    Comma(Box<Expression>, Box<Expression>),
}

/// What can be assigned.
#[derive(Clone, Debug)]
pub struct Target {
    /// The variable.
    pub name: Rc<[u8]>,
    /// The text of the index.
    pub index: Option<Rc<[u8]>>,
    /// Whether nothing stands behind it in the expression.
    pub is_last: bool,
}

impl Target {
    /// The variable itself.
    pub fn whole(name: &[u8]) -> Target {
        Target { name: name.into(), index: None, is_last: false }
    }
}

/// What an assignment does besides assigning.
#[derive(Clone, Copy)]
pub(super) enum Assigning {
    /// `=`
    Plain,
    /// `+=` and the like.
    Operator(Binary),
    /// `&&=`
    And,
    /// `||=`
    Or,
    /// `^^=`
    Either,
}

impl Expression {
    /// Whether a mistake ends it.
    pub(crate) fn ends_wrong(&self) -> bool {
        match self {
            Expression::Wrong => true,
            Expression::Shown(_, last)
            | Expression::Unsigned(last)
            | Expression::Based(_, last)
            | Expression::Unary(_, last)
            | Expression::Binary(.., last)
            | Expression::And(_, last)
            | Expression::Or(_, last)
            | Expression::Either(_, last)
            | Expression::Assign(.., last)
            | Expression::Comma(_, last) => last.ends_wrong(),
            Expression::Choice(_, yes, no) => yes.ends_wrong() || no.ends_wrong(),
            _ => false,
        }
    }

    /// What of an expression has been carried out by a shell that evaluates by operators, when a mistake stands
    /// behind it: operands that an operator has closed, but none of the operators whose right side is open.
    pub(super) fn pending(self) -> Expression {
        let behind = |left, right: Expression| Expression::Comma(left, Box::new(right.pending()));
        match self {
            Expression::Binary(_, left, right)
            | Expression::Either(left, right)
            | Expression::Comma(left, right) => behind(left, *right),
            Expression::And(left, right) => Expression::And(left, Box::new(right.pending())),
            Expression::Or(left, right) => Expression::Or(left, Box::new(right.pending())),
            Expression::Choice(condition, yes, no) => {
                let yes = Box::new(Expression::Comma(yes, Box::new(Expression::Wrong)));
                Expression::Choice(condition, yes, Box::new(no.pending()))
            }
            Expression::Unary(_, operand) => operand.pending(),
            Expression::Assign(_, _, value) => value.pending(),
            _ => Expression::Wrong,
        }
    }
}

/// An assignment to what stands before its sign; to the side that is taken if that is a choice.
pub(super) fn assigned(left: Expression, operator: Assigning, value: Expression) -> Expression {
    let target = match left {
        Expression::Variable(target) => target,
        Expression::Choice(condition, yes, no) => {
            let side = |side| Box::new(assigned(side, operator, value.clone()));
            return Expression::Choice(condition, side(*yes), side(*no));
        }
        _ => return Expression::NoVariable,
    };
    let value = Box::new(value);
    let before = Box::new(Expression::Variable(target.clone()));
    let (operator, value) = match operator {
        Assigning::Plain => (None, value),
        Assigning::Operator(operator) => (Some(operator), value),
        Assigning::And => (None, Box::new(Expression::And(before, value))),
        Assigning::Or => (None, Box::new(Expression::Or(before, value))),
        Assigning::Either => (None, Box::new(Expression::Either(before, value))),
    };
    Expression::Assign(target, operator, value)
}
