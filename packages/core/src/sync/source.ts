/** A document in the repository and a take: which of the two has moved on since they were in step, and what has to be done. */
import type { MotionDocument } from '../motion/index.ts';
import { documentMark } from './block.ts';
import { mergeDocuments } from './merge.ts';

export interface SourceInput {
  /** what the file says; null where there is none yet */
  source: MotionDocument | null;
  take: MotionDocument;
  /** fingerprint of what both said when they were in step; null where they never were */
  known: string | null;
  /** that document, where it can still be had */
  base: MotionDocument | null;
  prefer?: 'file' | 'take' | undefined;
}

export type SourceStep =
  | { kind: 'in-step' }
  /** the file is to say what the take says */
  | { kind: 'write' }
  /** the take is to say this, as an act of its own */
  | { kind: 'open'; document: MotionDocument }
  | { kind: 'conflict'; names: string[] };

const PREFERRED = { file: 'theirs', take: 'ours' } as const;

/** Where nothing is known of an earlier time the file is right: it is what the developer’s repository has. */
export function sourceStep({ source, take, known, base, prefer }: SourceInput): SourceStep {
  if (source === null) return { kind: 'write' };
  const [ofSource, ofTake] = [documentMark(source), documentMark(take)];
  if (ofSource === ofTake) return { kind: 'in-step' };
  if (ofSource === known) return { kind: 'write' };
  if (known === null || ofTake === known) return { kind: 'open', document: source };
  if (!base) {
    if (prefer) return prefer === 'file' ? { kind: 'open', document: source } : { kind: 'write' };
    return { kind: 'conflict', names: listDifferent(source, take) };
  }
  const merged = mergeDocuments(base, take, source, prefer && PREFERRED[prefer]);
  return 'conflicts' in merged
    ? { kind: 'conflict', names: merged.conflicts }
    : documentMark(merged.document) === ofTake
      ? { kind: 'write' }
      : { kind: 'open', document: merged.document };
}

/** Names of motions that one has otherwise than the other. */
function listDifferent(a: MotionDocument, b: MotionDocument): string[] {
  const text = (d: MotionDocument) => new Map(d.motions.map((m) => [m.id, JSON.stringify(m)]));
  const [ofA, ofB] = [text(a), text(b)];
  const names = [...a.motions, ...b.motions]
    .filter((m) => ofA.get(m.id) !== ofB.get(m.id))
    .map((m) => m.name);
  return names.length ? [...new Set(names)] : ['what is beside the motions'];
}
