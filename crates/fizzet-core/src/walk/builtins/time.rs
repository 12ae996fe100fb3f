//! Points in time as `strftime` of C writes them, in universal time.

const DAYS: [&str; 7] =
    ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];
const MONTHS: [&str; 12] = [
    "January",
    "February",
    "March",
    "April",
    "May",
    "June",
    "July",
    "August",
    "September",
    "October",
    "November",
    "December",
];

/// Seconds since 1970 in a format; `None` where it asks for what is not written here.
pub(super) fn shown(seconds: i64, format: &str) -> Option<String> {
    let (days, rest) = (seconds.div_euclid(86_400), seconds.rem_euclid(86_400));
    let (year, month, day) = date(days);
    let (hour, minute, second) = (rest / 3600, rest / 60 % 60, rest % 60);
    let weekday = (days + 4).rem_euclid(7);
    let mut out = String::new();
    let mut characters = format.chars();
    while let Some(character) = characters.next() {
        if character != '%' {
            out.push(character);
            continue;
        }
        out += &match characters.next()? {
            'Y' => year.to_string(),
            'y' => format!("{:02}", year.rem_euclid(100)),
            'm' => format!("{month:02}"),
            'd' => format!("{day:02}"),
            'e' => format!("{day:2}"),
            'H' => format!("{hour:02}"),
            'M' => format!("{minute:02}"),
            'S' => format!("{second:02}"),
            's' => seconds.to_string(),
            'F' => format!("{year}-{month:02}-{day:02}"),
            'T' => format!("{hour:02}:{minute:02}:{second:02}"),
            'R' => format!("{hour:02}:{minute:02}"),
            'A' => DAYS[weekday as usize].into(),
            'a' => DAYS[weekday as usize][..3].into(),
            'B' => MONTHS[month as usize - 1].into(),
            'b' | 'h' => MONTHS[month as usize - 1][..3].into(),
            'u' => (if weekday == 0 { 7 } else { weekday }).to_string(),
            'w' => weekday.to_string(),
            'n' => "\n".into(),
            't' => "\t".into(),
            'Z' => "UTC".into(),
            'z' => "+0000".into(),
            '%' => "%".into(),
            _ => return None,
        };
    }
    Some(out)
}

/// The year, month and day that is `days` after 1970-01-01.
fn date(days: i64) -> (i64, i64, i64) {
    // Years that begin in March put the leap day at their end.
    let shifted = days + 719_468;
    let era = shifted.div_euclid(146_097);
    let day_of_era = shifted.rem_euclid(146_097);
    let year_of_era =
        (day_of_era - day_of_era / 1460 + day_of_era / 36_524 - day_of_era / 146_096) / 365;
    let day_of_year = day_of_era - (365 * year_of_era + year_of_era / 4 - year_of_era / 100);
    let index = (5 * day_of_year + 2) / 153;
    let month = if index < 10 { index + 3 } else { index - 9 };
    let year = year_of_era + era * 400 + i64::from(month <= 2);
    (year, month, day_of_year - (153 * index + 2) / 5 + 1)
}

#[cfg(test)]
mod tests {
    use super::shown;

    #[test]
    fn dates_are_right_around_leap_days() {
        assert_eq!(shown(0, "%F %T %a").as_deref(), Some("1970-01-01 00:00:00 Thu"));
        assert_eq!(shown(951_782_400, "%F").as_deref(), Some("2000-02-29"));
        assert_eq!(shown(951_868_799, "%F %R").as_deref(), Some("2000-02-29 23:59"));
        assert_eq!(shown(1_709_251_200, "%d %b %Y").as_deref(), Some("01 Mar 2024"));
        assert_eq!(shown(0, "%Q"), None);
    }
}
