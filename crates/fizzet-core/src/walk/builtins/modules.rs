//! `zmodload` of zsh: modules, of which all are a part of the shell here already but the functions of expressions
//! (zshmodules; observed in zsh 5.9).

use crate::stop::{Status, Stop};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::process::unpredictable;

/// The modules that there are; sorted.
const MODULES: &[&str] = &[
    "zsh/attr",
    "zsh/cap",
    "zsh/clone",
    "zsh/compctl",
    "zsh/complete",
    "zsh/complist",
    "zsh/computil",
    "zsh/curses",
    "zsh/datetime",
    "zsh/db/gdbm",
    "zsh/deltochar",
    "zsh/example",
    "zsh/files",
    "zsh/langinfo",
    "zsh/main",
    "zsh/mapfile",
    "zsh/mathfunc",
    "zsh/nearcolor",
    "zsh/net/socket",
    "zsh/net/tcp",
    "zsh/newuser",
    "zsh/param/private",
    "zsh/parameter",
    "zsh/pcre",
    "zsh/regex",
    "zsh/rlimits",
    "zsh/sched",
    "zsh/stat",
    "zsh/system",
    "zsh/termcap",
    "zsh/terminfo",
    "zsh/watch",
    "zsh/zftp",
    "zsh/zle",
    "zsh/zleparameter",
    "zsh/zprof",
    "zsh/zpty",
    "zsh/zselect",
    "zsh/zutil",
];

/// The module that the shell begins with.
const OWN: &[u8] = b"zsh/main";

/// `zmodload [-e] [-u] [-i] [module]...`
pub(super) fn zmodload(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let given = call.given("abcdefiluspFILPRA", false);
    if given.unknown.is_some() {
        return Ok(walker.complain(call, 1));
    }
    let plain = given.letters().all(|letter| b"eiu".contains(&letter));
    if !plain || given.operands.is_empty() {
        return unpredictable(walker, call);
    }
    let mut status = 0;
    for module in given.operands {
        let name = module.bytes();
        let loaded = &mut walker.state.math.modules;
        let is_loaded = name == OWN || loaded.contains(name);
        let is_known = MODULES.binary_search_by(|one| one.as_bytes().cmp(name)).is_ok();
        let succeeds = match () {
            () if given.has(b'e') => is_loaded,
            () if given.has(b'u') => loaded.remove(name) || given.has(b'i'),
            () => is_known && (is_loaded || loaded.insert(name.into())),
        };
        if !succeeds {
            status = 1;
        }
    }
    let complains = status != 0 && !given.has(b'e');
    Ok(if complains { walker.complain(call, status) } else { status })
}
