/** Changes of a document’s media conditions. */
import type { Media, Motion, MotionDocument, Pin } from '../motion/index.ts';
import { editWhole } from './operation.ts';
import type { Change, Operation } from './operation.ts';

export const withMedia =
  (media: Media): Change =>
  (d) => ({
    ...d,
    media: d.media.some((m) => m.id === media.id)
      ? d.media.map((m) => (m.id === media.id ? media : m))
      : [...d.media, media],
  });

const without = <T extends Motion | Pin>(one: T, media: string): T => {
  if (!one.conditions?.some((c) => c.media === media)) return one;
  const { conditions, ...rest } = one;
  const left = conditions.filter((c) => c.media !== media);
  return (left.length ? { ...rest, conditions: left } : rest) as T;
};

/** A condition goes with all that was written for it. */
export const withoutMedia =
  (id: string): Change =>
  (d) => ({
    ...d,
    media: d.media.filter((m) => m.id !== id),
    motions: d.motions.map((m) => without(m, id)),
    pins: d.pins.map((p) => without(p, id)),
  });

/** Gives up what one motion or pin has of its own for a condition: one part of it, named as `overridden` names it. */
export const withoutOverride =
  (id: string, media: string, part: string): Change =>
  (d) => {
    const change = <T extends Motion | Pin>(one: T): T => {
      if (one.id !== id) return one;
      const conditions = (one.conditions as Motion['conditions'])?.map((c) =>
        c.media === media ? lacking(c, part) : c,
      );
      const empty = conditions?.find((c) => c.media === media && Object.keys(c).length === 1);
      return empty ? without(one, media) : ({ ...one, conditions } as T);
    };
    return { ...d, motions: d.motions.map(change), pins: d.pins.map(change) };
  };

type Override = NonNullable<Motion['conditions']>[number];

const lessOne = <T extends object>(from: T, key: string): T | undefined => {
  const left = Object.entries(from).filter(([k, v]) => k !== key && v !== undefined);
  return left.length ? (Object.fromEntries(left) as T) : undefined;
};

function lacking(c: Override, part: string): Override {
  const top = part === 'off' ? 'on' : part;
  const { range, keyframes, ...rest } = (lessOne(c, top) ?? { media: c.media }) as Override;
  const ends = range && (part === 'start' || part === 'end' ? lessOne(range, part) : range);
  const lists = keyframes && lessOne(keyframes, part);
  return { ...rest, ...(ends ? { range: ends } : {}), ...(lists ? { keyframes: lists } : {}) };
}

/** How many motions and pins have something of their own for it. */
export const countUses = (d: MotionDocument, media: string): number =>
  [...d.motions, ...d.pins].filter((one) => one.conditions?.some((c) => c.media === media)).length;

/** Adds a condition, or changes the one of the same id. */
export const putMedia = (media: Media, isNew: boolean): Operation =>
  editWhole(isNew ? 'add a condition' : 'change a condition', withMedia(media));
export const removeMedia = (id: string): Operation => editWhole('remove a condition', withoutMedia(id));
/** The same, as an edit. */
export const removeOverride = (id: string, media: Media, part: string): Operation =>
  editWhole(`remove the ${part} override for ${media.name}`, withoutOverride(id, media.id, part));
