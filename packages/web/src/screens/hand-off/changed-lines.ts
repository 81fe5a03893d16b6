/** Which lines of a text matter to a reader of a change. */

/** The lines that were changed, each with a few around it. */
export function around(text: string, changed: readonly number[], main: number): string {
  const lines = text.split('\n');
  const wanted = new Set<number>();
  const show = (line: number, before: number, after: number) => {
    for (let i = line - before; i <= line + after; i++) if (i >= 1 && i <= lines.length) wanted.add(i);
  };
  show(main, 11, 7);
  for (const line of changed) show(line, 2, 2);
  const out: string[] = [];
  let last = 0;
  for (const n of [...wanted].sort((a, b) => a - b)) {
    if (n > last + 1) out.push('…');
    out.push(lines[n - 1]!);
    last = n;
  }
  return [...out, ...(last < lines.length ? ['…'] : [])].join('\n');
}

/** Lines of a text that another one, made from it by taking out and adding whole pieces, no longer has. Counted from 1. */
export function removedLines(before: string, after: string): number[] {
  const kept = after.split('\n');
  const out: number[] = [];
  let at = 0;
  before.split('\n').forEach((line, i) => {
    const found = kept.indexOf(line, at);
    // A line that only turns up much later is another one.
    if (found >= 0 && (line.trim() !== '' || found === at)) at = found + 1;
    else if (line.trim() !== '') out.push(i + 1);
  });
  return out;
}
