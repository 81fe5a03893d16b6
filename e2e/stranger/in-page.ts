import { itemAt, present } from '@lyvek/core';
/** What the stranger has inside the workbench’s page: eyes for controls and changes. Everything here runs in the browser. */

/** Something that can be pressed or dragged, and where. */
export interface Control {
  /** what it is and says, for reports and to know it again */
  is: string;
  kind: 'control' | 'field' | 'drag';
  x: number;
  y: number;
  disabled: boolean;
}

interface Watch {
  changes: number;
  clicks: number;
}

/** Counts what changes on the screen, from the first moment of every document. */
export function watch(): void {
  if (window.top !== window) return;
  const seen: Watch = { changes: 0, clicks: 0 };
  Object.assign(window, { strangerSaw: seen });
  addEventListener('click', () => seen.clicks++, { capture: true });
  addEventListener('scroll', () => seen.changes++, { capture: true });
  addEventListener('focusin', (e) => {
    if ((e.target as Element).matches('input, textarea, select')) seen.changes++;
  });
  // The document itself is there before anything in it.
  new MutationObserver((list) => (seen.changes += list.length)).observe(document, {
    subtree: true,
    childList: true,
    attributes: true,
    characterData: true,
  });
}

export const counts = (): Watch => ({ ...(window as unknown as { strangerSaw: Watch }).strangerSaw });

const describe = (e: Element): string => {
  const label =
    e.getAttribute('aria-label') ??
    e.closest('[data-motion]')?.getAttribute('data-motion') ??
    e.textContent ??
    '';
  const owner = e.closest('[role=dialog], .popover, header, section, nav, ul')?.className;
  return `${e.tagName.toLowerCase()}${typeof e.className === 'string' && e.className ? `.${e.className.split(' ')[0]}` : ''} “${label.trim().replace(/\s+/g, ' ').slice(0, 50)}”${typeof owner === 'string' && owner ? ` in .${owner.split(' ')[0]}` : ''}`;
};

const PRESSED =
  'button, a[href], [role=button], [role=tab], summary, input[type=checkbox], input[type=radio], select';
const FIELDS = 'input:not([type=file]):not([type=checkbox]):not([type=radio]), textarea';
const DRAGGED = '.bar-grip, .handle-area, .keyframe-area, .ghost, .keyframe, [class*=grip], [class*=handle]';

/** Everything that can be pressed, typed into or dragged right now, where it can really be hit. */
export function controls(): Control[] {
  const out: Control[] = [];
  for (const e of document.querySelectorAll(`${PRESSED}, ${FIELDS}, ${DRAGGED}`)) {
    const r = e.getBoundingClientRect();
    if (r.width < 2 || r.height < 2) continue;
    const x = Math.min(innerWidth - 2, Math.max(1, r.left + r.width / 2));
    const y = Math.min(innerHeight - 2, Math.max(1, r.top + r.height / 2));
    const hit = document.elementFromPoint(x, y);
    if (!hit || !(e === hit || e.contains(hit))) continue;
    const kind = e.matches(PRESSED) ? 'control' : e.matches(FIELDS) ? 'field' : 'drag';
    out.push({ is: describe(e), kind, x, y, disabled: (e as HTMLButtonElement).disabled === true });
  }
  return out;
}

/** What lies under a point: the control there, and whether it can be pressed. */
export function under({ x, y }: { x: number; y: number }): { is: string; disabled: boolean } | null {
  const hit = document
    .elementFromPoint(x, y)
    ?.closest(
      'button, a[href], [role=button], [role=tab], summary, input, select, textarea, .bar-grip, .handle-area, .keyframe-area, .ghost',
    );
  // What went dead may let the pointer through, and is still there for whoever looks.
  const dead = [...document.querySelectorAll(':disabled')].find((d) => {
    const r = d.getBoundingClientRect();
    return x > r.left && x < r.right && y > r.top && y < r.bottom;
  });
  const e = hit ?? dead;
  if (!e) return null;
  const pressed =
    e.getAttribute('aria-pressed') === 'true' ||
    e.hasAttribute('aria-current') ||
    e.getAttribute('aria-selected') === 'true';
  return { is: describe(e) + (pressed ? ' (on)' : ''), disabled: (e as HTMLButtonElement).disabled === true };
}

/** What the Rundown shows of the document and the page: bars, flags, pins, figures. */
export function shown(): Record<string, unknown> {
  const bars = [...document.querySelectorAll('.bar')].map((b) => {
    const grip = present(b.querySelector('.bar-grip'));
    const n = (name: string) => Math.round(Number(grip.getAttribute(name)) * 2) / 2;
    return `${b.getAttribute('data-motion')} ${n('y')} ${n('height')}${b.classList.contains('muted') ? ' muted' : ''}`;
  });
  const text = (selector: string) =>
    [...document.querySelectorAll(selector)].map((e) => (e.textContent ?? '').trim()).sort();
  return {
    bars: bars.sort(),
    length: text('.head-length')[0] ?? text('.rundown-left header span, .head-row span')[0],
    flags: document.querySelectorAll('.flag').length,
    pins: document.querySelectorAll('.pin-mark, .pin').length,
    findings: document.querySelectorAll('.bar.selected, .inspector .curves, .inspector .around').length
      ? null
      : text('.inspector .findings li .grow'),
  };
}

