/** Finished hand-offs that a browser is about to prove: kept in memory for a few minutes, under a host that nobody can guess. */
import { randomBytes } from 'node:crypto';

export interface Proof {
  entry: string;
  files: ReadonlyMap<string, Uint8Array>;
}

const LASTS = 10 * 60_000;
const MOST = 8;

export class Proofs {
  private readonly kept = new Map<string, Proof & { until: number }>();

  put(proof: Proof): string {
    for (const [token, p] of this.kept) if (p.until < Date.now()) this.kept.delete(token);
    while (this.kept.size >= MOST) this.kept.delete(this.kept.keys().next().value!);
    const token = randomBytes(16).toString('hex');
    this.kept.set(token, { ...proof, until: Date.now() + LASTS });
    return token;
  }

  get(token: string): Proof | undefined {
    return this.kept.get(token);
  }
}
