//! The rules of kernels for one line, side by side.

use fizzet_core::kernel::systems::{Evidence, LongLine, SYSTEMS, System, first_line};

use crate::render::launch::{plain, sentence};
use crate::render::page::Page;

/// Writes what each system, or the one that is named, makes of the line.
pub fn write(page: &mut Page, head: &[u8], named: &str) {
    page.text(&plain(first_line(head))).end_row();
    for system in SYSTEMS.iter().filter(|system| named == "all" || system.name == named) {
        page.end_row();
        one(page, system, head);
    }
}

fn one(page: &mut Page, system: &System, head: &[u8]) {
    let frame = page.palette.frame;
    page.styled(frame, system.name).end_row();
    match system.words_of(head) {
        None => sentence(page, "no interpreter: the file is not taken for a script, or refused."),
        Some(words) => {
            let told: Vec<String> = words.iter().map(|word| plain(word)).collect();
            let bold = page.palette.value;
            page.text("  interpreter  ").styled(bold, &told[0]).end_row();
            for (at, word) in told.iter().enumerate().skip(1) {
                page.text(&format!("  argument {at}   ")).styled(bold, word).end_row();
            }
        }
    }
    let long = match system.long {
        LongLine::ArgumentCut => "cuts the argument of a longer line",
        LongLine::Refused => "refuses a longer line",
    };
    let nested = match system.nested {
        Some(1) => "; an interpreter may not be a script itself".to_owned(),
        Some(count) => format!("; {count} scripts may stand behind one another"),
        None => String::new(),
    };
    sentence(page, &format!("Takes {} bytes, {long}{nested}.", system.limit));
    let evidence = match system.evidence {
        Evidence::Observed => "Observed",
        Evidence::Documented => "Documented",
    };
    sentence(page, &format!("{evidence}: {}.", system.source));
}
