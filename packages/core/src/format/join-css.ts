/** The hand-off's style sheet: the writer's pieces inside the guards that keep a page whole without them. */
import type { Layout } from '../page/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { writeCss } from './write-css.ts';
import type { Piece, Plan, WriterNote } from './piece.ts';
import { indent } from './rule.ts';

export interface HandOff {
  css: string;
  /** what the script plays; nothing in it: no script is needed */
  plan: Plan;
  notes: WriterNote[];
  /** first and last line of each piece's rules, counted from 1 */
  lines: { piece: Piece; from: number; to: number }[];
}

/**
 * Browsers without scroll timelines, print and readers who ask for reduced motion see the page as it was brought, complete.
 * `title` becomes the opening comment.
 */
export function handOffCss(
  document: MotionDocument,
  layout: Layout,
  title: string,
  others: readonly Layout[] = [],
): HandOff {
  const full = writeCss(document, layout, 'full-motion', others);
  const reduced = writeCss(document, layout, 'reduced-motion', others);
  const out: string[] = [`/* ${title.replaceAll('*/', '')} */`];
  const lines: HandOff['lines'] = [];
  const put = (text: string) => {
    const from = out.length + 1;
    out.push(...text.split('\n'));
    return { from, to: out.length };
  };
  if (full.pieces.length) {
    put('@supports (animation-timeline: view()) {');
    const isAdjustment = (p: Piece) => p.id.startsWith('adjust:') || p.id === 'kept';
    let blocks = 0;
    const media = (query: string, pieces: readonly Piece[], mark: boolean, comment = '') => {
      const written = pieces.filter((p) => p.rules);
      if (written.length === 0) return;
      if (blocks++) put('');
      put(`  @media ${query} {`);
      if (comment) put(`    /* ${comment} */`);
      written.forEach((piece, i) => {
        if (i > 0) put('');
        const at = put(indent(piece.rules, '    '));
        if (mark) lines.push({ piece, ...at });
      });
      put('  }');
    };
    const rest = (pieces: readonly Piece[]) => pieces.filter((p) => !isAdjustment(p));
    media('screen', full.pieces.filter(isAdjustment), true, 'Adjustments that the motions need');
    media('screen and (prefers-reduced-motion: no-preference)', rest(full.pieces), true);
    media('screen and (prefers-reduced-motion: reduce)', rest(reduced.pieces), false);
    put('}');
    for (const keyframes of new Set(
      [...full.pieces, ...reduced.pieces].map((p) => p.keyframes).filter(Boolean),
    ))
      put(`\n${keyframes}`);
  }
  return { css: `${out.join('\n')}\n`, plan: full.plan, notes: full.notes, lines };
}

/** What the preview puts into the page for one piece: the same text, without guards, since the condition is chosen there. */
export const previewCss = (piece: Piece): string => [piece.rules, piece.keyframes].filter(Boolean).join('\n');
