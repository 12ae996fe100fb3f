//! The commands in the background, whose statuses `wait` asks for.

use std::collections::VecDeque;

use crate::dialect::{ForgottenJobs, WaitedJobs};
use crate::stop::Status;
use crate::text::HoleName;

/// One command in the background.
#[derive(Clone, Copy, Debug)]
struct Job {
    /// What stands for its process number, which nobody knows.
    number: Option<HoleName>,
    status: Status,
    /// Whether it has been waited for.
    waited: bool,
}

/// The commands that the shell has started in the background.
#[derive(Clone, Default, Debug)]
pub struct Jobs {
    /// Those that it knows; an empty place is filled again by the next one.
    places: Vec<Option<Job>>,
    /// Those that have no place any more, but whose statuses are known.
    remembered: Vec<Job>,
    /// Process substitutions, the latest last.
    beside: VecDeque<Job>,
    /// The number of the latest one (`$!`), where one was started.
    latest: Option<Option<HoleName>>,
}

/// How many process substitutions are remembered; a loop may pass any number of them.
const MOST_BESIDE: usize = 1024;

/// What is known of a job.
#[derive(Clone, Copy, PartialEq, Eq, Debug)]
pub(crate) enum Known {
    /// Its status.
    Status(Status),
    /// Nothing any more.
    Forgotten,
    /// Nobody can tell which job it is.
    Unclear,
}

impl Jobs {
    /// Whether none was ever started.
    pub(crate) fn is_empty(&self) -> bool {
        self.latest.is_none()
    }

    /// How many are known.
    pub(crate) fn count(&self) -> usize {
        self.places.iter().flatten().count()
    }

    /// What stands for `$!`.
    pub(crate) fn latest(&self) -> Option<HoleName> {
        self.latest.flatten()
    }

    /// A command was started in the background, and would end with this status.
    pub(crate) fn start(&mut self, number: Option<HoleName>, status: Status) {
        let job = Some(Job { number, status, waited: false });
        self.latest = Some(number);
        match self.places.iter_mut().find(|place| place.is_none()) {
            Some(place) => *place = job,
            None => self.places.push(job),
        }
    }

    /// The one with this number has ended.
    pub(crate) fn ended(&mut self, number: Option<HoleName>, status: Status) {
        let all = self.places.iter_mut().flatten().chain(&mut self.remembered);
        let all = all.chain(&mut self.beside);
        all.filter(|job| job.number == number).for_each(|job| job.status = status);
    }

    /// A process substitution was started that is no job, and would end with this status.
    pub(crate) fn start_beside(&mut self, number: Option<HoleName>, status: Status) {
        self.latest = Some(number);
        self.beside.push_back(Job { number, status, waited: false });
        if self.beside.len() > MOST_BESIDE {
            self.beside.pop_front();
        }
    }

    /// A process is started, whose place in the table may have been that of a job which was waited for (observed in
    /// dash 0.5.12 and busybox sh 1.35).
    pub(crate) fn make_room(&mut self, waited: WaitedJobs) {
        if waited != WaitedJobs::UntilPlaceIsNeeded {
            return;
        }
        let is_free = |place: &&mut Option<Job>| place.is_none_or(|job| job.waited);
        if let Some(place) = self.places.iter_mut().find(is_free) {
            *place = None;
        }
    }

    /// A subshell begins, whose jobs are others.
    pub(crate) fn leave_behind(&mut self) {
        self.places.clear();
        self.remembered.clear();
    }

    /// Waits for one by its number.
    ///
    /// `next`: one that was waited for is not known.
    pub(crate) fn wait_for(
        &mut self,
        number: Option<HoleName>,
        waited: WaitedJobs,
        next: bool,
    ) -> Known {
        if number.is_none() {
            return Known::Unclear;
        }
        let is_this = |place: &&mut Option<Job>| {
            place.is_some_and(|job| job.number == number && !(next && job.waited))
        };
        if let Some(place) = self.places.iter_mut().find(is_this) {
            return Known::Status(take(place, waited));
        }
        if let Some(at) = self.remembered.iter().position(|job| job.number == number) {
            return Known::Status(self.remembered.swap_remove(at).status);
        }
        match self.beside.iter().find(|job| job.number == number) {
            Some(job) => Known::Status(job.status),
            None => Known::Forgotten,
        }
    }

    /// The place of the latest one that has one, from 1.
    pub(crate) fn latest_place(&self, waited: WaitedJobs) -> Option<usize> {
        let counts = |job: &Job| !job.waited || waited == WaitedJobs::UntilPlaceIsNeeded;
        let place = self.places.iter().rposition(|place| place.as_ref().is_some_and(counts));
        place.map(|at| at + 1)
    }

