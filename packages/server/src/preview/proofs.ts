/** Finished hand-offs that a browser is about to prove: kept in memory for a few minutes, under a host that nobody can guess. */
import { present } from '@lyvek/core';
import { randomBytes } from 'node:crypto';

export interface Proof {
  entry: string;
  files: ReadonlyMap<string, Uint8Array>;
  /** may load files from other hosts */
  outside: boolean;
}

const TTL_MS = 10 * 60_000;
const MAX = 8;
/** bytes of all that is kept; a single larger one is kept alone */
const MAX_BYTES = 400e6;

const computeSize = ({ files }: Proof): number => [...files.values()].reduce((sum, f) => sum + f.length, 0);

export class Proofs {
  private readonly kept = new Map<string, Proof & { until: number; bytes: number }>();

  constructor(private readonly now: () => number = Date.now) {}

  put(proof: Proof): string {
    const bytes = computeSize(proof);
    for (const [token, p] of this.kept) if (p.until < this.now()) this.kept.delete(token);
    const isFull = () =>
      this.kept.size >= MAX || [...this.kept.values()].reduce((sum, p) => sum + p.bytes, bytes) > MAX_BYTES;
    // Oldest first.
    while (this.kept.size > 0 && isFull()) this.kept.delete(present(this.kept.keys().next().value));
    const token = randomBytes(16).toString('hex');
    this.kept.set(token, { ...proof, bytes, until: this.now() + TTL_MS });
    return token;
  }

  get(token: string): Proof | undefined {
    const proof = this.kept.get(token);
    return proof && proof.until >= this.now() ? proof : undefined;
  }
}
