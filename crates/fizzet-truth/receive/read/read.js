// The argument of this number, read in the usual way.
const text = process.argv[+process.env.READ];
console.log(text === undefined ? `undefined [${text}]` : `value [${text}]`);