/** Sentences about what is badly placed: controls outside of the window, texts over each other, texts cut off without a way to read them. */
export function placing(): string[] {
  const out = new Set<string>();
  const isIn = (e: Element) => e.closest('iframe, .strip-art, [aria-hidden=true], svg') !== null;
  // The plate of the playhead is a shape of its own ground, over whatever it passes.
  const isOnTop = (e: Element) => e.closest('.playhead, .readout') !== null;
  const scrolls = (e: Element) => {
    for (let p = e.parentElement; p; p = p.parentElement)
      if (
        /auto|scroll/.test(getComputedStyle(p).overflow) &&
        (p.scrollHeight > p.clientHeight || p.scrollWidth > p.clientWidth)
      )
        return true;
    return false;
  };
  /** What ancestors that clip leave of a box. */
  const inSight = (whole: DOMRect, e: Element): DOMRect => {
    let { left, top, right, bottom } = whole;
    for (let p: Element | null = e; p; p = p.parentElement) {
      if (getComputedStyle(p).overflow === 'visible' || p instanceof SVGElement) continue;
      const box = p.getBoundingClientRect();
      [left, top] = [Math.max(left, box.left), Math.max(top, box.top)];
      [right, bottom] = [Math.min(right, box.right), Math.min(bottom, box.bottom)];
    }
    return new DOMRect(left, top, Math.max(0, right - left), Math.max(0, bottom - top));
  };
  const texts: { r: DOMRect; e: Element; t: string }[] = [];
  for (const e of document.querySelectorAll('button, a[href], input, select, textarea')) {
    const r = e.getBoundingClientRect();
    if (
      r.width < 2 ||
      isIn(e) ||
      !(e as HTMLElement).checkVisibility({ opacityProperty: true, visibilityProperty: true })
    )
      continue;
    if ((r.right > innerWidth + 1 || r.left < -1 || r.bottom > innerHeight + 1 || r.top < -1) && !scrolls(e))
      out.add(`outside the window: ${describe(e)}`);
  }
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let n = walker.nextNode(); n; n = walker.nextNode()) {
    const e = present(n.parentElement);
    const t = present(n.nodeValue).trim();
    if (
      !t ||
      isOnTop(e) ||
      (isIn(e) && !e.closest('svg')) ||
      !e.checkVisibility({ opacityProperty: true, visibilityProperty: true })
    )
      continue;
    const range = document.createRange();
    range.selectNodeContents(n);
    for (const whole of range.getClientRects()) {
      const r = inSight(whole, e);
      const x = r.left + r.width / 2;
      const y = r.top + r.height / 2;
      if (x < 0 || y < 0 || x > innerWidth || y > innerHeight || r.width < 3 || r.height < 4) continue;
      texts.push({ r, e, t });
    }
    const style = getComputedStyle(e);
    if (
      e.scrollWidth > e.clientWidth + 2 &&
      /hidden|clip/.test(style.overflowX) &&
      e.clientWidth > 0 &&
      !e.closest('[title], [aria-label], label') &&
      style.textOverflow !== 'ellipsis'
    )
      out.add(`cut off: ${describe(e)}`);
  }
  for (let i = 0; i < texts.length; i++)
    for (let k = i + 1; k < texts.length; k++) {
      const [a, b] = [itemAt(texts, i), itemAt(texts, k)];
      if (a.e === b.e || a.e.contains(b.e) || b.e.contains(a.e)) continue;
      const w = Math.min(a.r.right, b.r.right) - Math.max(a.r.left, b.r.left);
      const h = Math.min(a.r.bottom, b.r.bottom) - Math.max(a.r.top, b.r.top);
      // Boxes of letters have room above and below that nobody reads.
      if (w < 3 || h < 5.5) continue;
      const at = {
        x: (Math.max(a.r.left, b.r.left) + Math.min(a.r.right, b.r.right)) / 2,
        y: (Math.max(a.r.top, b.r.top) + Math.min(a.r.bottom, b.r.bottom)) / 2,
      };
      // One of them lies under an opaque layer, a popover for instance: only what is on top is read.
      const stack = document.elementsFromPoint(at.x, at.y);
      const [ia, ib] = [
        stack.findIndex((e) => e === a.e || e.contains(a.e)),
        stack.findIndex((e) => e === b.e || e.contains(b.e)),
      ];
      const opaque = stack.slice(0, Math.max(ia, ib)).some((e) => {
        const m = /rgba?\([^)]*\)/.exec(getComputedStyle(e).backgroundColor)?.[0] ?? '';
        return m !== '' && m !== 'rgba(0, 0, 0, 0)' && !(e.contains(a.e) && e.contains(b.e));
      });
      if (!opaque) out.add(`over each other: “${a.t.slice(0, 30)}” and “${b.t.slice(0, 30)}”`);
    }
  return [...out];
}
