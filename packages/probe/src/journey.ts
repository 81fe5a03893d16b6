/** Goes over a page as its reader does, and tells what everything that moves shows at each place. */
import type { Journey, MovedBy, MovingPart } from '@lyvek/core';

const MAX_PARTS = 400;
/** Timed animations run so much faster, so that nobody waits for their ends. */
const HURRY = 40;
/** ms that hurried animations have at each place */
const TIMED_REST_MS = 80;
const SHARES = [0.13, 0.5, 0.87];

const frames = (n: number) =>
  new Promise<void>((done) => {
    const next = (left: number) => (left === 0 ? done() : requestAnimationFrame(() => next(left - 1)));
    next(n);
  });

/** Elements by number: the same in a page whose style sheets differ. */
const numbered = (): Element[] =>
  [...document.body.querySelectorAll('*')].filter((e) => !/^(STYLE|LINK|SCRIPT)$/i.test(e.tagName));

const cssName = (property: string): string =>
  property === 'cssFloat'
    ? 'float'
    : property.startsWith('--')
      ? property
      : property
          .replace(/^css(?=[A-Z])/, '')
          .replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)
          .replace(/^-(?=offset)/, '');

const isTimed = (a: Animation) => a.timeline === document.timeline || a.timeline === null;
const isEndless = (a: Animation) => isTimed(a) && a.effect?.getComputedTiming().endTime === Infinity;

function propertiesOf(a: Animation): string[] {
  const frames = (a.effect as KeyframeEffect | null)?.getKeyframes() ?? [];
  const meta = new Set(['offset', 'computedOffset', 'easing', 'composite']);
  return [
    ...new Set(
      frames.flatMap((f) =>
        Object.keys(f)
          .filter((k) => !meta.has(k))
          .map(cssName),
      ),
    ),
  ];
}

const labelOf = (e: Element, pseudo: string | null): string => {
  const own = e.getAttribute('class')?.trim().split(/\s+/).slice(0, 2).join('.');
  return `${e.tagName.toLowerCase()}${own ? `.${own}` : ''}${pseudo ?? ''}`.slice(0, 80);
};

/** Everything that is animated right now, or that a motion has. */
export async function moving(motions: readonly MovedBy[]): Promise<MovingPart[]> {
  await frames(3);
  const index = new Map(numbered().map((e, i) => [e, i]));
  const found = new Map<string, MovingPart & { endless: string[] }>();
  const part = (e: Element, pseudo: string | null) => {
    const key = `${index.get(e)} ${pseudo ?? ''}`;
    const known = found.get(key) ?? {
      index: index.get(e)!,
      pseudo,
      label: labelOf(e, pseudo),
      properties: [],
      motions: [],
      endless: [],
    };
    found.set(key, known);
    return known;
  };
  for (const a of document.getAnimations()) {
    const effect = a.effect as KeyframeEffect | null;
    if (!effect?.target || !index.has(effect.target)) continue;
    const known = part(effect.target, effect.pseudoElement);
    known.properties.push(...propertiesOf(a));
    // What has no end has no common clock.
    if (isEndless(a)) known.endless.push(...propertiesOf(a));
  }
  for (const [i, { selector, properties }] of motions.entries())
    for (const e of document.querySelectorAll(selector)) {
      if (!index.has(e)) continue;
      const known = part(e, null);
      known.properties.push(...properties);
      known.motions.push(i);
    }
  return [...found.values()]
    .map(({ endless, ...p }) => ({
      ...p,
      properties: [...new Set(p.properties)].filter((name) => !endless.includes(name)).slice(0, 40),
    }))
    .filter((p) => p.properties.length > 0)
    .slice(0, MAX_PARTS);
}

const maxScroll = () => Math.max(0, document.documentElement.scrollHeight - innerHeight);

/** Where parts come in, stand in the middle and go, from top to bottom; then back up over every third place. */
export function placesFor(parts: readonly MovingPart[], most: number): number[] {
  const all = numbered();
  const max = maxScroll();
  const wanted = parts.flatMap(({ index }) => {
    const top = all[index]!.getBoundingClientRect().top + scrollY;
    return [0.93, 0.71, 0.43, 0.13].map((share) => Math.round(top - share * innerHeight));
  });
  const even = Array.from({ length: 9 }, (_, i) => Math.round((i / 8) * max));
  const sorted = [...new Set([...wanted, ...even].map((y) => Math.min(max, Math.max(0, y))))].sort(
    (a, b) => a - b,
  );
  const apart = sorted.filter((y, i) => i === 0 || y - sorted[i - 1]! >= 8);
  const step = Math.max(1, apart.length / most);
  const down = apart.filter((_, i) => Math.floor(i / step) !== Math.floor((i - 1) / step));
  return [...down, ...down.filter((_, i) => i % 3 === 1).reverse()];
}

function hurry(): boolean {
  let any = false;
  for (const a of document.getAnimations())
    if (isTimed(a) && !isEndless(a) && a.playState !== 'finished') {
      any = true;
      if (Math.abs(a.playbackRate) === 1) a.updatePlaybackRate(a.playbackRate * HURRY);
    }
  return any;
}

/** At every place, and at last with what is timed held at shares of its time. */
export async function journey(parts: readonly MovingPart[], places: readonly number[]): Promise<Journey> {
  const all = numbered();
  const scrollers = all.filter((e) => /auto|scroll/.test(getComputedStyle(e).overflow));
  const read = () =>
    parts.map(({ index, pseudo, properties }) => {
      const e = all[index];
      if (!e) return null;
      const style = getComputedStyle(e, pseudo);
      return properties.map((p) => style.getPropertyValue(p).slice(0, 2000));
    });
  const out: Journey = { places: [] };
  const max = maxScroll();
  for (const y of places) {
    scrollTo({ top: y, behavior: 'instant' });
    const share = max > 0 ? y / max : 0;
    for (const e of scrollers) {
      e.scrollTop = share * (e.scrollHeight - e.clientHeight);
      e.scrollLeft = share * (e.scrollWidth - e.clientWidth);
    }
    await frames(2);
    if (hurry()) {
      await new Promise((done) => setTimeout(done, TIMED_REST_MS));
      await frames(1);
    }
    out.places.push({ y, values: read() });
  }
  const elements = new Set(parts.map((p) => all[p.index]));
  const timed = [...elements]
    .flatMap((e) => e?.getAnimations({ subtree: false }) ?? [])
    .filter((a) => isTimed(a) && !isEndless(a));
  for (const share of timed.length > 0 ? SHARES : []) {
    for (const a of timed) {
      a.pause();
      a.currentTime = share * Number(a.effect!.getComputedTiming().endTime);
    }
    await frames(1);
    out.places.push({ y: scrollY, values: read() });
  }
  return out;
}
