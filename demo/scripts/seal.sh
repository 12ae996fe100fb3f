#!/usr/bin/env -S ./scripts/stamp.sh -b "lime honey"
# What stands behind env -S is split by env; it is no shell that reads it.
