//! What Rust's conversions make of each argument: its number, the conversion, the result.

fn main() {
    for (at, text) in std::env::args_os().enumerate().skip(1) {
        let Some(text) = text.to_str() else {
            for name in ["parse::<i32>", "parse::<i64>", "parse::<f64>"] {
                println!("{at} {name} panics");
            }
            continue;
        };
        let int = |result: Result<i64, std::num::ParseIntError>| match result {
            Ok(value) => value.to_string(),
            Err(error) => format!("{:?}", error.kind()),
        };
        println!("{at} parse::<i32> {}", int(text.parse::<i32>().map(i64::from)));
        println!("{at} parse::<i64> {}", int(text.parse::<i64>()));
        let float = match text.parse::<f64>() {
            Ok(value) if value.is_nan() => "nan".to_owned(),
            Ok(value) => format!("{:016x}", value.to_bits()),
            Err(_) => "ParseFloatError".to_owned(),
        };
        println!("{at} parse::<f64> {float}");
    }
}
