/** One thing of a document changed, everything else as it was. */
import type { Cue, Trigger, Motion, MotionDocument, Pin } from '../motion/index.ts';

type Change = (d: MotionDocument) => MotionDocument;
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
