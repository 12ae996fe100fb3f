# The argument of this number, read in the usual way.
import os, sys
print("value [%s]" % sys.argv[int(os.environ["READ"])])
