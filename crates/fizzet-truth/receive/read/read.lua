-- The argument of this number, read in the usual way.
local text = arg[tonumber(os.getenv("READ"))]
print((text == nil and "nil" or "value") .. " [" .. tostring(text) .. "]")
