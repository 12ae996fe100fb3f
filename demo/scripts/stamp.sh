#!/bin/sh -e -u
# The kernel hands "-e -u" over as one argument.
label "$@"
