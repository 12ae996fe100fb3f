# What Ruby's conversions make of each argument: its number, the conversion, the result.
def bits(value)
  value.nan? ? "nan" : [value].pack("G").unpack1("H*")
end

ARGV.each_with_index do |text, which|
  at = which + 1
  puts "#{at} to_i #{text.to_i}"
  puts "#{at} Integer #{begin Integer(text) rescue $!.class end}"
  puts "#{at} to_f #{bits(text.to_f)}"
  puts "#{at} Float #{begin bits(Float(text)) rescue $!.class end}"
end
