# What Tcl shows of the vector: each name and its value, a NUL behind each.
fconfigure stdout -translation binary -encoding utf-8
puts -nonewline "argv0 $argv0\0argc $argc\0"
set at 0
foreach jar $argv {
    puts -nonewline "lindex \$argv $at $jar\0"
    incr at
}
