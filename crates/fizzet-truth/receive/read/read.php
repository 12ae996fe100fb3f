<?php
// The argument of this number, read in the usual way.
$text = $argv[(int)getenv("READ")];
echo $text === null ? "NULL [$text]\n" : "value [$text]\n";
