# What a shell's conversions make of each argument: its number, the conversion, the result.
at=0
for text in "$@"; do
    at=$((at + 1))
    echo "$at arithmetic $( (set -- "$text"; echo "$(($1))") 2>/dev/null || echo error)"
    echo "$at -gt $( ([ "$text" -gt 0 ]; case $? in 0) echo true ;; 1) echo false ;; *) echo error ;; esac) 2>/dev/null || echo error)"
done
