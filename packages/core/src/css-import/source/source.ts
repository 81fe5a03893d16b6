/** Where in the page's files something stands, and what a reader of the result is told about it. */
import { itemAt } from '../../assert/index.ts';
import { ellipsized } from '../../text/index.ts';

export interface Place {
  /** path of the file in the page */
  path: string;
  /** counted from 1 */
  line: number;
  column: number;
  /** characters from the beginning of the file */
  from: number;
  to: number;
}

/** Something of the page that was left as it is, and why. */
export interface Unsupported {
  place: Place;
  /** the text in question, shortened */
  what: string;
  reason: string;
}

/** Line starts of a file, so that many offsets can be told as line and column. */
export class Lines {
  private readonly starts: number[] = [0];

  constructor(
    readonly path: string,
    readonly text: string,
  ) {
    for (let i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n', i + 1)) this.starts.push(i + 1);
  }

  place(from: number, to = from): Place {
    let low = 0;
    let high = this.starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (itemAt(this.starts, middle) <= from) low = middle;
      else high = middle - 1;
    }
    return { path: this.path, line: low + 1, column: from - itemAt(this.starts, low) + 1, from, to };
  }
}

export const shortened = (text: string, most = 90): string => {
  const tidy = text.replace(/\s+/g, ' ').trim();
  return ellipsized(tidy, most);
};
