/**
 * The parts that move lie above the text, drawn by what their elements generate: the text itself stays where it is and what it is, one text for
 * screen readers, search, selection and copying, and only gives up its colour.
 */
import { shareParts, TEXT_SHARE } from '@lyvek/core/text-order';
import { LAYER, readChunks } from './chunks.ts';
import type { Chunk } from './chunks.ts';
import { joinRects } from './rect.ts';
import type { Rect } from './rect.ts';
import type { TextPlan } from '../plan.ts';

/** By them the words of a link or an emphasis look as they do in the text. */
const LOOKS = [
  'color',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'font-stretch',
  'font-variant',
  'font-feature-settings',
  'font-variation-settings',
  'letter-spacing',
  'text-transform',
  'text-shadow',
  '-webkit-text-stroke',
];
/** Rules of the page for what is in the text are not meant for the parts. */
const inherit = (strength: string): string => LOOKS.map((name) => `${name}: inherit ${strength};`).join(' ');

const RULES = `
[data-split], [data-split] :not(${LAYER}, ${LAYER} *) {
  -webkit-text-fill-color: transparent !important;
  -webkit-text-stroke-color: transparent !important;
  text-decoration-color: transparent !important;
  text-shadow: none !important;
}
${LAYER} {
  position: absolute !important;
  display: block !important;
  width: 1px !important;
  height: 1px !important;
  margin: 0 -1px -1px 0 !important;
  padding: 0 !important;
  pointer-events: none !important;
  user-select: none !important;
  text-indent: 0 !important;
  -webkit-text-fill-color: currentcolor;
}
text-window, text-part {
  position: absolute !important;
  display: block !important;
  margin: 0 !important;
  padding: 0 !important;
  border: 0 !important;
}
text-window { overflow: clip !important; }
${LAYER} { ${inherit('!important')} }
text-window, text-part:not(#_):not(#_) { ${inherit('')} }
text-part::before {
  content: attr(data-text);
  position: absolute;
  left: calc(-1 * var(--text-at, 0px));
  text-decoration: var(--text-line, none);
  white-space: pre;
  hyphens: none;
}
text-part[data-letter]::before {
  width: var(--text-width);
  clip-path: inset(-1em var(--text-right) -1em var(--text-left));
}`;
let sheet: CSSStyleSheet | null = null;

/** A window is this much wider to both sides than its word, em: letters reach over. */
const OVERHANG = 0.15;

export class Layer {
  private readonly host: HTMLElement;
  private readonly plan: TextPlan;
  private element: HTMLElement | null = null;
  private drawn: HTMLElement[] = [];

  constructor(host: HTMLElement, plan: TextPlan) {
    this.host = host;
    this.plan = plan;
  }

  /** Lays the parts over the text as it stands now. Parts that are there already are moved, so that what plays goes on. */
  update(): void {
    const { host, plan } = this;
    // Without rules of its own the parts would stand beside the text.
    if (!('adoptedStyleSheets' in host.ownerDocument)) return;
    const layer = (this.element ??= makeLayer(host.ownerDocument));
    if (layer.parentNode !== host) host.append(layer);
    const origin = layer.getBoundingClientRect();
    const chunks = isTurned(host) ? null : readChunks(host, plan.by);
    if (!chunks || origin.width === 0) return this.remove();
    const count = chunks.at(-1)!.unit + 1;
    const shares = shareParts(count, plan.order, plan.seed);
    // The layer is one px wide where nothing scales it.
    const place = ({ left, top, width, height }: Rect): Rect => ({
      left: (left - origin.left) / origin.width,
      top: (top - origin.top) / origin.height,
      width: width / origin.width,
      height: height / origin.height,
    });
    const looks = new Map<Element, [string, string][]>();
    const lines = plan.by === 'lines' ? joinUnits(chunks) : null;
    chunks.forEach((chunk, i) => {
      const { holder, unit, window } = chunk;
      const part = this.takePart(i);
      if (!looks.has(holder)) looks.set(holder, listLooks(holder, host));
      const box = place(chunk.rect);
      part.dataset.text = chunk.text;
      part.toggleAttribute('data-letter', Boolean(window));
      const line = lines && place(lines.get(unit)!);
      const inset = plan.mask ? OVERHANG * parseFloat(getComputedStyle(holder).fontSize) : 0;
      if (plan.mask)
        put(part.parentElement!, [
          ...toBox({ ...box, left: box.left - inset, width: box.width + 2 * inset }),
        ]);
      put(part, [
        ...toBox(plan.mask ? { ...box, left: inset, top: 0 } : box),
        ['line-height', `${box.height}px`],
        ['direction', chunk.turned ? 'rtl' : 'ltr'],
        [TEXT_SHARE, String(Number(shares[unit]!.toFixed(4)))],
        // A line turns and grows about its own middle.
        ['transform-origin', line ? toOrigin(line, box) : ''],
        ['--text-at', window ? `${(window.at / origin.width).toFixed(3)}px` : ''],
        ['--text-left', window ? `${(window.left / origin.width).toFixed(3)}px` : ''],
        ['--text-right', window ? `${(window.right / origin.width).toFixed(3)}px` : ''],
        ['--text-width', window ? `${(window.width / origin.width).toFixed(3)}px` : ''],
        ...looks.get(holder)!,
      ]);
    });
    for (const part of this.drawn.splice(chunks.length)) (plan.mask ? part.parentElement! : part).remove();
    host.dataset.split = '';
  }

