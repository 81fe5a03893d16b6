import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { applyDocumentPatch, DocumentSchema, edit, itemAt, PatchSchema, present } from '@lyvek/core';
import type { Motion, MotionDocument } from '@lyvek/core';
import { makeDocument, motion } from '@lyvek/core/testing';
import type { Entry } from './journal.ts';
import { until } from '../testing/until.ts';

/** What is kept in the browser, by journal. */
let kept: Entry[] = [];
const same = (a: Entry, b: Entry) => a.takeId === b.takeId && a.journal === b.journal && a.seq === b.seq;
jest.unstable_mockModule('./journal.ts', () => ({
  browserJournal: {
    write: (e: Entry) => Promise.resolve(void (kept = [...kept.filter((o) => !same(o, e)), e])),
    remove: (list: Entry[], ...written: Entry[]) => {
      kept = kept.filter((e) => ![...list, ...written].some((o) => same(o, e)));
      kept.unshift(...written);
      return Promise.resolve();
    },
    orphans: (take: string) =>
      Promise.resolve(
        [...new Set(kept.map((e) => e.journal))].map((j) =>
          kept.filter((e) => e.journal === j && e.takeId === take),
        ),
      ),
    hold: () => () => undefined,
  },
}));
const { TakeSession, makeSeen, findSettled } = await import('./take-session.ts');

const TAKE = '11111111-1111-4111-8111-111111111111';
/** the take that is made of what cannot follow */
const OWN = '33333333-3333-4333-8333-333333333333';
const PAGE = '22222222-2222-4222-8222-222222222222';
let server: MotionDocument;
let revision: number;
let puts: { method: string; base: string; document: MotionDocument }[];
/** what the server has by now, of this take and of the one that is made of what cannot follow */
let stored: MotionDocument;
let own: MotionDocument;
/** patches are not taken */
let unfit: boolean;
let made: string[];
let listening: Map<string, () => void>;

beforeEach(() => {
  kept = [];
  made = [];
  [server, revision, puts, listening] = [
    makeDocument(motion(), motion({ id: 'm_b', name: 'B' })),
    4,
    [],
    new Map(),
  ];
  [stored, unfit] = [server, false];
  Object.assign(globalThis, {
    addEventListener: (type: string, f: () => void) => void listening.set(type, f),
    removeEventListener: (type: string) => void listening.delete(type),
    fetch: (path: string, init: RequestInit = {}) => {
      const body = JSON.parse((init.body as string | undefined) ?? 'null') as unknown;
      if (init.method === 'PATCH' && path.includes(OWN)) {
        const base = Number(present(new Headers(init.headers).get('if-match')).replaceAll('"', ''));
        own = DocumentSchema.parse(applyDocumentPatch(own, PatchSchema.parse(body)));
        made.push(`after ${base}: ${itemAt(own.motions, 1).name}`);
        return Promise.resolve(new Response(JSON.stringify({ revision: base + 1 })));
      }
      if (init.method === 'PUT' || init.method === 'PATCH') {
        const base = present(new Headers(init.headers).get('if-match'));
        if (base !== `"${revision}"`)
          return Promise.resolve(
            new Response(JSON.stringify({ title: 'Behind', status: 412, detail: 'Somebody was faster.' }), {
              status: 412,
            }),
          );
        if (init.method === 'PATCH' && unfit)
          return Promise.resolve(
            new Response(JSON.stringify({ title: 'Does not fit', status: 409, detail: 'Send it whole.' }), {
              status: 409,
            }),
          );
        const whole = init.method === 'PUT' ? body : applyDocumentPatch(stored, PatchSchema.parse(body));
        stored = DocumentSchema.parse(whole);
        puts.push({ method: init.method, base, document: stored });
        revision++;
        return Promise.resolve(new Response(JSON.stringify({ revision })));
      }
      if (init.method === 'POST') {
        const { name, document } = JSON.parse(init.body as string) as {
          name: string;
          document: MotionDocument;
        };
        own = document;
        made.push(`${name}: ${names(document)}`);
        const take = { id: OWN, pageId: PAGE, name, madeFrom: null, revision: 1 };
        return Promise.resolve(new Response(JSON.stringify(take)));
      }
      return Promise.resolve(
        new Response(
          JSON.stringify({
            id: TAKE,
            pageId: PAGE,
            name: 'Take A',
            madeFrom: null,
            revision,
            document: server,
          }),
        ),
      );
    },
  });
});
let session: Awaited<ReturnType<typeof TakeSession.open>>['session'];
let rescued: string[];
const open = async () => ({ session, rescued } = await TakeSession.open(TAKE));
afterEach(() => session.close());

