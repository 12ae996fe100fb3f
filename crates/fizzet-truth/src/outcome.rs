//! What programs received.

use std::fmt;

use serde_json::Value;

/// One argument vector.
pub type Vector = Vec<Vec<u8>>;

/// The vectors that programs received, in order.
#[derive(Clone, PartialEq, Eq, PartialOrd, Ord, Default, Debug)]
pub struct Outcome {
    /// One for each program.
    pub vectors: Vec<Vector>,
}

impl Outcome {
    /// The vectors in a record file of `fizzet receive`.
    pub(crate) fn from_record(text: &str) -> Outcome {
        let vector = |line: &str| {
            let record: Value = serde_json::from_str(line).unwrap_or_default();
            record["argv"].as_array().map(|argv| argv.iter().map(argument_bytes).collect())
        };
        Outcome { vectors: text.lines().filter_map(vector).collect() }
    }

    /// Puts a name for a folder that is another in each run.
    pub(crate) fn with_folder_named(mut self, folder: &[u8], name: &str) -> Outcome {
        for argument in self.vectors.iter_mut().flatten() {
            while let Some(at) = argument.windows(folder.len()).position(|part| part == folder) {
                argument.splice(at..at + folder.len(), name.bytes());
            }
        }
        self
    }

    /// The vectors in an order of their own: the commands of a pipeline run at the same time.
    pub fn sorted(mut self) -> Outcome {
        self.vectors.sort();
        self
    }
}

impl fmt::Display for Outcome {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        for (at, vector) in self.vectors.iter().enumerate() {
            f.write_str(if at > 0 { " ; " } else { "" })?;
            vector.iter().try_for_each(|bytes| write!(f, "[{}]", bytes.escape_ascii()))?;
        }
        Ok(())
    }
}

/// The bytes of an ARG of the JSON shape.
pub fn argument_bytes(argument: &Value) -> Vec<u8> {
    let Some(hex) = argument["hex"].as_str() else {
        return argument["text"].as_str().unwrap_or_default().as_bytes().to_vec();
    };
    let digit = |byte: u8| char::from(byte).to_digit(16).unwrap_or(0) as u8;
    hex.as_bytes().chunks(2).map(|pair| digit(pair[0]) * 16 + digit(pair[1])).collect()
}
