#!/bin/sh
# Prints a label for each jar; without jars, for the usual ones.
batch=$1
shift
if [ $# -eq 0 ]; then
    set -- 'lime honey' heather
fi
while [ $# -gt 0 ]; do
    label --batch "$batch" "$1"
    shift
done
