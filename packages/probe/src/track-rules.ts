/**
 * What a pin’s wrapper needs of the page’s rules. It stands where the section stood, so what places the section in a grid or a row has to
 * place the wrapper; and what the page gives to every child or every div must not fall on it.
 */
import { keepRule } from './page-rules.ts';
import type { KeptRule, PageRule } from './page-rules.ts';
import { readStyle } from './dom.ts';

/** By these an element is placed by its parent (CSS Grid 2, §8; Flexbox 1, §7; Box Alignment 3, §6). */
const PLACES = /^(grid-(row|column)-(start|end)|order|flex-(grow|shrink|basis)|(align|justify)-self)$/;
const SHORTHANDS = ['grid-area', 'grid-column', 'grid-row', 'flex', 'place-self'];
/** A wrapper has no padding and no width of its own, and nothing reads its variables. */
const HARMLESS = /^(--|box-sizing|transition|cursor)/;

/** A track in place around its stage, and the rules that the stage matched before. */
export interface Wrapped {
  id: string;
  track: Element;
  stage: Element;
  placedBy: ReadonlySet<PageRule>;
}

/** First what is taken back, then what places, each in the order of the page’s rules: of equal weight the later one holds. */
export function trackRules({ id, track, stage, placedBy }: Wrapped, rules: readonly PageRule[]): KeptRule[] {
  const parent = track.parentElement;
  const isItem = parent !== null && /grid|flex/.test(readStyle(parent).display);
  const undone: KeptRule[] = [];
  const placing: KeptRule[] = [];
  withScratch((changesLook) => {
    for (const rule of rules) {
      const places = placedBy.has(rule);
      const hits = matches(track, rule.selector);
      if (!hits && !places) continue;
      const css = [
        ...(hits ? [writeOnly(rule.style, (n, v) => changesLook(n, v) && 'revert')] : []),
        ...(places ? [writePlace(rule.style, isItem)] : []),
      ];
      if (css.some(Boolean))
        (places ? placing : undone).push({ ...keepRule(rule, css.filter(Boolean).join(' ')), track: id });
    }
  });
  const own = stage instanceof HTMLElement ? writePlace(stage.style, isItem) : '';
  // A style attribute beats rules of any weight.
  if (own) placing.push({ selector: '*', css: own.replaceAll(';', ' !important;'), within: [], track: id });
  return [...undone, ...placing];
}

/** Declarations with the values that `value` gives, where it gives one, as the browser writes them together. */
function writeOnly(
  from: CSSStyleDeclaration,
  value: (name: string, value: string) => string | false,
  more: readonly string[] = [],
): string {
  const to = document.createElement('div').style;
  for (const name of [...from, ...more]) {
    const put = value(name, from.getPropertyValue(name));
    if (put) to.setProperty(name, put, from.getPropertyPriority(name));
  }
  return to.cssText;
}

function writePlace(from: CSSStyleDeclaration, isItem: boolean): string {
  // With a variable in them, shorthands are not split.
  const whole = SHORTHANDS.filter((name) => from.getPropertyValue(name).includes('var('));
  const place = writeOnly(
    from,
    (name, value) =>
      (PLACES.test(name) || whole.includes(name) || (/^margin-/.test(name) && value === 'auto')) && value,
    whole,
  );
  // What scrolls or hides may become as small as its parent wants; around it the wrapper may too.
  const small = isItem && /hidden|auto|scroll/.test(from.overflowX) ? 'min-width: 0px;' : '';
  return [place, small].filter(Boolean).join(' ');
}

/** `changesLook`: whether a declaration makes an empty block differ from a plain one. Asked of one that is not rendered, without a layout. */
function withScratch(work: (changesLook: (name: string, value: string) => boolean) => void): void {
  const holder = document.createElement('div');
  holder.style.display = 'none';
  const scratch = document.createElement('div');
  document.documentElement.append(holder);
  holder.append(scratch);
  const shown = readStyle(scratch);
  const computed = (name: string, value: string) => {
    scratch.style.setProperty(name, value);
    const out = shown.getPropertyValue(name);
    scratch.style.removeProperty(name);
    return out;
  };
  try {
    work(
      (name, value) =>
        !HARMLESS.test(name) && (value === '' || computed(name, value) !== computed(name, 'revert')),
    );
  } finally {
    holder.remove();
  }
}

export function matches(e: Element, selector: string): boolean {
  try {
    return e.matches(selector);
  } catch {
    return false;
  }
}
