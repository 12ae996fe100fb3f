//! `cargo xtask receive`: launches the committed lines in the real runtimes, converts the committed texts
//! there, reads arguments there, and writes what came of it.

use std::io::{self, Write};

use fizzet_truth::conversions;
use fizzet_truth::listed::{cases, write_recorded};
use fizzet_truth::reads;
use fizzet_truth::receivers::{Receivers, versions};

/// Records all of it, and tells what is predicted otherwise.
pub(crate) fn record() -> Result<(), String> {
    [launches, converted, read]
        .iter()
        .try_for_each(|record| record().map_err(|error| error.to_string()))
}

fn launches() -> io::Result<()> {
    let receivers = Receivers::new()?;
    let mut record = Record::default();
    for line in cases("receive/launches.txt")? {
        let truth = receivers.truth(&line)?.to_string();
        let ours = receivers.prediction(&line)?;
        let agrees = ours.is_met_by(&truth);
        record.add(line, truth, &ours.to_string(), agrees)?;
    }
    record.write("receive/launches")
}

fn converted() -> io::Result<()> {
    let texts = conversions::texts()?;
    let bytes: Vec<Vec<u8>> = texts.iter().map(|(_, bytes)| bytes.clone()).collect();
    let ours: Vec<_> = bytes.iter().map(|text| conversions::prediction(text)).collect();
    let mut record = Record::default();
    for ((conversion, at), truth) in conversions::truth(&bytes)? {
        let predicted = ours[at].get(&conversion).map_or("", String::as_str);
        let agrees = predicted == truth;
        record.add(format!("{conversion} {}", texts[at].0), truth, predicted, agrees)?;
    }
    record.write("receive/conversions")
}

fn read() -> io::Result<()> {
    let mut record = Record::default();
    for (case, truth) in reads::truth()? {
        let ours = reads::prediction(&case);
        let agrees = ours == truth;
        record.add(case, truth, &ours, agrees)?;
    }
    record.write("receive/reads")
}

/// Cases and what came of them.
#[derive(Default)]
struct Record {
    cases: Vec<(String, String)>,
    differ: usize,
}

impl Record {
    fn add(&mut self, case: String, truth: String, ours: &str, agrees: bool) -> io::Result<()> {
        if !agrees {
            self.differ += 1;
            writeln!(io::stderr(), "{case}\n    real: {truth}\n  fizzet: {ours}")?;
        }
        self.cases.push((case, truth));
        Ok(())
    }

    fn write(self, name: &str) -> io::Result<()> {
        write_recorded(&format!("{name}.recorded"), &versions(), &self.cases)?;
        writeln!(io::stderr(), "{name}: {} cases, {} differ", self.cases.len(), self.differ)
    }
}
