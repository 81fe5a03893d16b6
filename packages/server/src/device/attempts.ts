/** How often an address may be wrong: whoever guesses is held up, and nobody else. */

/** Wrong guesses, and for how long they count, ms. */
const MAX_WRONG = 5;
const TTL_MS = 60_000;
/** Addresses that are remembered; the oldest is let go first. */
const MAX_ADDRESSES = 1000;

export class Attempts {
  private readonly wrong = new Map<string, { count: number; until: number }>();

  constructor(private readonly now: () => number = Date.now) {}

  isHeldUp(address: string): boolean {
    const known = this.wrong.get(address);
    return known !== undefined && known.until > this.now() && known.count >= MAX_WRONG;
  }

  /** One more that was wrong. */
  fail(address: string): void {
    const known = this.wrong.get(address);
    const count = known && known.until > this.now() ? known.count + 1 : 1;
    this.wrong.delete(address);
    this.wrong.set(address, { count, until: this.now() + TTL_MS });
    for (const [first] of this.wrong) {
      if (this.wrong.size <= MAX_ADDRESSES) break;
      this.wrong.delete(first);
    }
  }
}