    /// Waits for one by its place, from 1.
    pub(crate) fn wait_for_place(&mut self, place: usize, waited: WaitedJobs) -> Option<Status> {
        let place = self.places.get_mut(place.checked_sub(1)?)?;
        place.is_some().then(|| take(place, waited))
    }

    /// Waits for the first one that has not been waited for.
    pub(crate) fn wait_for_next(
        &mut self,
        waited: WaitedJobs,
    ) -> Option<(Status, Option<HoleName>)> {
        let is_next = |place: &&mut Option<Job>| place.is_some_and(|job| !job.waited);
        let place = self.places.iter_mut().find(is_next)?;
        let number = place.and_then(|job| job.number);
        Some((take(place, waited), number))
    }

    /// Waits for all.
    pub(crate) fn wait_for_all(&mut self, forgotten: ForgottenJobs) {
        let latest = self.latest();
        match forgotten {
            ForgottenJobs::All => self.places.clear(),
            ForgottenJobs::Latest => {
                let jobs = self.places.drain(..).flatten();
                self.remembered.extend(jobs.filter(|job| job.number != latest));
            }
            ForgottenJobs::None => self.remembered.extend(self.places.drain(..).flatten()),
            ForgottenJobs::NoPlaces => {
                self.places.iter_mut().flatten().for_each(|job| job.waited = true);
            }
        }
    }
}

/// The status of the job at a place, which is waited for now.
fn take(place: &mut Option<Job>, waited: WaitedJobs) -> Status {
    let status = place.map_or(0, |job| job.status);
    match waited {
        WaitedJobs::Forgotten => *place = None,
        WaitedJobs::Kept | WaitedJobs::UntilPlaceIsNeeded => {
            place.iter_mut().for_each(|job| job.waited = true);
        }
    }
    status
}

#[cfg(test)]
mod tests {
    use super::*;

    fn two() -> (Jobs, Option<HoleName>, Option<HoleName>) {
        let (mut jobs, one) = (Jobs::default(), HoleName::SHELL_NUMBER.next());
        let other = one.and_then(HoleName::next);
        jobs.start(one, 3);
        jobs.start(other, 4);
        (jobs, one, other)
    }

    #[test]
    fn a_job_is_forgotten_once_it_was_waited_for() {
        let (mut jobs, one, other) = two();
        assert_eq!(jobs.wait_for(one, WaitedJobs::Forgotten, false), Known::Status(3));
        assert_eq!(jobs.wait_for(one, WaitedJobs::Forgotten, false), Known::Forgotten);
        assert_eq!(jobs.wait_for(other, WaitedJobs::Kept, false), Known::Status(4));
        assert_eq!(jobs.wait_for(other, WaitedJobs::Kept, false), Known::Status(4));
        assert_eq!(jobs.wait_for(other, WaitedJobs::Kept, true), Known::Forgotten);
        assert_eq!(jobs.wait_for(None, WaitedJobs::Kept, false), Known::Unclear);
    }

    #[test]
    fn a_new_process_takes_the_place_of_the_first_that_was_waited_for() {
        let (mut jobs, one, other) = two();
        let waited = WaitedJobs::UntilPlaceIsNeeded;
        assert_eq!(jobs.wait_for(one, waited, false), Known::Status(3));
        assert_eq!(jobs.wait_for(other, waited, false), Known::Status(4));
        jobs.make_room(waited);
        assert_eq!(jobs.wait_for(one, waited, false), Known::Forgotten);
        jobs.make_room(waited);
        assert_eq!(jobs.wait_for(other, waited, false), Known::Status(4));
    }

    #[test]
    fn waiting_for_all_forgets_what_the_shell_forgets() {
        for (forgotten, left) in [
            (ForgottenJobs::All, [Known::Forgotten, Known::Forgotten]),
            (ForgottenJobs::Latest, [Known::Status(3), Known::Forgotten]),
            (ForgottenJobs::None, [Known::Status(3), Known::Status(4)]),
        ] {
            let (mut jobs, one, other) = two();
            jobs.wait_for_all(forgotten);
            let found =
                [one, other].map(|number| jobs.wait_for(number, WaitedJobs::Forgotten, false));
            assert_eq!(found, left, "{forgotten:?}");
            assert_eq!(jobs.wait_for_next(WaitedJobs::Forgotten), None);
        }
    }
}
