import { hasKeyframes } from './page-rules.ts';

/** Our style sheets in the page: one constructed sheet per piece, so that a change restyles as little as possible. */
export class Styles {
  private readonly sheets = new Map<string, { css: string; sheet: CSSStyleSheet; stays: boolean }>();
  private order: string[] = [];
  private readonly kept = new CSSStyleSheet();
  private keptCss = '';
  /** keyframes of the page’s own code, where it says the same as these sheets */
  private written: ReadonlySet<string> = new Set();
  private left = false;

  /** Rules of the page that a wrapper would make miss; they stand before all others. */
  keep(css: string): void {
    if (css === this.keptCss) return;
    this.keptCss = css;
    this.kept.replaceSync(css);
    this.adopt();
  }

  /**
   * Replaces the changed pieces and drops those not in `order`; null: it is the same as before. Returns the ids of pieces that the browser
   * refused.
   */
  apply(
    pieces: readonly { id: string; css: string; stays: boolean }[],
    order: readonly string[] | null,
  ): string[] {
    const refused: string[] = [];
    let fresh = false;
    for (const { id, css, stays } of pieces) {
      const known = this.sheets.get(id);
      if (known?.css === css) continue;
      const sheet = known?.sheet ?? new CSSStyleSheet();
      try {
        sheet.replaceSync(css);
        this.sheets.set(id, { css, sheet, stays });
        fresh ||= !known;
      } catch {
        refused.push(id);
      }
    }
    if (order) {
      const there = new Set(order);
      for (const id of this.sheets.keys()) if (!there.has(id)) this.sheets.delete(id);
      this.order = [...order];
    }
    if (order || fresh) this.adopt();
    return refused;
  }

  /** Takes the sheets out where the page has this code itself; whether it does. */
  leave(written: string[] | null): boolean {
    const left = written !== null && written.length > 0 && hasKeyframes(written);
    if (written) this.written = new Set(written);
    if (left !== this.left) {
      this.left = left;
      this.adopt();
    }
    return left;
  }

  /** CSS of the adjustments that are in place. */
  get adjustments(): string[] {
    return this.order.flatMap((id) => (id.startsWith('adjust:') ? (this.sheets.get(id)?.css ?? []) : []));
  }

  /** Adopts our sheets, or, for measuring, only those that belong to the page as it stands still. */
  private adopt(onlyStaying = false): void {
    const wanted = (this.left ? [] : this.order).flatMap((id) => {
      const known = this.sheets.get(id);
      return known && (known.stays || !onlyStaying) ? [known.sheet] : [];
    });
    const ours = new Set([this.kept, ...[...this.sheets.values()].map((s) => s.sheet)]);
    const pages = document.adoptedStyleSheets.filter((s) => !ours.has(s) && !this.retired.has(s));
    for (const s of ours) this.retired.add(s);
    document.adoptedStyleSheets = [...pages, this.kept, ...wanted];
  }
  /** every sheet that was ever ours, so that none is taken for the page's own */
  private readonly retired = new WeakSet<CSSStyleSheet>();

  /** Runs `work` with every motion off and puts the scroll offset back: without motions the page may be shorter. */
  without<T>(work: () => T): T {
    if (this.sheets.size === 0) return work();
    const { scrollX: x, scrollY: y } = window;
    this.adopt(true);
    const put = silenced((name) => name.startsWith('lv-') || this.written.has(name));
    try {
      return work();
    } finally {
      put();
      this.adopt();
      if (scrollX !== x || scrollY !== y) scrollTo({ left: x, top: y, behavior: 'instant' });
    }
  }
}

/**
 * What the page’s own code plays, and now and then an animation that waits for its trigger after its rule has gone (Chromium 156): it loses
 * its effect; returns what gives it back.
 */
function silenced(isOurs: (name: string) => boolean): () => void {
  const reducedMotion = document
    .getAnimations()
    .flatMap((a) => (a instanceof CSSAnimation && isOurs(a.animationName) ? [[a, a.effect] as const] : []));
  for (const [animation] of reducedMotion) animation.effect = null;
  return () => reducedMotion.forEach(([animation, effect]) => (animation.effect = effect));
}
