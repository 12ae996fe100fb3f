//! The argument of this number, read in the usual way.
fn main() {
    let at: usize = std::env::var("READ").unwrap().parse().unwrap();
    let args: Vec<String> = std::env::args().collect();
    println!("value [{}]", args[at]);
}
