use fizzet_truth::conversions::*;
fn main() {
    let texts = texts().unwrap();
    let bytes: Vec<Vec<u8>> = texts.iter().map(|(_, b)| b.clone()).collect();
    let ours: Vec<_> = bytes.iter().map(|t| prediction(t)).collect();
    let (mut n, mut d) = (0, 0);
    for ((name, at), result) in truth(&bytes).unwrap() {
        n += 1;
        let mine = ours[at].get(&name).cloned().unwrap_or("?".into());
        if mine != result { d += 1; println!("{name}\t{}\treal {result}\tours {mine}", texts[at].0); }
    }
    println!("{n} {d}");
}
