//! Redirections: what they expand to, and what is read from meanwhile.

use std::rc::Rc;

use crate::dialect::RedirectWords;
use crate::expand;
use crate::host::{ENDLESS, FileKind, Host};
use crate::lineage::{Origin, Rule};
use crate::source::Span;
use crate::stop::{Reach, ShellError, Stop};
use crate::syntax::ast::{Operation, Part, Redirect, RedirectOperator, RedirectTarget, Word};
use crate::text::{Standing, Text};
use crate::trace::RedirectTrace;
use crate::walk::Walker;
use crate::walk::descriptors::{Descriptors, Input, Output};

impl Walker {
    /// Runs something with its input and output redirected; `stays`: what is opened for it to read from
    /// stays open, as behind `exec`.
    pub(super) fn with_redirections(
        &mut self,
        redirections: &[RedirectTrace],
        stays: bool,
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        self.with_opened(redirections, (None, stays, false), run)
    }

    /// As [`Walker::with_redirections`], where the descriptors may lead there already, as `opened` has them.
    pub(super) fn with_opened(
        &mut self,
        redirections: &[RedirectTrace],
        (opened, stays, in_child): (Option<Descriptors>, bool, bool),
        run: impl FnOnce(&mut Walker) -> Result<(), Stop>,
    ) -> Result<(), Stop> {
        if redirections.is_empty() {
            return run(self);
        }
        let outer = (!stays).then(|| self.descriptors.clone());
        match opened {
            Some(opened) => self.descriptors = opened,
            None => self.redirect_all(redirections)?,
        }
        if outer.is_none() && self.state.dialect.exec_takes_coprocess {
            self.give_coprocess_away(redirections);
        }
        let mut outcome = run(self);
        if let Err(Stop::Shell(error)) = &mut outcome {
            self.tell_mistake(error);
        }
        if let Some(outer) = outer {
            // What the command itself has opened stays open.
            for redirection in redirections.iter().filter(|one| !one.stays) {
                // What is moved to a descriptor that was open comes back with that.
                let comes_back = in_child || outer.is_open(redirection.descriptor);
                for descriptor in self.led_by(redirection, comes_back) {
                    self.descriptors.take_over(descriptor, &outer);
                }
            }
        }
        outcome
    }

    /// What a descriptor leads to that was the coprocess's stays there alone.
    fn give_coprocess_away(&mut self, redirections: &[RedirectTrace]) {
        for redirection in redirections.iter().filter(|one| one.target.bytes() == b"p") {
            match redirection.operator {
                "<&" => self.descriptors.close_input(Descriptors::COPROCESS),
                ">&" => self.descriptors.close_output(Descriptors::COPROCESS),
                _ => {}
            }
        }
    }

    /// Makes the descriptors lead where redirections say.
    pub(super) fn redirect_all(&mut self, redirections: &[RedirectTrace]) -> Result<(), Stop> {
        redirections.iter().try_for_each(|redirection| self.redirect(redirection))
    }

    /// The descriptors that a redirection makes lead elsewhere, and that lead back behind its command: one that
    /// it has moved may not, unless it comes back anyway.
    fn led_by(&self, redirection: &RedirectTrace, comes_back: bool) -> Vec<u32> {
        let mut led = vec![redirection.descriptor];
        match redirection.operator {
            "&>" | "&>|" | "&>>" => led.push(2),
            "<&" | ">&" => match self.copied(redirection.target.bytes()) {
                Some(Copied::Descriptor { from, moves: true })
                    if comes_back || !self.state.dialect.moved_descriptors_stay_closed =>
                {
                    led.push(from);
                }
                Some(_) => {}
                None => led.push(2),
            },
            _ => {}
        }
        led
    }

    /// Whether several redirections of one descriptor count together.
    fn redirections_add_up(&self) -> bool {
        self.state.dialect.redirections_add_up && !self.state.options.last_redirection_counts
    }