  get isWhole(): boolean {
    return this.element === null;
  }

  private takePart(i: number): HTMLElement {
    const known = this.drawn[i];
    if (known) return known;
    const doc = this.host.ownerDocument;
    const part = doc.createElement('text-part');
    if (this.plan.mask) {
      const window = doc.createElement('text-window');
      window.append(part);
      this.element!.append(window);
    } else this.element!.append(part);
    this.drawn.push(part);
    return part;
  }

  /** The text as the page has it. */
  remove(): void {
    this.element?.remove();
    this.element = null;
    this.drawn = [];
    delete this.host.dataset.split;
  }
}

function makeLayer(doc: Document): HTMLElement {
  if (!sheet) {
    sheet = new CSSStyleSheet();
    sheet.replaceSync(RULES);
  }
  if (!doc.adoptedStyleSheets.includes(sheet)) doc.adoptedStyleSheets = [...doc.adoptedStyleSheets, sheet];
  const layer = doc.createElement(LAYER);
  layer.setAttribute('aria-hidden', 'true');
  return layer;
}

/** Boxes on the screen say nothing of where the parts of a turned text lie. */
function isTurned(host: Element): boolean {
  for (let e: Element | null = host; e; e = e.parentElement) {
    const { rotate, transform } = getComputedStyle(e);
    if (rotate !== 'none' && rotate !== '0deg') return true;
    if (transform === 'none') continue;
    const { is2D, b, c } = new DOMMatrix(transform);
    if (!is2D || Math.abs(b) > 1e-6 || Math.abs(c) > 1e-6) return true;
  }
  return false;
}

/** What an element of the text looks like, where that is otherwise than the whole. */
function listLooks(holder: Element, host: HTMLElement): [string, string][] {
  if (holder === host) return [];
  const [own, whole] = [getComputedStyle(holder), getComputedStyle(host)];
  const read = (style: CSSStyleDeclaration, name: string) => style.getPropertyValue(name);
  const looks = LOOKS.filter((name) => read(own, name) !== read(whole, name)).map(
    (name): [string, string] => [
      name,
      // Given up above, they are transparent by now.
      name === 'text-shadow' || name === '-webkit-text-stroke' ? '' : read(own, name),
    ],
  );
  for (let e: Element | null = holder; e && e !== host; e = e.parentElement) {
    const { textDecorationLine: line, textDecorationStyle, textDecorationThickness } = getComputedStyle(e);
    if (line !== 'none')
      return [...looks, ['--text-line', `${line} ${textDecorationStyle} ${textDecorationThickness}`]];
  }
  return looks;
}

function joinUnits(chunks: readonly Chunk[]): Map<number, Rect> {
  const out = new Map<number, Rect>();
  for (const { unit, rect } of chunks) {
    const known = out.get(unit);
    out.set(unit, known ? joinRects([known, rect]) : rect);
  }
  return out;
}

const toBox = ({ left, top, width, height }: Rect): [string, string][] =>
  Object.entries({ left, top, width, height }).map(([name, px]) => [name, `${px.toFixed(3)}px`]);
const toOrigin = (around: Rect, box: Rect): string =>
  `${(around.left + around.width / 2 - box.left).toFixed(3)}px ${(around.top + around.height / 2 - box.top).toFixed(3)}px`;

/** Written only where it is something else: each writing may move what plays. */
function put({ style }: HTMLElement, declarations: readonly [string, string][]): void {
  for (const [name, value] of declarations)
    if (style.getPropertyValue(name) !== value)
      if (value === '') style.removeProperty(name);
      else style.setProperty(name, value);
}
