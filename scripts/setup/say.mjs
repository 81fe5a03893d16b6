/** Progress on standard error, results on standard output. */
const began = Date.now();
export const say = (text) =>
  process.stderr.write(`lyvek  ${((Date.now() - began) / 1000).toFixed(1).padStart(5)} s  ${text}\n`);

/** Ends with one clear line instead of a stack trace. */
export function giveUp(text) {
  process.stderr.write(`\nlyvek cannot go on: ${text}\n`);
  process.exit(1);
}
