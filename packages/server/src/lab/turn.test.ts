import { expect, test } from '@jest/globals';
import type pg from 'pg';
import { LabBusy, LabTurn } from './turn.ts';

/** A database that has one lock, as PostgreSQL’s session locks are: taken by another session as long as `elsewhere` says. */
function pool(elsewhere = () => false, onAsk = (): void => undefined) {
  let held = 0;
  const client = {
    query: (text: string) => {
      onAsk();
      if (text.includes('unlock')) held--;
      else if (held > 0 || elsewhere()) return Promise.resolve({ rows: [{ done: false }] });
      else held++;
      return Promise.resolve({ rows: [{ done: true }] });
    },
    release: () => undefined,
  };
  return { connect: () => Promise.resolve(client) } as unknown as pg.Pool;
}
const never = () => new AbortController().signal;
/** Work that goes on until it is let go. */
function longWork() {
  let letGo = (): void => undefined;
  const done = new Promise<void>((end) => (letGo = end));
  return { work: () => done, letGo };
}
const nextTurn = () => new Promise((done) => setImmediate(done));

test('works come one after the other, in the order in which they were asked for', async () => {
  const turn = new LabTurn(pool());
  const seen: string[] = [];
  let open = 0;
  const work = (name: string) => async () => {
    expect(++open).toBe(1);
    await nextTurn();
    open--;
    seen.push(name);
  };
  await Promise.all(['a', 'b', 'c', 'd'].map((n) => turn.run(work(n), never())));
  expect(seen).toEqual(['a', 'b', 'c', 'd']);
});

test('one that fails or is given up keeps nobody waiting', async () => {
  const turn = new LabTurn(pool());
  const failing = turn.run(() => Promise.reject(new Error('no')), never());
  const gone = new AbortController();
  const { work, letGo } = longWork();
  const long = turn.run(work, never());
  const given = turn.run(() => Promise.reject(new Error('was run')), gone.signal);
  const last = turn.run(() => Promise.resolve('done'), never());
  gone.abort(new Error('given up'));
  await expect(failing).rejects.toThrow('no');
  await expect(given).rejects.toThrow('given up');
  letGo();
  await long;
  expect(await last).toBe('done');
});

test('while another server of the machine has it, it is waited for', async () => {
  let taken = true;
  let asked = 0;
  const { work: askedTwice, letGo } = longWork();
  const turn = new LabTurn(
    pool(
      () => taken,
      () => void (++asked === 2 && letGo()),
    ),
  );
  let began = false;
  const work = turn.run(() => {
    began = true;
    return Promise.resolve();
  }, never());
  await askedTwice();
  expect(began).toBe(false);
  taken = false;
  await work;
  expect(began).toBe(true);
});

test('of very many the last ones are told to come back', async () => {
  const turn = new LabTurn(pool());
  const end = new AbortController();
  const { work, letGo } = longWork();
  const all = Array.from({ length: 20 }, () => turn.run(work, end.signal));
  const settled = Promise.allSettled(all);
  await nextTurn();
  end.abort();
  letGo();
  const results = await settled;
  const busy = results.filter((r) => r.status === 'rejected' && r.reason instanceof LabBusy);
  expect(busy.length).toBeGreaterThan(5);
  expect(busy.length).toBeLessThan(10);
});
