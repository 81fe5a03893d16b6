/** One step of keeping a file and a take in step: what has to be written where, from what stands in both. */
import { readBack } from '../css-import/index.ts';
import type { ReadPage, UnsupportedCode } from '../css-import/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { documentMark, findBlock, putBlock } from './block.ts';
import { mergeDocuments } from './merge.ts';

export interface Revision {
  revision: number;
  document: MotionDocument;
}

export interface SyncInput {
  /** of the page, as its block is called */
  name: string;
  /** the file as it stands; empty where there is none */
  file: string;
  /** the newest revision of the take */
  take: Revision;
  /** the document from which the block was written; asked for only where somebody has edited it */
  at(revision: number): Promise<MotionDocument | null>;
  /** the CSS of a document */
  write(document: MotionDocument): string;
  page: ReadPage;
  /** the document in the repository, where one is kept */
  source?: MotionDocument | null | undefined;
  /** which side is taken where both changed one thing; else that is a conflict */
  prefer?: 'file' | 'take' | undefined;
}

export type SyncStep =
  | { kind: 'in-step' }
  /** the take has moved on */
  | { kind: 'write'; file: string }
  /** the file was edited: the document is saved first, then the file is written as `fileAt` says for its revision */
  | {
      kind: 'edit';
      document: MotionDocument;
      changed: string[];
      unsupported: UnsupportedCode[];
      fileAt(revision: number): string;
    }
  | { kind: 'conflict'; names: string[] }
  | { kind: 'broken'; message: string };

const PREFERRED = { file: 'theirs', take: 'ours' } as const;

const isSame = (a: MotionDocument, b: MotionDocument): boolean => JSON.stringify(a) === JSON.stringify(b);

/** What could not be read, as it stood, with the reason. */
const leftText = (unsupported: readonly UnsupportedCode[]): string =>
  unsupported
    .filter((u) => u.text !== '')
    .map(({ text, reason }) =>
      reason ? `/* Lyvek left this as it was: ${reason.replaceAll('*/', '')}. */\n${text}` : text,
    )
    .join('\n\n');

export async function syncStep(input: SyncInput): Promise<SyncStep> {
  const { name, file, take, write, at } = input;
  const block = findBlock(file, name);
  if (block && 'broken' in block) return { kind: 'broken', message: block.broken };
  const put = (document: MotionDocument, revision: number, after = ''): string | { broken: string } =>
    putBlock(file, name, { revision, document, body: write(document), after });
  const written = (document: MotionDocument, revision: number, after = ''): SyncStep => {
    const next = put(document, revision, after);
    if (typeof next !== 'string') return { kind: 'broken', message: next.broken };
    return next === file ? { kind: 'in-step' } : { kind: 'write', file: next };
  };
  if (!block?.edited) return written(take.document, take.revision);

  // A revision of that number may be of another take.
  const isBase = (document: MotionDocument | null | undefined): document is MotionDocument =>
    document != null && (block.source === null || documentMark(document) === block.source);
  const ofRevision = block.revision === take.revision ? take.document : await at(block.revision);
  const base = [ofRevision, input.source].find(isBase);
  if (!base)
    return {
      kind: 'broken',
      message: `The block was written from revision ${block.revision}, which this take does not have, and was edited since. Take the block out, and another one is written; or choose the take that it is from.`,
    };
  const back = readBack(base, write(base), block.body, input.page);
  const merged =
    base === take.document
      ? { document: back.document }
      : mergeDocuments(base, take.document, back.document, input.prefer && PREFERRED[input.prefer]);
  if ('conflicts' in merged) return { kind: 'conflict', names: merged.conflicts };
  const after = leftText(back.unsupported);
  if (isSame(merged.document, take.document)) return written(take.document, take.revision, after);
  return {
    kind: 'edit',
    document: merged.document,
    changed: back.changed,
    unsupported: back.unsupported,
    fileAt(revision) {
      const next = put(merged.document, revision, after);
      return typeof next === 'string' ? next : file;
    },
  };
}
