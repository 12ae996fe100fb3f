//! What options of zsh change in its table ("Options" in its manual; each observed in zsh 5.9).

use crate::dialect::{Dialect, FreshOptions, Shell, WhichFunctions, escapes};

/// An option that is not what it is at the start, and what the rows are then.
type Switched = (&'static str, fn(&mut Dialect));

const SWITCHED: &[Switched] = &[
    ("aliases", |rows| rows.aliases = false),
    ("appendcreate", |rows| rows.appending_makes_no_file = false),
    ("badpattern", |rows| {
        rows.open_bracket_is_error = false;
        rows.open_group_is_error = false;
    }),
    ("bareglobqual", |rows| rows.glob_qualifiers = false),
    ("aliasfuncdef", |rows| rows.functions_refuse_aliases = false),
    ("cbases", |rows| rows.bases_as_in_c = true),
    ("clobberempty", |rows| rows.empty_files_are_overwritten = true),
    ("cprecedences", |rows| rows.bits_bind_first = false),
    ("cshjunkieloops", |rows| rows.end_ends_loops = true),
    ("cshnullcmd", |rows| rows.lone_redirection_fails = true),
    ("cshnullglob", |rows| rows.unmatched_vanish_together = true),
    ("cshjunkiequotes", |rows| rows.newlines_end_quotes = true),
    ("debugbeforecmd", |rows| rows.debug_tells_commands = false),
    ("emulate sh", |rows| rows.last_of_pipeline_in_place = false),
    ("equals", |rows| rows.equals_names_programs = false),
    ("forcefloat", |rows| rows.numbers_are_reals = true),
    ("functionargzero", |rows| rows.function_zero = WhichFunctions::Never),
    ("globassign", |rows| rows.assigned_patterns_match = true),
    ("globalexport", |rows| rows.exported_declarations_are_global = false),
    ("globstarshort", |rows| rows.double_star_needs_no_slash = true),
    ("histsubstpattern", |rows| rows.modifiers_replace_patterns = true),
    ("ignorebraces", |rows| rows.braces_are_tokens = false),
    ("ignoreclosebraces", |rows| rows.braces_are_tokens = false),
    ("kshzerosubscript", |rows| rows.zero_is_first_too = true),
    ("ksharrays", |rows| {
        rows.names_mean_lists = false;
        rows.zero_is_first = true;
        rows.unbraced_subscripts = false;
    }),
    ("localloops", |rows| rows.functions_hold_breaks = true),
    ("multifuncdef", |rows| rows.functions_have_one_name = true),
    ("magicequalsubst", |rows| rows.tilde_in_arguments = true),
    ("markdirs", |rows| rows.files_are_marked = true),
    ("numericglobsort", |rows| rows.files_sort_by_number = true),
    ("octalzeroes", |rows| rows.arithmetic_octal = true),
    ("posixaliases", |rows| rows.reserved_before_aliases = rows.reserved_words),
    ("posixargzero", |rows| rows.function_zero = WhichFunctions::Never),
    ("posixcd", |rows| rows.folder_path_is_told = true),
    ("posixtraps", |rows| {
        rows.exit_trap_is_local = WhichFunctions::Never;
        rows.error_exit_skips_outer_actions = false;
    }),
    ("posixbuiltins", |rows| {
        rows.special_keeps_assignments = true;
        rows.functions_keep_assignments = true;
        rows.getopts_in_functions = FreshOptions::Never;
        rows.getopts_leaves_mistaken_words = true;
        rows.special_redirection_failure_is_fatal = true;
        rows.dot_failure_is_fatal = true;
        rows.dot_failure_status = 1;
        rows.command_is_for_programs = false;
        rows.bare_marks_leave_unset = true;
        rows.read_only_is_kept_by_mistake = true;
        rows.exec_runs_functions = false;
        rows.unknown_option_test = None;
    }),
    ("posixidentifiers", |rows| {
        rows.wide_names = false;
        rows.unbraced_lengths = false;
        rows.arithmetic_makes_numbers = false;
    }),
    ("posixstrings", |rows| rows.dollar_escapes = &escapes::ZSH_AS_C),
    ("rcquotes", |rows| rows.doubled_quote_is_quote = true),
    ("shfileexpansion", |rows| rows.tilde_in_fields = false),
    ("shglob", |rows| {
        rows.bare_groups = false;
        rows.glob_qualifiers = false;
        rows.number_ranges = false;
    }),
    ("shortloops", |rows| {
        rows.lone_bodies = false;
        rows.lone_repeated_bodies = false;
    }),
    ("shortrepeat", |rows| rows.lone_repeated_bodies = true),
    ("shnullcmd", |rows| rows.lone_redirection_runs = false),
    ("typesettounset", |rows| {
        rows.local_is_empty = false;
        rows.declaration_makes_empty = false;
    }),
];

impl Dialect {
    /// The table with the rows of the options that differ from what they are at the start.
    pub(crate) fn switched(shell: Shell, differs: impl Fn(&str) -> bool) -> Dialect {
        let mut dialect = Dialect::of(shell);
        for (option, change) in SWITCHED {
            if differs(option) {
                change(&mut dialect);
            }
        }
        dialect
    }

    /// What stands before the digits of a number in a base where that is as in C.
    pub(crate) fn c_prefix(&self, base: u32) -> Option<&'static str> {
        match base {
            16 if self.bases_as_in_c => Some("0x"),
            8 if self.bases_as_in_c && self.arithmetic_octal => Some("0"),
            _ => None,
        }
    }

    /// Whether an option changes rows of the table.
    pub(crate) fn switches_rows(option: &str) -> bool {
        SWITCHED.iter().any(|(name, _)| *name == option)
    }
}
