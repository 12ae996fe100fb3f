# What Perl's conversions make of each argument: its number, the conversion, the result.
no warnings;
my $at = 0;
for my $text (@ARGV) {
    $at++;
    print "$at int ", int($text), "\n";
    my $value = $text + 0;
    print "$at numeric ", $value != $value ? "nan" : unpack("H16", pack("d>", $value)), "\n";
}
