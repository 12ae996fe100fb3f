//! What the shell carries out itself.

use crate::stop::Stop;
use crate::trace::CommandKind;
use crate::walk::Walker;

impl Walker {
    /// Carries out the latest command and sets its status.
    pub(super) fn carry_out(&mut self, at: usize, kind: CommandKind) -> Result<(), Stop> {
        let argv = &self.commands[at].argv;
        let name = argv.first().map_or(&b""[..], |name| name.bytes());
        self.state.status = match (kind, name) {
            (CommandKind::External, _) => 0,
            (_, b"false") => 1,
            (_, b"set") => {
                let mut parameters = argv[1..].to_vec();
                if parameters.first().is_some_and(|first| first.bytes() == b"--") {
                    parameters.remove(0);
                }
                self.state.positional.set(parameters);
                0
            }
            (_, b"unset") => {
                let names: Vec<Vec<u8>> =
                    argv[1..].iter().map(|name| name.bytes().to_vec()).collect();
                for name in names {
                    self.state.variables.remove(&name);
                }
                0
            }
            (_, b"shift") => u8::from(!self.state.positional.shift(1)),
            _ => 0,
        };
        Ok(())
    }
}
