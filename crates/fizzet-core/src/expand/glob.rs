//! Pathname expansion (POSIX XCU 2.14.3).

use std::rc::Rc;

use bstr::ByteSlice;

use crate::dialect::Dialect;
use crate::expand::flags::by_name;
use crate::expand::modifiers::by_name as modified;
use crate::expand::pattern::{Pattern, PatternRules, has_active, has_pattern, of_pathname};
use crate::expand::qualifiers::{Marks, Qualifiers};
use crate::host::{FileKind, Files};
use crate::lineage::{Hop, Origin, Rule};
use crate::source::Span;
use crate::state::State;
use crate::text::{Run, Standing, Text};

/// The deepest folder that `**` goes into.
const MAX_DEPTH: u32 = 256;

/// How pathnames are looked for now.
pub(super) struct Settings {
    rules: PatternRules,
    /// Whether patterns match hidden files too.
    hidden: bool,
    /// Whether `.*` matches `.` and `..`.
    dots: bool,
    /// Whether several slashes behind a pattern become one.
    squeezes: bool,
    /// Whether a dot in a group at the start of a pattern matches that of a hidden name.
    groups_match_hidden: bool,
    /// Whether `**` matches any number of folders.
    double_star: bool,
    /// Whether `**` matches folders only with a slash behind it.
    needs_slash: bool,
    /// Whether numbers are sorted by their values.
    by_number: bool,
    /// What stands behind the names.
    marks: Marks,
    /// What is left out: the patterns of GLOBIGNORE.
    ignored: Vec<Pattern>,
    /// The names that are left out, if the shell is told of any.
    left_out: Option<Pattern>,
    dialect: Rc<Dialect>,
}

impl Settings {
    /// How many stars before the last part of a pathname stand for all folders, where that needs no slash.
    fn stars_before(&self, pattern: &Pattern, written: &[u8]) -> Option<usize> {
        if self.dialect.switched_double_star && self.double_star && pattern.is_double_star(written)
        {
            return Some(1);
        }
        let stars = written.iter().take_while(|&&byte| byte == b'*').count();
        let is_short = self.dialect.double_star_needs_no_slash
            && stars > 1
            && (stars < 4 || written.len() > stars)
            && pattern.begins_with_star();
        is_short.then_some(if stars > 2 { 2 } else { 1 })
    }

    /// The same with what qualifiers ask for.
    pub(super) fn with(mut self, qualifiers: &Qualifiers) -> Settings {
        self.hidden |= qualifiers.hidden;
        self.by_number = qualifiers.by_number.unwrap_or(self.by_number);
        self.marks = qualifiers.marks.unwrap_or(self.marks);
        self
    }

    /// As the options and variables of the shell say.
    pub(super) fn new(state: &State, rules: PatternRules) -> Settings {
        let (dialect, options) = (&state.dialect, &state.options);
        let marked = match dialect.named_options {
            true => dialect.files_are_marked,
            false => state.option_is_on(b"markdirs") == Some(true),
        };
        let wide_brackets = rules.wide_brackets && !dialect.file_brackets_match_bytes;
        let rules = PatternRules { wide_brackets, ..rules };
        let list = state.variables.scalar(b"GLOBIGNORE").filter(|_| dialect.glob_ignore);
        let list = list.map_or(&b""[..], Text::bytes);
        let pattern = |bytes: &[u8]| Pattern::new(bytes, &vec![false; bytes.len()], rules);
        let left_out = match dialect.left_out_names {
            "" => None,
            name => state.variables.scalar(name.as_bytes()),
        };
        let left_out = left_out.map(|text| pattern(text.bytes()));
        Settings {
            rules,
            hidden: options.dot_glob || !list.is_empty() || left_out.is_some(),
            dots: (dialect.dot_star_matches_dots || options.shows_dots) && left_out.is_none(),
            left_out,
            groups_match_hidden: dialect.groups_match_hidden,
            squeezes: dialect.squeezes_slashes,
            double_star: options.glob_star
                || dialect.double_star
                || (dialect.switched_double_star && state.letter_is_on(b'G')),
            needs_slash: dialect.double_star || dialect.switched_double_star,
            by_number: dialect.files_sort_by_number,
            marks: if marked { Marks::Folders } else { Marks::None },
            ignored: match list {
                [] => Vec::new(),
                _ => patterns_of_list(list).map(pattern).collect(),
            },
            dialect: dialect.clone(),
        }
    }
}

