/** CSS text as it is written, block by block, with the lines where each piece stands. */
import { Condenser } from './condense.ts';
import { nested } from './nest.ts';
import type { NestedRule } from './nest.ts';
import type { Piece } from './piece.ts';
import { indent } from './rule.ts';

/** First and last line of a piece's rules, counted from 1. */
export interface PieceLines {
  piece: Piece;
  from: number;
  to: number;
}

/** Grows block by block, with a blank line between blocks of one level. */
export class CssText {
  readonly out: string[] = [];
  readonly marked: PieceLines[] = [];
  private readonly condenser = new Condenser();
  private depth = '';
  private blocks = 0;

  /** `isNested`: selectors stand inside of each other. */
  constructor(private readonly isNested = false) {}

  put(text: string): { from: number; to: number } {
    const from = this.out.length + 1;
    this.out.push(...indent(text, this.depth).split('\n'));
    return { from, to: this.out.length };
  }

  /** Rules of pieces under a media query. `mark`: these are the lines where a motion is found. */
  media(query: string, pieces: readonly Piece[], mark: boolean, comment = ''): void {
    const written = this.condenser.rules(pieces);
    if (written.length === 0) return;
    this.block(`@media ${query}`, () => {
      if (comment) this.put(`/* ${comment} */`);
      const rules = this.isNested ? nested(written) : written.map((r) => ({ ...r, inside: [] }));
      rules.forEach((rule, i) => {
        if (i > 0) this.out.push('');
        this.rule(rule, mark);
      });
    });
  }

  private rule({ selector, within, lines, pieces, inside }: NestedRule, mark: boolean): void {
    const heads = [within ?? '', selector].filter(Boolean);
    const from = this.out.length + 1;
    this.within(heads, () => {
      if (lines.length) this.put(lines.join('\n'));
      const to = this.out.length + (inside.length ? 0 : heads.length);
      if (mark) this.marked.push(...pieces.map((piece) => ({ piece, from, to })));
      inside.forEach((rule, i) => {
        if (i > 0 || lines.length) this.out.push('');
        this.rule(rule, mark);
      });
    });
  }

  private within(heads: readonly string[], inside: () => void): void {
    for (const head of heads) {
      this.put(`${head} {`);
      this.depth += '  ';
    }
    inside();
    for (const _ of heads) {
      this.depth = this.depth.slice(2);
      this.put('}');
    }
  }

  /** A block, unless nothing comes to stand in it. */
  block(head: string, inside: () => void): void {
    const before = this.out.length;
    if (this.blocks++) this.out.push('');
    this.put(`${head} {`);
    const begun = this.out.length;
    const [depth, blocks] = [this.depth, this.blocks];
    this.depth += '  ';
    this.blocks = 0;
    inside();
    this.depth = depth;
    this.blocks = blocks;
    if (this.out.length > begun) return void this.put('}');
    this.out.length = before;
    this.blocks--;
  }
}
