import { itemAt, lastItem, present } from '../assert/index.ts';
import { describe, expect, test } from '@jest/globals';
import { compileTimeline, emptyDocument, readDocument } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { withPins } from '../page/index.ts';
import { element, makeLayout } from '../testing/index.ts';
import {
  EFFECTS,
  effectById,
  PresetBodySchema,
  presetAt,
  presetEffect,
  makePreset,
  SHIPPED_PRESETS,
  sketch,
  comparePreset,
  withFragment,
  withPart,
  withPresets,
} from './index.ts';
import type { EffectContext, Preset } from './index.ts';

const box = (y: number, height = 300) => ({ x: 0, y, width: 900, height });
const layout = withPins(
  makeLayout([
    element({ selector: '#a', tag: 'section', box: box(1500, 900) }),
    element({ selector: '#a > div', parent: 0, box: box(1600) }),
    element({ selector: '#a > div > h3', parent: 1, box: box(1620, 60) }),
    element({ selector: '#b', tag: 'section', box: box(3500, 900) }),
    element({ selector: '#b > div', parent: 3, box: box(3600) }),
    element({ selector: '#b > div > h3', parent: 4, box: box(3620, 60) }),
  ]),
  [],
);
let ids = 0;
const on = (selector: string, document: MotionDocument): EffectContext => ({
  layout,
  element: layout.elements.findIndex((e) => e.selector === selector),
  document,
  newId: (kind) => `${kind}_x${ids++}`,
});
const withEffect = (id: string, selector: string, d: MotionDocument): MotionDocument =>
  withFragment(present(effectById(id)).compose(on(selector, d)))(d);

/** A card that flips, which adjusts what holds it, with a heading of its own. */
const original = withEffect('fade', '#a > div > h3', withEffect('flip', '#a > div', emptyDocument()));
const body = present(
  makePreset(
    original,
    original.motions.map((m) => m.id),
    layout,
  ),
);
const preset: Preset = { id: '5f1f6a9e-4d0f-4f43-9d1f-0a8cf3c1a111', name: 'Flip', revision: 1, body };

test('a preset names elements from where it is put, and can be checked without a page', () => {
  expect(body.motions.map((m) => m.targets.selector)).toEqual(['&', '& > h3']);
  expect(body.adjustments.map((a) => a.selector)).toContain('&^');
  expect(PresetBodySchema.safeParse(body).error).toBeUndefined();
});

test('put on another element it moves that one, its parts and what holds it', () => {
  const made = withFragment(presetAt(preset, on('#b > div', original)))(original);
  const read = readDocument(made);
  expect(read.ok ? [] : read.problems).toEqual([]);
  expect(made.motions.slice(2).map((m) => m.targets.selector)).toEqual(['#b > div', '#b > div > h3']);
  expect(lastItem(made.adjustments).selector).toBe('#b');
  expect(compileTimeline(made, layout).unplaced).toEqual([]);
});

test('where nothing holds the element it says so', () => {
  const effect = presetEffect(preset);
  expect(present(effect.unfit)(on('#b', original))).toMatch(/container; here/);
  expect(present(effect.unfit)(on('#b > div', original))).toBeNull();
});

test('it is sketched like every starting point', () => {
  const effect = presetEffect(preset);
  expect(new Set([0, 0.5, 1].map((s) => JSON.stringify(sketch(effect, s)))).size).toBe(3);
});

test('a pin is kept with its scene, a motion alone brings its trigger', () => {
  const held = withEffect('hold', '#a', emptyDocument());
  expect(itemAt(present(makePreset(held, [itemAt(held.pins, 0).id], layout)).pins, 0).stage).toBe('&');
  const triggered = withEffect('pulse', '#a > div', emptyDocument());
  const one = present(makePreset(triggered, [itemAt(triggered.motions, 0).id], layout));
  expect([one.triggers.length, itemAt(one.triggers, 0).subject]).toEqual([1, '&']);
  expect(PresetBodySchema.safeParse(one).success).toBe(true);
});

test('what was made from a preset follows it, unless it was changed since', () => {
  const two = [1, 2].reduce<MotionDocument>(
    (d) => withFragment(presetAt(preset, on('#b > div', d)))(d),
    emptyDocument(),
  );
  const mine: MotionDocument = {
    ...two,
    motions: two.motions.map((m, i) => (i === 0 ? { ...m, easing: 'ease-out' } : m)),
  };
  expect(mine.motions.map((m) => comparePreset(m, [preset]))).toEqual([
    'changed here',
    'same',
    'same',
    'same',
  ]);

  const changed: Preset = { ...preset, revision: 2, body: withPart(preset, itemAt(mine.motions, 0)) };
  expect(PresetBodySchema.safeParse(changed.body).success).toBe(true);
  const after = withPresets(mine, [changed]);
  expect([after.renewed, after.kept]).toEqual([1, 0]);
  expect(after.document.motions.map((m) => m.easing)).toEqual(['ease-out', 'linear', 'ease-out', 'linear']);
  expect(after.document.motions.map((m) => m.targets.selector)).toEqual(
    mine.motions.map((m) => m.targets.selector),
  );
  expect(after.document.motions.every((m) => comparePreset(m, [changed]) === 'same')).toBe(true);

  const other: MotionDocument = {
    ...after.document,
    motions: after.document.motions.map((m, i) => (i === 2 ? { ...m, easing: 'ease-in' } : m)),
  };
  const again = withPresets(other, [preset]);
  expect([again.renewed, again.kept]).toEqual([1, 1]);
  expect(withPresets(other, [preset], [itemAt(other.motions, 2).id]).kept).toBe(0);
  expect(readDocument(again.document).ok).toBe(true);
});

describe.each(SHIPPED_PRESETS.map((p) => [p.name, p.body] as const))('shipped: %s', (name, body) => {
  const shipped: Preset = { id: preset.id, name, revision: 1, body };
  test('can be kept, put on an element and placed, and moves there', () => {
    expect(PresetBodySchema.safeParse(body).error).toBeUndefined();
    const made = withFragment(presetAt(shipped, on('#b > div', emptyDocument())))(emptyDocument());
    const read = readDocument(made);
    expect(read.ok ? [] : read.problems).toEqual([]);
    // Names of parts are looked up in the page, which this layout does not have.
    const unplaced = compileTimeline(made, layout).unplaced.map((u) => u.reason);
    expect(unplaced.filter((r) => !r.includes('> *'))).toEqual([]);
    const effect = presetEffect(shipped);
    expect(new Set([0, 0.5, 1].map((s) => JSON.stringify(sketch(effect, s)))).size).toBe(3);
  });
});
test('shipped presets have names of their own, which are no starting point’s', () => {
  const names = SHIPPED_PRESETS.map((p) => p.name.toLowerCase());
  expect(new Set(names).size).toBe(12);
  expect(names.filter((n) => EFFECTS.some((e) => e.name.toLowerCase() === n))).toEqual([]);
});
