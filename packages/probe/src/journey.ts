/** Goes over a page as its reader does, and tells what everything that moves shows at each place. */
import type { Journey, MovedBy, MovingPart } from '@lyvek/core';
import { findTargets } from './dom.ts';

/** Elements that are looked at, evenly over all that move. */
const MAX_PARTS = 160;
/** Beside thousands of live timelines the browser takes a hundred times as long for each of them. */
const MANY_ANIMATIONS = 1000;
const MAX_PARTS_BESIDE_MANY = 24;
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

function listProperties(a: Animation): string[] {
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

const toLabel = (e: Element, pseudo: string | null): string => {
  const own = e.getAttribute('class')?.trim().split(/\s+/).slice(0, 2).join('.');
  return `${e.tagName.toLowerCase()}${own ? `.${own}` : ''}${pseudo ?? ''}`.slice(0, 80);
};

/** `count` of them, the first and the last among them. */
const evenly = <T>(all: readonly T[], count: number): T[] =>
  all.length <= count
    ? [...all]
    : Array.from({ length: count }, (_, i) => all[Math.round((i * (all.length - 1)) / (count - 1))]!);

interface Found {
  e: Element;
  index: number;
  pseudo: string | null;
  animations: Animation[];
  motions: number[];
}

function findPart({ e, index, pseudo, animations, motions }: Found, moved: readonly MovedBy[]): MovingPart {
  // What has no end has no common clock.
  const endless = animations.filter(isEndless).flatMap(listProperties);
  const all = [...animations.flatMap(listProperties), ...motions.flatMap((i) => moved[i]!.properties)];
  const properties = [...new Set(all)].filter((name) => !endless.includes(name)).slice(0, 40);
  return { index, pseudo, label: toLabel(e, pseudo), properties, motions };
}

/** What is animated right now, or what a motion has: of how many parts, and which of them are looked at. */
export async function moving(moved: readonly MovedBy[]): Promise<{ of: number; parts: MovingPart[] }> {
  await frames(3);
  const place = new Map(numbered().map((e, i) => [e, i]));
  const animations = document.getAnimations();
  const found = new Map<string, Found>();
  const part = (e: Element, pseudo: string | null): Found | null => {
    const index = place.get(e);
    if (index === undefined) return null;
    const key = `${index} ${pseudo ?? ''}`;
    const known = found.get(key) ?? { e, index, pseudo, animations: [], motions: [] };
    found.set(key, known);
    return known;
  };
  for (const a of animations) {
    const effect = a.effect as KeyframeEffect | null;
    if (effect?.target) part(effect.target, effect.pseudoElement)?.animations.push(a);
  }
  for (const [i, { selector }] of moved.entries()) {
    const { hosts, part: pseudo } = findTargets(selector);
    for (const e of hosts) part(e, pseudo || null)?.motions.push(i);
  }
  const most = animations.length > MANY_ANIMATIONS ? MAX_PARTS_BESIDE_MANY : MAX_PARTS;
  const chosen = evenly(
    [...found.values()].sort((a, b) => a.index - b.index),
    most,
  );
  return {
    of: found.size,
    parts: chosen.map((f) => findPart(f, moved)).filter((p) => p.properties.length > 0),
  };
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

/** Boxes with a scroll of their own around some elements, and those elements themselves. */
function scrollersAround(elements: readonly Element[]): Element[] {
  const around = new Set<Element>();
  for (const one of elements)
    for (let e: Element | null = one; e && e !== document.body && !around.has(e); e = e.parentElement)
      around.add(e);
  return [...around].filter((e) => /auto|scroll/.test(getComputedStyle(e).overflow));
}

/** Lets what is under way in time run faster; true if anything is. */
function hurry(timed: readonly Animation[]): boolean {
  const running = timed.filter((a) => a.playState !== 'finished');
  for (const a of running) if (Math.abs(a.playbackRate) === 1) a.updatePlaybackRate(a.playbackRate * HURRY);
  return running.length > 0;
}

/** At every place, and at last with what is timed held at shares of its time. */
export async function journey(parts: readonly MovingPart[], places: readonly number[]): Promise<Journey> {
  const all = numbered();
  const scrollers = scrollersAround(parts.flatMap((p) => all[p.index] ?? []));
  const read = () =>
    parts.map(({ index, pseudo, properties }) => {
      const e = all[index];
      if (!e) return null;
      const style = getComputedStyle(e, pseudo);
      return properties.map((p) => style.getPropertyValue(p).slice(0, 2000));
    });
  const out: Journey = { places: [] };
  const looked = new Set<Element | null>(parts.flatMap((p) => all[p.index] ?? []));
  const timed = document.getAnimations().filter((a) => isTimed(a) && !isEndless(a));
  const max = maxScroll();
  for (const y of places) {
    scrollTo({ top: y, behavior: 'instant' });
    const share = max > 0 ? y / max : 0;
    for (const e of scrollers) {
      e.scrollTop = share * (e.scrollHeight - e.clientHeight);
      e.scrollLeft = share * (e.scrollWidth - e.clientWidth);
    }
    await frames(2);
    if (hurry(timed)) {
      await new Promise((done) => setTimeout(done, TIMED_REST_MS));
      await frames(1);
    }
    out.places.push({ y, values: read() });
  }
  const held = timed.filter((a) => looked.has((a.effect as KeyframeEffect).target));
  for (const share of held.length > 0 ? SHARES : []) {
    for (const a of held) {
      a.pause();
      a.currentTime = share * Number(a.effect!.getComputedTiming().endTime);
    }
    await frames(1);
    out.places.push({ y: scrollY, values: read() });
  }
  return out;
}
