/** Copies: beside their originals, or elsewhere with the triggers they hang on and the adjustments they need. */
import { present } from '../assert/index.ts';
import {
  asView,
  asPin,
  refersTo,
  withDriverReferences,
  withDriverSelectors,
  wholeRange,
} from '../drivers/index.ts';
import type { Adjustment, Trigger, Motion, MotionDocument } from '../motion/index.ts';
import { freeName } from './names.ts';
import type { NewId, Operation } from './operation.ts';

export interface Copied {
  motions: Motion[];
  triggers: Trigger[];
  adjustments: Adjustment[];
}

export function copied(d: MotionDocument, ids: readonly string[]): Copied {
  const motions = d.motions.filter((m) => ids.includes(m.id));
  const triggers = d.triggers.filter((g) => motions.some((m) => refersTo(m.driver, g.id)));
  const adjustments = d.adjustments.filter((a) => a.for.some((id) => ids.includes(id)));
  return { motions, triggers, adjustments };
}

/** Where copies go: the element, and what a copy is called there. */
export interface PasteTarget {
  selector: string;
  nameOf(m: Motion): string;
}

/**
 * The document with copies. On `target`, what moved one element moves that one, with its trigger and what was adjusted on it; without,
 * copies stay on their own elements. A motion on a pin that this page has not runs on its own view progress.
 */
export function pasted(
  d: MotionDocument,
  clip: Copied,
  target: PasteTarget | null,
  newId: NewId,
): { document: MotionDocument; ids: string[] } {
  const ids = new Map<string, string>();
  for (const x of [...clip.motions, ...clip.triggers]) ids.set(x.id, newId(present(x.id[0])));
  // Several elements cannot all become one, so only what moved the same element goes along.
  const from = clip.motions[0]?.targets.selector;
  const move = (selector: string) => (target && selector === from ? target.selector : selector);
  const takeName = freeName([...d.motions, ...d.triggers].map((x) => x.name));
  const motions = clip.motions.map((m): Motion => {
    const { driver } = m;
    const isLost = asPin(driver) !== null && !d.pins.some((p) => refersTo(driver, p.id));
    const next: Motion['driver'] = isLost
      ? { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] }
      : withDriverReferences(
          asView(driver) ? withDriverSelectors(driver, move) : driver,
          (id) => ids.get(id) ?? id,
        );
    const after = m.time?.after === undefined ? undefined : ids.get(m.time.after);
    return {
      ...m,
      id: present(ids.get(m.id)),
      name: takeName(target ? target.nameOf(m) : m.name),
      targets: { selector: move(m.targets.selector) },
      driver: next,
      ...(isLost ? { range: wholeRange(next) } : {}),
      ...(m.time
        ? { time: { delay: m.time.delay, duration: m.time.duration, ...(after ? { after } : {}) } }
        : {}),
    };
  });
  return {
    document: {
      ...d,
      motions: [...d.motions, ...motions],
      triggers: [
        ...d.triggers,
        ...clip.triggers.map((g) => ({
          ...g,
          id: present(ids.get(g.id)),
          name: motions.find((m) => refersTo(m.driver, present(ids.get(g.id))))?.name ?? g.name,
          subject: move(g.subject),
        })),
      ],
      adjustments: [
        ...d.adjustments,
        ...clip.adjustments.map((a) => ({
          ...a,
          id: newId('a'),
          selector: move(a.selector),
          for: a.for.flatMap((id) => ids.get(id) ?? []),
        })),
      ],
    },
    ids: motions.map((m) => m.id),
  };
}

/** Copies directly behind their originals, with names of their own. */
export function duplicated(
  d: MotionDocument,
  ids: readonly string[],
  newId: NewId,
): { document: MotionDocument; copies: string[] } {
  const copies: string[] = [];
  const makeCopy = new Map<string, string>();
  const takeName = freeName(d.motions.map((m) => m.name));
  const motions = d.motions.flatMap((m) => {
    if (!ids.includes(m.id)) return [m];
    const copy = { ...m, id: newId('m'), name: takeName(m.name) };
    copies.push(copy.id);
    makeCopy.set(m.id, copy.id);
    return [m, copy];
  });
  // What an original needs on the page, its copy needs too.
  const adjustments = d.adjustments.map((a) => {
    const more = a.for.flatMap((id) => makeCopy.get(id) ?? []);
    return more.length ? { ...a, for: [...a.for, ...more] } : a;
  });
  return { document: { ...d, motions, adjustments }, copies };
}

/** Copies of motions beside their originals; the copies are selected. */
export const duplicateMotions = (ids: readonly string[], newId: NewId): Operation => ({
  label: 'duplicate',
  scope: 'whole',
  apply(d) {
    const { document, copies } = duplicated(d, ids, newId);
    return { document, selection: copies };
  },
});

/** Pastes what was copied, on another element if one is given; what was pasted is selected. */
export const pasteMotions = (clip: Copied, target: PasteTarget | null, newId: NewId): Operation => ({
  label: clip.motions.length === 1 ? 'paste a motion' : `paste ${clip.motions.length} motions`,
  scope: 'whole',
  apply(d) {
    const { document, ids } = pasted(d, clip, target, newId);
    return { document, selection: ids };
  },
});
