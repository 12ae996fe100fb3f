//! Where text goes: a width, a palette, and a buffer that is written at once.

use std::io::{self, IsTerminal, Write};

use anstyle::{AnsiColor, Style};

use crate::cli::{Color, OutputOptions};
use crate::render::visible::Cell;

/// The styles, all plain when there is no colour.
#[derive(Clone, Copy, Debug, Default)]
pub struct Palette {
    /// Indexes, underlines, labels.
    pub frame: Style,
    /// Arguments.
    pub value: Style,
    /// What stands for something that does not print.
    pub mark: Style,
    /// Pieces of the typed line.
    pub typed: Style,
    /// Notes and problems.
    pub alert: Style,
}

impl Palette {
    /// The palette for a choice of colour.
    pub fn new(color: bool) -> Palette {
        if !color {
            return Palette::default();
        }
        Palette {
            frame: AnsiColor::Blue.on_default(),
            value: Style::new().bold(),
            mark: AnsiColor::Magenta.on_default(),
            typed: AnsiColor::Green.on_default(),
            alert: AnsiColor::Red.on_default().bold(),
        }
    }
}

/// Text under construction.
#[derive(Debug)]
pub struct Page {
    /// Columns to print in.
    pub width: usize,
    /// The styles.
    pub palette: Palette,
    text: String,
}

impl Page {
    /// A page for standard output as the options want it.
    pub fn new(options: &OutputOptions) -> Page {
        Page::sized(options.color, options.width)
    }

    /// A page of this width for standard output.
    pub fn sized(color: Color, width: Option<u16>) -> Page {
        Page::for_stream(color, width, io::stdout().is_terminal())
    }

    /// A page for standard error.
    pub fn for_messages(color: Color, width: Option<u16>) -> Page {
        Page::for_stream(color, width, io::stderr().is_terminal())
    }

    fn for_stream(color: Color, width: Option<u16>, terminal: bool) -> Page {
        let plain = std::env::var_os("NO_COLOR").is_some_and(|value| !value.is_empty())
            || std::env::var_os("TERM").is_some_and(|value| value == "dumb");
        let colored = match color {
            Color::Always => true,
            Color::Never => false,
            Color::Auto => terminal && !plain,
        };
        let width = width.map(usize::from).or_else(|| {
            let size = terminal.then(terminal_size::terminal_size).flatten();
            size.map(|(width, _)| usize::from(width.0).max(20))
        });
        Page::of(colored, width.unwrap_or(80))
    }

    /// A page of a given width, with or without colour.
    pub fn of(color: bool, width: usize) -> Page {
        Page { width, palette: Palette::new(color), text: String::new() }
    }

    /// Appends text as it is.
    pub fn text(&mut self, text: &str) -> &mut Page {
        self.text.push_str(text);
        self
    }

    /// Appends styled text.
    pub fn styled(&mut self, style: Style, text: &str) -> &mut Page {
        if style == Style::new() || text.is_empty() {
            return self.text(text);
        }
        self.text.push_str(&format!("{style}{text}{style:#}"));
        self
    }

    /// Appends cells: marks in their own style, the rest in `style`.
    pub fn cells(&mut self, cells: &[Cell], style: Style) -> &mut Page {
        let mut at = 0;
        while at < cells.len() {
            let mark = cells[at].mark;
            let length = cells[at..].iter().take_while(|cell| cell.mark == mark).count();
            let shown: String = cells[at..at + length].iter().map(|cell| &*cell.shown).collect();
            self.styled(if mark { self.palette.mark } else { style }, &shown);
            at += length;
        }
        self
    }

    /// Appends spaces.
    pub fn pad(&mut self, columns: usize) -> &mut Page {
        self.text.extend(std::iter::repeat_n(' ', columns));
        self
    }

    /// Ends the row; blanks at its end are taken away.
    pub fn end_row(&mut self) -> &mut Page {
        let kept = self.text.trim_end_matches(' ').len();
        self.text.truncate(kept);
        self.text.push('\n');
        self
    }

    /// Writes something that many columns in.
    pub fn indented(&mut self, columns: usize, write: impl FnOnce(&mut Page)) -> &mut Page {
        let width = self.width.saturating_sub(columns).max(20);
        let mut inner = Page { width, palette: self.palette, text: String::new() };
        write(&mut inner);
        for row in inner.text.lines() {
            self.pad(columns).text(row).end_row();
        }
        self
    }

    /// The text so far, which is written elsewhere from here on.
    pub fn take(&mut self) -> String {
        std::mem::take(&mut self.text)
    }

    /// The finished text.
    pub fn finish(self) -> String {
        self.text
    }

    /// Writes the finished text.
    ///
    /// # Errors
    /// What the writer says.
    pub fn write(self, out: &mut dyn Write) -> io::Result<()> {
        out.write_all(self.text.as_bytes())
    }
}

/// Breaks words of plain prose into rows of at most `width` columns.
pub fn wrap(text: &str, width: usize) -> Vec<String> {
    use unicode_width::UnicodeWidthStr;
    let mut rows: Vec<String> = vec![String::new()];
    let mut used = 0;
    for word in text.split(' ') {
        let columns = word.width();
        if used > 0 && used + 1 + columns > width {
            rows.push(String::new());
            used = 0;
        }
        if let Some(row) = rows.last_mut() {
            if used > 0 {
                row.push(' ');
                used += 1;
            }
            row.push_str(word);
            used += columns;
        }
    }
    rows
}