/// The patterns of GLOBIGNORE: colons between brackets do not separate them.
fn patterns_of_list(list: &[u8]) -> impl Iterator<Item = &[u8]> {
    let mut open = false;
    list.split(move |&byte| {
        open = match byte {
            b'[' => true,
            b']' => false,
            _ => open,
        };
        byte == b':' && !open
    })
}

/// One level of a pathname that is looked for.
struct Component {
    /// How many slashes stand before it.
    slashes: usize,
    pattern: Pattern,
    /// Whether it is `**` where that matches any number of folders.
    any_depth: bool,
}

/// The pathnames that a field matches, sorted by bytes; `None` when it is no pattern or nothing
/// matches.
///
/// `word` is the place of the whole word; it becomes the place of the result.
pub(super) fn pathnames(
    field: &Text,
    word: Span,
    settings: &Settings,
    qualifiers: Option<&Qualifiers>,
    files: &dyn Files,
) -> Option<Vec<Text>> {
    if field.is_empty() || (qualifiers.is_none() && !has_pattern(field, settings.rules)) {
        return None;
    }
    let cut = excluded(field, settings.rules);
    let (wanted, excluded) = match &cut {
        Some((wanted, excluded)) => (wanted, &excluded[..]),
        None => (field, &[][..]),
    };
    let components = components(wanted, settings);
    let vanishes = settings.rules.options && of_pathname(field).is_some_and(|one| one.vanishes);
    let literal = !vanishes
        && !has_flags(wanted, settings.rules)
        && components.iter().all(|component| component.pattern.literal().is_some());
    if literal && qualifiers.is_none() {
        return None;
    }
    let mut found = Search { settings, files }.all(&components);
    if let Some(qualifiers) = qualifiers {
        found = qualifiers.chosen(found, settings.by_number, files);
    }
    if !settings.ignored.is_empty() {
        let last = |path: &[u8]| path.rsplit(|&b| b == b'/').next().is_some_and(is_dots);
        found.retain(|path| {
            !last(path) && !settings.ignored.iter().any(|pattern| pattern.matches(path))
        });
    }
    found.retain(|path| !excluded.iter().any(|pattern| pattern.matches(path)));
    if found.is_empty() {
        return None;
    }
    if qualifiers.is_none() && settings.by_number {
        found.sort_by(|one, other| by_name(one, other, true));
    } else if qualifiers.is_none() {
        found.sort_unstable();
    }
    if settings.marks != Marks::None {
        let twice = settings.dialect.marks_stand_behind_slashes;
        let unmarked = found.iter_mut().filter(|path| twice || !path.ends_with(b"/"));
        unmarked.for_each(|path| settings.marks.mark(path, files));
    }
    let origin = match_origin(field, word, settings.rules);
    let modifiers = qualifiers.map_or(&[][..], Qualifiers::modifiers);
    let text = |path: Vec<u8>| {
        let whole = Text::from_bytes(path, Standing::Quoted, origin.clone());
        modifiers.iter().fold(whole, |text, modifier| {
            modified(&text, modifier, (&settings.dialect, settings.rules))
        })
    };
    let mut texts: Vec<Text> = found.into_iter().map(text).collect();
    if !modifiers.is_empty() && qualifiers.is_some_and(|one| one.has_usual_order()) {
        texts.sort_by(|one, other| one.bytes().cmp(other.bytes()));
    }
    let before = qualifiers.map_or(&[][..], Qualifiers::before);
    if before.is_empty() {
        return Some(texts);
    }
    let words = before.iter().map(|word| Text::copied(word, Standing::Quoted, origin.clone()));
    let words: Vec<Text> = words.collect();
    Some(texts.into_iter().flat_map(|path| words.iter().cloned().chain([path])).collect())
}

