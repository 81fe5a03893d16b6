/** Our style sheets in the page: one constructed sheet per piece, so that a change restyles as little as possible. */
export class Styles {
  private readonly sheets = new Map<string, { css: string; sheet: CSSStyleSheet }>();
  private order: string[] = [];

  /** Replaces the changed pieces and drops those not in `order`. Returns the ids of pieces that the browser refused. */
  apply(pieces: readonly { id: string; css: string }[], order: readonly string[]): string[] {
    const refused: string[] = [];
    for (const { id, css } of pieces) {
      const known = this.sheets.get(id);
      if (known?.css === css) continue;
      const sheet = known?.sheet ?? new CSSStyleSheet();
      try {
        sheet.replaceSync(css);
        this.sheets.set(id, { css, sheet });
      } catch {
        refused.push(id);
      }
    }
    for (const id of this.sheets.keys()) if (!order.includes(id)) this.sheets.delete(id);
    const same = order.length === this.order.length && order.every((id, i) => this.order[i] === id);
    this.order = [...order];
    if (!same) this.adopt(true);
    return refused;
  }

  private get ours(): CSSStyleSheet[] {
    return this.order.flatMap((id) => this.sheets.get(id)?.sheet ?? []);
  }

  private adopt(on: boolean): void {
    const ours = new Set([...this.sheets.values()].map((s) => s.sheet));
    const pages = document.adoptedStyleSheets.filter((s) => !ours.has(s) && !this.retired.has(s));
    for (const s of ours) this.retired.add(s);
    document.adoptedStyleSheets = on ? [...pages, ...this.ours] : pages;
  }
  /** every sheet that was ever ours, so that none is taken for the page's own */
  private readonly retired = new WeakSet<CSSStyleSheet>();

  /** Runs `work` with every motion off and puts the scroll offset back: without motions the page may be shorter. */
  without<T>(work: () => T): T {
    if (this.sheets.size === 0) return work();
    const { scrollX: x, scrollY: y } = window;
    this.adopt(false);
    try {
      return work();
    } finally {
      this.adopt(true);
      if (scrollX !== x || scrollY !== y) scrollTo({ left: x, top: y, behavior: 'instant' });
    }
  }
}
