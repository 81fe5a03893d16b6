/** What a zip says of itself at its end (APPNOTE 6.3, 4.3.12 and 4.3.16). */
import { present } from '@lyvek/core';
import { Problem } from '../http/problem.ts';

export interface Announced {
  name: string;
  crc: number;
  encrypted: boolean;
}

const END_OF_DIRECTORY = 0x06054b50;
const ENTRY = 0x02014b50;
const ENCRYPTED = 1;
const UTF8 = 0x800;

const notWhole = () =>
  new Problem(
    422,
    'Not a whole zip',
    'The zip has no directory at its end: it was cut off or is not a zip. Pack it again.',
  );

/** Entries in the order of the directory. Without a whole directory the file was cut off, which is thrown as a problem. */
export function findDirectory(zip: Uint8Array): Announced[] {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  const text = { utf8: new TextDecoder('utf-8'), latin1: new TextDecoder('latin1') };
  let end = zip.length - 22;
  const first = Math.max(0, end - 65_535);
  while (end >= first && view.getUint32(end, true) !== END_OF_DIRECTORY) end--;
  if (end < first) throw notWhole();
  const out: Announced[] = [];
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  for (let i = 0; i < count; i++) {
    if (at + 46 > zip.length || view.getUint32(at, true) !== ENTRY) throw notWhole();
    const flags = view.getUint16(at + 8, true);
    const [nameLength, extra, comment] = [28, 30, 32].map((o) => view.getUint16(at + o, true));
    const name = zip.subarray(at + 46, at + 46 + present(nameLength));
    out.push({
      name: (flags & UTF8 ? text.utf8 : text.latin1).decode(name),
      crc: view.getUint32(at + 16, true),
      encrypted: (flags & ENCRYPTED) !== 0,
    });
    at += 46 + present(nameLength) + present(extra) + present(comment);
  }
  return out;
}
