import { beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { emptyDocument, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { createPage } from './pages.ts';
import { changePreset, createPreset, listPresets, presetById, setPresetDeleted } from './presets.ts';
import { createProject } from './projects.ts';
import { appendRevision, takeAt } from './revisions.ts';
import {
  createTake,
  fillFacts,
  listTakes,
  nextTakeName,
  setTakeDeleted,
  takenBy,
  takesAway,
} from './takes.ts';
import { useDatabase } from './testing.ts';
import {
  beatTrial,
  cancelTrial,
  claimTrial,
  createTrial,
  endTrial,
  finishedTrials,
  listTrials,
  reviveTrials,
  trialById,
} from './trials.ts';

const db = useDatabase();
const PRESET = '33333333-3333-4333-8333-333333333333';
let project: string;
let page: string;
beforeAll(async () => {
  project = await createProject(db(), 'Almanac');
});
beforeEach(async () => {
  page = (
    await createPage(db(), project, {
      name: 'Home',
      entry: 'index.html',
      files: [{ path: 'index.html', bytes: Buffer.from('x') }],
    })
  ).id;
});
const named = (name: string): MotionDocument => makeDocument(motion({ name }));
const nameIn = (take: { document: unknown } | undefined) =>
  (take?.document as MotionDocument | undefined)?.motions[0]?.name;
const start = (name = 'Take A', document = named('first')) => createTake(db(), page, name, document);
const append = (id: string, base: number, document: MotionDocument) =>
  appendRevision(db(), id, base, { document }, { editId: randomUUID() });

describe('takes', () => {
  test('get the next free letter', async () => {
    expect(await nextTakeName(db(), page)).toBe('Take A');
    await start('Take A');
    await start('Take C');
    expect(await nextTakeName(db(), page)).toBe('Take B');
    for (const letter of 'BDEFGHIJKLMNOPQRSTUVWXYZ') await start(`Take ${letter}`);
    expect(await nextTakeName(db(), page)).toBe('Take A2');
  });

  test('that were put away are listed apart, the last one first, and come back', async () => {
    const [a, b] = [await start('Take A'), await start('Take B')];
    await setTakeDeleted(db(), a.id, true);
    await db().query(`update takes set deleted_at = now() - interval '1 minute' where id = $1`, [a.id]);
    await setTakeDeleted(db(), b.id, true);
    expect((await listTakes(db(), page)).map((t) => t.id)).toEqual([]);
    expect((await takesAway(db(), page)).map((t) => t.id)).toEqual([b.id, a.id]);
    // What others were made from is still there to be read.
    expect(nameIn(await takeAt(db(), a.id, 1))).toBe('first');
    await setTakeDeleted(db(), a.id, false);
    expect((await listTakes(db(), page)).map((t) => t.id)).toEqual([a.id]);
  });

  test('say which rules of the page they have taken over, of their newest revision', async () => {
    const { id } = await start('Take A', { ...emptyDocument(), importedRules: ['a', 'b'] });
    await append(id, 1, { ...emptyDocument(), importedRules: ['b'] });
    await start('Take B', { ...emptyDocument(), importedRules: ['c'] });
    expect((await takenBy(db(), page)).sort()).toEqual(['b', 'c']);
    const patch = [{ op: 'add' as const, path: '/importedRules/1', value: 'd' }];
    await appendRevision(db(), id, 2, { patch }, { editId: randomUUID() });
    expect((await takenBy(db(), page)).sort()).toEqual(['b', 'c', 'd']);
  });

  test('that an earlier version has stored say the same, also in the words of version 1', async () => {
    const { id } = await start(
      'Take A',
      makeDocument(motion({ preset: { id: PRESET, part: 'm_1', hash: 'h' } })),
    );
    await db().query(
      `update revisions set document = (document - 'importedRules') || '{"taken":["d"]}' where take_id = $1`,
      [id],
    );
    const empty = `update takes set imported_rules = '[]', presets = '{}' where id = $1 returning presets`;
    await db().query(empty, [id]);
    await fillFacts(db(), [id]);
    expect(await takenBy(db(), page)).toEqual(['d']);
    const { rows } = await db().query('select presets from takes where id = $1', [id]);
    expect(rows).toEqual([{ presets: [PRESET] }]);
  });
});

describe('presets', () => {
  const body = { motions: [], pins: [], triggers: [], adjustments: [] } as never;
  test('are changed from their newest revision only, and count the takes that use them', async () => {
    const id = await createPreset(db(), 'Rise', body);
    expect(await changePreset(db(), id, 1, body)).toBe(true);
    expect(await changePreset(db(), id, 1, body)).toBe(false);
    expect(await presetById(db(), id)).toMatchObject({ revision: 2, uses: 0 });
    const used = makeDocument(motion({ preset: { id, part: 'm_1', hash: 'h' } }));
    const take = await start('Take A', used);
    expect(present(await presetById(db(), id)).uses).toBe(1);
    await setTakeDeleted(db(), take.id, true);
    expect(present(await presetById(db(), id)).uses).toBe(0);
  });
  test('lie in the order of their names; deleted ones are not there', async () => {
    const [b, a] = [await createPreset(db(), 'breeze', body), await createPreset(db(), 'Arch', body)];
    const names = async () => (await listPresets(db())).map((p) => p.id).filter((id) => id === a || id === b);
    expect(await names()).toEqual([a, b]);
    await setPresetDeleted(db(), a, true);
    expect(await names()).toEqual([b]);
    expect(await changePreset(db(), a, 1, body)).toBe(false);
    expect(await presetById(db(), PRESET)).toBeUndefined();
  });
});

describe('the queue of the lab', () => {
  const setup = {
    gesture: 'brisk-wheel',
    values: {},
    clock: '60',
    direction: 'down',
    viewport: { width: 1280, height: 800 },
    device: 'desk',
    repeats: 3,
  } as const;
  const queue = async () => {
    const take = await start();
    return createTrial(db(), {
      pageId: page,
      takeId: take.id,
      revision: 1,
      document: emptyDocument(),
      kind: 'lab',
      setup,
    });
  };
  beforeEach(() => db().query('delete from trials'));

  test('gives each server another one, the oldest first', async () => {
    const ids = [await queue(), await queue(), await queue()];
    const claimed = await Promise.all(['m1', 'm2', 'm3', 'm4'].map((m) => claimTrial(db(), m)));
    expect(claimed.flatMap((c) => c?.id ?? []).sort()).toEqual([...ids].sort());
    expect(present(await trialById(db(), itemAt(ids, 0))).state).toBe('running');
    expect(await claimTrial(db(), 'm5')).toBeUndefined();
  });

  test('whoever runs it says so; nobody else can, and a cancelled one is told', async () => {
    const id = await queue();
    await claimTrial(db(), 'm1');
    expect(await beatTrial(db(), id, 'm1', 0.4)).toBe(true);
    expect(await beatTrial(db(), id, 'm2', 0.9)).toBe(false);
    expect(present(await trialById(db(), id)).progress).toBeCloseTo(0.4);
    await cancelTrial(db(), id);
    expect(await beatTrial(db(), id, 'm1', 0.5)).toBe(false);
    await endTrial(db(), id, { why: 'too late' });
    expect(await trialById(db(), id)).toMatchObject({ state: 'cancelled' });
  });

  test('one whose server has gone silent waits again, and fails the second time', async () => {
    const id = await queue();
    const silent = () =>
      db().query(`update trials set beat_at = now() - interval '1 hour' where id = $1`, [id]);
    await claimTrial(db(), 'm1');
    await reviveTrials(db());
    expect(present(await trialById(db(), id)).state).toBe('running');
    await silent();
    await reviveTrials(db());
    expect(present(await trialById(db(), id)).state).toBe('queued');
    expect(present(await claimTrial(db(), 'm2')).id).toBe(id);
    await silent();
    await reviveTrials(db());
    expect(await trialById(db(), id)).toMatchObject({
      state: 'failed',
      why: expect.stringContaining('twice'),
    });
  });

  test('what has ended is in the history of its page, with why; only what is done counts for costs', async () => {
    const id = await queue();
    await claimTrial(db(), 'm1');
    await endTrial(db(), id, { why: 'Chromium has crashed.' });
    expect((await listTrials(db(), page)).map((t) => [t.id, t.state, t.why])).toEqual([
      [id, 'failed', 'Chromium has crashed.'],
    ]);
    expect(await finishedTrials(db(), project, 'desk', 10)).toEqual([]);
  });
});
