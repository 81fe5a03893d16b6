/** Cascade layers in their order (CSS Cascading 5, §6.4.3): inner ones before what stands beside them in the outer one. */
export class Layers {
  private readonly names: string[] = [];
  private anonymous = 0;

  named(outer: string, name: string): string {
    // Empty parts, which no valid name has, would stand for the layer itself.
    const parts = name.split('.').map((p) => p.trim());
    const own = parts.filter(Boolean).join('.') || `\u0000${this.anonymous++}`;
    const whole = outer ? `${outer}.${own}` : own;
    const all = whole.split('.');
    for (let i = 1; i <= all.length; i++) {
      const part = all.slice(0, i).join('.');
      if (!this.names.includes(part)) this.names.push(part);
    }
    return whole;
  }

  ranks(): Map<string, number> {
    const out = new Map<string, number>();
    const visit = (prefix: string) => {
      const inner = this.names.filter((n) =>
        prefix ? n.startsWith(`${prefix}.`) && !n.slice(prefix.length + 1).includes('.') : !n.includes('.'),
      );
      for (const n of inner) visit(n);
      if (prefix) out.set(prefix, out.size);
    };
    visit('');
    out.set('', out.size);
    return out;
  }
}