const state = () => session.store.getState();
const named = (id: string, name: string) => (d: MotionDocument) => ({
  ...d,
  motions: d.motions.map((m): Motion => (m.id === id ? { ...m, name } : m)),
});
const names = (d: MotionDocument = state().document) => d.motions.map((m) => m.name).join(' ');

describe('a take that is open', () => {
  test('an act is one step of undo and one revision, sent with the revision that it starts from', async () => {
    await open();
    session.apply(edit('rename', named('m_b', 'C')));
    await until(() => state().save.kind === 'saved' && puts.length === 1);
    expect(puts.map((p) => [p.base, names(p.document)])).toEqual([['"4"', expect.stringContaining('C')]]);
    expect(session.undo()).toBe('rename');
    expect(names()).toContain('B');
    await until(() => puts.length === 2 && state().save.kind === 'saved');
    expect(itemAt(puts, 1).base).toBe('"5"');
    expect(session.redo()).toBe('rename');
    expect(names()).toContain('C');
    expect(session.redo()).toBeNull();
  });

  test('what is sent is only what an act changes; the whole, where the server has something else', async () => {
    await open();
    session.apply(edit('rename', named('m_b', 'C')));
    await until(() => puts.length === 1 && state().save.kind === 'saved');
    unfit = true;
    session.apply(edit('rename', named('m_b', 'D')));
    await until(() => puts.length === 2 && state().save.kind === 'saved');
    unfit = false;
    session.apply(edit('rename', named('m_b', 'E')));
    await until(() => puts.length === 3 && state().save.kind === 'saved');
    expect(puts.map((p) => p.method)).toEqual(['PATCH', 'PUT', 'PATCH']);
    expect(puts.map((p) => itemAt(p.document.motions, 1).name)).toEqual(['C', 'D', 'E']);
  });

  test('a series of nudges is one step, and an act in between begins another', async () => {
    await open();
    for (const n of ['1', '2', '3']) session.nudge(edit('move', named('m_b', n)));
    session.apply(edit('rename', named('m_b', 'act')));
    for (const n of ['4', '5']) session.nudge(edit('move', named('m_b', n)));
    expect(names()).toMatch(/5$/);
    session.undo();
    expect(names()).toMatch(/act$/);
    session.undo();
    expect(names()).toMatch(/3$/);
    session.undo();
    expect(names()).toMatch(/B$/);
    expect(session.undo()).toBeNull();
  });

  test('what is tried is seen and is not done', async () => {
    await open();
    const lease = session.lease();
    lease.show(edit('try', named('m_b', 'tried')));
    expect(names(makeSeen(state()))).toContain('tried');
    expect(names(findSettled(state()))).toContain('B');
    lease.cancel();
    expect(names(makeSeen(state()))).toContain('B');
    lease.show(edit('try', named('m_b', 'tried')));
    session.apply(edit('rename', named('m_b', 'done')));
    expect(state().tried).toBeNull();
    expect(state().past.length).toBe(1);
  });

  test('one thing is tried at a time, and only what shows it takes it back', async () => {
    await open();
    const [first, second] = [session.lease(), session.lease()];
    first.show(edit('try', named('m_b', 'first')));
    second.show(edit('try', named('m_b', 'second')));
    first.cancel();
    expect(names(makeSeen(state()))).toContain('second');
    second.cancel();
    expect(state().tried).toBeNull();
    first.show(edit('try', named('m_b', 'first')));
    session.nudge(edit('move', named('m_b', 'nudged')));
    expect(state().tried).toBeNull();
    first.show(edit('try', named('m_b', 'first')));
    session.undo();
    expect(names(makeSeen(state()))).toContain('B');
  });

  test('what is under way when somebody else comes is not undone by its end', async () => {
    await open();
    const lease = session.lease();
    lease.show(edit('try', named('m_b', 'shown')));
    lease.commit(edit('rename', named('m_b', 'done')));
    lease.cancel();
    expect(names()).toContain('done');
    expect(state().tried).toBeNull();
  });

  test('undoing what made something takes it out of the selection', async () => {
    await open();
    const made = motion({ id: 'm_new', name: 'New' });
    session.apply(edit('add', (d) => ({ ...d, motions: [...d.motions, made] }), ['m_new']));
    expect(state().selection).toEqual(['m_new']);
    session.undo();
    expect(state().selection).toEqual([]);
    expect(names()).not.toContain('New');
  });

  test('edits count for the condition that is being edited, as long as it holds', async () => {
    server = { ...server, media: [{ id: 'w_narrow', name: 'Narrow', query: '(width < 600px)' }] };
    await open();
    const narrow = { viewport: { width: 390, height: 844 }, reducedMotion: false };
    session.showFor(narrow);
    session.editFor('w_narrow');
    const off = (d: MotionDocument) => ({
      ...d,
      motions: d.motions.map((m) => ({ ...m, on: m.id !== 'm_b' })),
    });
    session.apply(edit('switch off', off));
    const b = () => present(state().document.motions.find((m) => m.id === 'm_b'));
    expect(b().on).toBe(true);
    expect(b().conditions).toEqual([{ media: 'w_narrow', on: false }]);
    expect(present(makeSeen(state()).motions.find((m) => m.id === 'm_b')).on).toBe(false);
    session.showFor({ viewport: { width: 1280, height: 800 }, reducedMotion: false });
    expect(state().scope).toBeNull();
    expect(present(makeSeen(state()).motions.find((m) => m.id === 'm_b')).on).toBe(true);
  });

  const left = (journal: string, base: number, ...list: string[]) => {
    kept.push(
      ...list.map((name, seq) => ({
        takeId: TAKE,
        journal,
        seq,
        editId: `${journal}${seq}`,
        base,
        at: seq,
        document: named('m_b', name)(server),
      })),
    );
  };

  test('edits that the server never acknowledged are shown at the next visit, and sent in order', async () => {
    left('tab', 4, 'one', 'two', 'three');
    await open();
    expect(names()).toContain('three');
    await until(() => puts.length === 3 && kept.length === 0);
    expect(puts.map((p) => [p.base, itemAt(p.document.motions, 1).name])).toEqual([
      ['"4"', 'one'],
      ['"5"', 'two'],
      ['"6"', 'three'],
    ]);
    expect([rescued, kept]).toEqual([[], []]);
  });

  test('of two tabs that were both away, the second becomes a take of its own', async () => {
    left('tab', 4, 'one', 'two');
    left('other', 4, 'mine', 'more of mine', 'all of mine');
    await open();
    await until(() => puts.length === 2 && kept.length === 0);
    expect(puts.map((p) => itemAt(p.document.motions, 1).name)).toEqual(['one', 'two']);
    expect(made).toEqual([
      expect.stringMatching(/^Take A, edits of another tab: .*mine$/),
      'after 1: more of mine',
      'after 2: all of mine',
    ]);
    expect([rescued, kept]).toEqual([['Take A, edits of another tab'], []]);
  });

  test('of two writers the later one is told, and nothing of either is lost', async () => {
    await open();
    revision = 9;
    session.apply(edit('rename', named('m_b', 'mine')));
    await until(() => state().save.kind === 'conflict');
    expect(state().save.kind).toBe('conflict');
    expect(names()).toContain('mine');
    expect(names(itemAt(kept, 0).document)).toContain('mine');
    expect(puts).toEqual([]);
    await session.dropMine();
    expect(kept).toEqual([]);
  });

  test('leaving the page sends what still waited for a rest', async () => {
    await open();
    session.nudge(edit('move', named('m_b', 'last')));
    // Kept at once, and not called saved before it is.
    expect([puts, state().save.kind]).toEqual([[], 'saving']);
    expect(names(itemAt(kept, 0).document)).toContain('last');
    present(listening.get('pagehide'))();
    await until(() => puts.length === 1);
    expect(names(itemAt(puts, 0).document)).toContain('last');
  });
});
