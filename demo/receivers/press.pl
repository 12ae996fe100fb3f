# What Perl shows of the vector: each name and its value, a NUL behind each.
print "\$0 $0\0", "scalar(\@ARGV) ", scalar(@ARGV), "\0", "\$#ARGV $#ARGV\0";
print "\$ARGV[$_] $ARGV[$_]\0" for 0 .. $#ARGV;
