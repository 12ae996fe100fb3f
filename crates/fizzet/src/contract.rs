//! Contract files: a declared usage, in TOML.
//!
//! ```toml
//! program = "press"
//! about = "Press honey into jars"
//!
//! [reading]
//! options = "anywhere"
//!
//! [[option]]
//! name = "weight"
//! short = "w"
//! long = "weight"
//! value = "GRAMS"
//! type = "int"
//!
//! [[operand]]
//! name = "jar"
//! from = 1
//! ```

use std::path::Path;

use fizzet_core::receive::contract::draft::Draft;
use fizzet_core::receive::contract::{
    Contract, Convention, Kind, Negative, OperandRule, OptionRule, OptionsStand,
};
use fizzet_core::source::{SourceId, SourceKind, Sources};
use serde::Deserialize;
use toml::Spanned;

use crate::failure::Failure;

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct File {
    program: String,
    #[serde(default)]
    about: String,
    #[serde(default)]
    reading: ReadingTable,
    #[serde(default, rename = "option")]
    options: Vec<OptionTable>,
    #[serde(default, rename = "operand")]
    operands: Vec<OperandTable>,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields, default, rename_all = "kebab-case")]
struct ReadingTable {
    options: OptionsWord,
    long: LongWord,
    separator: bool,
    clusters: bool,
    attached: bool,
    equals: bool,
    shortened: bool,
    negative: NegativeWord,
}

impl Default for ReadingTable {
    fn default() -> ReadingTable {
        ReadingTable {
            options: OptionsWord::BeforeOperands,
            long: LongWord::TwoDashes,
            separator: true,
            clusters: true,
            attached: true,
            equals: true,
            shortened: false,
            negative: NegativeWord::Option,
        }
    }
}

#[derive(Clone, Copy, Deserialize)]
#[serde(rename_all = "kebab-case")]
enum OptionsWord {
    BeforeOperands,
    Anywhere,
    Nowhere,
}

#[derive(Clone, Copy, PartialEq, Deserialize)]
#[serde(rename_all = "kebab-case")]
enum LongWord {
    TwoDashes,
    OneDash,
}

