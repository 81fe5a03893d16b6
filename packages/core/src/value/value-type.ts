/**
 * A value type reads a CSS value into numbers that can be mixed linearly, and writes them back. Two values mix when both are read
 * into the same *form*; a form says what the numbers mean (which filter functions, which colour space).
 */
import { itemAt } from '../assert/index.ts';
import type { Sizes } from '../page/index.ts';
import type { Matrix } from './matrix.ts';

export interface ValueContext {
  /** border box of the element in px, for percentages of translate and of lengths */
  box: { width: number; height: number };
  viewport: Sizes['viewport'];
  container?: Sizes['container'];
  em: number;
  rem: number;
  /** inherited or own `color`, for currentcolor */
  color: string;
  /** a value as the browser has read it, where it was asked */
  computed?(property: string, css: string): string | null;
}

export interface Form {
  /** CSS text for mixed numbers, starting at `at` */
  write(numbers: ArrayLike<number>, at: number): string;
  /** of transforms: the same as a matrix, column-major */
  matrix?(numbers: ArrayLike<number>, at: number): Matrix;
  /** of filters: how far they blur, px */
  blur?(numbers: ArrayLike<number>, at: number): number;
}

export interface Mixable {
  from: number[];
  to: number[];
  form: Form;
  /** which way it mixes cannot be said beforehand */
  unclear?: boolean;
}

export interface ValueType {
  name: string;
  /** an example, shown where an empty field asks for one */
  example: string;
  /** null: this value type does not understand the text */
  accepts(css: string): boolean;
  /** Reads a pair for mixing; null when the standard says that the pair flips at 50 %. */
  pair(from: string, to: string, context: ValueContext): Mixable | null;
  /** `over` added to `under` (Web Animations 2, §5.3.5); where it is missing, nothing is known of it */
  add?(under: string, over: string, context: ValueContext): string;
  /** `over` accumulated onto `under` (§5.3.5), where that is another thing than adding */
  accumulate?(under: string, over: string, context: ValueContext): string;
}

/** Adding number by number, for types whose values are read alike. */
export const sum =
  (type: ValueType): NonNullable<ValueType['add']> =>
  (under, over, context) => {
    const pair = type.pair(under, over, context);
    return pair
      ? pair.form.write(
          pair.from.map((n, i) => n + itemAt(pair.to, i)),
          0,
        )
      : over;
  };

/** Shortest decimal with up to six digits after the point. */
export const decimal = (n: number): string => String(Number(n.toFixed(6)) + 0);