    /// Makes a descriptor lead where a redirection says.
    fn redirect(&mut self, redirection: &RedirectTrace) -> Result<(), Stop> {
        let (descriptor, again) = (redirection.descriptor, redirection.adds);
        match redirection.operator {
            "<<" | "<<-" | "<<<" | "<" => {
                let input = self.input_of(redirection);
                match again {
                    true => self.descriptors.also_read_from(descriptor, input),
                    false => self.descriptors.read_from(descriptor, input),
                }
            }
            "<>" => {
                // A file that there is not is there once it is opened for writing.
                let output = self.file_to_write(redirection, true)?;
                let input = self.file_to_read(redirection);
                match again && descriptor == 0 {
                    true => self.descriptors.also_read_from(descriptor, input),
                    false => self.descriptors.open_both(descriptor, input, output),
                }
            }
            ">" | ">>" | ">|" => {
                let appends = redirection.operator == ">>";
                let output = self.file_to_write(redirection, appends)?;
                // Whoever writes the same twice from the start of a file writes it once.
                let is_there = |first: &Output| !appends && again && first.leads_to(&output);
                if !self.descriptors.output(descriptor).is_some_and(is_there) {
                    self.open_output(descriptor, output, again);
                }
            }
            "&>" | "&>|" | "&>>" => self.both_to_file(redirection)?,
            "<&" | ">&" => match self.copied(redirection.target.bytes()) {
                Some(Copied::Descriptor { from: Descriptors::COPROCESS, .. }) => {
                    self.descriptors.lead_to_coprocess(descriptor, redirection.operator == "<&");
                }
                Some(Copied::Descriptor { from, moves }) => {
                    match self.descriptors.output(from).cloned() {
                        Some(output) if again => self.open_output(descriptor, output, true),
                        None if again && self.descriptors.is_open(from) => {
                            let input = self.descriptors.input(from);
                            self.descriptors.also_read_from(descriptor, input);
                        }
                        _ => self.descriptors.duplicate(descriptor, from),
                    }
                    if moves && from != descriptor {
                        self.descriptors.close(from);
                    }
                }
                Some(Copied::Nothing) => self.descriptors.close(descriptor),
                None => self.both_to_file(redirection)?,
            },
            _ => {}
        }
        Ok(())
    }

    /// What a redirection that reads gives to read.
    pub(super) fn input_of(&mut self, redirection: &RedirectTrace) -> Input {
        match redirection.operator {
            "<<" | "<<-" => self.input_of_document(redirection.target.clone()),
            "<<<" => {
                let mut text = redirection.target.clone();
                let origin = Origin::new(Rule::Output, redirection.span);
                text.push(b"\n", Standing::Quoted, &origin);
                self.input_of_document(text)
            }
            _ => self.file_to_read(redirection),
        }
    }

    fn input_of_document(&self, text: Text) -> Input {
        match self.state.dialect.documents_are_files {
            true => Input::of_whole_file(text),
            false => Input::of(text),
        }
    }

    fn open_output(&mut self, descriptor: u32, output: Output, again: bool) {
        match again {
            true => self.descriptors.also_write_to(descriptor, output),
            false => self.descriptors.write_to(descriptor, output),
        }
    }

    fn both_to_file(&mut self, redirection: &RedirectTrace) -> Result<(), Stop> {
        let output = self.file_to_write(redirection, redirection.operator == "&>>")?;
        let descriptor = redirection.descriptor;
        let again = redirection.adds || (descriptor == 2 && self.redirections_add_up());
        self.open_output(descriptor, output.clone(), redirection.adds);
        self.open_output(2, output, again);
        Ok(())
    }