#[derive(Clone, Copy, Deserialize)]
#[serde(rename_all = "kebab-case")]
enum NegativeWord {
    Option,
    Operand,
    OperandUnlessOption,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct OptionTable {
    name: Spanned<String>,
    short: Option<Spanned<String>>,
    long: Option<Spanned<String>>,
    value: Option<String>,
    #[serde(rename = "type")]
    kind: Option<Spanned<String>>,
    #[serde(default)]
    repeats: bool,
    #[serde(default)]
    required: bool,
    default: Option<Spanned<String>>,
    #[serde(default)]
    choices: Vec<String>,
    #[serde(default)]
    excludes: Vec<Spanned<String>>,
    #[serde(default)]
    needs: Vec<Spanned<String>>,
    #[serde(default)]
    about: String,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct OperandTable {
    name: Spanned<String>,
    #[serde(rename = "type")]
    kind: Option<Spanned<String>>,
    from: Option<Spanned<i64>>,
    to: Option<Spanned<Most>>,
    #[serde(default)]
    choices: Vec<String>,
    #[serde(default)]
    about: String,
}

/// A number, or `"any"`.
#[derive(Deserialize)]
#[serde(untagged)]
enum Most {
    Number(i64),
    Word(String),
}

/// A contract file that cannot be used: where, why, and what would do.
struct Fault {
    at: Option<std::ops::Range<usize>>,
    why: String,
    hint: String,
}

impl Fault {
    fn at<T>(spanned: &Spanned<T>, why: String, hint: impl Into<String>) -> Fault {
        Fault { at: Some(spanned.span()), why, hint: hint.into() }
    }
}

/// Reads a contract file.
///
/// # Errors
/// A file that cannot be read, or that is no contract: line, column and the valid choices.
pub fn read(path: &Path) -> Result<Contract, Failure> {
    let unusable = |why: String, hint: String| Failure::Unusable {
        what: format!("contract {}", path.display()),
        why,
        hint,
    };
    let start = "fizzet accept --draft SCRIPT writes a first contract".to_owned();
    let text =
        fizzet_host::read_script(path).map_err(|error| unusable(error.to_string(), start))?;
    let text = String::from_utf8(text)
        .map_err(|error| unusable(error.to_string(), "write it in UTF-8".into()))?;
    parsed(&text).map_err(|fault| {
        let place = fault.at.map(|span| place(&text, span)).unwrap_or_default();
        unusable(format!("{}{place}", fault.why), fault.hint)
    })
}

/// Line and column of a span, and the line with the span underlined.
fn place(text: &str, span: std::ops::Range<usize>) -> String {
    let sources = Sources::new(SourceKind::Line, text.as_bytes());
    let (start, end) = (span.start.min(text.len()), span.end.min(text.len()));
    let position = sources.position(fizzet_core::source::Span::new(SourceId::MAIN, start, end));
    let line_start = text[..start].rfind('\n').map_or(0, |at| at + 1);
    let line = text[line_start..].lines().next().unwrap_or_default();
    let before = text[line_start..start].chars().count();
    let marked = text[start..end].lines().next().unwrap_or_default().chars().count().max(1);
    format!(
        " (line {}, column {})\n  {line}\n  {}{}",
        position.line,
        position.column,
        " ".repeat(before),
        "^".repeat(marked)
    )
}

fn parsed(text: &str) -> Result<Contract, Fault> {
    let file: File = toml::from_str(text).map_err(|error| Fault {
        at: error.span(),
        why: error.message().to_owned(),
        hint: "README.md has a contract in full; fizzet accept --draft SCRIPT writes a first one"
            .into(),
    })?;
    let convention = convention(&file.reading);
    let mut options: Vec<OptionRule> = Vec::new();
    for table in &file.options {
        let rule = option(table, &options)?;
        options.push(rule);
    }
    for table in &file.options {
        for other in table.excludes.iter().chain(&table.needs) {
            if !options.iter().any(|one| one.name == *other.get_ref()) {
                let known: Vec<&str> = options.iter().map(|one| one.name.as_str()).collect();
                let why = format!("there is no option named {}", other.get_ref());
                return Err(Fault::at(other, why, format!("the options are {}", known.join(", "))));
            }
        }
    }
    let mut operands: Vec<OperandRule> = Vec::new();
    for table in &file.operands {
        let rule = operand(table, &options, &operands)?;
        operands.push(rule);
    }
    Ok(Contract { program: file.program, about: file.about, convention, options, operands })
}

fn convention(table: &ReadingTable) -> Convention {
    Convention {
        options: match table.options {
            OptionsWord::BeforeOperands => OptionsStand::BeforeOperands,
            OptionsWord::Anywhere => OptionsStand::Anywhere,
            OptionsWord::Nowhere => OptionsStand::Nowhere,
        },
        one_dash: table.long == LongWord::OneDash,
        separator: table.separator,
        clusters: table.clusters,
        attached: table.attached,
        equals: table.equals,
        shortened: table.shortened,
        negative: match table.negative {
            NegativeWord::Option => Negative::Option,
            NegativeWord::Operand => Negative::Operand,
            NegativeWord::OperandUnlessOption => Negative::OperandUnlessOption,
        },
    }
}

fn kind(given: Option<&Spanned<String>>) -> Result<Kind, Fault> {
    let Some(given) = given else { return Ok(Kind::Text) };
    Kind::named(given.get_ref()).ok_or_else(|| {
        let names = Kind::ALL.map(Kind::name).join(", ");
        Fault::at(
            given,
            format!("there is no type {}", given.get_ref()),
            format!("the types are {names}"),
        )
    })
}

fn option(table: &OptionTable, before: &[OptionRule]) -> Result<OptionRule, Fault> {
    let name = table.name.get_ref();
    if before.iter().any(|one| one.name == *name) {
        return Err(Fault::at(
            &table.name,
            format!("the option {name} is declared twice"),
            "give each a name of its own",
        ));
    }
    let short = match &table.short {
        None => None,
        Some(short) => match short.get_ref().as_bytes() {
            &[letter] if letter.is_ascii_graphic() && letter != b'-' => Some(letter),
            _ => {
                return Err(Fault::at(
                    short,
                    "short is one letter, without its dash".into(),
                    "write short = \"w\"",
                ));
            }
        },
    };
    if let (Some(letter), Some(given)) = (short, &table.short)
        && let Some(other) = before.iter().find(|one| one.short == Some(letter))
    {
        return Err(Fault::at(
            given,
            format!("-{} is the letter of {} already", char::from(letter), other.name),
            "choose another letter",
        ));
    }
    if let Some(long) = &table.long {
        let text = long.get_ref();
        if text.is_empty() || text.starts_with('-') || text.contains(['=', ' ']) {
            return Err(Fault::at(
                long,
                "long is a name without its dashes, blanks and =".into(),
                "write long = \"weight\"",
            ));
        }
        if let Some(other) = before.iter().find(|one| one.long.as_ref() == Some(text)) {
            return Err(Fault::at(
                long,
                format!("--{text} is the long name of {} already", other.name),
                "choose another name",
            ));
        }
    }
    if short.is_none() && table.long.is_none() {
        return Err(Fault::at(
            &table.name,
            format!("the option {name} has neither short nor long"),
            "write short = \"w\", long = \"weight\", or both",
        ));
    }
    if let (None, Some(default)) = (&table.value, &table.default) {
        return Err(Fault::at(
            default,
            format!("{name} takes no value, so it has no default"),
            "write value = \"GRAMS\" too",
        ));
    }
    if let (true, Some(default)) = (table.required, &table.default) {
        return Err(Fault::at(
            default,
            format!("{name} has to be given, so it has no default"),
            "leave one of the two out",
        ));
    }
    Ok(OptionRule {
        name: name.clone(),
        short,
        long: table.long.as_ref().map(|long| long.get_ref().clone()),
        value: table.value.clone(),
        kind: kind(table.kind.as_ref())?,
        repeats: table.repeats,
        required: table.required,
        default: table.default.as_ref().map(|default| default.get_ref().clone()),
        choices: table.choices.clone(),
        excludes: table.excludes.iter().map(|one| one.get_ref().clone()).collect(),
        needs: table.needs.iter().map(|one| one.get_ref().clone()).collect(),
        about: table.about.clone(),
    })
}

fn operand(
    table: &OperandTable,
    options: &[OptionRule],
    before: &[OperandRule],
) -> Result<OperandRule, Fault> {
    let name = table.name.get_ref();
    let known = options.iter().map(|one| &one.name).chain(before.iter().map(|one| &one.name));
    if known.into_iter().any(|one| one == name) {
        return Err(Fault::at(
            &table.name,
            format!("{name} is declared twice"),
            "give each a name of its own",
        ));
    }
    let count = |number: i64| usize::try_from(number).ok();
    let from = match &table.from {
        None => 1,
        Some(from) => count(*from.get_ref()).ok_or_else(|| {
            Fault::at(from, "fewer than none is no count".into(), "from is 0 or more")
        })?,
    };
    let to = match &table.to {
        None => Some(from.max(1)),
        Some(to) => match to.get_ref() {
            Most::Word(word) if word == "any" => None,
            Most::Number(number) if count(*number).is_some_and(|to| to >= from && to > 0) => {
                count(*number)
            }
            _ => {
                let why = format!("to is less than from ({from}), or no count");
                return Err(Fault::at(
                    to,
                    why,
                    "to is a number, at least 1 and at least from, or \"any\"",
                ));
            }
        },
    };
    Ok(OperandRule {
        name: name.clone(),
        kind: kind(table.kind.as_ref())?,
        from,
        to,
        choices: table.choices.clone(),
        about: table.about.clone(),
    })
}

/// A drafted contract as a file, with what it was read from.
pub fn written(draft: &Draft, sources: &Sources, script: &str) -> String {
    let contract = &draft.contract;
    let quoted = |text: &str| toml::Value::String(text.to_owned()).to_string();
    let mut out = format!("# Drafted from {script}; correct what it cannot know.\n");
    for (span, told) in &draft.evidence {
        let position = sources.position(*span);
        out += &format!("# line {}: {told}\n", position.line);
    }
    out += &format!("program = {}\nabout = \"\"\n\n[reading]\n", quoted(&contract.program));
    out += match contract.convention.options {
        OptionsStand::BeforeOperands => "options = \"before-operands\"\n",
        OptionsStand::Anywhere => "options = \"anywhere\"\n",
        OptionsStand::Nowhere => "options = \"nowhere\"\n",
    };
    for option in &contract.options {
        out += &format!("\n[[option]]\nname = {}\n", quoted(&option.name));
        if let Some(short) = option.short {
            out += &format!("short = {}\n", quoted(&char::from(short).to_string()));
        }
        if let Some(value) = &option.value {
            out += &format!("value = {}\n", quoted(value));
        }
    }
    for operand in &contract.operands {
        let to = operand.to.map_or("\"any\"".to_owned(), |to| to.max(1).to_string());
        out += &format!(
            "\n[[operand]]\nname = {}\nfrom = {}\nto = {to}\n",
            quoted(&operand.name),
            operand.from
        );
    }
    out
}
