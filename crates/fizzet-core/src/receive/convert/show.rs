//! Numbers as text.

/// A real number with the fewest digits that tell it apart, as ECMAScript writes it: plain from
/// 0.000001 up to 21 digits, with an exponent otherwise.
pub fn shortest(value: f64) -> String {
    if value.is_nan() {
        return "NaN".into();
    }
    if value.is_infinite() {
        return if value > 0.0 { "Infinity" } else { "-Infinity" }.into();
    }
    if value == 0.0 {
        return if value.is_sign_negative() { "-0" } else { "0" }.into();
    }
    let size = value.abs();
    if (1e-6..1e21).contains(&size) {
        return format!("{value}");
    }
    let text = format!("{value:e}");
    match text.split_once('e') {
        Some((digits, exponent)) if !exponent.starts_with('-') => format!("{digits}e+{exponent}"),
        _ => text,
    }
}

/// A real number with 15 digits, as `%.15g` of C writes it.
pub fn fifteen_digits(value: f64) -> String {
    if value.is_nan() {
        return "NaN".into();
    }
    if value.is_infinite() {
        return if value > 0.0 { "Inf" } else { "-Inf" }.into();
    }
    let text = format!("{value:.14e}");
    let (digits, exponent) = text.split_once('e').unwrap_or((&text, "0"));
    let exponent: i32 = exponent.parse().unwrap_or(0);
    let trimmed = |text: &str| match text.contains('.') {
        true => text.trim_end_matches('0').trim_end_matches('.').to_owned(),
        false => text.to_owned(),
    };
    if (-4..15).contains(&exponent) {
        return trimmed(&format!("{value:.*}", (14 - exponent).max(0) as usize));
    }
    let sign = if exponent < 0 { '-' } else { '+' };
    format!("{}e{sign}{:02}", trimmed(digits), exponent.abs())
}

#[cfg(test)]
mod tests {
    use super::{fifteen_digits, shortest};

    #[test]
    fn reals_are_written_as_each_language_writes_them() {
        assert_eq!(shortest(1e21), "1e+21");
        assert_eq!(shortest(123456789012345680000.0), "123456789012345680000");
        assert_eq!(shortest(1e-7), "1e-7");
        assert_eq!(shortest(0.000001), "0.000001");
        assert_eq!(shortest(-0.0), "-0");
        assert_eq!(fifteen_digits(1e20), "1e+20");
        assert_eq!(fifteen_digits(18446744073709551616.0), "1.84467440737096e+19");
        assert_eq!(fifteen_digits(0.1), "0.1");
        assert_eq!(fifteen_digits(1e-5), "1e-05");
        assert_eq!(fifteen_digits(123456789012345.0), "123456789012345");
    }
}
