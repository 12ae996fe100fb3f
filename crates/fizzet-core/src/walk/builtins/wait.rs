//! `wait`: the statuses of commands in the background.

use crate::dialect::WaitedJobs;
use crate::lineage::{Origin, Rule};
use crate::state::Known;
use crate::stop::{Status, Stop};
use crate::text::{Standing, Text};
use crate::walk::Walker;
use crate::walk::builtins::Call;
use crate::walk::builtins::control::number;

/// `wait [process]...` (POSIX XCU wait), in bash and busybox sh also `wait -n` for the next one.
pub(super) fn wait(walker: &mut Walker, call: &Call<'_>) -> Result<Status, Stop> {
    let mut next = false;
    let mut variable = None;
    let operands = match walker.state.dialect.wait_letters {
        Some(letters) => {
            let given = call.given(letters, false);
            if given.unknown.is_some() {
                return Ok(walker.complain(call, walker.state.dialect.jobs_usage_status));
            }
            next = given.has(b'n');
            variable = given.value(b'p').map(|text| text.bytes().to_vec());
            given.operands
        }
        None => match call.arguments() {
            [first, rest @ ..] if first.bytes() == b"--" => rest,
            all => all,
        },
    };
    if let Some(name) = &variable {
        if !walker.state.names_variable(name) {
            return Ok(walker.complain(call, 1));
        }
        walker.state.variables.remove(name);
    }
    let dialect = walker.state.dialect.clone();
    let mut first = None;
    for number in operands.iter().filter_map(Text::lone_hole) {
        walker.wait_for_coprocesses(Some(number))?;
    }
    let (status, complains) = match operands {
        [] if next => match walker.state.jobs.wait_for_next(dialect.waited_jobs) {
            Some((status, number)) => {
                first = Some(number);
                (status, false)
            }
            None => (127, false),
        },
        [] => {
            walker.wait_for_coprocesses(None)?;
            walker.state.jobs.wait_for_all(dialect.forgotten_jobs);
            (0, false)
        }
        operands => {
            let mut latest = (127, false);
            for operand in operands {
                latest = match walker.waited_for(operand, next) {
                    (None, _) => latest,
                    (Some(status), complains) => (status, complains),
                };
            }
            latest
        }
    };
    if let (Some(name), Some(number)) = (variable, first) {
        let origin = Origin::named(Rule::Shell, call.span, &name.as_slice().into());
        let mut text = Text::new();
        text.push_named_hole(number, Standing::Quoted, &origin);
        walker.state.store(&name, None, text, call.span)?;
    }
    Ok(if complains && status != 0 { walker.complain(call, status) } else { status })
}

impl Walker {
    /// The status of one process or job that is waited for, and whether the shell complains of it. No status where
    /// the shell goes on as if nothing had been asked.
    fn waited_for(&mut self, operand: &Text, next: bool) -> (Option<Status>, bool) {
        let dialect = self.state.dialect.clone();
        let waited = dialect.waited_jobs;
        let passes = waited == WaitedJobs::UntilPlaceIsNeeded;
        // Several numbers in one word are none.
        let is_list = operand.has_hole() && operand.bytes().contains(&b' ');
        if operand.has_hole() && !is_list {
            let number = operand.lone_hole();
            return match self.state.jobs.wait_for(number, waited, next) {
                Known::Status(status) => (Some(status), false),
                Known::Forgotten if passes => (None, false),
                Known::Forgotten => (Some(127), dialect.wait_tells),
                Known::Unclear => {
                    self.state.assumed_status = true;
                    let found = self.state.jobs.wait_for_next(waited);
                    (Some(found.map_or(127, |(status, _)| status)), false)
                }
            };
        }
        if let [b'%', job @ ..] = operand.bytes() {
            let place = match job {
                b"" | b"%" | b"+" => self.state.jobs.latest_place(waited),
                job => number(job).and_then(|job| usize::try_from(job).ok()),
            };
            let found = place.and_then(|place| self.state.jobs.wait_for_place(place, waited));
            let unknown = dialect.wait_no_job_status;
            return match found {
                Some(status) => (Some(status), false),
                None => (Some(unknown), dialect.wait_tells || unknown != 127),
            };
        }
        let is_there = operand.is_empty() || matches!(number(operand.bytes()), Some(0 | 1));
        if dialect.wait_passes_others && is_there {
            return (Some(0), false);
        }
        let sign = operand.bytes().first().filter(|byte| b"+-".contains(byte));
        let may_be_signed = sign.is_none_or(|sign| dialect.wait_signs.as_bytes().contains(sign));
        if number(operand.bytes()).is_some() && may_be_signed {
            return (Some(127).filter(|_| !passes), dialect.wait_tells);
        }
        let unknown = match next {
            true => dialect.wait_next_unknown_status,
            false => dialect.wait_no_process_status,
        };
        (Some(unknown), true)
    }
}
