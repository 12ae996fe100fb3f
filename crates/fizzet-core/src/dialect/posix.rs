//! What `set -o posix` changes in bash ("Bash POSIX Mode" in its manual; each rule observed in bash 5.2),
//! and the little that it changes in ksh93 and mksh.

use crate::dialect::{Dialect, PosixMode, ReadAnew, RedirectWords, TestNumbers};
use crate::stop::Reach;

impl Dialect {
    /// Takes the rules on that the shell has in its POSIX mode.
    pub fn follow_posix(&mut self) {
        if self.posix_mode != PosixMode::Rules {
            self.arithmetic_octal = true;
            self.tilde_after_equals = false;
            self.echo_as_in_posix |= self.posix_mode == PosixMode::OctalWithoutBraces;
            if self.posix_mode == PosixMode::OctalAndBraces {
                self.test_numbers = TestNumbers::Reals;
            }
            return;
        }
        self.tilde_in_arguments = false;
        self.declaring_prefixes = &["command"];
        self.special_keeps_assignments = true;
        self.kept_assignments_outlast_calls = Some(&["eval", "unset", ".", "source"]);
        self.functions_come_first = false;
        self.reserved_function_names = Some(&["source"]);
        self.made_functions_have_names = true;
        self.special_redirection_failure_is_fatal = true;
        self.dot_failure_is_fatal = true;
        self.no_file_status = None;
        self.eval_syntax_is_fatal = true;
        self.usage_is_fatal = true;
        self.misuse_of_special_ends = true;
        self.command_holds_mistakes = true;
        self.mistakes_end_line = false;
        self.eval_minds_options = Some(Reach::Shell);
        self.source_failure_is_no_end = false;
        self.read_only_before_command = Some(Reach::Line);
        self.read_only_loops_go_on = false;
        self.read_only_select_goes_on = false;
        self.aliases = true;
        self.reserved_before_aliases = self.reserved_words;
        self.substitutions_read_anew = ReadAnew::BackquotesByLine;
        self.substitutions_read_without_aliases = false;
        self.process_substitution = true;
        self.substitution_keeps_exit_on_error = true;
        self.single_quotes_hide_brace = false;
        self.redirect_words = RedirectWords::Text;
    }
}
