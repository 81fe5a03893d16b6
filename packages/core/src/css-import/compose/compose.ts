/** Groups of elements that play the same, as motions of a document. */
import { itemAt, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import { emptyDocument, MotionSchema, PropertySchema } from '../../motion/index.ts';
import type { Trigger, Motion, MotionDocument } from '../../motion/index.ts';
import { isLoadDraft, isTriggeredDraft } from '../animations/draft.ts';
import type { AnimationDraft, DraftDriver } from '../animations/draft.ts';
import { driverReferences } from '../../drivers/index.ts';
import type { PageElements } from '../source/elements.ts';
import { Namer, readableName } from '../source/naming.ts';
import type { ReadRule, ReadRules } from '../cascade/rules.ts';
import { staggered } from './shifts.ts';
import type { PageMedia, AnimationSlot } from './slots.ts';
import type { Timelines } from '../animations/timelines.ts';
import { shorten } from '../../text/index.ts';

export interface Group {
  elements: Element[];
  rules: readonly ReadRule[];
  /** slots of each element, in page order */
  each: AnimationSlot[][];
}

interface Part {
  elements: readonly Element[];
  /** of the first element; owners are per element */
  slots: readonly (AnimationSlot & { stagger?: Motion['stagger'] })[];
  each: readonly (readonly AnimationSlot[])[];
}

const content = (slots: readonly AnimationSlot[]) =>
  JSON.stringify(slots.map((s) => [s.on, [...s.overrides], s.reducedMotion, s.of.draft]));

/** One part where all elements play the same, or differ by equal steps; else one for each form. */
function splitParts({ elements, each }: Group): Part[] {
  const forms = each.map(content);
  if (forms.every((f) => f === forms[0])) return splitByTrigger({ elements, slots: itemAt(each, 0), each });
  const stepped = itemAt(each, 0).map((slot, i) => {
    const drafts = each.map((slots) => itemAt(slots, i).of.draft);
    if (drafts.every((d) => JSON.stringify(d) === JSON.stringify(drafts[0]))) return slot;
    const found =
      [...slot.overrides.values()].every((o) => !o.range) && !drafts.some(isTriggeredDraft)
        ? staggered(drafts)
        : null;
    return found && { ...slot, of: { ...slot.of, draft: found.draft }, stagger: found.stagger };
  });
  if (stepped.every((s) => s !== null)) return [{ elements, slots: stepped, each }];
  const byForm = new Map<string, number[]>();
  forms.forEach((f, i) => byForm.set(f, [...(byForm.get(f) ?? []), i]));
  return [...byForm.values()].flatMap((indices) =>
    splitByTrigger({
      elements: indices.map((i) => itemAt(elements, i)),
      slots: itemAt(each, itemAt(indices, 0)),
      each: indices.map((i) => itemAt(each, i)),
    }),
  );
}

/** A trigger listens to one element: where each target has its own, each gets a trigger. */
function splitByTrigger(part: Part): Part[] {
  const owners = new Set(
    part.each.flatMap((slots) => slots.filter((s) => isTriggeredDraft(s.of.draft)).map((s) => s.of.owner)),
  );
  if (owners.size < 2) return [part];
  return part.elements.map((e, i) => ({
    elements: [e],
    slots: itemAt(part.each, i),
    each: [itemAt(part.each, i)],
  }));
}

export interface Composed {
  document: MotionDocument;
  left: { group: Group; reason: string }[];
  /** custom properties whose registration the document has */
  animated: Set<string>;
  /** targets of the motions: elements by the selector that finds them */
  targets: { selector: string; elements: readonly Element[] }[];
}

/** More triggers than people can look after. */
const MAX_TRIGGERS = 120;

export function makeDocument(
  groups: readonly Group[],
  media: readonly PageMedia[],
  { registered }: ReadRules,
  timelines: Timelines,
  elements: PageElements,
  collectSelectors: (e: Element) => readonly string[],
): Composed {
  const out = emptyDocument();
  const left: Composed['left'] = [];
  const names = new Namer();
  const mediaIds = new Map<string, string>();
  const mediaNames = new Namer();
  const findId = (key: string): string => {
    const known = mediaIds.get(key);
    if (known) return known;
    const { id, name } = mediaNames.next('q', key.replace(/^\(([^()]*)\)$/, '$1'));
    out.media.push({ id, name: shorten(name, 120), query: key });
    mediaIds.set(key, id);
    return id;
  };
  const triggers = new Map<string, Trigger>();
  const triggerNames = new Namer();

  const makeTrigger = (
    { name: css, lines }: Extract<DraftDriver, { kind: 'trigger' }>,
    owner: Element,
  ): string | { reason: string } => {
    const key = `${css} ${elements.path(owner)} ${JSON.stringify(lines)}`;
    const known = triggers.get(key);
    if (known) return known.id;
    if (triggers.size >= MAX_TRIGGERS)
      return { reason: `more than ${MAX_TRIGGERS} elements start animations of their own` };
    const { id, name } = triggerNames.next('g', readableName(css.replace(/-passed$/, '')));
    triggers.set(key, { id, name, on: true, subject: elements.naming([owner], []), ...lines });
    return id;
  };

  interface Carriers {
    /** of each target what carries its timeline; null: the page */
    pairs: readonly { target: Element; owner: Element | null }[];
    selectors: readonly string[];
  }
  const DRIVERS: {
    [K in DraftDriver['kind']]: (
      driver: Extract<DraftDriver, { kind: K }>,
      carriers: Carriers,
    ) => Motion['driver'] | { reason: string };
  } = {
    load: () => ({ kind: 'load' }),
    trigger(driver, { pairs }) {
      const { owner } = itemAt(pairs, 0);
      const trigger = owner && makeTrigger(driver, owner);
      if (!trigger) return { reason: 'its trigger is on no element' };
      return typeof trigger === 'string' ? { kind: 'trigger', trigger } : trigger;
    },
    scroll({ axis }, { pairs, selectors }) {
      const { owner } = itemAt(pairs, 0);
      if (owner === null) return { kind: 'scroll', axis };
      if (pairs.some((p) => p.owner !== owner))
        return { reason: 'each of its elements listens to a scroller of its own' };
      return { kind: 'scroll', axis, scroller: elements.naming([owner], selectors) };
    },
    view(driver, { pairs, selectors }) {
      const carried = pairs.filter((p): p is { target: Element; owner: Element } => p.owner !== null);
      if (carried.every((p) => p.owner === p.target)) return { ...driver, subject: 'self' };
      const subject = carried.length === pairs.length ? timelines.subjectFor(carried, selectors) : null;
      return subject === null
        ? { reason: 'its elements listen to view timelines of elements that no selector tells apart' }
        : { ...driver, subject };
    },
  };
  const makeDriver = (
    part: Part,
    i: number,
    { driver }: AnimationDraft,
  ): Motion['driver'] | { reason: string } =>
    DRIVERS[driver.kind](driver as never, {
      pairs: part.elements.map((target, k) => ({ target, owner: itemAt(itemAt(part.each, k), i).of.owner })),
      selectors: itemAt(part.slots, i).of.ownerSelectors,
    });

  const listCandidates = (group: Group) =>
    group.rules.flatMap((r) => [
      ...(r.selectors.length > 1 ? [r.selectors.map((s) => s.text).join(', ')] : []),
      ...r.selectors.map((s) => s.text),
    ]);
  // In page order: elements belong to one part each, so no order of rules matters between them.
  const place = new Map(elements.inOrder(groups.flatMap((g) => g.elements)).map((e, i) => [e, i]));
  const parts = groups
    .flatMap((group) => splitParts(group).map((part) => ({ group, part })))
    .sort(
      (a, b) =>
        present(place.get(itemAt(a.part.elements, 0))) - present(place.get(itemAt(b.part.elements, 0))),
    );
  const reasons = new Map<Group, string>();
  const made: { group: Group; motion: Motion; elements: readonly Element[] }[] = [];
  for (const { group, part } of parts) {
    const fail = (reason: string) => void (reasons.has(group) || reasons.set(group, reason));
    const selector = elements.naming(part.elements, listCandidates(group), collectSelectors);
    // Intros come last, as they are written.
    const isIntro = (i: number) => isLoadDraft(itemAt(part.slots, i).of.draft);
    const indices = [...part.slots.keys()].sort((a, b) => Number(isIntro(a)) - Number(isIntro(b)));
    for (const i of indices) {
      const slot = itemAt(part.slots, i);
      const { draft } = slot.of;
      const driver = makeDriver(part, i, draft);
      if ('reason' in driver) {
        fail(driver.reason);
        continue;
      }
      const { id, name } = names.next('m', readableName(draft.name, isLoadDraft(draft)));
      const conditions = media.flatMap(({ key }) => {
        const o = slot.overrides.get(key);
        return o ? [{ media: findId(key), ...o }] : [];
      });
      const motion = MotionSchema.safeParse({
        id,
        name,
        on: slot.on,
        targets: { selector },
        driver,
        range: draft.range,
        ...(slot.stagger ? { stagger: slot.stagger } : {}),
        ...(draft.time
          ? { time: { delay: `${draft.time.delay}ms`, duration: `${draft.time.duration}ms` } }
          : {}),
        keyframes: draft.keyframes,
        easing: 'linear',
        fill: draft.fill,
        composite: draft.composite,
        damping: { kind: 'none' },
        reducedMotion: slot.reducedMotion,
        ...(conditions.length ? { conditions } : {}),
      });
      if (motion.success) made.push({ group, motion: motion.data, elements: part.elements });
      else fail(itemAt(motion.error.issues, 0).message);
    }
  }
  out.motions = made.flatMap(({ group, motion }) => (reasons.has(group) ? [] : [motion]));
  for (const [group, reason] of reasons) left.push({ group, reason });
  const used = new Set(out.motions.flatMap((m) => driverReferences(m.driver).map((r) => r.id)));
  out.triggers = [...triggers.values()].filter((g) => used.has(g.id));
  const wanted = new Set(out.motions.flatMap((m) => m.conditions?.map((c) => c.media) ?? []));
  const order = media.flatMap((m) => mediaIds.get(m.key) ?? []);
  out.media = out.media
    .filter((m) => wanted.has(m.id))
    .sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
  const written = new Set(out.motions.flatMap((m) => Object.keys(m.keyframes)));
  // A registration that is no sound one stays the page’s.
  out.properties = [...registered.values()].flatMap(({ name, syntax, inherits, initial }) => {
    const made = PropertySchema.safeParse({
      name,
      syntax,
      inherits,
      ...(initial === null ? {} : { initial }),
    });
    return written.has(name) && made.success ? [made.data] : [];
  });
  const animated = new Set(out.properties.map((p) => p.name));
  const targets = made.map(({ motion, elements }) => ({ selector: motion.targets.selector, elements }));
  return { document: out, left, animated, targets };
}