/// A field without what `~` excludes, and the patterns that a whole pathname must not match; `None` where
/// nothing is excluded.
fn excluded(field: &Text, rules: PatternRules) -> Option<(Text, Vec<Pattern>)> {
    if !rules.operators || !field.bytes().contains(&b'~') {
        return None;
    }
    let (bytes, quoted) = (field.bytes(), crate::expand::pattern::quoting(field, rules));
    let mut open = 0u32;
    let mut cuts = Vec::new();
    for (at, byte) in bytes.iter().enumerate().filter(|(at, _)| !quoted[*at]) {
        match byte {
            b'(' | b'[' => open += 1,
            b')' | b']' => open = open.saturating_sub(1),
            b'~' if open == 0 && at > 0 && at + 1 < bytes.len() => cuts.push(at),
            _ => {}
        }
    }
    let &first = cuts.first()?;
    let ends = cuts.iter().skip(1).copied().chain([bytes.len()]);
    let pattern = |(start, end): (&usize, usize)| {
        Pattern::new(&bytes[start + 1..end], &quoted[start + 1..end], rules)
    };
    Some((field.slice(0, first), cuts.iter().zip(ends).map(pattern).collect()))
}

/// Whether flags such as `(#m)` stand in a field, which make a pattern even of a text without other signs (zshexpn,
/// "Globbing Flags").
fn has_flags(field: &Text, rules: PatternRules) -> bool {
    let opens = |(run, bytes): (&Run, &[u8])| !run.is_quoted() && bytes.contains_str("(#");
    rules.operators && field.runs().any(opens)
}

/// Whether a part of the field between slashes is a pattern.
pub(super) fn has_pattern_between_slashes(field: &Text, settings: &Settings) -> bool {
    components(field, settings).iter().any(|component| component.pattern.literal().is_none())
}

fn is_dots(name: &[u8]) -> bool {
    matches!(name, b"." | b"..")
}

/// The origin of matched pathnames: the match at the word, and before it where the first active
/// pattern character came from.
fn match_origin(field: &Text, word: Span, rules: PatternRules) -> Origin {
    let hop = Hop { rule: Rule::Pathname, span: word, name: None, shifted: 0 };
    let active = field.runs().find(|(run, bytes)| !run.is_quoted() && has_active(bytes, rules));
    match active {
        Some((run, _)) => run.origin.then(hop),
        None => Origin::from_hop(hop),
    }
}

fn components(field: &Text, settings: &Settings) -> Vec<Component> {
    let mut rules = settings.rules;
    let options = rules.options.then(|| of_pathname(field)).flatten();
    let (bytes, quoted) = (field.bytes(), crate::expand::pattern::quoting(field, rules));
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
            if part.is_empty() && slashes == 0 && components.is_empty() {
                // The slash behind the backslash is the first of the pathname.
                at = start + length;
                continue;
            }
        }
        let pattern = Pattern::new(&bytes[part.clone()], &quoted[part.clone()], rules);
        let slash_follows = bytes.get(part.end) == Some(&b'/');
        let any_depth = settings.double_star
            && (slash_follows || !settings.needs_slash)
            && pattern.is_double_star(&bytes[part.clone()]);
        if !slash_follows && let Some(stars) = settings.stars_before(&pattern, &bytes[part.clone()])
        {
            let any = Pattern::new(b"**", &[false; 2], rules);
            components.push(Component { slashes, pattern: any, any_depth: true });
            let from = part.start + stars;
            let pattern = Pattern::new(&bytes[from..part.end], &quoted[from..part.end], rules);
            components.push(Component { slashes: 1, pattern, any_depth: false });
            at = start + length;
            continue;
        }
        components.push(Component { slashes, pattern, any_depth });
        at = start + length;
        rules.folds_case |= options.as_ref().is_some_and(|one| one.folds_case);
    }
    components
}

/// Whether a component ends in a backslash that would escape the slash behind it.
fn ends_in_escape(bytes: &[u8], quoted: &[bool]) -> bool {
    let escapes = bytes.iter().zip(quoted).rev();
    escapes.take_while(|&(&byte, &quoted)| byte == b'\\' && !quoted).count() % 2 == 1
}

/// What `**` is to find.
#[derive(Clone, Copy)]
enum Wanted {
    /// Folders, without those that links lead to or with them.
    Folders { linked: bool },
    /// Files too; with the slash behind the folder where it begins, or without it.
    All { whole: bool },
}

struct Search<'a> {
    settings: &'a Settings,
    files: &'a dyn Files,
}

