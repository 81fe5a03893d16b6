/** One thing of a document changed, everything else as it was. */
import { edit } from './operation.ts';
import type { Change, Operation } from './operation.ts';
import type { Cue, Trigger, Motion, Pin } from '../motion/index.ts';

const put = <T extends { id: string }>(list: readonly T[], id: string, change: (x: T) => T): T[] =>
  list.map((x) => (x.id === id ? change(x) : x));

export const withMotion =
  (id: string, change: (m: Motion) => Motion): Change =>
  (d) => ({ ...d, motions: put(d.motions, id, change) });

export const withTrigger =
  (id: string, change: (g: Trigger) => Trigger): Change =>
  (d) => ({ ...d, triggers: put(d.triggers, id, change) });

export const withCue =
  (id: string, change: (c: Cue) => Cue): Change =>
  (d) => ({ ...d, cues: put(d.cues, id, change) });

export const withPin =
  (id: string, change: (p: Pin) => Pin): Change =>
  (d) => ({ ...d, pins: put(d.pins, id, change) });

export const changeMotion = (id: string, label: string, change: (m: Motion) => Motion): Operation =>
  edit(label, withMotion(id, change));
export const changeTrigger = (id: string, label: string, change: (g: Trigger) => Trigger): Operation =>
  edit(label, withTrigger(id, change));
export const changeCue = (id: string, label: string, change: (c: Cue) => Cue): Operation =>
  edit(label, withCue(id, change));
export const changePin = (id: string, label: string, change: (p: Pin) => Pin): Operation =>
  edit(label, withPin(id, change));

/** Motions in the place of those of the same ids. */
export const replaceMotions = (label: string, changed: readonly Motion[]): Operation => {
  const byId = new Map(changed.map((m) => [m.id, m]));
  return edit(label, (d) => ({ ...d, motions: d.motions.map((m) => byId.get(m.id) ?? m) }));
};

export const addCue = (cue: Cue): Operation => edit('add a cue', (d) => ({ ...d, cues: [...d.cues, cue] }));

type Named = Motion | Pin | Trigger;
/** Changes those of these ids, whatever they are. */
const changeNamed =
  (ids: readonly string[], change: <T extends Named>(one: T) => T): Change =>
  (d) => {
    const some = <T extends Named>(list: readonly T[]): T[] =>
      list.map((x) => (ids.includes(x.id) ? change(x) : x));
    return { ...d, motions: some(d.motions), pins: some(d.pins), triggers: some(d.triggers) };
  };

/** Unmutes or mutes motions, pins and triggers. */
export const switchOn = (ids: readonly string[], on: boolean): Operation =>
  edit(
    on ? 'unmute' : 'mute',
    changeNamed(ids, (x) => ({ ...x, on })),
  );

export const rename = (id: string, name: string): Operation =>
  edit(
    'rename',
    changeNamed([id], (x) => ({ ...x, name })),
  );
