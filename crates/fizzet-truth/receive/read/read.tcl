# The argument of this number, read in the usual way.
puts "value \[[lindex $argv $env(READ)]\]"
