//! Compound variables: `name=(member=value ...)`, and names of variables inside others: `a.b`, `a[1].b`,
//! `a[1][2]`. Observed in ksh93 93u+m.

use std::rc::Rc;

use crate::source::Span;
use crate::syntax::ast::{
    Arithmetic, AssignedValue, Command, CommandKind, Element, Members, ParameterName, Part,
    PathName, Subscript, Word,
};
use crate::syntax::cursor::{Parsed, Parser, is_name, is_name_byte, is_name_start};

/// A name with what stands in brackets behind it.
pub(super) struct Indexed<Index> {
    /// The name, up to the first bracket on the way to the variable.
    pub name: Rc<[u8]>,
    /// The way, where indexes are on it.
    pub path: Option<Rc<Word>>,
    /// The index of the element.
    pub index: Option<Index>,
}

impl Parser<'_> {
    /// Whether a name is that of a member: `a.b.c`.
    pub(super) fn names_member(&self, name: &[u8]) -> bool {
        self.dialect.compound_variables && name.split(|&byte| byte == b'.').all(is_name)
    }

    /// `.member` stands here, behind a name or brackets.
    fn at_member(&self) -> bool {
        self.dialect.compound_variables
            && self.raw() == Some(b'.')
            && self.text.get(self.pos + 1).copied().is_some_and(is_name_start)
    }

    /// The place behind the members and brackets that follow a name up to `at`.
    pub(super) fn behind_members(&mut self, mut at: usize) -> usize {
        while self.dialect.compound_variables
            && self.text.get(at) == Some(&b'.')
            && self.text.get(at + 1).copied().is_some_and(is_name_start)
        {
            at += 1;
            at += self.text[at..].iter().take_while(|&&byte| is_name_byte(byte)).count();
        }
        at
    }

    /// What follows a name that began at `start`: members, and brackets as `read` reads them, of which the last
    /// are those of the element.
    pub(super) fn indexed<Index>(
        &mut self,
        start: usize,
        name: Rc<[u8]>,
        read: impl Fn(&mut Self) -> Parsed<Option<Index>>,
        on_way: impl for<'a> Fn(&'a Index) -> Option<&'a Arithmetic>,
    ) -> Parsed<Indexed<Index>> {
        let mut parts = Vec::new();
        let mut literal = start;
        let mut name = name;
        loop {
            if self.at_member() {
                self.pos = self.behind_members(self.pos);
                if parts.is_empty() {
                    name = self.text[start..self.pos].into();
                }
            }
            let open = self.pos;
            let index = read(self)?;
            let goes_on =
                self.at_member() || (self.dialect.compound_variables && self.raw() == Some(b'['));
            let Some(way) = index.as_ref().filter(|_| goes_on).and_then(&on_way) else {
                let path = (!parts.is_empty()).then(|| {
                    parts.extend(self.literal_part(literal, open));
                    Rc::new(Word::new(parts, self.span(start, open)))
                });
                return Ok(Indexed { name, path, index });
            };
            parts.extend(self.literal_part(literal, open + 1));
            parts.extend_from_slice(&way.word.parts);
            literal = self.pos - 1;
        }
    }

    pub(super) fn literal_part(&self, start: usize, end: usize) -> Option<Part> {
        let bytes = self.text[start..end].into();
        (start < end).then(|| Part::Literal { bytes, span: self.span(start, end) })
    }

    /// The subscript behind the name of a variable that began at `start`, which may name a variable inside others.
    pub(super) fn subscript_of(
        &mut self,
        start: usize,
        name: ParameterName,
    ) -> Parsed<(ParameterName, Option<Subscript>)> {
        let ParameterName::Variable(variable) = name else { return Ok((name, None)) };
        let Indexed { name, path, index } =
            self.indexed(start, variable, Parser::subscript, Subscript::one)?;
        let name = match path {
            Some(path) => ParameterName::Inside(PathName(path)),
            None => ParameterName::Variable(name),
        };
        Ok((name, index))
    }

    /// `(member=value ...)` as the value of an assignment, if that stands here.
    pub(super) fn members(&mut self) -> Parsed<Option<AssignedValue>> {
        if !self.dialect.compound_variables {
            return Ok(None);
        }
        let open = self.pos;
        self.pos += 1;
        self.skip_newlines()?;
        if !self.at_declaring() {
            self.pos = open;
            return Ok(None);
        }
        let mut commands = Vec::new();
        loop {
            let start = self.start();
            let command = self.simple_command(start, Vec::new())?;
            if let [redirect, ..] = &command.redirects[..] {
                self.pos = redirect.span.start as usize;
                return self.unexpected("an assignment or )");
            }
            commands.push(command);
            self.eat(b";");
            self.skip_newlines()?;
            if self.eat(b")") {
                break;
            }
            if self.at_end() {
                return Err(self.unclosed(open, 1, "(", ")"));
            }
            if !self.at_declaring() {
                return self.unexpected("an assignment or )");
            }
        }
        let elements = commands.iter().map(as_elements).collect::<Option<Vec<_>>>();
        let elements = elements.map(|all| all.into_iter().flatten().collect());
        Ok(Some(AssignedValue::Members(Rc::new(Members { commands, elements }))))
    }

    /// Whether an assignment or a declaration begins here.
    fn at_declaring(&mut self) -> bool {
        let rest = &self.text[self.pos..];
        let length = rest.iter().take_while(|&&byte| is_name_byte(byte)).count();
        let (word, behind) = rest.split_at(length);
        let ends = behind.first().is_none_or(|byte| b" \t\n;)".contains(byte));
        let declares = ends && word != b"local" && self.dialect.is_declaration(word);
        declares || self.assignment_value().is_some()
    }
}

/// Assignments of texts as the elements of a list.
fn as_elements(command: &Command) -> Option<Vec<Element>> {
    let CommandKind::Simple(simple) = &command.kind else { return None };
    let elements = simple.assignments.iter().map(|assignment| {
        let AssignedValue::Scalar(value) = &assignment.value else { return None };
        if assignment.index.is_some() {
            return None;
        }
        let (whole, value_span) = (assignment.span, value.span);
        let before = Span { end: value_span.start, ..whole };
        let sign: &[u8] = if assignment.append { b"+=" } else { b"=" };
        let bytes = [&assignment.name[..], sign].concat().into();
        let mut parts = vec![Part::Literal { bytes, span: before }];
        parts.extend_from_slice(&value.parts);
        let word = Word::new(parts, whole);
        Some(Element { index: None, append: false, word, nested: None })
    });
    elements.collect::<Option<Vec<_>>>().filter(|_| simple.words.is_empty())
}
