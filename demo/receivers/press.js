// What Node shows of the vector: each name and its value, a NUL behind each.
process.stdout.write("process.argv.length " + process.argv.length + "\0");
process.argv.forEach((jar, at) => process.stdout.write(`process.argv[${at}] ${jar}\0`));
