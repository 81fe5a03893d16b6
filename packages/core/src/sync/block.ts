/**
 * Lyvek’s block in a file of the developer’s: between two marks, with everything around it as it is. The first mark says from which revision the
 * block was written, a fingerprint of its text, which tells whether somebody has edited it since, and one of the document that it says.
 */
import { itemAt } from '../assert/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { fingerprint } from '../page/fingerprint.ts';

export interface Block {
  /** the text between the marks, without the line breaks around it */
  body: string;
  revision: number;
  /** whether it is another text than was written */
  edited: boolean;
  /** fingerprint of the document that it was written from; null in blocks of earlier versions */
  source: string | null;
  /** where the marks begin and end in the file */
  from: number;
  to: number;
}

/** Why a file cannot be written to. */
export interface Broken {
  broken: string;
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** A name that ends no comment, on one line. */
export const blockName = (name: string): string =>
  name
    .replace(/\*\//g, '')
    .replace(/[\s,]+/g, ' ')
    .trim()
    .slice(0, 60) || 'page';

const BEGIN = (name: string) =>
  `/\\* lyvek begin: ${escaped(blockName(name))}, revision (\\d+), ([0-9a-z]+)(?:-([0-9a-z]+))?\\b[^*]*\\*/`;
const END = (name: string) => `/\\* lyvek end: ${escaped(blockName(name))} \\*/`;

/** Of the text as people see it: editors change line ends. */
const mark = (body: string): string => fingerprint(body.replace(/\r\n/g, '\n').trim()).toString(36);

/** Of what a document says, however it is laid out as text. */
export const documentMark = (document: MotionDocument): string =>
  fingerprint(JSON.stringify(document)).toString(36);

/** The block of a page in a file; null where there is none. A mark without its other half is told, so that nothing is written over. */
export function findBlock(file: string, name: string): Block | Broken | null {
  const begins = [...file.matchAll(new RegExp(BEGIN(name), 'g'))];
  const ends = [...file.matchAll(new RegExp(END(name), 'g'))];
  if (begins.length === 0 && ends.length === 0) return null;
  if (begins.length !== 1 || ends.length !== 1 || itemAt(ends, 0).index < itemAt(begins, 0).index)
    return {
      broken: `The marks of “${blockName(name)}” are incomplete: there has to be one “lyvek begin” comment and one “lyvek end” comment after it. Put the missing one back, or take both out.`,
    };
  const [begin, end] = [itemAt(begins, 0), itemAt(ends, 0)];
  const body = file.slice(begin.index + begin[0].length, end.index).replace(/^\r?\n|\r?\n$/g, '');
  return {
    body,
    revision: Number(begin[1]),
    edited: mark(body) !== begin[2],
    source: begin[3] ?? null,
    from: begin.index,
    to: end.index + end[0].length,
  };
}

const NOTES = {
  'read back': 'Edit it, it is read back while lyvek sync runs',
  'written only': 'Lyvek writes it; edits are not read back',
};

export interface BlockText {
  revision: number;
  document: MotionDocument;
  body: string;
  /** text that from now on stands behind the block */
  after?: string;
  edits?: keyof typeof NOTES;
}

const written = (name: string, { revision, document, body, edits = 'read back' }: BlockText): string =>
  `/* lyvek begin: ${blockName(name)}, revision ${revision}, ${mark(body)}-${documentMark(document)}. ${NOTES[edits]}. */\n${body.trim()}\n/* lyvek end: ${blockName(name)} */`;

/** The file with its block as it is now, or with one at its end. */
export function putBlock(file: string, name: string, what: BlockText): string | Broken {
  const known = findBlock(file, name);
  if (known && 'broken' in known) return known;
  const lines = file.includes('\r\n')
    ? (text: string) => text.replace(/\r?\n/g, '\r\n')
    : (text: string) => text;
  const text = lines(written(name, what) + (what.after ? `\n\n${what.after.trim()}` : ''));
  if (known) return file.slice(0, known.from) + text + file.slice(known.to);
  if (file === '') return lines(`${text}\n`);
  return file + lines(`${/\n\s*\n$/.test(file) ? '' : file.endsWith('\n') ? '\n' : '\n\n'}${text}\n`);
}
