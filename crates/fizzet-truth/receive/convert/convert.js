// What JavaScript's conversions make of each argument: its number, the conversion, the result.
function bits(value) {
  const view = new DataView(new ArrayBuffer(8));
  view.setFloat64(0, value);
  return Number.isNaN(value) ? "nan" : view.getBigUint64(0).toString(16).padStart(16, "0");
}
process.argv.slice(2).forEach((text, which) => {
  const at = which + 1;
  console.log(`${at} parseInt ${bits(parseInt(text))}`);
  console.log(`${at} Number ${bits(Number(text))}`);
  console.log(`${at} parseFloat ${bits(parseFloat(text))}`);
});
