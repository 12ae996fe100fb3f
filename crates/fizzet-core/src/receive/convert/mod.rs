//! Conversions: what the usual ways of a language make of a text that should be a number.
//!
//! Observed in glibc 2.36, OpenJDK 17, Python 3.11, Go 1.19, Rust 1.95, Perl 5.36, PHP 8.2, Node 20,
//! Ruby 3.1 and the shells of Debian 12: see `fizzet-truth/receive/texts.txt`.

pub mod real;
pub mod scan;
pub mod shell;
pub mod show;
pub mod unicode;
pub mod whole;

/// What a conversion gives.
#[derive(Clone, PartialEq, Debug)]
pub enum Value {
    /// A whole number of 64 bits.
    Whole(i64),
    /// A whole number of any size, or one as the language prints it.
    Digits(String),
    /// A real number.
    Real(f64),
    /// The truth of a comparison.
    Truth(bool),
}

/// What comes of a conversion.
#[derive(Clone, PartialEq, Debug)]
pub struct Outcome {
    /// The value, or the error by its right name.
    pub value: Result<Value, &'static str>,
    /// Where it stops, in bytes, where the language tells that.
    pub stops: Option<usize>,
    /// Whether errno becomes ERANGE.
    pub out_of_range: bool,
}

impl Outcome {
    pub(crate) fn of(value: Value) -> Outcome {
        Outcome { value: Ok(value), stops: None, out_of_range: false }
    }

    pub(crate) fn error(name: &'static str) -> Outcome {
        Outcome { value: Err(name), stops: None, out_of_range: false }
    }

    /// The value as people are shown it: reals with the fewest digits that tell them apart.
    pub fn shown(&self) -> Result<String, &'static str> {
        self.value.as_ref().map_err(|error| *error).map(|value| match value {
            Value::Whole(number) => number.to_string(),
            Value::Digits(digits) => digits.clone(),
            Value::Real(real) => show::shortest(*real),
            Value::Truth(truth) => truth.to_string(),
        })
    }
}

/// A conversion that needs nothing but the text.
#[derive(Debug)]
pub struct Conversion {
    /// The language.
    pub language: &'static str,
    /// The name in records and in JSON.
    pub name: &'static str,
    /// How it is written, with `s` for the text.
    pub form: &'static str,
    /// Whether it is asked for as a real number.
    pub is_real: bool,
    /// What it does.
    pub run: fn(&[u8]) -> Outcome,
}

const fn row(
    language: &'static str,
    name: &'static str,
    form: &'static str,
    is_real: bool,
    run: fn(&[u8]) -> Outcome,
) -> Conversion {
    Conversion { language, name, form, is_real, run }
}

/// All of them, in the order in which they are told.
pub static CONVERSIONS: &[Conversion] = &[
    row("c", "atoi", "atoi(s)", false, whole::atoi),
    row("c", "strtol-10", "strtol(s, &end, 10)", false, |text| whole::strtol(text, 10)),
    row("c", "strtol-0", "strtol(s, &end, 0)", false, |text| whole::strtol(text, 0)),
    row("c", "strtol-16", "strtol(s, &end, 16)", false, |text| whole::strtol(text, 16)),
    row("go", "strconv.Atoi", "strconv.Atoi(s)", false, whole::go_atoi),
    row("go", "strconv.ParseInt-0", "strconv.ParseInt(s, 0, 64)", false, whole::go_parse_int),
    row("rust", "parse::<i32>", "s.parse::<i32>()", false, whole::rust::<i32>),
    row("rust", "parse::<i64>", "s.parse::<i64>()", false, whole::rust::<i64>),
    row("java", "Integer.parseInt", "Integer.parseInt(s)", false, |text| whole::java(text, 32)),
    row("java", "Long.parseLong", "Long.parseLong(s)", false, |text| whole::java(text, 64)),
    row("python", "int", "int(s)", false, whole::python),
    row("perl", "int", "int($s)", false, whole::perl),
    row("php", "(int)", "(int)$s", false, whole::php),
    row("javascript", "parseInt", "parseInt(s)", false, whole::javascript),
    row("javascript", "Number", "Number(s)", false, real::javascript_number),
    row("ruby", "to_i", "s.to_i", false, whole::ruby_to_i),
    row("ruby", "Integer", "Integer(s)", false, whole::ruby_integer),
    row("c", "atof", "atof(s)", true, |text| Outcome {
        stops: None,
        out_of_range: false,
        ..real::strtod(text)
    }),
    row("c", "strtod", "strtod(s, &end)", true, real::strtod),
    row("go", "strconv.ParseFloat", "strconv.ParseFloat(s, 64)", true, real::go),
    row("rust", "parse::<f64>", "s.parse::<f64>()", true, real::rust),
    row("java", "Double.parseDouble", "Double.parseDouble(s)", true, real::java),
    row("python", "float", "float(s)", true, real::python),
    row("perl", "numeric", "$s + 0", true, real::perl),
    row("php", "(float)", "(float)$s", true, real::php),
    row("javascript", "parseFloat", "parseFloat(s)", true, real::javascript_parse_float),
    row("javascript", "Number", "Number(s)", true, real::javascript_number),
    row("ruby", "to_f", "s.to_f", true, real::ruby_to_f),
    row("ruby", "Float", "Float(s)", true, real::ruby_float),
];
