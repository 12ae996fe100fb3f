<?php
// What PHP shows of the vector: each name and its value, a NUL behind each.
echo '$argc ', $argc, "\0";
foreach ($argv as $at => $jar) echo "\$argv[$at] $jar\0";
