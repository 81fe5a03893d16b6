/** Values made of several that mix each for itself. */
import type { Form, Mixable } from './value-type.ts';

/** A fixed text, or two values that mix. */
export type Piece = string | Mixable;

/** Where the numbers of each begin. */
function* places(all: readonly Mixable[], first: number): Generator<[Mixable, number]> {
  let at = first;
  for (const m of all) {
    yield [m, at];
    at += m.from.length;
  }
}

/** Pieces as one value, whose numbers stand one after the other; `print` makes one text of theirs. It blurs as far as any of them. */
export function combined(pieces: readonly Piece[], print: (texts: string[]) => string): Mixable {
  const mixables = pieces.flatMap((p) => (typeof p === 'string' ? [] : [p]));
  const form: Form = {
    write(n, i) {
      let at = i;
      return print(
        pieces.map((p) => {
          if (typeof p === 'string') return p;
          const written = p.form.write(n, at);
          at += p.from.length;
          return written;
        }),
      );
    },
    ...(mixables.some((m) => m.form.blur)
      ? { blur: (n, i) => Math.max(...[...places(mixables, i)].map(([p, at]) => p.form.blur?.(n, at) ?? 0)) }
      : {}),
  };
  return { from: mixables.flatMap((m) => m.from), to: mixables.flatMap((m) => m.to), form };
}

/** Pieces one after the other. */
export const joined = (pieces: readonly Piece[]): Mixable =>
  combined(pieces, (texts) => texts.join('').trim());

/** `pieces` with something between them. */
export const between = (pieces: readonly Piece[], separator: string): Piece[] =>
  pieces.flatMap((p, i) => (i ? [separator, p] : [p]));

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/** Two lists, each repeated until both are over together (Web Animations 1, “repeatable list”). */
export function repeated<T>(a: readonly T[], b: readonly T[]): [T, T][] {
  const size = (a.length * b.length) / divisor(a.length, b.length);
  return Array.from({ length: size }, (_, i) => [a[i % a.length] as T, b[i % b.length] as T]);
}
