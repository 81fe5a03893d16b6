/**
 * Presets: motions kept to be used elsewhere, with the pins, triggers and adjustments they need. Elements are named from where a preset is put:
 * `&` is that element, `&^` what holds it, `& > h3` a part of it.
 */
import { itemAt, lastItem, present } from '../assert/index.ts';
import * as z from 'zod';
import {
  driverContent,
  driverReferences,
  pointKind,
  refersTo,
  withDriverReferences,
  withDriverSelectors,
} from '../drivers/index.ts';
import {
  AdjustmentSchema,
  TriggerSchema,
  MotionSchema,
  PinSchema,
  readDocument,
  upgradedPreset,
} from '../motion/index.ts';
import type { Motion, MotionDocument } from '../motion/index.ts';
import { elementName, fingerprint, findMatches } from '../page/index.ts';
import type { Layout } from '../page/index.ts';
import { listChildren } from './effect-definition.ts';
import type { EffectContext, EffectDefinition, Fragment } from './effect-definition.ts';
import { shorten } from '../text/index.ts';

/** A preset as it is written. */
export const PresetBodyShape = z
  .strictObject({
    motions: z.array(MotionSchema).max(200),
    pins: z.array(PinSchema).max(50),
    triggers: z.array(TriggerSchema).max(50),
    adjustments: z.array(AdjustmentSchema).max(200),
  })
  .superRefine((body, ctx) => {
    if (body.motions.length + body.pins.length === 0)
      ctx.addIssue({ code: 'custom', message: 'a preset holds at least one motion or pin' });
    const read = readDocument({ format: 'lyvek-document', version: 2, ...body });
    if (!read.ok)
      for (const p of read.problems.slice(0, 5))
        ctx.addIssue({ code: 'custom', message: `${p.path}: ${p.message}` });
  });
/** A preset as it is read, also one that version 1 has kept. */
export const PresetBodySchema = z.preprocess(upgradedPreset, PresetBodyShape);
export type PresetBody = z.infer<typeof PresetBodyShape>;

/** Presets as a file. */
export const PresetFileSchema = z.strictObject({
  format: z.literal('lyvek-presets'),
  // What has changed since the first shows in the bodies.
  version: z.union([z.literal(1), z.literal(2)]),
  presets: z
    .array(z.strictObject({ name: z.string().trim().min(1).max(120), body: PresetBodySchema }))
    .max(500),
});

export interface Preset {
  id: string;
  name: string;
  revision: number;
  body: PresetBody;
}

/** How far up from the element another one may be held. */
const UP = 4;

function listChain(layout: Layout, element: number): number[] {
  const chain = [];
  for (let i = element; i >= 0 && chain.length <= UP; i = itemAt(layout.elements, i).parent) chain.push(i);
  return chain;
}

/** A selector as seen from an element; one that has no place near it stays as it is. */
function fromElement(selector: string, element: number, layout: Layout): string {
  const of = (i: number) => itemAt(layout.elements, i).selector;
  const chain = listChain(layout, element);
  const up = (n: number) => `&${'^'.repeat(n)}`;
  const other = findMatches(layout, selector)[0];
  for (const [n, i] of chain.entries()) {
    if (selector === of(i) || other === i) return up(n);
    const rest = [' > ', ' '].find((between) => selector.startsWith(of(i) + between));
    if (rest) return up(n) + selector.slice(of(i).length);
    if (other !== undefined && of(other).startsWith(`${of(i)} > `))
      return up(n) + of(other).slice(of(i).length);
  }
  return selector;
}

/** The selector for a place named from an element. */
function atElement(named: string, element: number, layout: Layout): string {
  const found = /^&(\^*)(.*)$/s.exec(named);
  if (!found) return named;
  const chain = listChain(layout, element);
  const i = chain[itemAt(found, 1).length] ?? lastItem(chain);
  return itemAt(layout.elements, i).selector + itemAt(found, 2);
}

/** Everything in which elements are named, named otherwise. */
function renamed(f: Fragment, place: (selector: string) => string): Fragment {
  return {
    motions: f.motions.map((m) => ({
      ...m,
      targets: { selector: place(m.targets.selector) },
      // A scroller is named as it is on every page.
      driver: pointKind(m.driver) === 'phases' ? withDriverSelectors(m.driver, place) : m.driver,
    })),
    pins: f.pins.map((p) => ({
      ...p,
      stage: place(p.stage),
      distance: p.distance.kind === 'travel' ? { ...p.distance, strip: place(p.distance.strip) } : p.distance,
    })),
    triggers: f.triggers.map((g) => ({ ...g, subject: place(g.subject) })),
    adjustments: f.adjustments.map((a) => ({ ...a, selector: place(a.selector) })),
  };
}

/** Only what a motion has of itself: nothing that hangs on this document. */
export function alone({ ties: _, conditions: __, preset: ___, ...m }: Motion): Motion {
  return m;
}