    /// What a file holds.
    pub(super) fn file_to_read(&mut self, redirection: &RedirectTrace) -> Input {
        if let Some(printed) = self.printed_beside(&redirection.target) {
            return Input::of(printed);
        }
        let path = redirection.target.bytes();
        if redirection.target.has_hole() {
            let path = self.written.path_of(&self.state.folder, &redirection.target);
            let file = path.and_then(|path| self.written.open(&self.state.folder, &path));
            return file.map_or_else(Input::unknown, Input::of_file);
        }
        if let Some(descriptor) = Descriptors::named(path) {
            return self.descriptors.input(descriptor).opened_again();
        }
        if let Some(file) = self.written.open(&self.state.folder, path) {
            return Input::of_file(file);
        }
        let is_endless = ENDLESS.iter().any(|device| device.as_bytes() == path);
        let host = expand::Context::host(self);
        // What they say differs each time, as what programs do.
        if is_endless && !host.may_run() {
            return Input::unknown();
        }
        let bytes = host.read(path, self.state.limits.bytes);
        let origin = Origin::new(Rule::Output, redirection.span);
        let text = |bytes: Vec<u8>| Text::from_bytes(bytes, Standing::Quoted, origin);
        let input = bytes.map_or_else(Input::unknown, |bytes| Input::of_whole_file(text(bytes)));
        if is_endless { input.flooded() } else { input }
    }

    /// Where what is written to a file goes: to the file itself only where that is allowed.
    fn file_to_write(&mut self, redirection: &RedirectTrace, append: bool) -> Result<Output, Stop> {
        if redirection.target.has_hole() {
            if let Some(reads) = self.reader_named(&redirection.target) {
                return Ok(Output::Kept(reads));
            }
            return Ok(self.unnamed_file(&redirection.target, append));
        }
        let path = redirection.target.bytes();
        if let Some(descriptor) = Descriptors::named(path) {
            return Ok(self.descriptors.output(descriptor).cloned().unwrap_or(Output::Nowhere));
        }
        match path {
            b"/dev/full" => return Ok(Output::Full),
            _ if path.starts_with(b"/dev/") => return Ok(Output::Nowhere),
            _ => {}
        }
        // What a coprocess has begun before goes on.
        let append = append || self.progress.as_ref().is_some_and(|progress| progress.is_done());
        match expand::Context::host(self).create(path, append) {
            Some(Ok(sink)) => return Ok(self.resumed(Output::Performed(sink))),
            Some(Err(why)) => {
                let shown = String::from_utf8_lossy(path).into_owned();
                let message = format!("{shown} cannot be written: {why}");
                return Err(self.cannot_create(message, redirection.span));
            }
            None => {}
        }
        let before = match (append, self.written.get(&self.state.folder, path)) {
            (true, Some(file)) => return Ok(self.resumed(Output::Written(file))),
            (true, None) => {
                let limit = self.state.limits.bytes;
                let bytes = expand::Context::host(self).read(path, limit).unwrap_or_default();
                let origin = Origin::new(Rule::Output, redirection.span);
                Text::from_bytes(bytes, Standing::Quoted, origin)
            }
            (false, _) => Text::new(),
        };
        let file = self.written.create(&self.state.folder, path, before);
        Ok(self.resumed(Output::Written(file)))
    }

    /// A file that this process has opened; a coprocess may have written to it before.
    fn resumed(&self, output: Output) -> Output {
        match &self.progress {
            Some(progress) => output.resumed(progress),
            None => output,
        }
    }

    /// Where what is written to a file goes whose name has holes: it is found again by the same ones.
    fn unnamed_file(&mut self, target: &Text, append: bool) -> Output {
        let folder = &self.state.folder;
        let Some(path) = target.marked_bytes() else { return Output::Nowhere };
        let before = self.written.get(folder, &path);
        match before.filter(|_| append) {
            Some(file) => Output::Written(file),
            // What a file holds that is added to nobody knows.
            None if append => Output::Nowhere,
            None => Output::Written(self.written.create(folder, &path, Text::new())),
        }
    }

    /// A file that cannot be made; in some shells that is the status at once.
    fn cannot_create(&mut self, message: String, span: Span) -> Stop {
        if self.state.dialect.failed_files_leave_status {
            self.state.status = 1;
        }
        self.cannot_redirect(message, span)
    }

