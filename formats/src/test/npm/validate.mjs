// Prints how many errors and warnings the validator finds in each file, a line a file, then the messages.
import { readFileSync } from 'node:fs';
import validator from 'gltf-validator';

for (const file of process.argv.slice(2)) {
  const report = await validator.validateBytes(new Uint8Array(readFileSync(file)));
  const { numErrors, numWarnings, messages } = report.issues;
  console.log(`${numErrors} errors, ${numWarnings} warnings`);
  messages.filter((m) => m.severity < 2).slice(0, 5).forEach((m) => console.error(m.code, m.message, m.pointer));
}
