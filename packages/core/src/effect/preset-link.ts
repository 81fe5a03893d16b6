/** How motions and the presets that they were made from go on together: which of the two has changed, and bringing them up to date. */
import { present } from '../assert/index.ts';
import { isSameKind, withDriverContent } from '../drivers/index.ts';
import { editWhole, withMotion } from '../edit/index.ts';
import type { Operation } from '../edit/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { alone, contentHash } from './preset.ts';
import type { Preset, PresetBody } from './preset.ts';

/** How a motion stands to its preset. */
export type PresetStand = 'same' | 'changed here' | 'preset changed' | 'both changed' | 'gone';

export function comparePreset(m: Motion, presets: readonly Preset[]): PresetStand {
  const part = partFor(m, presets);
  if (!part || !m.preset) return 'gone';
  const here = contentHash(m);
  const there = contentHash(part);
  if (here === there) return 'same';
  if (there === m.preset.hash) return 'changed here';
  return here === m.preset.hash ? 'preset changed' : 'both changed';
}

const partFor = (m: Motion, presets: readonly Preset[]): Motion | undefined =>
  presets.find((p) => p.id === m.preset?.id)?.body.motions.find((x) => x.id === present(m.preset).part);

/** A motion with what its preset says now. A preset of another driver keeps the motion’s range and time. */
function renewed(m: Motion, part: Motion): Motion {
  const alike = isSameKind(m.driver, part.driver);
  const { range, keyframes, easing, fill, composite, damping, reducedMotion, time, stagger, repeat } = part;
  const driver = withDriverContent(m.driver, part.driver);
  const { ties: _, stagger: __, repeat: ___, ...rest } = m;
  return {
    ...rest,
    driver,
    ...(alike ? { range } : {}),
    ...(alike && time ? { time: { ...m.time, delay: time.delay, duration: time.duration } } : {}),
    ...(stagger ? { stagger } : {}),
    ...(repeat ? { repeat } : {}),
    keyframes,
    easing,
    fill,
    composite,
    damping,
    reducedMotion,
    preset: { ...present(m.preset), hash: contentHash(part) },
  };
}

/**
 * Every motion of a document with what its preset says now. Those that were changed since they were taken are left alone, unless they are
 * named in `even`.
 */
export function withPresets(
  d: MotionDocument,
  presets: readonly Preset[],
  even: readonly string[] = [],
): { document: MotionDocument; renewed: number; kept: number } {
  let count = 0;
  let kept = 0;
  let relinked = false;
  const motions = d.motions.map((m) => {
    const part = partFor(m, presets);
    const stand = part ? comparePreset(m, presets) : 'gone';
    if (!part || stand === 'gone') return m;
    if (stand === 'same') {
      const taken = contentHash(part);
      if (present(m.preset).hash === taken) return m;
      relinked = true;
      return { ...m, preset: { ...present(m.preset), hash: taken } };
    }
    if (stand !== 'preset changed' && !even.includes(m.id)) {
      kept++;
      return m;
    }
    count++;
    return renewed(m, part);
  });
  return { document: count || relinked ? { ...d, motions } : d, renewed: count, kept };
}

/** Brings the document up to date with presets; see `withPresets`. */
export const renewFromPresets = (
  label: string,
  presets: readonly Preset[],
  even: readonly string[] = [],
): Operation => editWhole(label, (d) => withPresets(d, presets, even).document);

/** Motions of which a preset was kept become made from it, each from its own part. */
export const linkToPreset = (preset: Preset, ids: readonly string[]): Operation =>
  editWhole(`keep “${preset.name}”`, (d) => ({
    ...d,
    motions: d.motions.map((m) => {
      const part = ids.includes(m.id) && preset.body.motions.find((x) => x.id === m.id);
      // What the preset says is what the motion says; from now on it is written alike.
      return part ? renewed({ ...m, preset: { id: preset.id, part: part.id, hash: '' } }, part) : m;
    }),
  }));

/** A motion made from another preset: what that says of its first part that is driven alike, else of its first one. */
export const switchPreset = (id: string, preset: Preset): Operation =>
  editWhole(
    `switch to “${preset.name}”`,
    withMotion(id, (m) => {
      const { motions } = preset.body;
      const part = motions.find((x) => isSameKind(x.driver, m.driver)) ?? motions[0];
      return part ? renewed({ ...m, preset: { id: preset.id, part: part.id, hash: '' } }, part) : m;
    }),
  );

/** A motion that no longer knows what it was made from. */
export const detachFromPreset = (id: string): Operation =>
  editWhole(
    'detach from the preset',
    withMotion(id, ({ preset: _, ...m }) => m),
  );

/** The preset with one of its parts as a motion has it now. */
export function withPart(preset: Preset, m: Motion): PresetBody {
  const { motions } = preset.body;
  return {
    ...preset.body,
    motions: motions.map((part) => {
      if (part.id !== m.preset?.part) return part;
      const next = renewed({ ...part, preset: m.preset }, { ...alone(m), driver: sameKind(part, m) });
      const { preset: _, ...own } = next;
      return own;
    }),
  };
}

const sameKind = (part: Motion, m: Motion): Motion['driver'] => withDriverContent(part.driver, m.driver);