    fn cannot_redirect(&self, message: String, span: Span) -> Stop {
        let status = self.state.dialect.redirection_failure_status;
        Stop::error(message, span, status, Reach::Command)
    }

    /// Expands redirections and opens them, in order; `piped`: the descriptors that pipes lead to already.
    pub(super) fn redirections(
        &mut self,
        redirects: &[Redirect],
        piped: &[u32],
    ) -> Result<Vec<RedirectTrace>, Stop> {
        let mut traces = Vec::with_capacity(redirects.len());
        let at_once = self.state.dialect.redirections_open_at_once;
        for (at, redirect) in redirects.iter().enumerate() {
            let from = traces.len();
            if redirect.body.is_none() && redirect.operator.sign() != "<<<" {
                self.act_at_part()?;
            }
            let expanded = self.targets(redirect);
            for target in expanded.map_err(|stop| self.redirection_mistake(stop, redirect))? {
                let trace = self.redirection(redirect, target, &traces, piped)?;
                if !at_once {
                    self.check_number(&trace, redirect.word.literal() == Some(b"-"))?;
                }
                traces.push(trace);
            }
            if at_once {
                self.open_in_turn(&traces, from, at + 1 < redirects.len())?;
            }
        }
        if !at_once {
            self.open_in_turn(&traces, 0, false)?;
        }
        Ok(traces)
    }

    /// Expands and checks the redirection of a `$(<file)`, whose word becomes one text even where
    /// others become several.
    pub(super) fn lone_redirection(&mut self, redirect: &Redirect) -> Result<RedirectTrace, Stop> {
        let several = self.state.dialect.redirect_words == RedirectWords::FileEach;
        let target = match redirect.body.is_none() && several {
            true => expand::single(self, &redirect.word, expand::Tilde::AtStart),
            false => self.targets(redirect).map(|mut one| one.pop().unwrap_or_default()),
        };
        let target = target.map_err(|stop| self.redirection_mistake(stop, redirect))?;
        let trace = self.redirection(redirect, target, &[], &[])?;
        self.check(&trace, &[])?;
        Ok(trace)
    }

    /// One redirection whose word has been expanded.
    fn redirection(
        &mut self,
        redirect: &Redirect,
        target: Text,
        before: &[RedirectTrace],
        piped: &[u32],
    ) -> Result<RedirectTrace, Stop> {
        let operator = redirect.operator.sign();
        let reads = matches!(operator, "<" | "<<" | "<<-" | "<<<" | "<&" | "<>");
        let descriptor = match &redirect.target {
            None if operator == "<>" => self.state.dialect.read_write_descriptor,
            None => u32::from(!reads),
            Some(RedirectTarget::Descriptor(number)) => *number,
            Some(RedirectTarget::Variable(name)) => {
                self.named_descriptor(name, &target, redirect, before)?
            }
        };
        let adds = self.redirections_add_up()
            && (piped.contains(&descriptor)
                || before.iter().any(|one| one.descriptor == descriptor));
        let standard_output = descriptor == 1;
        let span = redirect.span;
        let named = matches!(redirect.target, Some(RedirectTarget::Variable(_)));
        let stays = named && !self.state.options.named_close;
        Ok(RedirectTrace { operator, target, span, descriptor, standard_output, adds, stays })
    }

    /// Looks whether redirections can be opened, one after the other; those that others come behind leave
    /// their files there, even if those others fail.
    fn open_in_turn(
        &mut self,
        traces: &[RedirectTrace],
        from: usize,
        others_follow: bool,
    ) -> Result<(), Stop> {
        for (at, trace) in traces.iter().enumerate().skip(from) {
            self.check(trace, &traces[..at])
                .map_err(|stop| self.told_behind(stop, &traces[..at]))?;
            let writes = matches!(trace.operator, ">" | ">>" | ">|" | "<>" | "&>" | "&>|" | "&>>");
            if writes && (others_follow || at + 1 < traces.len()) {
                self.file_to_write(trace, !matches!(trace.operator, ">" | ">|" | "&>" | "&>|"))
                    .map_err(|stop| self.told_behind(stop, &traces[..at]))?;
            }
        }
        Ok(())
    }

