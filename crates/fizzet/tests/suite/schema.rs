//! What is printed as JSON is what the schemas say, and nothing else.

use std::collections::BTreeMap;
use std::path::{Path, PathBuf};

use serde_json::Value;

use crate::program::{Run, text};

/// A schema with the words of it that ours use (JSON Schema 2020-12).
struct Schema {
    root: Value,
}

impl Schema {
    fn named(name: &str) -> Schema {
        let path = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../docs/schema").join(name);
        Schema { root: serde_json::from_slice(&std::fs::read(path).unwrap()).unwrap() }
    }

    /// What is wrong with a value; nothing where it fits.
    fn mistakes(&self, value: &Value) -> Vec<String> {
        let mut found = Vec::new();
        self.look(&self.root, value, "", &mut found);
        found
    }

    fn look(&self, schema: &Value, value: &Value, at: &str, found: &mut Vec<String>) {
        if let Some(path) = schema["$ref"].as_str() {
            self.look(self.root.pointer(&path[1..]).unwrap(), value, at, found);
        }
        if !schema["type"].is_null() && !has_type(value, &schema["type"]) {
            found.push(format!("{at}: {value} is not of the type {}", schema["type"]));
        }
        if !schema["const"].is_null() && schema["const"] != *value {
            found.push(format!("{at}: {value} is not {}", schema["const"]));
        }
        for required in schema["required"].as_array().into_iter().flatten() {
            if value.get(required.as_str().unwrap()).is_none() {
                found.push(format!("{at}: {required} is missing"));
            }
        }
        for choices in ["oneOf", "anyOf"] {
            let Some(choices) = schema[choices].as_array() else { continue };
            let tries = choices.iter().map(|choice| {
                let mut inside = Vec::new();
                self.look(choice, value, at, &mut inside);
                inside
            });
            // Of none that fits, the one with the fewest mistakes was meant.
            found.extend(tries.min_by_key(Vec::len).unwrap());
        }
        for (name, inside) in schema["properties"].as_object().into_iter().flatten() {
            if let Some(value) = value.get(name) {
                self.look(inside, value, &format!("{at}/{name}"), found);
            }
        }
        if let Some(items) = schema.get("items") {
            for (index, value) in value.as_array().into_iter().flatten().enumerate() {
                self.look(items, value, &format!("{at}/{index}"), found);
            }
        }
        if let Some(more) = schema.get("additionalProperties").filter(|more| more.is_object()) {
            for (name, value) in value.as_object().into_iter().flatten() {
                self.look(more, value, &format!("{at}/{name}"), found);
            }
        }
    }

    /// The names in a value that no schema tells of, wherever they stand.
    fn untold(&self, value: &Value) -> Vec<String> {
        let (mut known, mut found) = (BTreeMap::new(), Vec::new());
        names_in(&self.root, &mut known);
        untold_in(value, &known, &mut found);
        found
    }
}

/// The names that a schema tells of, and whether each stands for a table of any names.
fn names_in(schema: &Value, known: &mut BTreeMap<String, bool>) {
    for (name, inside) in schema["properties"].as_object().into_iter().flatten() {
        *known.entry(name.clone()).or_default() |= inside.get("additionalProperties").is_some();
    }
    let parts = schema.as_object().into_iter().flat_map(|parts| parts.values());
    parts.chain(schema.as_array().into_iter().flatten()).for_each(|part| names_in(part, known));
}

fn untold_in(value: &Value, known: &BTreeMap<String, bool>, found: &mut Vec<String>) {
    for (name, inside) in value.as_object().into_iter().flatten() {
        match (known.get(name), inside.as_object()) {
            (Some(true), Some(table)) => {
                table.values().for_each(|one| untold_in(one, known, found));
            }
            (Some(_), _) => untold_in(inside, known, found),
            (None, _) => found.push(name.clone()),
        }
    }
    value.as_array().into_iter().flatten().for_each(|one| untold_in(one, known, found));
}

