/** Which element a click means: the one under the pointer, a thin one close by, or, where that is asked, what lies beneath. */
import { readRect } from './dom.ts';

/** px of the screen within which a bar or a line is meant, and within which two clicks are at one place. */
const NEAR = 5;
/** px below which an element is too thin to be hit */
const THIN = 8;

export class Picker {
  private last: { x: number; y: number; depth: number } | null = null;

  /** Measured elements under a point, from the top: of each thing that is hit, the nearest measured one around it. */
  private stack(x: number, y: number, indexOf: ReadonlyMap<Element, number>): number[] {
    const out: number[] = [];
    for (const hit of document.elementsFromPoint(x, y))
      for (let e: Element | null = hit; e; e = e.parentElement) {
        const i = indexOf.get(e);
        if (i === undefined) continue;
        if (!out.includes(i)) out.push(i);
        break;
      }
    return out;
  }

  /** `scale`: how small the page is shown. `beneath`: one further down than the last time here. −1 where nothing is meant. */
  pick(x: number, y: number, elements: readonly Element[], scale: number, beneath: boolean): number {
    const indexOf = new Map(elements.map((e, i) => [e, i]));
    const near = NEAR / Math.max(0.05, scale);
    const again = this.last && Math.hypot(this.last.x - x, this.last.y - y) <= near ? this.last : null;
    const all = [...thinAt(x, y, elements, near), ...this.stack(x, y, indexOf)];
    const stack = [...new Set(all)];
    // After the last one the first again.
    const depth = beneath && stack.length ? ((again?.depth ?? 0) + 1) % stack.length : 0;
    this.last = { x, y, depth };
    return stack[depth] ?? -1;
  }
}

/** Thin elements whose box a point nearly hits, the nearest first. */
function thinAt(x: number, y: number, elements: readonly Element[], near: number): number[] {
  const found: { i: number; far: number }[] = [];
  elements.forEach((e, i) => {
    const r = readRect(e);
    if (Math.min(r.width, r.height) >= THIN || r.bottom < y - near || r.top > y + near) return;
    const far = Math.hypot(Math.max(r.left - x, 0, x - r.right), Math.max(r.top - y, 0, y - r.bottom));
    if (far <= near) found.push({ i, far });
  });
  return found.sort((a, b) => a.far - b.far).map((f) => f.i);
}
