# The argument of this number, read in the usual way.
text = ARGV[ENV["READ"].to_i]
puts text.nil? ? "nil [#{text}]" : "value [#{text}]"
