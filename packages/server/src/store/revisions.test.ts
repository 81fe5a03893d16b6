import { beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { applyOperation, emptyDocument, itemAt, makeDocumentPatch, present, readDocument } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { EDIT_NAMES, makeDocument, motion, RANDOM_EDITS } from '@lyvek/core/testing';
import { createPage } from './pages.ts';
import { createProject } from './projects.ts';
import { prune } from './prune.ts';
import {
  appendRevision,
  earlierThanNewest,
  listRevisions,
  newestRevisions,
  takeAt,
  takeWithDocument,
} from './revisions.ts';
import type { EditFacts } from './revisions.ts';
import { TakeWatch } from './take-watch.ts';
import { createTake, setTakeDeleted, takeById } from './takes.ts';
import { useDatabase } from './testing.ts';

// Some append hundreds of revisions, one after the other.
jest.setTimeout(60_000);
const db = useDatabase();
const NOBODY = '99999999-9999-4999-8999-999999999999';
const ME = '44444444-4444-4444-8444-444444444444';
let project: string;
let page: string;
beforeAll(async () => {
  project = await createProject(db(), 'Almanac');
});
beforeEach(async () => {
  const files = [{ path: 'index.html', bytes: Buffer.from('x') }];
  page = (await createPage(db(), project, { name: 'Home', entry: 'index.html', files })).id;
});
const named = (name: string): MotionDocument => makeDocument(motion({ name }));
const nameIn = (take: { document: unknown } | undefined) =>
  (take?.document as MotionDocument | undefined)?.motions[0]?.name;
const start = (name = 'Take A', document = named('first')) => createTake(db(), page, name, document);
const append = (id: string, base: number, document: MotionDocument, edit: string = randomUUID()) =>
  appendRevision(db(), id, base, { document }, { editId: edit });
const rename = (name: string) => [{ op: 'replace' as const, path: '/motions/0/name', value: name }];
const appendPatch = (id: string, base: number, patch: Parameters<typeof appendRevision>[3] & object) =>
  appendRevision(db(), id, base, patch, { editId: randomUUID() });
const toStored = (d: unknown) => JSON.parse(JSON.stringify(d)) as MotionDocument;
/** Whether each revision is stored as a whole. */
const wholes = async (id: string) =>
  (
    await db().query<{ number: number; whole: boolean }>(
      'select number, document is not null as whole from revisions where take_id = $1 order by number',
      [id],
    )
  ).rows;
/** As another server on the same database does it, of whose doing this one knows nothing. */
async function appendElsewhere(id: string, base: number, name: string) {
  await db().query('insert into revisions (take_id, number, edit_id, patch) values ($1, $2, $3, $4)', [
    ...[id, base + 1, randomUUID(), JSON.stringify(rename(name))],
  ]);
  await db().query('update takes set revision = $2 where id = $1', [id, base + 1]);
}

describe('undo after a reload', () => {
  /** A take with these edits of mine; returns what undoing gives, as “label → state”. */
  const play = async (id: string) => {
    let base = 1;
    const edits = new Map<string, string>();
    const put = async (state: string, facts: EditFacts) => {
      const edit = randomUUID();
      edits.set(state, edits.get(state) ?? edit);
      await appendRevision(
        db(),
        id,
        base++,
        { document: named(state) },
        { editId: edit, author: ME, ...facts },
      );
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
});

describe('a revision that is stored as a patch', () => {
  test('is what the whole document would have been, and the next one lies upon it', async () => {
    const { id } = await start();
    expect(await appendPatch(id, 1, { patch: rename('second') })).toEqual({ kind: 'saved', revision: 2 });
    await append(id, 2, named('third'));
    await appendPatch(id, 3, { patch: rename('fourth') });
    expect((await wholes(id)).map((r) => r.whole)).toEqual([true, false, false, false]);
    const states = await Promise.all([1, 2, 3, 4].map((n) => takeAt(db(), id, n)));
    expect(states.map(nameIn)).toEqual(['first', 'second', 'third', 'fourth']);
    expect(states[3]?.document).toEqual(toStored({ ...named('fourth') }));
  });

  test('has its fields in the order of the schema, which what compares documents as texts needs', async () => {
    const { id } = await start();
    const patch = [
      { op: 'remove' as const, path: '/motions/0/on' },
      { op: 'add' as const, path: '/motions/0/tunable', value: true },
      { op: 'add' as const, path: '/motions/0/on', value: false },
      { op: 'add' as const, path: '/prefix', value: 'sea' },
    ];
    expect(await appendPatch(id, 1, { patch })).toMatchObject({ kind: 'saved' });
    const made = present(await takeWithDocument(db(), id)).document;
    const [first] = named('first').motions;
    const whole = readDocument({
      ...named('first'),
      prefix: 'sea',
      motions: [{ ...first, tunable: true, on: false }],
    });
    expect(whole.ok && JSON.stringify(whole.document)).toBe(JSON.stringify(made));
  });

  test('lies upon what other servers have appended', async () => {
    const { id } = await start();
    await appendPatch(id, 1, { patch: rename('second') });
    await appendElsewhere(id, 2, 'third');
    expect(nameIn(await takeWithDocument(db(), id))).toBe('third');
    await appendElsewhere(id, 3, 'fourth');
    const patch = [{ op: 'test' as const, path: '/motions/0/name', value: 'fourth' }, ...rename('fifth')];
    expect(await appendPatch(id, 4, { patch })).toEqual({ kind: 'saved', revision: 5 });
    expect(await appendPatch(id, 4, { patch })).toEqual({ kind: 'behind', revision: 5 });
  });

  test.each([
    ['after fifty', 40, [1, 51, 101]],
    ['of a large document later, after 250 at the latest', 700, [1, 251]],
  ])('comes as a whole again %s', async (_, motions, expected) => {
    const many = Array.from({ length: motions }, (_m, i) => motion({ id: `m_${i}` }));
    const { id } = await start('Take A', makeDocument(...many));
    const count = (expected.at(-1) ?? 0) + 19;
    for (let n = 1; n < count; n++) await appendPatch(id, n, { patch: rename(`state ${n + 1}`) });
    expect((await wholes(id)).filter((r) => r.whole).map((r) => r.number)).toEqual(expected);
    for (const n of [2, 50, 51, 52, 100, 101, count])
      expect(nameIn(await takeAt(db(), id, n))).toBe(`state ${n}`);
  });

  test('comes as a whole where the patch would be hardly shorter', async () => {
    const { id } = await start();
    const many = makeDocument(...Array.from({ length: 30 }, (_, i) => motion({ id: `m_${i}` })));
    await append(id, 1, many);
    expect((await wholes(id)).map((r) => r.whole)).toEqual([true, true]);
  });

  test('is refused where it does not fit, or makes what is no document, and nothing is lost', async () => {
    const { id } = await start();
    const remove = [{ op: 'remove' as const, path: '/motions/7' }];
    expect(await appendPatch(id, 1, { patch: remove })).toEqual({ kind: 'unfit' });
    expect(await appendPatch(id, 1, { patch: rename('') })).toMatchObject({
      kind: 'refused',
      problems: [{ path: 'motions[0].name' }],
    });
    await append(id, 1, named('second'));
    // One that does not fit what was there then is only late.
    expect(await appendPatch(id, 1, { patch: remove })).toEqual({ kind: 'behind', revision: 2 });
    expect(await appendPatch(NOBODY, 1, { patch: remove })).toEqual({ kind: 'gone' });
    expect(nameIn(await takeWithDocument(db(), id))).toBe('second');
  });

  test('of a document of version 1 starts from it as it is read', async () => {
    const { id } = await start();
    await db().query(
      `update revisions set document = '{"format":"lyvek-document","version":1,"motions":[]}' where take_id = $1`,
      [id],
    );
    const patch = [{ op: 'add' as const, path: '/motions/0', value: toStored(motion()) as never }];
    expect(await appendPatch(id, 1, { patch })).toEqual({ kind: 'saved', revision: 2 });
    expect(present(await takeAt(db(), id, 2)).document).toEqual(toStored(makeDocument(motion())));
    expect(present(await takeAt(db(), id, 1)).document).toMatchObject({ version: 1 });
  });
});

describe('thinning out', () => {
  const age = (id: string, to: number, text: string) =>
    db().query(`update revisions set created_at = ${text} where take_id = $1 and number <= $2`, [id, to]);

  test('leaves the last of each hour, the first, and those that takes were made from', async () => {
    const { id } = await start();
    for (let r = 1; r < 260; r++) await append(id, r, named(`state ${r + 1}`));
    await createTake(db(), page, 'Take B', emptyDocument(), { takeId: id, revision: 20 });
    await age(id, 60, `date_trunc('hour', now()) - interval '3 days'`);
    await prune(db());
    const left = (await listRevisions(db(), id, 1e6, 500)).map((r) => r.number);
    expect(left.filter((n) => n <= 60)).toEqual([60, 20, 1]);
    expect(left.filter((n) => n > 60)).toHaveLength(200);
    for (const n of [20, 60, 61, 260]) expect(nameIn(await takeAt(db(), id, n))).toBe(`state ${n}`);
  });

  test.each([
    ['two hours', 'minute', `date_trunc('day', now()) - interval '2 hours' - interval '1 minute' * (n / 3)`],
    ['three days', 'hour', `date_trunc('hour', now()) - interval '3 days' - interval '1 hour' * (n / 3)`],
    ['a month', 'day', `date_trunc('day', now()) - interval '30 days' - interval '1 day' * (n / 3)`],
  ])('leaves after %s the last of each %s', async (_age, _unit, at) => {
    const { id } = await start();
    for (let r = 1; r < 230; r++) await append(id, r, named(`state ${r + 1}`));
    const from = at.includes('2 hours')
      ? at.replace(`date_trunc('day', now())`, `date_trunc('minute', now())`)
      : at;
    await db().query(
      `update revisions set created_at = ${from.replace('n /', '(30 - number) /')} where take_id = $1 and number <= 30`,
      [id],
    );
    await prune(db());
    const left = (await listRevisions(db(), id, 1e6, 500)).map((r) => r.number).filter((n) => n <= 30);
    expect(left).toEqual([30, 27, 24, 21, 18, 15, 12, 9, 6, 3, 1]);
  });

  test('leaves what stays exactly as it was, whatever was edited and whatever goes', async () => {
    let removed = 0;
    const edits = fc.array(fc.tuple(fc.constantFrom(...EDIT_NAMES), fc.nat(99), fc.nat(99), fc.nat(9)), {
      minLength: 20,
      maxLength: 40,
      size: 'max',
    });
    await fc.assert(
      fc.asyncProperty(edits, async (list) => {
        let document = emptyDocument();
        const { id } = await start('Take A', document);
        const states = new Map([[1, toStored(document)]]);
        for (const [name, a, b, way] of list) {
          const next = applyOperation(document, present(RANDOM_EDITS[name])(a, b)).document;
          const base = states.size;
          const edit =
            way < 5 ? { document: next } : { patch: toStored(makeDocumentPatch(document, next)) as never };
          await appendPatch(id, base, edit);
          states.set(base + 1, toStored(next));
          document = next;
        }
        // The next 200 are the newest, which stay: only numbers count.
        await db().query('update takes set revision = revision + 200 where id = $1', [id]);
        for (const [i, [, , , way]] of list.entries())
          await db().query(
            `update revisions set created_at = date_trunc('hour', now()) - interval '3 days' - interval '1 hour' * $3
             where take_id = $1 and number = $2`,
            [id, i + 2, Math.floor((list.length - i) / (1 + way / 3))],
          );
        await prune(db());
        const left = await wholes(id);
        removed += states.size - left.length;
        for (const { number } of left) {
          const made = present(await takeAt(db(), id, number)).document;
          expect([number, readDocument(made)]).toEqual([number, readDocument(states.get(number))]);
        }
      }),
      { numRuns: process.env.LYVEK_FULL ? 300 : 15 },
    );
    expect(removed).toBeGreaterThan(50);
  });
});

describe('who waits for a newer revision', () => {
  test('is told at once of one that is there, and soon of one that comes, with one question for all', async () => {
    const [a, b] = [await start(), await start('Take B')];
    await append(a.id, 1, named('second'));
    let asked = 0;
    const counting = {
      query: (...args: unknown[]) => (asked++, (db().query as (...a: unknown[]) => unknown)(...args)),
    };
    const watch = new TakeWatch(counting as never);
    const { signal } = new AbortController();
    expect(await watch.wait(a.id, 1, 5000, signal)).toEqual({ revision: 2, author: null });
    const waiting = Array.from({ length: 50 }, () => watch.wait(b.id, 1, 5000, signal));
    await append(b.id, 1, named('second'));
    expect(await Promise.all(waiting)).toEqual(waiting.map(() => ({ revision: 2, author: null })));
    expect(asked).toBeLessThan(20);
  });
  test('is told in the end that nothing has come, and when the take has gone', async () => {
    const { id } = await start();
    const watch = new TakeWatch(db());
    const { signal } = new AbortController();
    expect(await watch.wait(id, 1, 200, signal)).toEqual({ revision: 1, author: null });
    const waiting = watch.wait(id, 1, 5000, signal);
    await setTakeDeleted(db(), id, true);
    expect(await waiting).toBeUndefined();
    expect((await newestRevisions(db(), [id])).size).toBe(0);
  });
  test('who leaves is forgotten; a database that fails is said to all', async () => {
    const { id } = await start();
    const leaving = new AbortController();
    const waiting = new TakeWatch(db()).wait(id, 1, 60_000, leaving.signal);
    leaving.abort();
    expect(await waiting).toEqual({ revision: 1, author: null });
    const broken = new TakeWatch({ query: () => Promise.reject(new Error('away')) } as never);
    const waits = [1, 2].map(() => broken.wait(id, 1, 60_000, leaving.signal));
    for (const w of await Promise.allSettled(waits)) expect(w).toMatchObject({ reason: new Error('away') });
  });
});
