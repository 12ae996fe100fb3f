//! `${a:|b}`, `${a:*b}`, `${a:^b}` and `${a:^^b}` of zsh: a list with another one.

use crate::expand::parameter::Held;
use crate::expand::substitute::Substitution;
use crate::state::Value;
use crate::syntax::ast::Combine;
use crate::text::Text;

impl Substitution<'_> {
    /// What a list and the one of this name make together; a text is a list of one for `:^`, and no list for
    /// the others (zshexpn(1); observed in zsh 5.9).
    pub(super) fn combined(&mut self, held: Held, how: Combine, name: &[u8]) -> Held {
        let variable = self.cx.state().variables.get(name);
        let other: Option<Vec<Text>> = match variable.map(|variable| &variable.value) {
            None | Some(Value::Nothing) => None,
            Some(Value::Scalar(_)) if matches!(how, Combine::Without | Combine::Within) => None,
            _ => variable.map(|variable| variable.texts().into_iter().cloned().collect()),
        };
        let (items, star) = match held {
            Held::Unset => return Held::Unset,
            Held::One(text) => (vec![text], false),
            Held::List { items, star } => (items, star),
        };
        let items = match (how, other) {
            (Combine::Without, Some(other)) => chosen(items, &other, false),
            (Combine::Within, other) => chosen(items, &other.unwrap_or_default(), true),
            (Combine::ZipShort, Some(other)) => {
                zipped(&items, &other, items.len().min(other.len()))
            }
            (Combine::ZipLong, Some(other)) if items.is_empty() || other.is_empty() => {
                [items, other].concat()
            }
            (Combine::ZipLong, Some(other)) => zipped(&items, &other, items.len().max(other.len())),
            (_, None) => items,
        };
        let star = star && matches!(how, Combine::Without | Combine::Within);
        Held::List { items, star }
    }
}

/// The items that another list holds, or does not hold.
fn chosen(items: Vec<Text>, other: &[Text], held: bool) -> Vec<Text> {
    let known: std::collections::HashSet<&[u8]> = other.iter().map(Text::bytes).collect();
    items.into_iter().filter(|item| known.contains(item.bytes()) == held).collect()
}

/// So many pairs of the items of two lists; the shorter one begins anew.
fn zipped(items: &[Text], other: &[Text], pairs: usize) -> Vec<Text> {
    let both = items.iter().cycle().zip(other.iter().cycle()).take(pairs);
    both.flat_map(|(one, other)| [one.clone(), other.clone()]).collect()
}
