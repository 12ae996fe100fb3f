//! Floating-point numbers as `printf` of C writes them.

/// A number that is not negative, in the way of `%f`, `%e` or `%g`.
pub(crate) fn shown(value: f64, letter: u8, precision: Option<usize>, full: bool) -> String {
    let capital = letter.is_ascii_uppercase();
    if !value.is_finite() {
        let name = if value.is_nan() { "nan" } else { "inf" };
        return if capital { name.to_uppercase() } else { name.into() };
    }
    let precision = precision.unwrap_or(6).min(400);
    let text = match letter.to_ascii_lowercase() {
        b'f' => format!("{value:.precision$}"),
        b'e' => scientific(value, precision),
        _ => general(value, precision.max(1), full),
    };
    if capital { text.to_uppercase() } else { text }
}

fn scientific(value: f64, precision: usize) -> String {
    let text = format!("{value:.precision$e}");
    let (digits, exponent) = text.split_once('e').unwrap_or((&text, "0"));
    let exponent: i32 = exponent.parse().unwrap_or(0);
    let sign = if exponent < 0 { '-' } else { '+' };
    format!("{digits}e{sign}{:02}", exponent.abs())
}

/// The shorter of the two, without zeros at the end.
fn general(value: f64, precision: usize, full: bool) -> String {
    let probe = format!("{value:.*e}", precision - 1);
    let exponent = probe.split_once('e').and_then(|(_, text)| text.parse().ok()).unwrap_or(0i32);
    let plain = (-4..precision as i32).contains(&exponent);
    let text = match plain {
        true => format!("{value:.*}", (precision as i32 - 1 - exponent).max(0) as usize),
        false => scientific(value, precision - 1),
    };
    if full || !text.contains('.') {
        return text;
    }
    match text.split_once('e') {
        Some((digits, exponent)) => format!("{}e{exponent}", trimmed(digits)),
        None => trimmed(&text).into(),
    }
}

fn trimmed(digits: &str) -> &str {
    digits.trim_end_matches('0').trim_end_matches('.')
}

#[cfg(test)]
mod tests {
    use super::shown;

    #[test]
    fn numbers_look_as_in_c() {
        assert_eq!(shown(1.5, b'f', None, false), "1.500000");
        assert_eq!(shown(1000.0, b'e', None, false), "1.000000e+03");
        assert_eq!(shown(0.0001, b'g', None, false), "0.0001");
        assert_eq!(shown(0.00001, b'g', None, false), "1e-05");
        assert_eq!(shown(1e6, b'G', None, false), "1E+06");
        assert_eq!(shown(100000.0, b'g', None, false), "100000");
    }
}
