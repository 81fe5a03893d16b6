import { lastItem } from '@lyvek/core';
/** A small seeded generator (mulberry32): the same seed walks the same way on every machine. */
export class Random {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** 0 ≤ n < 1 */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  between(low: number, high: number): number {
    return low + this.next() * (high - low);
  }

  pick<T>(list: readonly T[]): T | undefined {
    return list[Math.floor(this.next() * list.length)];
  }

  weighted<T extends { weight: number }>(list: readonly T[]): T {
    let at = this.next() * list.reduce((sum, x) => sum + x.weight, 0);
    for (const x of list) if ((at -= x.weight) < 0) return x;
    return lastItem(list);
  }
}
