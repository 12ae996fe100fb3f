//! Calls of functions that the script has made with `functions -M` (zshbuiltins).

use std::rc::Rc;

use crate::expand::arithmetic::{Evaluation, module_functions};
use crate::expand::number::Number;
use crate::lineage::{Origin, Rule};
use crate::stop::Stop;
use crate::syntax::arithmetic::Expression;
use crate::text::{Standing, Text};

impl Evaluation<'_> {
    /// The value of the latest expression in a function; its arguments are what the operands are.
    pub(super) fn called(
        &mut self,
        name: &Rc<[u8]>,
        operands: Option<&[Expression]>,
        text: &[u8],
    ) -> Result<Number, Stop> {
        let refuse = |this: &mut Self, why: &str| {
            let message = format!("{why}: {}", String::from_utf8_lossy(name));
            Err(this.cx.state().mistake(message, this.span, 1))
        };
        let Some(function) = self.cx.state().math.named.get(&**name).cloned() else {
            if self.cx.state().math.modules.contains(module_functions::MODULE)
                && let Some(operands) = operands
            {
                let values = operands.iter().map(|operand| self.value(operand));
                let values = values.collect::<Result<Vec<_>, _>>()?;
                if let Some(value) = module_functions::value(name, &values) {
                    return Ok(value);
                }
            }
            return refuse(self, "there is no such function of expressions");
        };
        let origin = Origin::new(Rule::Arithmetic, self.span);
        let text_of = |bytes: &[u8]| Text::copied(bytes, Standing::Quoted, origin.clone());
        let mut argv = vec![text_of(name)];
        match operands {
            _ if function.takes_text => argv.push(text_of(text)),
            None => return refuse(self, "the operands cannot be read"),
            Some(operands) => {
                let most = function.most.unwrap_or(usize::MAX);
                if operands.len() < function.least || operands.len() > most {
                    return refuse(self, "this is the wrong number of operands");
                }
                for operand in operands {
                    let value = self.value(operand)?;
                    if value == Number::Unknown {
                        return Ok(Number::Unknown);
                    }
                    argv.push(text_of(value.shown(self.dialect.arithmetic_reals).as_bytes()));
                }
            }
        }
        self.cx.call_function(&function.calls, argv, self.span)?;
        Ok(self.cx.state().math.latest)
    }
}
