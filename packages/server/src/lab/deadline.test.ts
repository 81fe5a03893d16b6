import { present } from '@lyvek/core';
import { expect, test } from '@jest/globals';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { within } from './deadline.ts';

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;

/** Waits for the end of its signal, while memory is collected all the time. */
const waiting = (signal: AbortSignal) =>
  new Promise<never>((_done, fail) => {
    const turn = setInterval(collect, 10);
    signal.addEventListener('abort', () => {
      clearInterval(turn);
      fail(signal.reason as Error);
    });
  });

test('a limit is kept, however often memory is collected meanwhile', async () => {
  await expect(within(120, new AbortController().signal, waiting)).rejects.toMatchObject({
    name: 'TimeoutError',
  });
});

test('who gives it up ends it with a reason of their own; nothing is begun that was given up before', async () => {
  const gone = new AbortController();
  setTimeout(() => gone.abort(new Error('gone')), 60);
  await expect(within(5000, gone.signal, waiting)).rejects.toThrow('gone');
  await expect(within(5000, gone.signal, () => Promise.resolve(1))).rejects.toThrow('gone');
});

test('what is done in time is given back, and nothing ends it later', async () => {
  let kept: AbortSignal | undefined;
  const result = await within(40, new AbortController().signal, (signal) => {
    kept = signal;
    return Promise.resolve(7);
  });
  // The longer limit runs out behind the one that was kept.
  await expect(within(80, new AbortController().signal, waiting)).rejects.toMatchObject({
    name: 'TimeoutError',
  });
  expect([result, present(kept).aborted]).toEqual([7, false]);
});
