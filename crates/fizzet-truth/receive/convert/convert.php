<?php
// What PHP's conversions make of each argument: its number, the conversion, the result.
foreach (array_slice($argv, 1) as $at => $text) {
    $at++;
    echo "$at (int) ", (int)$text, "\n";
    $value = (float)$text;
    echo "$at (float) ", is_nan($value) ? "nan" : bin2hex(pack("E", $value)), "\n";
}