    /// A mistake whose message goes where the redirections before it make it go.
    fn told_behind(&mut self, stop: Stop, before: &[RedirectTrace]) -> Stop {
        let (Stop::Shell(mut error), true) =
            (stop.clone(), self.state.dialect.redirections_lead_mistakes)
        else {
            return stop;
        };
        let outer = self.descriptors.clone();
        // One that fails here has been told of before.
        before.iter().for_each(|redirection| drop(self.redirect(redirection)));
        self.tell_mistake(&mut error);
        self.descriptors = outer;
        Stop::Shell(error)
    }

    /// What the word of a redirection, or its document, expands to: one text, but where each of several
    /// fields is a file.
    fn targets(&mut self, redirect: &Redirect) -> Result<Vec<Text>, Stop> {
        if let Some(body) = redirect.body.as_ref().and_then(|body| body.get()) {
            return Ok(vec![expand::document(self, body)?]);
        }
        if let Some(process) = Walker::process_of(redirect) {
            self.process_beside(process)?;
            let mut name = Text::new();
            name.push_hole(Standing::Quoted, &Origin::new(Rule::Command, process.span));
            return Ok(vec![name]);
        }
        use RedirectOperator::{DuplicateInput, HereString};
        let string = redirect.operator == HereString;
        // Behind `>&` several words are files.
        let may_copy = redirect.operator == DuplicateInput;
        let plain = string && !self.state.dialect.here_string_tilde;
        let tilde = match string {
            true if plain => expand::Tilde::Never,
            false if self.state.dialect.tilde_after_equals => expand::Tilde::AfterEquals,
            _ => expand::Tilde::AtStart,
        };
        let fields = match self.state.dialect.redirect_words {
            RedirectWords::OneField if !string => expand::fields(self, &redirect.word)?,
            RedirectWords::FileEach if !string && !may_copy && self.redirections_add_up() => {
                let word = &redirect.word;
                self.matching_some(word.span, |walker| expand::file_fields(walker, word))
                    .map_err(Stop::of_shell)?
            }
            _ if string => return Ok(vec![expand::here_string(self, &redirect.word, tilde)?]),
            _ => return Ok(vec![expand::single(self, &redirect.word, tilde)?]),
        };
        match (fields.len(), self.state.dialect.redirect_words) {
            (1, _) | (2.., RedirectWords::FileEach) => Ok(fields),
            (0, RedirectWords::FileEach) => Ok(vec![Text::new()]),
            (count, _) => {
                let message = format!("this becomes {count} words, but a redirection takes one");
                Err(self.cannot_redirect(message, redirect.word.span))
            }
        }
    }

    /// The descriptor of `{name}>file`: the first free one, which the variable then holds; of
    /// `{name}>&-` the one that it holds.
    fn named_descriptor(
        &mut self,
        name: &Rc<[u8]>,
        target: &Text,
        redirect: &Redirect,
        before: &[RedirectTrace],
    ) -> Result<u32, Stop> {
        let span = redirect.span;
        if matches!(redirect.operator.sign(), "<&" | ">&") && target.bytes() == b"-" {
            let held = match self.state.element_named(name) {
                Some((array, index)) => {
                    let key = self.state.element_key(array, index, span)?;
                    self.state.variables.element(array, &key)
                }
                None => self.state.variables.scalar(name),
            };
            let digits = held.map(Text::bytes);
            let number = digits.and_then(|digits| std::str::from_utf8(digits).ok()?.parse().ok());
            if self.state.dialect.no_descriptor_is_closed {
                return Ok(number.unwrap_or(u32::MAX));
            }
            return number.ok_or_else(|| {
                self.cannot_redirect("the variable holds no descriptor".into(), span)
            });
        }
        let first = self.state.dialect.first_named_descriptor;
        let is_free = |number: &u32| {
            !self.descriptors.is_open(*number)
                && !before.iter().any(|one| one.descriptor == *number)
        };
        let free = (first..).find(is_free).unwrap_or(first);
        let text = self.state.shell_text(free.to_string().as_bytes());
        let assigned = self.assign_text(name, text, span);
        assigned.map_err(|stop| match stop {
            Stop::Shell(error) => self.cannot_redirect(error.message, span),
            stop => stop,
        })?;
        Ok(free)
    }

