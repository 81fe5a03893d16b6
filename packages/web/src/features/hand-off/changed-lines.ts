import { itemAt } from '@lyvek/core';
/** Which lines of a text matter to a reader of a change. */

export interface Excerpt {
  text: string;
  /** lines of the excerpt, counted from 1, that are changed ones */
  changed: number[];
}

/** The lines that were changed, each with a few around it. */
export function around(text: string, changed: readonly number[], main: number): Excerpt {
  const lines = text.split('\n');
  const wanted = new Set<number>();
  const show = (line: number, before: number, after: number) => {
    for (let i = line - before; i <= line + after; i++) if (i >= 1 && i <= lines.length) wanted.add(i);
  };
  show(main, 11, 7);
  for (const line of changed) show(line, 2, 2);
  const out: string[] = [];
  let last = 0;
  const marked: number[] = [];
  for (const n of [...wanted].sort((a, b) => a - b)) {
    if (n > last + 1) out.push('…');
    out.push(itemAt(lines, n - 1));
    if (changed.includes(n)) marked.push(out.length);
    last = n;
  }
  return { text: [...out, ...(last < lines.length ? ['…'] : [])].join('\n'), changed: marked };
}
