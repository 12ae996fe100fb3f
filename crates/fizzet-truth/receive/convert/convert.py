# What Python's conversions make of each argument: its number, the conversion, the result.
import struct, sys

def bits(value):
    return "nan" if value != value else "%016x" % struct.unpack(">Q", struct.pack(">d", value))

def tell(at, name, convert, show):
    try:
        result = show(convert())
    except Exception as error:
        result = type(error).__name__
    print(at, name, result)

for at, text in enumerate(sys.argv[1:], 1):
    tell(at, "int", lambda: int(text), str)
    tell(at, "float", lambda: float(text), bits)