    /// What `<&` and `>&` copy; `None` for what is no descriptor.
    fn copied(&self, target: &[u8]) -> Option<Copied> {
        if target == b"-" {
            return Some(Copied::Nothing);
        }
        if target == b"p" && self.state.dialect.no_coprocess_status.is_some() {
            return Some(Copied::Descriptor { from: Descriptors::COPROCESS, moves: false });
        }
        if target.len() > 1 && self.state.dialect.copied_descriptors_have_one_digit {
            return None;
        }
        let moved = target.strip_suffix(b"-").filter(|_| self.state.dialect.moves_descriptors);
        let from = std::str::from_utf8(moved.unwrap_or(target)).ok()?.parse().ok()?;
        Some(Copied::Descriptor { from, moves: moved.is_some() })
    }

    /// Refuses what is no descriptor behind `<&` and `>&`, unless it is a file there. A dash that is not
    /// `written` plainly is none in some shells.
    fn check_number(&self, trace: &RedirectTrace, written: bool) -> Result<(), Stop> {
        if !matches!(trace.operator, "<&" | ">&") || trace.target.has_hole() {
            return Ok(());
        }
        let (dialect, target) = (&self.state.dialect, trace.target.bytes());
        let rule = dialect.copy_of_no_number;
        // What is written with a dash at its end moves a descriptor, or is none.
        let moves =
            dialect.moves_descriptors && self.state.sources.bytes(trace.span).ends_with(b"-");
        let reach = match (trace.operator, trace.descriptor) {
            ("<&", _) => Some(rule.input),
            (_, 1) if moves && !target.is_empty() => rule.other_output,
            (_, 1) if target.is_empty() => rule.no_name,
            (_, 1) => rule.standard_output,
            _ => rule.other_output,
        };
        let closes = written || target != b"-" || !dialect.closing_dash_is_written_plainly;
        match reach {
            Some(reach) if self.copied(target).is_none() || !closes => {
                let message = format!("a descriptor was expected behind {}", trace.operator);
                Err(Stop::error(message, trace.span, dialect.no_descriptor_status, reach))
            }
            _ => Ok(()),
        }
    }

    /// Whether what a redirection names can be opened.
    fn check(&mut self, trace: &RedirectTrace, before: &[RedirectTrace]) -> Result<(), Stop> {
        let (target, span) = (&trace.target, trace.span);
        if target.has_hole() {
            return Ok(());
        }
        let shown = String::from_utf8_lossy(target.bytes()).into_owned();
        if matches!(trace.operator, "<&" | ">&") {
            self.check_number(trace, true)?;
            return match self.copied(target.bytes()) {
                None => self.check_written(target.bytes(), false, &shown, span),
                Some(Copied::Descriptor { from: Descriptors::COPROCESS, .. })
                    if !self.descriptors.has_coprocess(trace.operator == "<&") =>
                {
                    Err(self.cannot_redirect("there is no coprocess".into(), span))
                }
                Some(Copied::Descriptor { from, .. })
                    if from == trace.descriptor
                        && self.state.dialect.copies_onto_themselves_are_nothing =>
                {
                    Ok(())
                }
                Some(Copied::Descriptor { from, .. })
                    if !self.descriptors.is_open(from)
                        && !before.iter().any(|one| one.descriptor == from) =>
                {
                    let message = format!("the descriptor {from} is not open");
                    Err(self.cannot_redirect(message, span))
                }
                _ => Ok(()),
            };
        }
        if matches!(trace.operator, "<" | ">" | ">>" | ">|" | "<>" | "&>" | "&>|" | "&>>")
            && let Some(named) = Descriptors::named(target.bytes())
        {
            let is_open =
                self.descriptors.is_open(named) || before.iter().any(|one| one.descriptor == named);
            return match is_open {
                true => Ok(()),
                false => Err(self.cannot_redirect(format!("descriptor {named} is not open"), span)),
            };
        }
        match trace.operator {
            "<" if !expand::Context::host(self).exists(target.bytes()) => {
                let message = format!("there is no file {shown} to read from");
                Err(self.cannot_redirect(message, span))
            }
            ">" | "&>" => self.check_written(target.bytes(), true, &shown, span),
            ">>" | "&>>" if self.makes_no_file(target.bytes()) => {
                let message = format!("there is no file {shown} to go on with, and set -C is on");
                Err(self.cannot_redirect(message, span))
            }
            ">>" | ">|" | "&>|" | "&>>" | "<>" => {
                self.check_written(target.bytes(), false, &shown, span)
            }
            _ => Ok(()),
        }
    }

