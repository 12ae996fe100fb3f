//! The built program, end to end.

mod accept;
mod allowed;
mod demo;
mod environment;
mod exec;
mod folder;
mod follow;
mod functions;
mod line;
mod numbers;
mod own;
mod program;
mod real;
mod receive;
mod scenario;
mod schema;
mod scripts;
mod shebang;
mod shells;
mod stack;
mod view;
mod walk;
mod written;
