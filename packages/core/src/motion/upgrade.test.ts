/** Documents of version 1 become documents of version 2, with all that they held. */
import { itemAt, present } from '../assert/index.ts';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { fingerprint } from '../page/index.ts';
import { PresetBodySchema } from '../effect/preset.ts';
import { contentKey } from './content-key.ts';
import { readDocument } from './schema.ts';
import type { MotionDocument } from './document.ts';

const FOLDER = new URL('../../../../e2e/fixtures/documents/', import.meta.url);
type Former = {
  version: 1;
  motions: { id: string; driver: { kind: string }; follow: unknown }[];
  pins?: { id: string; hold: unknown }[];
  gates?: { id: string }[];
  taken?: string[];
  accepted?: { check: string; where: string; reason: string; state: string }[];
};
const formerOnes = readdirSync(FOLDER)
  .map((name) => JSON.parse(readFileSync(new URL(name, FOLDER), 'utf8')) as Former)
  .filter((d) => d.version === 1);

function read(json: unknown): MotionDocument {
  const result = readDocument(json);
  if (!result.ok) throw new Error(JSON.stringify(result.problems.slice(0, 3)));
  return result.document;
}
const KINDS: Record<string, string> = { page: 'scroll', passage: 'view', gate: 'trigger', belt: 'marquee' };

test('there are some to read, with each kind of driver', () => {
  const kinds = new Set(formerOnes.flatMap((d) => d.motions.map((m) => m.driver.kind)));
  expect([...kinds].sort()).toEqual(['belt', 'gate', 'load', 'page', 'passage', 'pin']);
});

test('drivers, damping, pins, triggers and imported rules are there under their new names', () => {
  for (const was of formerOnes) {
    const is = read(was);
    expect(is.version).toBe(2);
    expect(is.motions.map((m) => m.driver.kind)).toEqual(
      was.motions.map(({ driver }) => KINDS[driver.kind] ?? driver.kind),
    );
    expect(is.motions.map((m) => m.damping)).toEqual(was.motions.map((m) => m.follow));
    expect(is.pins.map((p) => p.sticky)).toEqual((was.pins ?? []).map((p) => p.hold));
    expect(is.triggers.map((t) => t.id)).toEqual((was.gates ?? []).map((g) => g.id));
    expect(is.importedRules).toEqual(was.taken ?? []);
    expect(read(JSON.parse(JSON.stringify(is)))).toEqual(is);
  }
});

describe('accepted findings', () => {
  const former = (state: string) => ({
    format: 'lyvek-document',
    version: 1,
    motions: [
      {
        id: 'm_a',
        name: 'A',
        on: true,
        targets: { selector: '#a' },
        driver: { kind: 'passage', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
        range: { start: 'entry 0%', end: 'entry 100%' },
        keyframes: { opacity: [{ at: '0%', value: '0' }] },
        easing: 'linear',
        fill: 'both',
        composite: 'replace',
        follow: { kind: 'none' },
        reducedMotion: 'fade',
      },
    ],
    accepted: [{ check: 'fixed-passage', where: 'm_a', reason: 'On purpose', state }],
  });
  const key = fingerprint(JSON.stringify(former('').motions[0])).toString(36);

  test('stay accepted where their motion is as it was, whatever order a database gives its fields', () => {
    const json = former(key);
    json.motions = json.motions.map((m) => Object.fromEntries(Object.entries(m).reverse()) as typeof m);
    const { accepted, motions } = read(json);
    expect(accepted).toEqual([
      { check: 'fixed-view', where: 'm_a', reason: 'On purpose', state: contentKey(motions[0]) },
    ]);
  });
  test('are asked about again where it has changed since', () => {
    const { accepted, motions } = read(former('other'));
    expect(itemAt(accepted, 0).state).not.toBe(contentKey(motions[0]));
  });
});

test('a preset kept by version 1 is read', () => {
  const was = present(formerOnes.find((d) => d.motions.some((m) => 'gate' in m.driver)));
  const part = present(was.motions.find((m) => 'gate' in m.driver)) as unknown as {
    driver: { gate: string };
  };
  const body = {
    motions: [part],
    pins: [],
    gates: present(was.gates).filter((g) => g.id === part.driver.gate),
    adjustments: [],
  };
  const result = PresetBodySchema.parse(body);
  expect(itemAt(result.motions, 0).driver).toEqual({ kind: 'trigger', trigger: part.driver.gate });
  expect(result.triggers).toHaveLength(1);
});

test('what is wrong with a former document is said by path', () => {
  const read = readDocument({ format: 'lyvek-document', version: 1, motions: [], gates: [{ id: 1 }] });
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.problems.some((p) => p.path.startsWith('triggers[0].id'))).toBe(true);
});
