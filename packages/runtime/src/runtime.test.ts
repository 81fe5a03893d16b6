import { expect, test } from '@jest/globals';

test('importing it on a server touches no document', async () => {
  expect('document' in globalThis).toBe(false);
  const runtime = await import('./index.ts');
  expect(Object.keys(runtime).sort()).toEqual(['browserClock', 'play', 'playTexts', 'start']);
});
