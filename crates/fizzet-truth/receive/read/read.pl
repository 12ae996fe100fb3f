# The argument of this number, read in the usual way.
my $text = $ARGV[$ENV{READ}];
print defined $text ? "value [$text]\n" : "undef [$text]\n";
