/** What commands print: results to the standard output, everything else beside it. */
import { writeFileSync } from 'node:fs';

export function put(text: string, to = '-'): void {
  const whole = text.endsWith('\n') ? text : `${text}\n`;
  if (to === '-') process.stdout.write(whole);
  else writeFileSync(to, whole);
}

export const putJson = (data: unknown, to?: string): void => put(JSON.stringify(data, null, 2), to);
export const note = (text: string): void => void process.stderr.write(`${text}\n`);

/** A field of CSV (RFC 4180). */
export const csvField = (value: string | number | null): string => {
  const text = value === null ? '' : String(value);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};
