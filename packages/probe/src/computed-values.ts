/** What the browser makes of values: as elements compute them, without a word of it in the page’s HTML. */
import type { AskedValue, Layout } from '@lyvek/core';
import { readStyle } from './dom.ts';

type Computed = NonNullable<Layout['values']>[number];

/** Elements and pseudo-elements beyond this many are not asked about one value. */
const MAX_TARGETS = 2000;
const MAX_TEXT = 2000;
const MAX_VALUES = 2000;

/** As the Web Animations model names a property in a keyframe (Web Animations 1, §6.4). */
const toAttribute = (property: string): string =>
  property === 'float'
    ? 'cssFloat'
    : property === 'offset'
      ? 'cssOffset'
      : property.startsWith('--')
        ? property
        : property.replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase());

/** The computed value, where the browser tells it: a style object shows the used one, in px for what was `auto` or a percentage. */
function readComputed(e: Element, part: string, property: string): string | null {
  const style = readStyle(e, part || undefined);
  const typed = part || !('computedStyleMap' in e) ? null : e.computedStyleMap().get(property)?.toString();
  // A word that stands for another value of the element is told apart only by the style object.
  const text = !typed || /currentcolor/i.test(typed) ? style.getPropertyValue(property) : typed;
  return text && text.length <= MAX_TEXT ? text : null;
}

const isDrawn = (e: Element): boolean =>
  !('checkVisibility' in e) || (e as HTMLElement).checkVisibility({ contentVisibilityAuto: true });

/** An animation that stands still shows the value in place of the element’s own, and is heard of by no observer of the page. */
function show(e: Element, part: string, property: string, value: string): Animation | null {
  if (!('animate' in e)) return null;
  const made = e.animate(
    { [toAttribute(property)]: [value, value] },
    { duration: 1e6, fill: 'both', ...(part ? { pseudoElement: part } : {}) },
  );
  made.pause();
  // Browsers pass over names that they animate only in style sheets.
  const isTaken = toAttribute(property) in ((made.effect as KeyframeEffect).getKeyframes()[0] ?? {});
  if (isTaken) return made;
  made.cancel();
  return null;
}

/** `targets`: the elements of each selector, with the pseudo-element that is meant. */
export function readComputedValues(
  asked: readonly AskedValue[],
  targets: (selector: string) => { list: readonly Element[]; part: string },
): Computed[] {
  return asked.slice(0, MAX_VALUES).map((a): Computed => {
    const { list, part } = targets(a.selector);
    const some = list.slice(0, MAX_TARGETS);
    const isKnown = a.value === '' || CSS.supports(a.property, a.value);
    // All of them at once, so that the page is styled anew only once.
    const shown = isKnown && a.value ? some.map((e) => show(e, part, a.property, a.value)) : [];
    const computed = some.map((e, i) =>
      isKnown && isDrawn(e) && (!a.value || shown[i]) ? readComputed(e, part, a.property) : null,
    );
    for (const animation of shown) animation?.cancel();
    return { ...a, computed };
  });
}
