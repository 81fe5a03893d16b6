/** Groups of elements that play the same, as motions of a document. */
import { itemAt, present } from '../../assert/index.ts';
import type { Element } from 'domhandler';
import { emptyDocument, MotionSchema, PropertySchema } from '../../motion/index.ts';
import type { Motion, MotionDocument } from '../../motion/index.ts';
import { isLoadDraft, isTriggeredDraft } from '../animations/draft.ts';
import type { DraftOf } from '../animations/draft.ts';
import { driverReferences } from '../../drivers/index.ts';
import { isDrawn } from '../source/elements.ts';
import type { PageElements } from '../source/elements.ts';
import { Namer, readableName } from '../source/naming.ts';
import type { ReadRule, ReadRules } from '../cascade/rules.ts';
import { staggered } from './shifts.ts';
import { splitTop } from '../../text/index.ts';
import { wholeOverride } from './slots.ts';
import type { PageMedia, AnimationSlot } from './slots.ts';
import type { Timelines } from '../animations/timelines.ts';
import { DriverMaker } from './drivers.ts';
import { shorten } from '../../text/index.ts';

export interface Group {
  elements: Element[];
  rules: readonly ReadRule[];
  /** slots of each element, in page order */
  each: AnimationSlot[][];
}

export interface Part {
  elements: readonly Element[];
  /** of the first element; owners are per element */
  slots: readonly (AnimationSlot & { stagger?: Motion['stagger'] })[];
  each: readonly (readonly AnimationSlot[])[];
}

const content = (slots: readonly AnimationSlot[]) =>
  JSON.stringify(slots.map((s) => [s.on, [...s.overrides], s.reducedMotion, s.of.draft]));

/** What differs under conditions of motions that are to have a stagger: a range there is the same for all, who are alike then. */
function alikeUnderConditions(slots: readonly AnimationSlot[]): AnimationSlot['overrides'] | null {
  const [first] = slots as [AnimationSlot];
  const ranged = [...first.overrides].filter(([, o]) => o.range);
  if (ranged.length === 0) return first.overrides;
  // Of several conditions, what one says hangs on what the others have said.
  if (ranged.length > 1) return null;
  const whole = (s: AnimationSlot, media: string) => {
    const o = s.overrides.get(media);
    return o && wholeOverride(s, o);
  };
  const out = new Map(first.overrides);
  for (const [media] of ranged) {
    const own = whole(first, media);
    if (!own || slots.some((s) => JSON.stringify(whole(s, media)) !== JSON.stringify(own))) return null;
    out.set(media, { ...own, stagger: null });
  }
  return out;
}

const toCounted = ({ draft, counters = {} }: DraftOf) => ({ draft, counters });

