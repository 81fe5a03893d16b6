/** A brought page: from a zip or from one HTML text. */
import { toTitle, present } from '@lyvek/core';
import { Problem } from '../http/problem.ts';
import type { PageFile } from '../store/pages.ts';
import { chooseEntry } from './entry.ts';
import { LIMITS, megabytes } from './limits.ts';
import { unpack } from './unpack.ts';

export interface Brought {
  files: PageFile[];
  entry: string;
  title: string | null;
}

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

export function pageFrom(bytes: Uint8Array, type: string, wanted?: string): Brought {
  if (bytes.length === 0) throw new Problem(422, 'Nothing in it', 'The file is empty.');
  const zip = type.includes('zip') || isZip(bytes);
  if (!zip && bytes.length > LIMITS.htmlBytes)
    throw new Problem(
      413,
      'HTML too large',
      `The HTML has ${megabytes(bytes.length)}; the limit for one HTML file is ${megabytes(LIMITS.htmlBytes)}.`,
    );
  const files = zip ? unpack(bytes) : [{ path: 'index.html', bytes }];
  const entry = chooseEntry(files, wanted);
  const html = Buffer.from(present(files.find((f) => f.path === entry)).bytes).toString('utf8');
  if (!zip && !/<[a-z!]/i.test(html))
    throw new Problem(
      422,
      'No HTML',
      'There is no HTML in this text. Paste the source of a page, with its tags.',
    );
  return { files, entry, title: toTitle(html) };
}
