//! `typeset -T` of zsh: a list and a text that say the same.

use std::collections::BTreeMap;
use std::rc::Rc;

use crate::state::{Tie, Value};
use crate::stop::{Status, Stop};
use crate::syntax::is_name;
use crate::text::Text;
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::variables::Declaration;

impl Walker {
    /// `typeset -T TEXT[=value] list[=(...)] [separator]`
    pub(super) fn tie_variables(
        &mut self,
        declaration: &Declaration<'_>,
        call: &Call<'_>,
    ) -> Result<Status, Stop> {
        let operands = declaration.given.operands;
        let (text, list, separator) = match operands {
            [] => return Ok(0),
            [text, list] => (text, list, b':'),
            [text, list, separator] => {
                (text, list, separator.bytes().first().copied().unwrap_or(0))
            }
            _ => return Ok(1),
        };
        let name = |operand: &Text| -> Rc<[u8]> {
            let bytes = operand.bytes();
            let end = bytes.iter().position(|&byte| byte == b'=').unwrap_or(bytes.len());
            bytes[..end].into()
        };
        let tie = Tie { text: name(text), list: name(list), separator, lasts: false };
        let is_same = |known: &Tie| known.text == tie.text && known.list == tie.list;
        let other = [&tie.text, &tie.list].into_iter().find_map(|name| self.state.tie(name));
        if !is_name(&tie.text) || !is_name(&tie.list) || other.is_some_and(|known| !is_same(known))
        {
            return Ok(1);
        }
        for name in [&tie.text, &tie.list] {
            self.state.check_writable(name, call.span)?;
        }
        let first = call.argv.len() - operands.len();
        let has_list = self.list_arguments.iter().any(|list| list.at == first + 1);
        let has_text = text.len() > tie.text.len();
        let is_new = !has_text && self.state.variables.scalar(&tie.text).is_none();
        if has_list && has_text {
            return Err(self.fatal(call, "only one of two tied variables can have a value"));
        }
        for (at, operand) in [text, list].into_iter().enumerate() {
            if !self.declare_one(declaration, operand, first + at)? {
                return Ok(1);
            }
        }
        if !self.state.variables.is_array(&tie.list) || (is_new && !has_list) {
            self.state.variables.entry(&tie.list).value = Value::Indexed(BTreeMap::new());
        }
        // What was tied already is joined anew, perhaps by another separator.
        let is_renewed = !has_text && self.state.tie(&tie.list).is_some();
        let follows = if has_list || is_renewed { tie.list.clone() } else { tie.text.clone() };
        let ties = Rc::make_mut(&mut self.state.ties);
        ties.retain(|known| known.text != tie.text);
        ties.push(tie);
        if !is_new || has_list {
            self.state.follow_tie(&follows);
        }
        Ok(0)
    }
}
