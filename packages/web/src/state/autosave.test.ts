import { emptyDocument } from '@lyvek/core';
import { describe, expect, test } from '@jest/globals';
import type { MotionDocument } from '@lyvek/core';
import { turn, turns, until } from '../testing/until.ts';
import { Autosave } from './autosave.ts';
import type { PutResult, SaveState } from './autosave.ts';
import type { Entry, Journal } from './journal.ts';

/** A journal in memory, of the calls in their order. */
function memoryJournal(): Journal & { kept: Entry[]; held: Set<string> } {
  const same = (a: Entry, b: Entry) => a.journal === b.journal && a.seq === b.seq;
  return {
    kept: [],
    held: new Set<string>(),
    async write(entry) {
      this.kept = [...this.kept.filter((e) => !same(e, entry)), entry];
    },
    async remove(entries, ...written) {
      this.kept = this.kept.filter((e) => ![...entries, ...written].some((o) => same(e, o)));
      this.kept.unshift(...written);
    },
    async orphans() {
      return [];
    },
    hold(journal) {
      this.held.add(journal);
      return () => this.held.delete(journal);
    },
  };
}

const documentNo = (n: number): MotionDocument => ({
  ...emptyDocument(),
  motions: Array.from({ length: n }) as never,
});

/** A server that answers as told, in order; after that it saves. */
function setup(answers: (PutResult | 'save')[] = []) {
  let revision = 1;
  let id = 0;
  const sent: { base: number; editId: string; motions: number }[] = [];
  /** how many motions the documents have that they were sent against */
  const from: (number | undefined)[] = [];
  const states: SaveState['kind'][] = [];
  const journal = memoryJournal();
  const autosave = new Autosave({
    takeId: 't',
    revision,
    document: documentNo(0),
    journal,
    delays: [1],
    newId: () => `e${id++}`,
    onState: (s) => states.at(-1) !== s.kind && states.push(s.kind),
    async put({ base, editId, document: d }, known) {
      from.push(known?.motions.length);
      // Written before it is sent.
      expect(journal.kept[0]).toMatchObject({ editId, base });
      sent.push({ base, editId, motions: d.motions.length });
      await turn();
      const answer = answers.shift() ?? 'save';
      return answer === 'save' ? { kind: 'saved', revision: ++revision } : answer;
    },
  });
  return { autosave, sent, from, states, journal };
}
const lengths = (j: { kept: Entry[] }) => j.kept.map((e) => e.document.motions.length);

describe('autosave', () => {
  test('keeps the edit before sending, forgets it once it has arrived', async () => {
    const { autosave, journal, states, sent } = setup();
    autosave.save(documentNo(1));
    expect(lengths(journal)).toEqual([1]);
    await until(() => states.includes('saved'));
    expect(states).toEqual(['saving', 'saved']);
    expect(sent).toEqual([{ base: 1, editId: 'e1', motions: 1 }]);
    expect(journal.kept).toEqual([]);
  });

  test('says that it is saving before anything else happens', () => {
    const { autosave, states } = setup();
    autosave.save(documentNo(1));
    expect(states).toEqual(['saving']);
  });

  test('every edit becomes a revision, in order, and only the last one is “saved”', async () => {
    const { autosave, sent, states, journal } = setup();
    for (let n = 1; n <= 5; n++) autosave.save(documentNo(n));
    expect(lengths(journal)).toEqual([1, 2, 3, 4, 5]);
    await until(() => states.includes('saved'));
    expect(sent.map((s) => [s.base, s.motions])).toEqual([1, 2, 3, 4, 5].map((n) => [n, n]));
    expect(states).toEqual(['saving', 'saved']);
    expect(journal.kept).toEqual([]);
  });

  test('what is left after an acknowledgement starts from the new revision, so that a crash in between is no conflict', async () => {
    const { autosave, journal, sent } = setup(['save', { kind: 'away' }]);
    autosave.save(documentNo(1));
    autosave.save(documentNo(2));
    await until(() => sent.length === 2);
    expect(journal.kept.map((e) => [e.base, e.document.motions.length])).toEqual([[2, 2]]);
  });

  test('a series is one entry that is sent when it ends, and is kept all the while', async () => {
    const { autosave, journal, sent, states } = setup();
    for (let n = 1; n <= 3; n++) autosave.save(documentNo(n), { held: true });
    expect(lengths(journal)).toEqual([3]);
    await turns();
    expect([sent.length, states]).toEqual([0, ['saving']]);
    autosave.finish();
    await until(() => states.includes('saved'));
    expect(sent).toEqual([{ base: 1, editId: 'e1', motions: 3 }]);
  });

  test('a server that is away is tried again with the same edit id', async () => {
    const { autosave, sent, states, journal } = setup([{ kind: 'away' }, { kind: 'away' }]);
    autosave.save(documentNo(1));
    await until(() => states.includes('saved'));
    expect(sent.map((s) => s.editId)).toEqual(['e1', 'e1', 'e1']);
    expect(states).toEqual(['saving', 'away', 'saved']);
    expect(journal.kept).toEqual([]);
  });

  test('a conflict stops sending, and later edits are only kept', async () => {
    const { autosave, sent, states, journal } = setup([{ kind: 'behind' }]);
    autosave.save(documentNo(1));
    await until(() => states.includes('conflict'));
    autosave.save(documentNo(2));
    await turns();
    expect(states).toEqual(['saving', 'conflict']);
    expect(sent).toHaveLength(1);
    expect(lengths(journal)).toEqual([1, 2]);
    await autosave.forget();
    expect(journal.kept).toEqual([]);
  });

  test('what an earlier visit left moves into this journal and is sent in order with its own base and ids', async () => {
    const { autosave, sent, journal } = setup();
    const old = [3, 4].map((n): Entry => ({
      takeId: 't',
      journal: 'old',
      seq: n,
      editId: `old${n}`,
      base: 7,
      at: n,
      document: documentNo(n),
    }));
    for (const e of old) await journal.write(e);
    autosave.resume(old);
    await until(() => sent.length === 2);
    expect(sent).toEqual([
      { base: 7, editId: 'old3', motions: 3 },
      { base: 2, editId: 'old4', motions: 4 },
    ]);
    await until(() => journal.kept.length === 0);
    expect(journal.kept).toEqual([]);
  });

  test('a refusal is said with its reason, and the next edit, which holds it too, takes its place', async () => {
    const { autosave, states, sent, journal } = setup([{ kind: 'refused', why: 'no' }]);
    autosave.save(documentNo(1));
    await until(() => states.includes('refused'));
    expect(lengths(journal)).toEqual([1]);
    autosave.save(documentNo(2));
    await until(() => states.includes('saved'));
    expect(states).toEqual(['saving', 'refused', 'saving', 'saved']);
    expect(sent.map((s) => [s.base, s.motions])).toEqual([
      [1, 1],
      [1, 2],
    ]);
    expect(journal.kept).toEqual([]);
  });

  test('leaving sends what can be sent; what cannot stays, and its journal is free for the next visit', async () => {
    const one = setup();
    one.autosave.save(documentNo(1), { held: true });
    one.autosave.stop();
    await until(() => one.journal.held.size === 0);
    expect([one.sent.length, one.journal.kept.length, one.journal.held.size]).toEqual([1, 0, 0]);
    const two = setup([{ kind: 'away' }, { kind: 'away' }, { kind: 'away' }]);
    two.autosave.save(documentNo(1));
    two.autosave.save(documentNo(2));
    two.autosave.stop();
    await until(() => two.journal.held.size === 0);
    expect([lengths(two.journal), two.journal.held.size]).toEqual([[1, 2], 0]);
  });
});
