//! The errors of exec and of looking files up, as Linux has them.

macro_rules! errors {
    ($($(#[$doc:meta])* $name:ident $text:literal,)*) => {
        /// An error of the system (errno).
        #[derive(Clone, Copy, PartialEq, Eq, Debug)]
        #[allow(clippy::upper_case_acronyms)]
        pub enum Errno {
            $($(#[$doc])* $name,)*
        }

        impl Errno {
            /// The name in `<errno.h>`.
            pub fn name(self) -> &'static str {
                match self {
                    $(Errno::$name => stringify!($name),)*
                }
            }

            /// The message of `strerror` of glibc.
            pub fn message(self) -> &'static str {
                match self {
                    $(Errno::$name => $text,)*
                }
            }
        }
    };
}

errors! {
    /// The arguments and the environment take too much room.
    E2BIG "Argument list too long",
    /// A permission is missing, or the file is none that can be executed.
    EACCES "Permission denied",
    /// An argument of the call is an address that leads nowhere.
    EFAULT "Bad address",
    /// An argument of the call makes no sense.
    EINVAL "Invalid argument",
    /// The device failed.
    EIO "Input/output error",
    /// Too many links, or too many `#!` files after one another.
    ELOOP "Too many levels of symbolic links",
    /// A name is longer than the system takes.
    ENAMETOOLONG "File name too long",
    /// There is no such file; or its interpreter is missing.
    ENOENT "No such file or directory",
    /// The file is of no form that the kernel knows.
    ENOEXEC "Exec format error",
    /// A part of the path is no folder.
    ENOTDIR "Not a directory",
    /// Not allowed.
    EPERM "Operation not permitted",
}
