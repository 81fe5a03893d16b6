/**
 * What a pin’s wrapper needs of the page’s rules. It stands where the section stood, so what places the section in a grid or a row has to
 * place the wrapper; and what the page gives to every child or every div must not fall on it.
 */
import { keepRule, matches, writeOnly } from './page-rules.ts';
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
      const css = writeOnly(
        rule.style,
        (name, value) =>
          places && isPlace(name, value) ? value : hits && changesLook(name, value) && 'revert-layer',
        places ? addedTo(rule.style, isItem) : {},
      );
      if (css) (places ? placing : undone).push({ ...keepRule(rule, css), kind: 'track', of: id });
    }
  });
  if (isItem)
    placing.push(...stageRules(stage, placedBy).map((r) => ({ ...r, kind: 'stage' as const, of: id })));
  const own =
    stage instanceof HTMLElement
      ? writeOnly(stage.style, (n, v) => isPlace(n, v) && v, addedTo(stage.style, isItem))
      : '';
  // A style attribute beats rules of any weight.
  if (own)
    placing.push({
      selector: '*',
      css: own.replaceAll(';', ' !important;'),
      within: [],
      kind: 'track',
      of: id,
    });
  return [...undone, ...placing];
}

const isPlace = (name: string, value: string): boolean =>
  PLACES.test(name) || (/^margin-/.test(name) && value === 'auto');

/** What is not among the longhands of a style: shorthands with a variable in them, and how small the wrapper may become. */
function addedTo(style: CSSStyleDeclaration, isItem: boolean): Record<string, string> {
  const whole = SHORTHANDS.map((name) => [name, style.getPropertyValue(name)] as const);
  return {
    ...Object.fromEntries(whole.filter(([, value]) => value.includes('var('))),
    // What scrolls or hides may become as small as its parent wants; around it the wrapper may too.
    ...(isItem && /hidden|auto|scroll/.test(style.overflowX) ? { 'min-width': '0px' } : {}),
  };
}

/**
 * What stands in a grid or a row is a block that keeps the margins of its children in; in the wrapper it has to be told to (CSS Display 3,
 * §2.7). Where the page hides it, it stays hidden.
 */
function stageRules(stage: Element, placedBy: ReadonlySet<PageRule>): KeptRule[] {
  const isPlain = /^(block|inline|inline-block|list-item)$/.test(readStyle(stage).display);
  return [
    ...(isPlain ? [{ selector: '*', css: 'display: flow-root;', within: [] }] : []),
    ...[...placedBy].flatMap((rule) => {
      const made = BLOCKS[rule.style.display];
      const css = made ? writeOnly(rule.style, (name) => name === 'display' && made) : '';
      return css ? [keepRule(rule, css)] : [];
    }),
  ];
}
const BLOCKS: Record<string, string> = {
  block: 'flow-root',
  inline: 'flow-root',
  'inline-block': 'flow-root',
  'inline-flex': 'flex',
  'inline-grid': 'grid',
};

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
