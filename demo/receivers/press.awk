# What awk shows of the vector: each name and its value, a NUL behind each.
BEGIN {
    printf "ARGC %d%c", ARGC, 0
    for (at = 0; at < ARGC; at++) printf "ARGV[%d] %s%c", at, ARGV[at], 0
}
