/** Changes of a document, as plain functions. */
import { driverReferences, shorten } from '@lyvek/core';
import type { Cue, Gate, Motion, MotionDocument, Pin } from '@lyvek/core';

export const withMotion =
  (id: string, change: (m: Motion) => Motion) =>
  (d: MotionDocument): MotionDocument => ({
    ...d,
    motions: d.motions.map((m) => (m.id === id ? change(m) : m)),
  });

/** The motion on other elements. What it needs on them goes along; where something else needs it too, it stays there as well. */
export const withTarget =
  (id: string, selector: string) =>
  (d: MotionDocument): MotionDocument => {
    const was = d.motions.find((m) => m.id === id)?.targets.selector;
    return {
      ...d,
      motions: d.motions.map((m) => (m.id === id ? { ...m, targets: { selector } } : m)),
      adjustments: d.adjustments.flatMap((a) => {
        if (a.selector !== was || !a.for.includes(id)) return [a];
        const others = a.for.filter((x) => x !== id);
        if (others.length === 0) return [{ ...a, selector }];
        return [
          { ...a, for: others },
          { ...a, id: newId('a'), selector, for: [id] },
        ];
      }),
    };
  };

export const withoutMotions =
  (ids: readonly string[]) =>
  (d: MotionDocument): MotionDocument => {
    const gone = new Set(ids);
    // A motion on a pin goes with the pin; an adjustment goes with the last thing that needed it.
    for (const { id, driver } of d.motions)
      if (driverReferences(driver).some((r) => gone.has(r.id))) gone.add(id);
    // A gate that nothing hangs on goes with its last part.
    const used = new Set(
      d.motions.flatMap((m) => (gone.has(m.id) ? [] : driverReferences(m.driver).map((r) => r.id))),
    );
    const left = (m: Motion): Motion => {
      if (m.time?.after === undefined || !gone.has(m.time.after)) return m;
      const { delay, duration } = m.time;
      return { ...m, time: { delay, duration } };
    };
    return {
      ...d,
      motions: d.motions.filter((m) => !gone.has(m.id)).map(left),
      gates: d.gates.filter((g) => !gone.has(g.id) && used.has(g.id)),
      pins: d.pins.filter((p) => !gone.has(p.id)),
      cues: d.cues.filter((c) => !gone.has(c.id) && (c.pin === null || !gone.has(c.pin))),
      adjustments: d.adjustments.flatMap((a) => {
        if (!a.for.some((id) => gone.has(id))) return [a];
        const still = a.for.filter((id) => !gone.has(id));
        return still.length ? [{ ...a, for: still }] : [];
      }),
    };
  };

export const withGate =
  (id: string, change: (g: Gate) => Gate) =>
  (d: MotionDocument): MotionDocument => ({ ...d, gates: d.gates.map((g) => (g.id === id ? change(g) : g)) });

export const withCue =
  (id: string, change: (c: Cue) => Cue) =>
  (d: MotionDocument): MotionDocument => ({ ...d, cues: d.cues.map((c) => (c.id === id ? change(c) : c)) });

export const withPin =
  (id: string, change: (p: Pin) => Pin) =>
  (d: MotionDocument): MotionDocument => ({ ...d, pins: d.pins.map((p) => (p.id === id ? change(p) : p)) });

export const newId = (kind: string): string =>
  `${kind}_${crypto.randomUUID().replaceAll('-', '').slice(0, 12)}`;

/** Copies directly behind their originals, with names of their own. */
export function duplicated(
  d: MotionDocument,
  ids: readonly string[],
): { document: MotionDocument; copies: string[] } {
  const copies: string[] = [];
  const copyOf = new Map<string, string>();
  const motions = d.motions.flatMap((m) => {
    if (!ids.includes(m.id)) return [m];
    const copy = { ...m, id: newId('m'), name: `${shorten(m.name, 112)} copy` };
    copies.push(copy.id);
    copyOf.set(m.id, copy.id);
    return [m, copy];
  });
  // What an original needs on the page, its copy needs too.
  const adjustments = d.adjustments.map((a) => {
    const more = a.for.flatMap((id) => copyOf.get(id) ?? []);
    return more.length ? { ...a, for: [...a.for, ...more] } : a;
  });
  return { document: { ...d, motions, adjustments }, copies };
}