    /// Whether a file is not there, and writing behind its end does not make it.
    fn makes_no_file(&mut self, path: &[u8]) -> bool {
        self.state.options.no_clobber
            && self.state.dialect.appending_makes_no_file
            && !expand::Context::host(self).exists(path)
    }

    /// Whether a file can be written: it is no folder, and it or its folder is there. `minds`: where
    /// `set -C` is on, a regular file must not be there.
    fn check_written(
        &mut self,
        path: &[u8],
        minds: bool,
        shown: &str,
        span: Span,
    ) -> Result<(), Stop> {
        let host = expand::Context::host(self);
        let slash = path.iter().rposition(|&byte| byte == b'/');
        let parent = slash.map_or(&b"."[..], |slash| &path[..slash.max(1)]);
        let why = match () {
            () if path.is_empty() => "a name without a character is no file".to_string(),
            () if host.is_folder(path) => format!("{shown} is a folder"),
            () if !host.exists(path) && !host.is_folder(parent) => {
                format!("there is no folder for {shown}")
            }
            () if minds && self.state.options.no_clobber && self.is_kept(&*host, path) => {
                format!("{shown} is there already, and set -C is on")
            }
            () => return Ok(()),
        };
        Err(self.cannot_create(why, span))
    }

    /// Whether a file is not overwritten under `set -C`.
    fn is_kept(&self, host: &dyn Host, path: &[u8]) -> bool {
        let empty_too = !self.state.dialect.empty_files_are_overwritten;
        host.status(path, true)
            .is_some_and(|one| one.kind == FileKind::Regular && (one.size > 0 || empty_too))
    }

    /// How far a mistake in the word or the document of a redirection reaches.
    fn redirection_mistake(&self, stop: Stop, redirect: &Redirect) -> Stop {
        let Stop::Shell(error) = stop else { return stop };
        let dialect = &self.state.dialect;
        let document = redirect.body.is_some();
        if redirect.body.as_ref().and_then(|body| body.get()).is_some_and(is_unreadable) {
            return Stop::Shell(error);
        }
        let string = redirect.operator == RedirectOperator::HereString;
        let survives = match () {
            () if document => dialect.document_mistake_status,
            () if string => dialect.string_mistakes_end_command.then_some(1),
            () => dialect.redirection_mistakes_end_command.then_some(1),
        };
        Stop::Shell(match survives {
            Some(status) => ShellError { reach: Reach::Command, status, ..error },
            None => error,
        })
    }
}

/// Whether a here-document could not be read, which ends no more than its command.
fn is_unreadable(body: &Word) -> bool {
    let is = |operation: &Operation| {
        matches!(operation, Operation::Unreadable { ends: Reach::Command, .. })
    };
    matches!(&body.parts[..], [Part::Parameter(one)] if is(&one.operation))
}

/// What `<&` and `>&` copy.
enum Copied {
    /// A dash: the descriptor is closed.
    Nothing,
    /// A descriptor; `5-` moves it.
    Descriptor { from: u32, moves: bool },
}
