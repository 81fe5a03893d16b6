/** What a page has been given to wear, so that only what has changed is sent. Framework-free. */
import { itemAt, previewCss } from '@lyvek/core';
import type { HtmlPatch, Piece, Plan } from '@lyvek/core';
import type { ToProbe } from '@lyvek/probe';

/** What a page is given: its motions, the HTML that pins need, and what the script plays. */
export interface Dress {
  pieces: readonly Piece[];
  patch: HtmlPatch;
  plan: Plan;
}

type Styling = Extract<ToProbe, { type: 'style' }>;
interface Sent {
  piece: Piece;
  css: string;
}

const animationNames = (piece: Piece): string[] =>
  [...piece.keyframes.matchAll(/@keyframes (lv-[\w-]+)/g)].map((m) => itemAt(m, 1));

export class SentDress {
  private pieces = new Map<string, Sent>();
  private order: string[] = [];
  /** what else was sent with them */
  private rest = '';
  private events: Plan['events'] = [];
  /** what changes the page itself: pins and adjustments, and the HTML for them */
  worn = '';

  /** The page is another one, and has nothing. */
  clear(): void {
    this.pieces.clear();
    this.order = [];
    this.rest = '';
  }

  /** The message that brings the page to this; null where it has it. `written`: keyframes of code that says the same, where a file of the page’s is in step. */
  send({ pieces, patch, plan }: Dress, written: readonly string[] | null): Styling | null {
    const changed = this.listChanged(pieces);
    const order = this.listChangedOrder(pieces);
    const key = JSON.stringify([patch, plan, written]);
    if (changed.length === 0 && order === null && key === this.rest) return null;
    this.worn = JSON.stringify([patch, pieces.flatMap((p) => (p.stays ? [p.id, previewCss(p)] : []))]);
    if (order) {
      const there = new Set(order);
      for (const id of this.pieces.keys()) if (!there.has(id)) this.pieces.delete(id);
      this.order = order;
    }
    for (const one of changed) this.pieces.set(one.piece.id, one);
    this.rest = key;
    this.events = plan.events;
    const played = new Set([...plan.damping, ...plan.signals].map((f) => f.motion));
    return {
      type: 'style',
      id: 0,
      pieces: changed.map(({ css, piece }) => ({ id: piece.id, css, stays: piece.stays ?? false })),
      order: order && [...order],
      patch,
      plan,
      again: changed.some(({ piece }) => piece.stays || piece.motions.some((m) => played.has(m))),
      written: written && [...written],
    };
  }

  /** Names of the animations and events that these motions play there. */
  listNames(motions: readonly string[]): string[] {
    const written = [...this.pieces.values()].flatMap(({ piece }) =>
      piece.motions.some((m) => motions.includes(m)) ? animationNames(piece) : [],
    );
    return [...written, ...this.events.flatMap((e) => (motions.includes(e.motion) ? [e.name] : []))];
  }

  private listChanged(pieces: readonly Piece[]): Sent[] {
    const changed: Sent[] = [];
    for (const piece of pieces) {
      const known = this.pieces.get(piece.id);
      if (known?.piece === piece) continue;
      const css = previewCss(piece);
      if (known?.css !== css) changed.push({ piece, css });
    }
    return changed;
  }

  /** The ids of these pieces in their order; null where they are those that were sent last. */
  private listChangedOrder(pieces: readonly Piece[]): string[] | null {
    const same = pieces.length === this.order.length && pieces.every((p, i) => p.id === this.order[i]);
    return same ? null : pieces.map((p) => p.id);
  }
}