/** One part where all elements play the same, or differ by equal steps; else one for each form. */
export function splitParts({ elements, each }: Pick<Group, 'elements' | 'each'>): Part[] {
  const forms = each.map(content);
  if (forms.every((f) => f === forms[0])) return splitByTrigger({ elements, slots: itemAt(each, 0), each });
  const stepped = itemAt(each, 0).map((slot, i) => {
    const drafts = each.map((slots) => itemAt(slots, i).of.draft);
    if (drafts.every((d) => JSON.stringify(d) === JSON.stringify(drafts[0]))) return slot;
    const overrides = alikeUnderConditions(each.map((slots) => itemAt(slots, i)));
    const found =
      overrides && !drafts.some(isTriggeredDraft)
        ? staggered(each.map((slots) => toCounted(itemAt(slots, i).of)))
        : null;
    return (
      found &&
      overrides && { ...slot, overrides, of: { ...slot.of, draft: found.draft }, stagger: found.stagger }
    );
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
  /** names of the keyframes that motions were read from */
  frames: Set<string>;
  /** targets of the motions: elements by the selector that finds them */
  targets: { selector: string; elements: readonly Element[] }[];
}

/** What the groups were read from. */
export interface Composing {
  media: readonly PageMedia[];
  rules: ReadRules;
  timelines: Timelines;
  elements: PageElements;
  collectSelectors: (e: Element) => readonly string[];
}

/** Selectors of the page’s own rules that may name a group. */
const listCandidates = (group: Group) =>
  group.rules.flatMap((r) => [
    ...(r.selectors.length > 1 ? [r.selectors.map((s) => s.text).join(', ')] : []),
    ...r.selectors.map((s) => s.text),
  ]);

/** Media conditions get their ids as motions are found that have something for them. */
class MediaIds {
  private readonly ids = new Map<string, string>();
  private readonly names = new Namer();
  private readonly found: MotionDocument['media'] = [];

  find(key: string): string {
    const known = this.ids.get(key);
    if (known) return known;
    const { id, name } = this.names.next('q', key.replace(/^\(([^()]*)\)$/, '$1'));
    this.found.push({ id, name: shorten(name, 120), query: key });
    this.ids.set(key, id);
    return id;
  }

  /** Those that some motions use, in the page’s order. */
  used(motions: readonly Motion[], order: readonly PageMedia[]): MotionDocument['media'] {
    const wanted = new Set(motions.flatMap((m) => m.conditions?.map((c) => c.media) ?? []));
    const place = order.flatMap((m) => this.ids.get(m.key) ?? []);
    return this.found
      .filter((m) => wanted.has(m.id))
      .sort((a, b) => place.indexOf(a.id) - place.indexOf(b.id));
  }
}

class Composer {
  private readonly names = new Namer();
  private readonly mediaIds = new MediaIds();
  private readonly drivers: DriverMaker;
  private readonly reasons = new Map<Group, string>();
  /** whether names were given by an earlier hand-off */
  private isOurs = true;
  private readonly made: { group: Group; motion: Motion; frames: string; elements: readonly Element[] }[] =
    [];

  constructor(private readonly from: Composing) {
    this.drivers = new DriverMaker(from.elements, from.timelines);
  }

  add(group: Group, part: Part): void {
    const fail = (reason: string) => void (this.reasons.has(group) || this.reasons.set(group, reason));
    const { elements, collectSelectors } = this.from;
    const selector = elements.naming(part.elements, listCandidates(group), collectSelectors);
    if (part.elements.some(isDrawn) && splitTop(selector).length > 1)
      return fail('no one selector finds its pseudo-elements and nothing else');
    // Intros come last, as they are written.
    const isIntro = (i: number) => isLoadDraft(itemAt(part.slots, i).of.draft);
    const indices = [...part.slots.keys()].sort((a, b) => Number(isIntro(a)) - Number(isIntro(b)));
    for (const i of indices) {
      const slot = itemAt(part.slots, i);
      const driver = this.drivers.make(slot.of.draft.driver, {
        pairs: part.elements.map((target, k) => ({
          target,
          owner: itemAt(itemAt(part.each, k), i).of.owner,
        })),
        selectors: slot.of.ownerSelectors,
      });
      if ('reason' in driver) {
        fail(driver.reason);
        continue;
      }
      const motion = this.motion(slot, driver, selector);
      if (motion.success)
        this.made.push({ group, motion: motion.data, frames: slot.of.draft.name, elements: part.elements });
      else fail(itemAt(motion.error.issues, 0).message);
    }
  }

  private motion(slot: Part['slots'][number], driver: Motion['driver'], selector: string) {
    const { draft } = slot.of;
    if (!draft.name.startsWith('lv-')) this.isOurs = false;
    const { id, name } = this.names.next('m', readableName(draft.name, isLoadDraft(draft)));
    const conditions = this.from.media.flatMap(({ key }) => {
      const o = slot.overrides.get(key);
      return o ? [{ media: this.mediaIds.find(key), ...o }] : [];
    });
    return MotionSchema.safeParse({
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
      ...(draft.repeat ? { repeat: draft.repeat } : {}),
      keyframes: draft.keyframes,
      easing: 'linear',
      fill: draft.fill,
      composite: draft.composite,
      damping: { kind: 'none' },
      reducedMotion: slot.reducedMotion,
      ...(conditions.length ? { conditions } : {}),
    });
  }

  /** Registrations of what the motions write. One that is no sound one stays the page’s. */
  private properties(motions: readonly Motion[]): MotionDocument['properties'] {
    const written = new Set(motions.flatMap((m) => Object.keys(m.keyframes)));
    return [...this.from.rules.registered.values()].flatMap(({ name, syntax, inherits, initial }) => {
      const made = PropertySchema.safeParse({
        name,
        syntax,
        inherits,
        ...(initial === null ? {} : { initial }),
      });
      return written.has(name) && made.success ? [made.data] : [];
    });
  }

  composed(): Composed {
    const motions = this.made.flatMap(({ group, motion }) => (this.reasons.has(group) ? [] : [motion]));
    const used = new Set(motions.flatMap((m) => driverReferences(m.driver).map((r) => r.id)));
    const properties = this.properties(motions);
    return {
      document: {
        ...emptyDocument(),
        // Names that the page gave stay as they are.
        ...(this.isOurs ? {} : { prefix: '' }),
        motions,
        triggers: this.drivers.triggers.filter((g) => used.has(g.id)),
        media: this.mediaIds.used(motions, this.from.media),
        properties,
      },
      left: [...this.reasons].map(([group, reason]) => ({ group, reason })),
      frames: new Set(this.made.flatMap(({ group, frames }) => (this.reasons.has(group) ? [] : [frames]))),
      animated: new Set(properties.map((p) => p.name)),
      targets: this.made.map(({ motion, elements }) => ({ selector: motion.targets.selector, elements })),
    };
  }
}

/** Motions of groups, in page order: elements belong to one part each, so no order of rules matters between them. */
export function makeDocument(groups: readonly Group[], from: Composing): Composed {
  const place = new Map(from.elements.inOrder(groups.flatMap((g) => g.elements)).map((e, i) => [e, i]));
  const toPlace = (part: Part) => present(place.get(itemAt(part.elements, 0)));
  const parts = groups
    .flatMap((group) => splitParts(group).map((part) => ({ group, part })))
    .sort((a, b) => toPlace(a.part) - toPlace(b.part));
  const composer = new Composer(from);
  for (const { group, part } of parts) composer.add(group, part);
  return composer.composed();
}
