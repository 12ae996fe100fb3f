//! The JSON Schemas of the output, which `docs/schema` holds.

use schemars::generate::SchemaSettings;
use schemars::{JsonSchema, Schema};

use crate::render::json::accept::AcceptOut;
use crate::render::json::launch::{ExecOut, LaunchOut, SystemsOut};
use crate::render::json::shape::{AllShells, Event, Line, OutlineOut, Received, SpreadOut};
use crate::render::json::view::{ProofsOut, ViewOut};

/// Each schema by the name of its file, as that file holds it.
pub fn schemas() -> Vec<(&'static str, String)> {
    let schemas: [(&str, Schema); 12] = [
        ("line.json", schema_of::<Line<'static>>()),
        ("line-all.json", schema_of::<AllShells<'static>>()),
        ("outline.json", schema_of::<OutlineOut<'static>>()),
        ("spread.json", schema_of::<SpreadOut<'static>>()),
        ("walk.json", schema_of::<Event<'static>>()),
        ("receive.json", schema_of::<Received<'static>>()),
        ("exec.json", schema_of::<ExecOut<'static>>()),
        ("shebang.json", schema_of::<LaunchOut<'static>>()),
        ("shebang-systems.json", schema_of::<SystemsOut<'static>>()),
        ("accept.json", schema_of::<AcceptOut<'static>>()),
        ("view.json", schema_of::<ViewOut<'static>>()),
        ("view-prove.json", schema_of::<ProofsOut<'static>>()),
    ];
    // Serialized as a schema and not as any value, whose keywords would come in another order.
    let text = |schema: &Schema| serde_json::to_string_pretty(schema).unwrap_or_default() + "\n";
    schemas.iter().map(|(name, schema)| (*name, text(schema))).collect()
}

/// The schema of what a type is written as: what may be left out need not be there.
fn schema_of<T: JsonSchema>() -> Schema {
    SchemaSettings::default().for_serialize().into_generator().into_root_schema_for::<T>()
}

#[cfg(test)]
mod tests {
    use std::path::Path;

    #[test]
    fn the_committed_schemas_are_those_of_the_code() {
        let folder = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../docs/schema");
        for (name, text) in super::schemas() {
            let committed = std::fs::read_to_string(folder.join(name)).unwrap_or_default();
            assert!(committed == text, "{name} is out of date: run cargo xtask schema");
        }
    }
}