fn has_type(value: &Value, types: &Value) -> bool {
    let is = |name: &str| match name {
        "object" => value.is_object(),
        "array" => value.is_array(),
        "string" => value.is_string(),
        "boolean" => value.is_boolean(),
        "integer" => value.is_i64() || value.is_u64(),
        "number" => value.is_number(),
        "null" => value.is_null(),
        name => panic!("a type that no schema of ours had before: {name}"),
    };
    match types.as_array() {
        Some(types) => types.iter().any(|one| is(one.as_str().unwrap())),
        None => is(types.as_str().unwrap()),
    }
}

fn demo() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../../demo")
}

/// Checks what a command prints on the demo data, a value a line or one in all.
fn fits(schema: &str, words: &[&str], input: &[u8], by_lines: bool) {
    let schema = Schema::named(schema);
    let run = Run::of(words).within(&demo()).input(input);
    let printed = text(&run.any_status().stdout);
    let values: Vec<&str> = if by_lines { printed.lines().collect() } else { vec![&printed] };
    assert!(!values.is_empty(), "{words:?} prints nothing");
    for value in values {
        let value: Value = serde_json::from_str(value).unwrap();
        assert_eq!(schema.mistakes(&value), Vec::<String>::new(), "{words:?}");
        assert_eq!(schema.untold(&value), Vec::<String>::new(), "{words:?}");
    }
}

#[test]
fn lines_fit_their_schema() {
    let line =
        "x=$(keeper) y=(1 2); label $x {a,b} \"$@\" $((1+2)) ~ <<<lid; f() { shift; }; f lime";
    for shown in ["stages", "bytes", "lineage", "stages,bytes,lineage"] {
        let words = ["line", "--format", "json", "--show", shown, line, "lime", "acacia honey"];
        fits("line.json", &words, b"", false);
    }
    fits("line.json", &["line", "--format", "json", "label ${lid"], b"", false);
    fits("line-all.json", &["line", "--shell", "all", "--format", "json", line], b"", false);
}

#[test]
fn walks_and_outlines_fit_their_schemas() {
    let script = "scripts/labels.sh";
    fits("walk.json", &["walk", "--format", "json", script, "May"], b"", true);
    let words = ["walk", "--format", "json", "--show", "lineage", script];
    fits("walk.json", &words, b"", true);
    fits("outline.json", &["outline", "--format", "json", script], b"", false);
    fits("spread.json", &["spread", "--format", "json", "lime honey", "", "heather"], b"", false);
}

#[test]
fn programs_fit_their_schemas() {
    let call = std::fs::read(demo().join("calls/press.c")).unwrap();
    fits("exec.json", &["exec", "--format", "json", "-"], &call, false);
    let script = "scripts/seal.sh";
    fits("shebang.json", &["shebang", "--format", "json", script, "lime"], b"", false);
    let words = ["shebang", "--system", "all", "--format", "json", script, "lime"];
    fits("shebang-systems.json", &words, b"", false);
    fits("receive.json", &["receive", "--format", "json", "lime honey", ""], b"", false);
    fits("view.json", &["view", "--format", "json", "lime honey", ""], b"", false);
    let words = ["accept", "--format", "json", "contracts/press.toml", "-w250", "lime"];
    fits("accept.json", &words, b"", false);
}

#[test]
fn what_does_not_fit_is_found() {
    let schema = Schema::named("line.json");
    let event: Value = serde_json::json!({ "fizzet": "one", "commands": [{ "argv": 3 }] });
    let mistakes = schema.mistakes(&event);
    assert!(mistakes.iter().any(|one| one.contains("/fizzet")), "{mistakes:?}");
    assert!(mistakes.iter().any(|one| one.contains("/commands/0/argv")), "{mistakes:?}");
    let event = serde_json::json!({ "commands": [{ "bees": 1 }], "hives": 2 });
    assert_eq!(schema.untold(&event), ["bees", "hives"]);
}
