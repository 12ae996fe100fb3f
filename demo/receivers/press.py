# What Python shows of the vector: each name and its value, a NUL behind each.
import os, sys

out = sys.stdout.buffer
out.write(b"len(sys.argv) %d\0" % len(sys.argv))
for at, jar in enumerate(sys.argv):
    out.write(b"sys.argv[%d] %s\0" % (at, os.fsencode(jar)))
