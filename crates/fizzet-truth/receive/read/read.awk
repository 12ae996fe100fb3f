# The argument of this number, read in the usual way.
BEGIN { print "value [" ARGV[ENVIRON["READ"]] "]" }
