#!/bin/sh
# Prints a small and a large label for each jar of a list: list.sh LIST, as in 'lime honey:heather'.
IFS=:
for jar in $1; do
    label "$jar" {small,large}
done
shelve --by "${keeper:-nobody}" "$1"
