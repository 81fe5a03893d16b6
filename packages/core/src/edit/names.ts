/** Names that nothing has yet. */
import { shorten } from '../text/index.ts';

const MAX_LENGTH = 120;

/** Gives names out: the wished one, or it with the next free number behind it. “Card 2” goes on to “Card 3”. */
export function freeName(taken: Iterable<string>): (wished: string) => string {
  const names = new Set(taken);
  return (wished) => {
    const plain = shorten(wished, MAX_LENGTH - 4).trimEnd();
    const stem = plain.replace(/ \d+$/, '');
    let name = plain;
    for (let n = 2; names.has(name); n++) name = `${stem} ${n}`;
    names.add(name);
    return name;
  };
}
