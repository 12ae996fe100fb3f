# What Ruby shows of the vector: each name and its value, a NUL behind each.
$stdout.binmode
print "$0 ", $0, "\0", "ARGV.length #{ARGV.length}\0"
ARGV.each_with_index { |jar, at| print "ARGV[#{at}] ", jar, "\0" }
