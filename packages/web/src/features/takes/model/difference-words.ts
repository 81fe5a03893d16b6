/** What differs of a motion, a pin or anything else of a take: “scale 1.6 → 1.9”. */
import { DRIVER_WORDS } from '../../../editor/drivers/words.ts';
import { isSameKind, itemAt, lastItem, present } from '@lyvek/core';
import type { Difference, Motion, MotionDocument } from '@lyvek/core';
import { dampingLabel } from '../../../editor/fields/DampingField.tsx';
import { distanceLabel } from '../../../editor/model/pins.ts';
import { effectWords, pointWords, valueWords } from '../../../editor/words.ts';

export interface Change {
  /** what of it: “scale”, “start” …; empty where all of it */
  of: string;
  was: string;
  kind: string;
}

type Pin = MotionDocument['pins'][number];
type Trigger = MotionDocument['triggers'][number];
type Row = NonNullable<Difference['a']>;

export const findName = (d: Difference): string => {
  const one = present(d.b ?? d.a) as { name?: string; selector?: string };
  return one.name ?? one.selector ?? d.id;
};

/** In a word or two, for what is there in one of them only. */
const toWords: { [K in Difference['list']]: (x: never) => string } = {
  motions: (m: Motion) => effectWords(m),
  pins: (p: Pin) => distanceLabel(p),
  triggers: (g: Trigger) => (g.plays === 'once' ? 'once' : 'each time'),
  cues: (c: MotionDocument['cues'][number]) => c.at,
  adjustments: (a: MotionDocument['adjustments'][number]) => Object.keys(a.declarations).join(', '),
};
const describe = (list: Difference['list'], x: Row): string => toWords[list](x as never);

/** A way straight up or down says only how far. */
const short = (css: string) => valueWords(css).replace(/^0 (?=\S+$)/, '');

function keyframeChange(property: string, a: Motion, b: Motion): Change {
  const [x, y] = [a.keyframes[property], b.keyframes[property]];
  if (!x) return { of: property, was: 'none', kind: short(lastItem(present(y)).value) };
  if (!y) return { of: property, was: short(lastItem(x).value), kind: 'none' };
  if (lastItem(x).value !== lastItem(y).value)
    return { of: property, was: short(lastItem(x).value), kind: short(lastItem(y).value) };
  if (itemAt(x, 0).value !== itemAt(y, 0).value)
    return { of: `${property} from`, was: short(itemAt(x, 0).value), kind: short(itemAt(y, 0).value) };
  return {
    of: `${property}, keyframes`,
    was: String(x.length),
    kind: x.length === y.length ? 'others' : String(y.length),
  };
}

const seconds = (m: Motion) => (m.time ? `${m.time.duration.replace('ms', '')} ms` : 'none');

/** Fields of motions that have words of their own; others are named. */
const MOTION_WORDS: Record<string, (a: Motion, b: Motion) => Change[]> = {
  range: (a, b) =>
    (['start', 'end'] as const).flatMap((side) => {
      const [was, is] = [a, b].map((m) => pointWords(m.range[side], side, m.driver.kind)) as [string, string];
      return was === is ? [] : [{ of: side, was, kind: is }];
    }),
  driver: (a, b) =>
    isSameKind(a.driver, b.driver)
      ? [{ of: DRIVER_WORDS[b.driver.kind].noun, was: '', kind: 'another one' }]
      : [{ of: 'driver', was: DRIVER_WORDS[a.driver.kind].noun, kind: DRIVER_WORDS[b.driver.kind].noun }],
  easing: (a, b) => [{ of: 'easing', was: a.easing, kind: b.easing }],
  damping: (a, b) => [{ of: 'damping', was: dampingLabel(a.damping), kind: dampingLabel(b.damping) }],
  time: (a, b) => [
    seconds(a) === seconds(b)
      ? { of: 'delay', was: a.time?.delay ?? '', kind: b.time?.delay ?? '' }
      : { of: 'lasts', was: seconds(a), kind: seconds(b) },
  ],
  on: (a) => [{ of: '', was: a.on ? 'on' : 'muted', kind: a.on ? 'muted' : 'on' }],
  targets: (a, b) => [
    a.targets.selector === b.targets.selector
      ? { of: 'apart', was: '', kind: 'otherwise' }
      : { of: 'moves', was: a.targets.selector, kind: b.targets.selector },
  ],
  reducedMotion: (a, b) => [{ of: 'reduced motion', was: a.reducedMotion, kind: b.reducedMotion }],
  name: (a, b) => [{ of: 'name', was: a.name, kind: b.name }],
};

/** Every change, the one that says most first. */
export function listChanges({ list, a, b, fields }: Difference): Change[] {
  if (!a) return [{ of: '', was: 'none', kind: describe(list, present(b)) }];
  if (!b) return [{ of: '', was: describe(list, a), kind: 'none' }];
  if (list !== 'motions') {
    const [was, is] = [describe(list, a), describe(list, b)];
    return [was === is ? { of: fields.join(', '), was: '', kind: 'changed' } : { of: '', was, kind: is }];
  }
  const [x, y] = [a as Motion, b as Motion];
  const properties = fields
    .filter((f) => f.startsWith('keyframes.'))
    .map((f) => f.slice('keyframes.'.length));
  return [
    ...properties.map((p) => keyframeChange(p, x, y)),
    ...fields
      .filter((f) => !f.startsWith('keyframes.'))
      .flatMap((f) => MOTION_WORDS[f]?.(x, y) ?? [{ of: f, was: '', kind: 'changed' }]),
  ];
}

export const changeWords = ({ of, was, kind: is }: Change): string =>
  [of, was && is ? `${was} → ${is}` : was || is].filter(Boolean).join(' ');
