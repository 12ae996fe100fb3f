# What a shell shows of the vector: each name and its value, a NUL behind each.
printf '%s %s\0' '$0' "$0" '$#' "$#"
at=1
for jar in "$@"; do
    case $at in
        ?) name=\$$at ;;
        *) name="\${$at}" ;;
    esac
    printf '%s %s\0' "$name" "$jar"
    at=$((at + 1))
done
