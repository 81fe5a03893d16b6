import { describe, expect, test } from '@jest/globals';
import { emptyLayout, withPins, emptyDocument, itemAt, present } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import type { TrialAnswer } from './workers/trial-work.ts';
import type { FromWorker, ToWorker } from './workers/jobs.ts';
import { WorkerTask } from './worker-task.ts';
import type { Simulation } from './worker-task.ts';

class FakeWorker {
  static all: FakeWorker[] = [];
  heard: ToWorker<'trial'>[] = [];
  ended = false;
  onmessage: ((e: MessageEvent) => unknown) | null = null;
  onerror: ((e: ErrorEvent) => unknown) | null = null;
  constructor() {
    FakeWorker.all.push(this);
  }
  postMessage(m: ToWorker<'trial'>) {
    this.heard.push(m);
  }
  terminate() {
    this.ended = true;
  }
  say(m: FromWorker) {
    this.onmessage?.({ data: m } as MessageEvent);
  }
}
const make = () => {
  FakeWorker.all = [];
  return new WorkerTask('trial', () => new FakeWorker() as never);
};
const layout = withPins(emptyLayout({ width: 800, height: 600 }), []);
const asked = (name: string): Omit<Simulation, 'answer'> => ({
  document: { ...emptyDocument(), importedRules: [name] },
  layout,
  question: {} as Simulation['question'],
});
const manyMotions = (name: string) =>
  Array.from({ length: 60 }, (_, i) => motion({ id: `${name}_${i}`, name: `${name} ${i}` }));
const answer = { findings: [] } as unknown as TrialAnswer;

describe('what is asked of a worker', () => {
  test('tell how far they are, and keep what was found with what was asked', () => {
    const s = make();
    const first = asked('a');
    s.ask(first);
    const [worker] = FakeWorker.all;
    expect(s.store.getState().running).toBe(0);
    present(worker).say({ type: 'step', done: 1, of: 4 });
    expect(s.store.getState().running).toBe(0.25);
    present(worker).say({ type: 'done', answer });
    expect(s.store.getState()).toEqual({ last: { ...first, answer }, running: null, failed: null });
  });
  test('a layout crosses to the worker only once', () => {
    const s = make();
    s.ask(asked('a'));
    itemAt(FakeWorker.all, 0).say({ type: 'done', answer });
    s.ask(asked('b'));
    expect(itemAt(FakeWorker.all, 0).heard.map((m) => m.input.layout)).toEqual([layout, undefined]);
    expect(itemAt(FakeWorker.all, 0).heard.map((m) => m.kept.includes('layout'))).toEqual([false, true]);
  });
  test('of a document only what has changed crosses; of another one all of it', () => {
    const s = make();
    const first = { ...asked('a'), document: { ...emptyDocument(), motions: manyMotions('m') } };
    s.ask(first);
    const [worker] = FakeWorker.all;
    present(worker).say({ type: 'done', answer });
    const moved = first.document.motions.map((m, i) => (i === 7 ? { ...m, name: 'Moved' } : m));
    s.ask({ ...first, document: { ...first.document, motions: moved } });
    const message = itemAt(present(worker).heard, 1);
    expect(message.input.document).toBeUndefined();
    expect(message.patches).toEqual({
      document: [{ op: 'replace', path: '/motions/7/name', value: 'Moved' }],
    });
    present(worker).say({ type: 'done', answer });
    s.ask({ ...first, document: { ...emptyDocument(), motions: manyMotions('n') } });
    expect(itemAt(present(worker).heard, 2).patches).toEqual({});
    expect(present(itemAt(present(worker).heard, 2).input.document).motions).toHaveLength(60);
  });
  test('after a failure nothing is taken as known over there', () => {
    const s = make();
    s.ask(asked('a'));
    itemAt(FakeWorker.all, 0).say({ type: 'failed', why: 'out of range' });
    s.ask(asked('a'));
    const { input, kept, patches } = itemAt(itemAt(FakeWorker.all, 0).heard, 1);
    expect([Object.keys(input).sort(), kept, patches]).toEqual([['document', 'layout', 'question'], [], {}]);
  });
  test('of several questions in a hurry the newest is answered, by the same worker', () => {
    const s = make();
    s.ask(asked('a'));
    s.ask(asked('b'));
    s.ask(asked('c'));
    const [worker] = FakeWorker.all;
    present(worker).say({ type: 'done', answer });
    expect(FakeWorker.all.length).toBe(1);
    const [first, second] = present(worker).heard;
    expect(present(first).input.document?.importedRules).toEqual(['a']);
    expect(JSON.stringify(present(second).patches)).toContain('"c"');
  });
  test('ending keeps what was finished before, and the next one gets its layout again', () => {
    const s = make();
    s.ask(asked('a'));
    itemAt(FakeWorker.all, 0).say({ type: 'done', answer });
    s.ask(asked('b'));
    s.end();
    expect(itemAt(FakeWorker.all, 0).ended).toBe(true);
    expect(s.store.getState().running).toBeNull();
    expect(present(s.store.getState().last).document.importedRules).toEqual(['a']);
    s.ask(asked('c'));
    expect(itemAt(itemAt(FakeWorker.all, 1).heard, 0).input.layout).toBe(layout);
  });
  test('a failure is told and does not hide what was found before', () => {
    const s = make();
    s.ask(asked('a'));
    itemAt(FakeWorker.all, 0).say({ type: 'done', answer });
    s.ask(asked('b'));
    itemAt(FakeWorker.all, 0).say({ type: 'failed', why: 'out of range' });
    expect(s.store.getState()).toMatchObject({ running: null, failed: 'out of range' });
    expect(s.store.getState().last).not.toBeNull();
  });
});
