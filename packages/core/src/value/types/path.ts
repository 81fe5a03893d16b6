/** Path data as SVG writes it (SVG 2, §9.3): two paths mix number by number where their commands are the same (§9.3.2, “d”). */
import { decimal } from '../value-type.ts';
import type { Mixable } from '../value-type.ts';

const TOKEN = /[a-z]|[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi;
const COUNTS: Record<string, number> = { m: 2, l: 2, h: 1, v: 1, c: 6, s: 4, q: 4, t: 2, z: 0 };

interface Command {
  letter: string;
  numbers: number[];
}

/** Null for what is no path, and for arcs: their flags mix otherwise. */
export function readPath(data: string): Command[] | null {
  const out: Command[] = [];
  for (const token of data.match(TOKEN) ?? []) {
    const last = out.at(-1);
    if (/[a-z]/i.test(token) && !/\d/.test(token)) out.push({ letter: token, numbers: [] });
    else if (!last) return null;
    else if (last.numbers.length < (COUNTS[last.letter.toLowerCase()] ?? 0)) last.numbers.push(Number(token));
    else if (last.numbers.length === 0) return null;
    // More numbers repeat the command; those of a move are lines.
    else {
      const letter = last.letter === 'm' ? 'l' : last.letter === 'M' ? 'L' : last.letter;
      out.push({ letter, numbers: [Number(token)] });
    }
  }
  const isWhole = (c: Command) => c.numbers.length === COUNTS[c.letter.toLowerCase()];
  return out.length && out.every(isWhole) ? out : null;
}

/** `from` and `to`: path data without quotes. Written with them. */
export function pairPaths(from: string, to: string): Mixable | null {
  const [a, b] = [readPath(from), readPath(to)];
  if (!a || !b || a.length !== b.length || a.some((c, i) => c.letter !== b[i]?.letter)) return null;
  const write = (n: ArrayLike<number>, at: number) => {
    let i = at;
    return `"${a.map((c) => [c.letter, ...c.numbers.map(() => decimal(n[i++] ?? 0))].join(' ')).join(' ')}"`;
  };
  return { from: a.flatMap((c) => c.numbers), to: b.flatMap((c) => c.numbers), form: { write } };
}
