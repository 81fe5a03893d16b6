import { describe, expect, test } from '@jest/globals';
import { Proofs } from './proofs.ts';

const proof = (bytes: number) => ({
  entry: 'index.html',
  files: new Map([['index.html', new Uint8Array(bytes)]]),
  outside: false,
});

describe('hand-offs that wait for their proof', () => {
  test('are forgotten after ten minutes', () => {
    let now = 0;
    const proofs = new Proofs(() => now);
    const token = proofs.put(proof(10));
    expect(proofs.get(token)?.entry).toBe('index.html');
    now = 9 * 60_000;
    expect(proofs.get(token)).toBeDefined();
    now = 11 * 60_000;
    expect(proofs.get(token)).toBeUndefined();
  });

  test('give way to newer ones, by number and by size', () => {
    const proofs = new Proofs();
    const tokens = Array.from({ length: 10 }, () => proofs.put(proof(10)));
    expect(tokens.map((t) => proofs.get(t) !== undefined)).toEqual([
      false,
      false,
      ...Array<boolean>(8).fill(true),
    ]);
    const large = proofs.put(proof(399_999_995));
    expect(tokens.some((t) => proofs.get(t))).toBe(false);
    expect(proofs.get(large)).toBeDefined();
    expect(proofs.get('0'.repeat(32))).toBeUndefined();
  });
});
