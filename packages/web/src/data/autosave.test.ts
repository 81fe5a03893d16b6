import { describe, expect, test } from '@jest/globals';
import { emptyDocument } from '@lyvek/core';
import type { MotionDocument } from '@lyvek/core';
import { Autosave } from './autosave.ts';
import type { PutResult, SaveState } from './autosave.ts';
import type { Outbox, Pending } from './outbox.ts';

function memoryOutbox(): Outbox & { kept: Pending | null } {
  return {
    kept: null,
    async read() {
      return this.kept;
    },
    async write(_id, pending) {
      this.kept = pending;
    },
    async clear() {
      this.kept = null;
    },
  };
}

const documentNo = (n: number): MotionDocument => ({
  ...emptyDocument(),
  motions: Array.from({ length: n }) as never,
});
const rest = (ms: number) => new Promise((r) => setTimeout(r, ms));
/** Waits until it holds; the assertion behind it says what is wrong if it never does. */
const until = async (holds: () => boolean) => {
  for (let i = 0; i < 400 && !holds(); i++) await rest(2);
};

/** A server that answers as told, in order; after that it saves. */
function setup(answers: (PutResult | 'save')[] = []) {
  let revision = 1;
  let id = 0;
  const sent: { base: number; editId: string; motions: number }[] = [];
  const states: SaveState['is'][] = [];
  const outbox = memoryOutbox();
  const autosave = new Autosave({
    takeId: 't',
    revision,
    outbox,
    delays: [1],
    newId: () => `e${++id}`,
    onState: (s) => states.push(s.is),
    async put(base, editId, d) {
      // Written before it is sent.
      expect(outbox.kept?.editId).toBe(editId);
      sent.push({ base, editId, motions: d.motions.length });
      await rest(1);
      const answer = answers.shift() ?? 'save';
      return answer === 'save' ? { is: 'saved', revision: ++revision } : answer;
    },
  });
  return { autosave, sent, states, outbox };
}

describe('autosave', () => {
  test('keeps the edit before sending, forgets it once it has arrived', async () => {
    const { autosave, outbox, states, sent } = setup();
    autosave.save(documentNo(1));
    await until(() => states.includes('saved'));
    expect(states).toEqual(['saving', 'saved']);
    expect(sent).toEqual([{ base: 1, editId: 'e1', motions: 1 }]);
    expect(outbox.kept).toBeNull();
  });

  test('says that it is saving before anything else happens', () => {
    const { autosave, states } = setup();
    autosave.save(documentNo(1));
    expect(states).toEqual(['saving']);
  });

  test('of many edits during one request only the newest follows, on the new revision', async () => {
    const { autosave, sent } = setup();
    for (let n = 1; n <= 5; n++) autosave.save(documentNo(n));
    await until(() => sent.length === 2);
    await rest(10);
    expect(sent).toEqual([
      { base: 1, editId: 'e1', motions: 1 },
      { base: 2, editId: 'e2', motions: 5 },
    ]);
  });

  test('a server that is away is tried again with the same edit id', async () => {
    const { autosave, sent, states, outbox } = setup([{ is: 'away' }, { is: 'away' }]);
    autosave.save(documentNo(1));
    await until(() => states.includes('saved'));
    expect(new Set(sent.map((s) => s.editId))).toEqual(new Set(['e1']));
    expect(sent).toHaveLength(3);
    expect(states).toEqual(['saving', 'away', 'away', 'saved']);
    expect(outbox.kept).toBeNull();
  });

  test('a conflict stops sending, and later edits are only kept', async () => {
    const { autosave, sent, states, outbox } = setup([{ is: 'behind' }]);
    autosave.save(documentNo(1));
    await until(() => states.includes('conflict'));
    autosave.save(documentNo(2));
    await rest(10);
    expect(states).toEqual(['saving', 'conflict']);
    expect(sent).toHaveLength(1);
    expect(outbox.kept?.document.motions).toHaveLength(2);
  });

  test('what an earlier visit left is sent with its own base and id', async () => {
    const { autosave, sent, outbox } = setup();
    await outbox.write('t', { base: 7, editId: 'old', document: documentNo(3) });
    autosave.resume(outbox.kept!);
    await until(() => sent.length > 0);
    expect(sent).toEqual([{ base: 7, editId: 'old', motions: 3 }]);
  });

  test('a refusal is said with its reason and does not block the next edit', async () => {
    const { autosave, states, sent } = setup([{ is: 'refused', why: 'no' }]);
    autosave.save(documentNo(1));
    await until(() => states.includes('refused'));
    await rest(5);
    autosave.save(documentNo(2));
    await until(() => states.includes('saved'));
    expect(states).toEqual(['saving', 'refused', 'saving', 'saved']);
    expect(sent).toHaveLength(2);
  });
});
