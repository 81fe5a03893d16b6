import { beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { emptyDocument, itemAt, present } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import { createPage } from './pages.ts';
import { changePreset, createPreset, listPresets, presetById, setPresetDeleted } from './presets.ts';
import { createProject } from './projects.ts';
import { prune } from './prune.ts';
import {
  appendRevision,
  createTake,
  earlierThanNewest,
  listRevisions,
  listTakes,
  nextTakeName,
  setTakeDeleted,
  takeAt,
  takeById,
  takenBy,
  takesAway,
  takeWithDocument,
} from './takes.ts';
import type { EditFacts } from './takes.ts';
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
const NOBODY = '99999999-9999-4999-8999-999999999999';
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
const append = (id: string, base: number, document: MotionDocument, edit: string = randomUUID()) =>
  appendRevision(db(), id, base, document, { editId: edit });
const ME = '44444444-4444-4444-8444-444444444444';

describe('undo after a reload', () => {
  /** A take with these edits of mine; returns what undoing gives, as “label → state”. */
  const play = async (id: string) => {
    let base = 1;
    const edits = new Map<string, string>();
    const put = async (state: string, facts: EditFacts) => {
      const edit = randomUUID();
      edits.set(state, edits.get(state) ?? edit);
      await appendRevision(db(), id, base++, named(state), { editId: edit, author: ME, ...facts });
      return edit;
    };
    const earlier = async (author = ME) => {
      const { earlier: e, elsewhere } = await earlierThanNewest(db(), id, author);
      return e
        ? { text: `${e.label} → ${nameIn(e)}`, revision: e.revision }
        : { text: elsewhere ? 'elsewhere' : 'none' };
    };
    return { put, earlier };
  };

  test('goes back edit by edit, and not over its own undoing', async () => {
    const { id } = await start();
    const { put, earlier } = await play(id);
    for (const state of ['b', 'c', 'd']) await put(state, { label: `make ${state}` });
    expect((await earlier()).text).toBe('make d → c');
    await put('c', { label: 'make d', sameAs: 3 });
    expect((await earlier()).text).toBe('make c → b');
    await put('b', { label: 'make c', sameAs: 2 });
    expect((await earlier()).text).toBe('make b → first');
    await put('first', { label: 'make b', sameAs: 1 });
    expect((await earlier()).text).toBe('none');
    await put('e', { label: 'make e' });
    expect((await earlier()).text).toBe('make e → first');
  });

  test('knows what was undone and redone before the reload', async () => {
    const { id } = await start();
    const { put, earlier } = await play(id);
    const b = await put('b', { label: 'make b' });
    const c = await put('c', { label: 'make c' });
    await put('b', { label: 'make c', before: c });
    expect((await earlier()).text).toBe('make b → first');
    await put('first', { label: 'make b', before: b });
    await put('b', { label: 'make b', after: b });
    expect((await earlier()).text).toBe('make b → first');
  });

  test('takes back only what was done in the same browser', async () => {
    const { id } = await start();
    const { put, earlier } = await play(id);
    await put('b', { label: 'make b' });
    expect((await earlier(NOBODY)).text).toBe('elsewhere');
    await put('c', { label: 'make c', author: NOBODY });
    expect((await earlier()).text).toBe('elsewhere');
  });
});

describe('revisions', () => {
  test('are appended to the newest one only, and each stays as it was', async () => {
    const { id } = await start();
    expect(await append(id, 1, named('second'))).toEqual({ kind: 'saved', revision: 2 });
    expect(await append(id, 1, named('lost'))).toEqual({ kind: 'behind', revision: 2 });
    expect(await append(id, 5, named('lost'))).toEqual({ kind: 'behind', revision: 2 });
    expect(nameIn(await takeWithDocument(db(), id))).toBe('second');
    expect(nameIn(await takeAt(db(), id, 1))).toBe('first');
    expect(await takeAt(db(), id, 3)).toBeUndefined();
  });

  test('an edit that is sent again is answered as the first time, whatever has come since', async () => {
    const { id } = await start();
    const edit = randomUUID();
    expect(await append(id, 1, named('second'), edit)).toEqual({ kind: 'saved', revision: 2 });
    await append(id, 2, named('third'));
    expect(await append(id, 1, named('second'), edit)).toEqual({ kind: 'saved', revision: 2 });
    expect(present(await takeById(db(), id)).revision).toBe(3);
  });

  test('of two that start from the same revision at the same moment one is saved', async () => {
    const { id } = await start();
    const results = await Promise.all(['a', 'b', 'c', 'd'].map((n) => append(id, 1, named(n))));
    expect(results.map((r) => r.kind).sort()).toEqual(['behind', 'behind', 'behind', 'saved']);
    expect((await listRevisions(db(), id, 1e6, 50)).map((r) => r.number)).toEqual([2, 1]);
  });

  test('are listed from the newest on, a page of them at a time', async () => {
    const { id } = await start();
    for (let r = 1; r < 6; r++) await append(id, r, named(`${r}`));
    expect((await listRevisions(db(), id, 1e6, 3)).map((r) => r.number)).toEqual([6, 5, 4]);
    const rest = await listRevisions(db(), id, 4, 3);
    expect(rest.map((r) => [r.number, r.motions])).toEqual([
      [3, 1],
      [2, 1],
      [1, 1],
    ]);
    expect(Date.parse(itemAt(rest, 0).at)).toBeGreaterThan(Date.now() - 60_000);
  });

  test('of a take that is gone are not appended', async () => {
    const { id } = await start();
    await setTakeDeleted(db(), id, true);
    expect(await append(id, 1, named('late'))).toEqual({ kind: 'gone' });
    expect(await append(NOBODY, 1, named('late'))).toEqual({ kind: 'gone' });
  });

  test('old ones go but for the last of their hour, the first, and those that takes were made from', async () => {
    const { id } = await start();
    for (let r = 1; r < 260; r++) await append(id, r, emptyDocument());
    await createTake(db(), page, 'Take B', emptyDocument(), { takeId: id, revision: 20 });
    await db().query(
      `update revisions set created_at = date_trunc('hour', now()) - interval '3 days' where take_id = $1 and number <= 60`,
      [id],
    );
    await prune(db());
    const left = (await listRevisions(db(), id, 1e6, 500)).map((r) => r.number);
    expect(left.filter((n) => n <= 60)).toEqual([60, 20, 1]);
    expect(left.filter((n) => n > 60)).toHaveLength(200);
    expect(nameIn(await takeWithDocument(db(), id))).toBeUndefined();
  });
});

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

  test('say which rules of the page they have taken over, of their newest revision, also in the words of version 1', async () => {
    const { id } = await start('Take A', { ...emptyDocument(), importedRules: ['a', 'b'] });
    await append(id, 1, { ...emptyDocument(), importedRules: ['b'] });
    const other = await start('Take B', { ...emptyDocument(), importedRules: ['c'] });
    await db().query(
      `update revisions set document = (document - 'importedRules') || '{"taken":["d"]}' where take_id = $1`,
      [other.id],
    );
    expect((await takenBy(db(), page)).sort()).toEqual(['b', 'd']);
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
