/** Removing, with everything that cannot be without it. */
import { driverReferences } from '../drivers/index.ts';
import type { Motion } from '../motion/index.ts';
import { editWhole } from './operation.ts';
import type { Change, Operation } from './operation.ts';

/**
 * The document without motions, pins, triggers or cues. A motion on a pin or trigger goes with it, a trigger with its last part, a cue with its
 * pin, an adjustment with the last thing that needed it. What waited for a part counts from the trigger again.
 */
export const without =
  (ids: readonly string[]): Change =>
  (d) => {
    const gone = new Set(ids);
    for (const { id, driver } of d.motions)
      if (driverReferences(driver).some((r) => gone.has(r.id))) gone.add(id);
    const used = new Set(
      d.motions.flatMap((m) => (gone.has(m.id) ? [] : driverReferences(m.driver).map((r) => r.id))),
    );
    return {
      ...d,
      motions: d.motions.filter((m) => !gone.has(m.id)).map((m) => unchained(m, gone)),
      triggers: d.triggers.filter((g) => !gone.has(g.id) && used.has(g.id)),
      pins: d.pins.filter((p) => !gone.has(p.id)),
      cues: d.cues.filter((c) => !gone.has(c.id) && (c.pin === null || !gone.has(c.pin))),
      adjustments: d.adjustments.flatMap((a) => {
        if (!a.for.some((id) => gone.has(id))) return [a];
        const still = a.for.filter((id) => !gone.has(id));
        return still.length ? [{ ...a, for: still }] : [];
      }),
    };
  };

/** Removes motions, pins, triggers and cues, with what cannot be without them. Nothing is selected then. */
export const removeThings = (ids: readonly string[], label: string): Operation =>
  editWhole(label, without(ids), []);

/** What waited for a part that has left counts from the trigger again. */
export function unchained(m: Motion, gone: ReadonlySet<string>): Motion {
  if (m.time?.after === undefined || !gone.has(m.time.after)) return m;
  const { delay, duration } = m.time;
  return { ...m, time: { delay, duration } };
}
