//! What the first block of a file says it is.

/// The form of a file, as the kernel tells it by its first bytes.
#[derive(Clone, PartialEq, Eq, Debug)]
pub enum Image {
    /// A script with a `#!` line.
    Script,
    /// A program.
    Program {
        /// The loader that it asks for, if it is one that is linked when it starts.
        loader: Option<Vec<u8>>,
    },
    /// A program for another machine.
    Foreign,
    /// Something else.
    Unknown,
    /// Nothing at all.
    Empty,
}

/// `e_machine` of the ELF header of a machine, as `<elf.h>` has it.
pub fn machine_number(architecture: &str) -> Option<u16> {
    Some(match architecture {
        "x86" => 3,
        "powerpc64" => 21,
        "s390x" => 22,
        "arm" => 40,
        "x86_64" => 62,
        "aarch64" => 183,
        "riscv64" => 243,
        _ => return None,
    })
}

impl Image {
    /// Tells the form by the start of a file; `machine` is that of the running kernel.
    pub fn of(head: &[u8], machine: Option<u16>) -> Image {
        match head {
            [] => Image::Empty,
            [b'#', b'!', ..] => Image::Script,
            [0x7f, b'E', b'L', b'F', ..] => elf(head, machine).unwrap_or(Image::Unknown),
            _ => Image::Unknown,
        }
    }
}

/// Reads the header of a program (ELF, gABI chapter 4). What lies behind the block is not looked at.
fn elf(head: &[u8], machine: Option<u16>) -> Option<Image> {
    let wide = match head.get(4)? {
        1 => false,
        2 => true,
        _ => return None,
    };
    let little = *head.get(5)? == 1;
    let number = |at: usize, bytes: usize| -> Option<u64> {
        let field = head.get(at..at + bytes)?;
        let join = |sum: u64, byte: &u8| sum << 8 | u64::from(*byte);
        Some(match little {
            true => field.iter().rev().fold(0, join),
            false => field.iter().fold(0, join),
        })
    };
    let (executable, shared) = (2, 3);
    if ![executable, shared].contains(&number(16, 2)?) {
        return None;
    }
    let theirs = number(18, 2)?;
    if machine.is_some_and(|ours| u64::from(ours) != theirs && !(ours == 62 && theirs == 3)) {
        return Some(Image::Foreign);
    }
    let (table, size, count) = match wide {
        true => (number(32, 8)?, number(54, 2)?, number(56, 2)?),
        false => (number(28, 4)?, number(42, 2)?, number(44, 2)?),
    };
    let loader = (0..count).find_map(|at| {
        let entry = usize::try_from(table + at * size).ok()?;
        let asks_for_loader = 3;
        if number(entry, 4)? != asks_for_loader {
            return None;
        }
        let (offset, length) = match wide {
            true => (number(entry + 8, 8)?, number(entry + 32, 8)?),
            false => (number(entry + 4, 4)?, number(entry + 16, 4)?),
        };
        let start = usize::try_from(offset).ok()?;
        let name = head.get(start..start.checked_add(usize::try_from(length).ok()?)?)?;
        Some(name.split(|&byte| byte == 0).next()?.to_vec())
    });
    Some(Image::Program { loader })
}

#[cfg(test)]
mod tests {
    use super::Image;

    #[test]
    fn a_program_names_its_loader() {
        let mut head = vec![0; 128];
        head[..6].copy_from_slice(b"\x7fELF\x02\x01");
        (head[16], head[18], head[32], head[54], head[56]) = (3, 62, 64, 56, 1);
        (head[64], head[64 + 8], head[64 + 32]) = (3, 120, 5);
        head[120..125].copy_from_slice(b"/lid\0");
        let loader = Some(b"/lid".to_vec());
        assert_eq!(Image::of(&head, Some(62)), Image::Program { loader });
        assert_eq!(Image::of(&head, Some(183)), Image::Foreign);
        assert_eq!(Image::of(b"\x7fELF", None), Image::Unknown);
        assert_eq!(Image::of(b"label", None), Image::Unknown);
    }
}