impl Search<'_> {
    fn all(&self, components: &[Component]) -> Vec<Vec<u8>> {
        let mut paths: Vec<Vec<u8>> = vec![Vec::new()];
        let (mut unchecked, mut matched) = (false, false);
        for (at, component) in components.iter().enumerate() {
            let merges = !self.settings.needs_slash;
            let repeats = merges || self.settings.dialect.switched_double_star;
            if repeats && component.any_depth && at > 0 && components[at - 1].any_depth {
                // A second `**` finds nothing that the first has not found.
                continue;
            }
            let squeezed = if self.settings.squeezes && matched { 1 } else { usize::MAX };
            // `**` may have matched no folder at all; then no slash follows it.
            let slashes = component.slashes.min(squeezed);
            for path in paths.iter_mut().filter(|path| at == 0 || !path.is_empty()) {
                if path.last() != Some(&b'/') || !matched {
                    path.extend(std::iter::repeat_n(b'/', slashes));
                }
            }
            if let Some(literal) = component.pattern.literal() {
                paths.iter_mut().for_each(|path| path.extend_from_slice(literal));
                unchecked = true;
                continue;
            }
            let last = components[at + 1..]
                .iter()
                .all(|behind| merges && component.any_depth && behind.any_depth);
            let ends = |one: &Component| one.pattern.literal().is_some_and(<[u8]>::is_empty);
            let wanted = match components[at + 1..].iter().all(ends) {
                _ if last => Wanted::All { whole: !matched },
                true => Wanted::Folders { linked: merges },
                false => Wanted::Folders { linked: false },
            };
            let mut next = Vec::new();
            for folder in &paths {
                match component.any_depth {
                    true => self.descend(folder, wanted, &mut next),
                    false => self.level(folder, &component.pattern, last, &mut next),
                }
            }
            paths = next;
            (unchecked, matched) = (false, true);
            if paths.is_empty() {
                return paths;
            }
        }
        if unchecked {
            paths.retain(|path| !path.is_empty() && self.files.exists(path));
        }
        paths
    }

    /// The names in a folder that match; of all but the last component only folders.
    fn level(&self, folder: &[u8], pattern: &Pattern, last: bool, next: &mut Vec<Vec<u8>>) {
        self.names(folder, pattern, &mut |name| {
            let path = [folder, name].concat();
            if last || self.files.is_folder(&path) {
                next.push(path);
            }
        });
    }

    /// What `**` matches from a folder on: the folder itself and all below it; as the last component
    /// files too.
    fn descend(&self, folder: &[u8], wanted: Wanted, next: &mut Vec<Vec<u8>>) {
        if !folder.is_empty() && !self.files.is_folder(folder) {
            return;
        }
        match wanted {
            Wanted::All { .. } if folder.is_empty() => {}
            Wanted::All { whole: false } => {
                next.push(folder.strip_suffix(b"/").unwrap_or(folder).to_vec());
            }
            _ => next.push(folder.to_vec()),
        }
        self.below(folder, wanted, 0, next);
    }

    fn below(&self, folder: &[u8], wanted: Wanted, depth: u32, next: &mut Vec<Vec<u8>>) {
        let mut names = Vec::new();
        let any = Pattern::new(b"*", &[false], self.settings.rules);
        self.names(folder, &any, &mut |name| names.push(name.to_vec()));
        for name in names {
            let path = [folder, &name[..]].concat();
            let status = self.files.status(&path, false);
            let inside = status.is_some_and(|status| status.kind == FileKind::Folder);
            let counts = match wanted {
                Wanted::All { .. } => true,
                Wanted::Folders { linked } => inside || (linked && self.files.is_folder(&path)),
            };
            if counts {
                next.push(path.clone());
            }
            if inside && depth < MAX_DEPTH {
                self.below(&[&path[..], b"/"].concat(), wanted, depth + 1, next);
            }
        }
    }

    fn names(&self, folder: &[u8], pattern: &Pattern, found: &mut dyn FnMut(&[u8])) {
        let hidden = pattern.of_hidden_names(self.settings.groups_match_hidden);
        let is_hidden = |name: &&[u8]| hidden.iter().any(|pattern| pattern.matches(name));
        let here: &[u8] = if folder.is_empty() { b"." } else { folder };
        let all = self.settings.hidden;
        let listed = self.files.list(here, &mut |name| {
            let matches = match name[0] == b'.' && !all && !pattern.is_loose() {
                true => is_hidden(&name),
                false => pattern.matches(name),
            };
            let left_out = self.settings.left_out.as_ref();
            if matches && !left_out.is_some_and(|pattern| pattern.matches(name)) {
                found(name);
            }
        });
        if listed && self.settings.dots {
            [&b"."[..], b".."].into_iter().filter(is_hidden).for_each(found);
        }
    }
}
