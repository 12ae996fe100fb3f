-- What Lua shows of the vector: each name and its value, a NUL behind each.
io.write("#arg ", #arg, "\0")
for at = 0, #arg do io.write("arg[", at, "] ", arg[at], "\0") end
