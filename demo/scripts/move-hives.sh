#!/bin/sh
# Moves hives to another stand: move-hives.sh [-k KEEPER] [-n] STAND HIVE...
keeper=nobody
dry=
while getopts k:n option; do
    case $option in
        k) keeper=$OPTARG ;;
        n) dry=yes ;;
        *) exit 2 ;;
    esac
done
shift $((OPTIND - 1))
stand=$1
shift
move() {
    carry --by "$keeper" ${dry:+--dry-run} "$@"
}
for hive in "$@"; do
    move "$hive" "$stand"
done
