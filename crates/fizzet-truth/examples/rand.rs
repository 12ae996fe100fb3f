use fizzet_truth::conversions::*;
fn main() {
    let mut seed: u64 = std::env::args().nth(1).and_then(|s| s.parse().ok()).unwrap_or(1);
    let mut next = |n: usize| { seed ^= seed << 13; seed ^= seed >> 7; seed ^= seed << 17; (seed % n as u64) as usize };
    let pieces = ["0","1","7","9","12","00","255","0x","0X","0b","0o","e","E","e+","e-","p","P","p-","p+",".",".","_","-","+"," ","\t","\n","a","f","F","d","inf","nan","Infinity","NaN","(","ab","922337203685477580","18446744073709551","x","\u{a0}","١","308","324","1074","99999","000000000000","123456789"];
    let mut texts = Vec::new();
    for _ in 0..6000 { let n = 1 + next(6); let mut t = String::new(); for _ in 0..n { t += pieces[next(pieces.len())]; } texts.push(t.into_bytes()); }
    let ours: Vec<_> = texts.iter().map(|t| prediction(t)).collect();
    let (mut n, mut d) = (0, 0);
    for ((name, at), result) in truth(&texts).unwrap() {
        if ["bash","dash","busybox","ksh93","mksh","zsh"].contains(&name.split(' ').next().unwrap()) && std::env::args().nth(2).is_none() { continue; }
        n += 1;
        let mine = ours[at].get(&name).cloned().unwrap_or("?".into());
        if mine != result { d += 1; println!("{name}\t{:?}\treal {result}\tours {mine}", String::from_utf8_lossy(&texts[at])); }
    }
    println!("{n} {d}");
}
