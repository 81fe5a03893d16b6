/** CSS lists taken apart, outside of brackets and strings. */
import { present } from '../assert/index.ts';

/** Parts between top-level commas, or spaces. */
export function splitTop(text: string, separator = ','): string[] {
  const parts: string[] = [];
  let depth = 0;
  let quote = '';
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    const c = present(text[i]);
    if (quote) {
      if (c === '\\') i++;
      else if (c === quote) quote = '';
    } else if (c === '"' || c === "'") quote = c;
    else if (c === '(' || c === '[') depth++;
    else if (c === ')' || c === ']') depth--;
    else if (depth <= 0 && (separator === ' ' ? /\s/.test(c) : c === separator)) {
      parts.push(text.slice(from, i));
      from = i + 1;
    }
  }
  parts.push(text.slice(from));
  const tidy = parts.map((p) => p.trim());
  return separator === ' ' ? tidy.filter(Boolean) : tidy;
}
