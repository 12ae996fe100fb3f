//! Pathname expansion (POSIX XCU 2.14.3).

use crate::dialect::Dialect;
use crate::expand::pattern::{Pattern, PatternRules, has_pattern};
use crate::host::Files;
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::text::{Standing, Text};

/// The pathnames that a field matches, sorted by bytes; `None` when it is no pattern or nothing
/// matches.
///
/// `word` is the place of the whole word; it becomes the place of the result. With the shell goes
/// whether patterns match hidden files too.
pub(super) fn pathnames(
    field: &Text,
    word: Span,
    rules: PatternRules,
    shell: (&Dialect, bool),
    files: &dyn Files,
) -> Option<Vec<Text>> {
    if !has_pattern(field) {
        return None;
    }
    let components = components(field, rules);
    if components.iter().all(|(_, pattern)| pattern.literal().is_some()) {
        return None;
    }
    let mut found = search(&components, shell, files);
    if found.is_empty() {
        return None;
    }
    found.sort_unstable();
    let origin = match_origin(field, word);
    Some(
        found
            .into_iter()
            .map(|path| Text::from_bytes(path, Standing::Quoted, origin.clone()))
            .collect(),
    )
}

/// The origin of matched pathnames: the match at the word, and before it where the first active
/// pattern character came from.
fn match_origin(field: &Text, word: Span) -> Origin {
    let hop = Hop { rule: Rule::Pathname, span: word, name: None, shifted: 0 };
    let active = field.runs().find(|(run, bytes)| {
        !run.is_quoted() && bytes.iter().any(|byte| matches!(byte, b'*' | b'?' | b'['))
    });
    match active {
        Some((run, _)) => run.origin.then(hop),
        None => Origin::from_hop(hop),
    }
}

/// The slashes before each component, and its pattern.
fn components(field: &Text, rules: PatternRules) -> Vec<(usize, Pattern)> {
    let (bytes, quoted) = (field.bytes(), field.quoting());
    let mut components = Vec::new();
    let mut at = 0;
    while at < bytes.len() {
        let slashes = bytes[at..].iter().take_while(|&&byte| byte == b'/').count();
        let start = at + slashes;
        let length = bytes[start..].iter().take_while(|&&byte| byte != b'/').count();
        let mut part = start..start + length;
        if rules.backslash_escapes && ends_in_escape(&bytes[part.clone()], &quoted[part.clone()]) {
            let literal =
                Pattern::new(&bytes[start..part.end - 1], &quoted[start..part.end - 1], rules);
            let slash_follows = part.end < bytes.len();
            if slash_follows && (literal.literal().is_some() || rules.escapes_slash_behind_pattern)
            {
                part.end -= 1;
            }
        }
        components.push((slashes, Pattern::new(&bytes[part.clone()], &quoted[part], rules)));
        at = start + length;
    }
    components
}

/// Whether a component ends in a backslash that would escape the slash behind it.
fn ends_in_escape(bytes: &[u8], quoted: &[bool]) -> bool {
    let escapes = bytes.iter().zip(quoted).rev();
    escapes.take_while(|&(&byte, &quoted)| byte == b'\\' && !quoted).count() % 2 == 1
}

fn search(
    components: &[(usize, Pattern)],
    (dialect, hidden): (&Dialect, bool),
    files: &dyn Files,
) -> Vec<Vec<u8>> {
    let mut paths: Vec<Vec<u8>> = vec![Vec::new()];
    let (mut unchecked, mut matched) = (false, false);
    for (at, (slashes, pattern)) in components.iter().enumerate() {
        let squeezed = if dialect.squeezes_slashes && matched { 1 } else { usize::MAX };
        for path in &mut paths {
            path.extend(std::iter::repeat_n(b'/', (*slashes).min(squeezed)));
        }
        if let Some(literal) = pattern.literal() {
            for path in &mut paths {
                path.extend_from_slice(literal);
            }
            unchecked = true;
            continue;
        }
        let last = at + 1 == components.len();
        let mut next = Vec::new();
        for folder in &paths {
            matches_in(folder, pattern, (dialect, hidden), files, &mut |name| {
                let mut path = Vec::with_capacity(folder.len() + name.len());
                path.extend_from_slice(folder);
                path.extend_from_slice(name);
                if last || files.is_folder(&path) {
                    next.push(path);
                }
            });
        }
        paths = next;
        (unchecked, matched) = (false, true);
        if paths.is_empty() {
            return paths;
        }
    }
    if unchecked {
        paths.retain(|path| files.exists(path));
    }
    paths
}

fn matches_in(
    folder: &[u8],
    pattern: &Pattern,
    (dialect, all): (&Dialect, bool),
    files: &dyn Files,
    found: &mut dyn FnMut(&[u8]),
) {
    let hidden = pattern.begins_with(b'.');
    let here: &[u8] = if folder.is_empty() { b"." } else { folder };
    let listed = files.list(here, &mut |name| {
        if (hidden || all || name[0] != b'.') && pattern.matches(name) {
            found(name);
        }
    });
    if listed && hidden && dialect.dot_star_matches_dots {
        for name in [&b"."[..], b".."] {
            if pattern.matches(name) {
                found(name);
            }
        }
    }
}
