# The argument of this number, read in the usual way.
eval "echo \"value [\${$READ}]\""