/** What is chosen, as a preset. Null where nothing of it has an element on this page. */
export function makePreset(d: MotionDocument, ids: readonly string[], layout: Layout): PresetBody | null {
  const chosen = (id: string) => ids.includes(id);
  const pins = d.pins.filter((p) => chosen(p.id));
  const motions = d.motions.filter(
    (m) => chosen(m.id) || driverReferences(m.driver).some((r) => chosen(r.id)),
  );
  const held = d.pins.filter((p) => pins.includes(p) || motions.some((m) => refersTo(m.driver, p.id)));
  const triggers = d.triggers.filter((g) => motions.some((m) => refersTo(m.driver, g.id)));
  const root = held[0]?.stage ?? motions[0]?.targets.selector;
  const element = root === undefined ? undefined : findMatches(layout, root)[0];
  if (element === undefined) return null;
  const inside = new Set([...motions, ...held].map((x) => x.id));
  const name = elementName(itemAt(layout.elements, element), layout);
  const body = renamed(
    {
      motions: motions.map((m) => {
        const own = alone(m);
        const after = own.time?.after;
        return {
          ...own,
          name: own.name.startsWith(`${name} `) ? own.name.slice(name.length + 1) : own.name,
          ...(after !== undefined && !inside.has(after)
            ? { time: { delay: present(own.time).delay, duration: present(own.time).duration } }
            : {}),
        };
      }),
      pins: held.map(({ conditions: _, ...p }) => p),
      triggers,
      adjustments: d.adjustments.flatMap((a) => {
        const still = a.for.filter((id) => inside.has(id));
        return still.length ? [{ ...a, for: still }] : [];
      }),
    },
    (s) => fromElement(s, element, layout),
  );
  return body;
}

/** A preset at an element: new ids, and each motion remembers what it came from. */
export function presetAt(preset: Preset, c: EffectContext): Fragment {
  const ids = new Map<string, string>();
  const { motions, pins, triggers, adjustments } = preset.body;
  for (const x of [...motions, ...pins, ...triggers]) ids.set(x.id, c.newId(x.id[0] as 'm' | 'p' | 'g'));
  const name = elementName(itemAt(c.layout.elements, c.element), c.layout);
  const known = (id: string) => ids.get(id) ?? id;
  return renamed(
    {
      motions: motions.map((m) => ({
        ...m,
        id: known(m.id),
        name: shorten(`${name} ${m.name}`, 120),
        driver: withDriverReferences(m.driver, known),
        ...(m.time?.after === undefined ? {} : { time: { ...m.time, after: known(m.time.after) } }),
        preset: { id: preset.id, part: m.id, hash: contentHash(m) },
      })),
      pins: pins.map((p) => ({ ...p, id: known(p.id), name: shorten(name, 120) })),
      triggers: triggers.map((g) => ({ ...g, id: known(g.id) })),
      adjustments: adjustments.map((a) => ({ ...a, id: c.newId('a'), for: a.for.map(known) })),
    },
    (s) => atElement(s, c.element, c.layout),
  );
}

/** A preset among the starting points. */
export const presetEffect = (preset: Preset): EffectDefinition => {
  const first = preset.body.motions[0];
  const movesParts = first?.targets.selector === '& > *';
  const needed = new Set(
    JSON.stringify(preset.body)
      .match(/"&\^*/g)
      ?.map((s) => s.length - 2) ?? [0],
  );
  const up = Math.max(...needed);
  return {
    id: `preset ${preset.id}`,
    name: preset.name,
    what: partsWords(preset.body),
    words: 'preset kept',
    group: 'kept',
    driver: first?.driver.kind ?? 'pin',
    ...(movesParts ? { movesParts, lifts: true } : {}),
    unfit(c) {
      if (listChain(c.layout, c.element).length <= up)
        return 'It was saved with its element’s container; here there is none.';
      return movesParts && listChildren(c.layout, c.element).length < 2
        ? 'Choose what holds several elements: it moves each of them.'
        : null;
    },
    compose: (c) => presetAt(preset, c),
  };
};

const counted = (n: number, one: string) => (n === 1 ? `one ${one}` : `${n} ${one}s`);
export const partsWords = (b: PresetBody): string =>
  [
    b.motions.length ? counted(b.motions.length, 'motion') : '',
    b.pins.length ? counted(b.pins.length, 'pin') : '',
    b.triggers.length ? counted(b.triggers.length, 'trigger') : '',
  ]
    .filter(Boolean)
    .join(', ')
    .replace(/^./, (c) => c.toUpperCase());

/** What a preset says of a motion; its element, its name and whose view progress drives it are its own. */
const toContent = (m: Motion) => {
  const { range, keyframes, easing, fill, composite, damping, reducedMotion, time, stagger, driver } = m;
  const { repeat } = m;
  const { delay, duration } = time ?? {};
  const how = driverContent(driver);
  const all = [
    range,
    keyframes,
    easing,
    fill,
    composite,
    damping,
    reducedMotion,
    delay,
    duration,
    stagger,
    how,
  ];
  // One without is told as before there were repeats.
  return repeat ? [...all, repeat] : all;
};

/** Tells whether a motion is still as it was taken. */
export const contentHash = (m: Motion): string => fingerprint(JSON.stringify(toContent(m))).toString(36);
