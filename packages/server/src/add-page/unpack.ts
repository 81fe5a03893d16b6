/** Files of a zip, with every limit kept before anything is inflated and again while it is. */
import { crc32 } from 'node:zlib';
import { Unzip, UnzipInflate } from 'fflate';
import type { UnzipFile } from 'fflate';
import { ellipsized, shorten, present } from '@lyvek/core';
import { Problem } from '../http/problem.ts';
import type { PageFile } from '../store/pages.ts';
import { findDirectory } from './directory.ts';
import { LIMITS, megabytes } from './limits.ts';

const refuse = (title: string, detail: string, status = 422) => new Problem(status, title, detail);

/** A relative path with forward slashes, or the reason why it may not be one. */
export function safePath(name: string): string {
  const path = name.replaceAll('\\', '/').replace(/^(\.\/)+/, '');
  const parts = path.split('/');
  if (path.length > LIMITS.pathLength)
    throw refuse(
      'Path too long',
      `“${ellipsized(path, 60)}” is longer than ${LIMITS.pathLength} characters.`,
    );
  if (path.startsWith('/') || /^[a-z]:/i.test(path) || parts.includes('..') || path.includes('\0'))
    throw refuse(
      'Path outside the page',
      `“${path}” leads out of the page’s folder. Pack the files with paths below it.`,
    );
  return parts.filter((p) => p !== '' && p !== '.').join('/');
}

const isClutter = (path: string) => /(^|\/)(__MACOSX|\.DS_Store|Thumbs\.db|\.git)(\/|$)/.test(path);

const tooLarge = (detail: string) => refuse('Unpacks too large', detail, 413);
const damaged = (detail: string) => refuse('Damaged zip', `${detail} Pack it again.`);

/** Files as they come out of the stream; the first thing that is wrong ends it. */
class Unpacking {
  readonly files: PageFile[] = [];
  failure: Error | null = null;
  begun = 0;
  ended = 0;
  private total = 0;
  private readonly paths = new Set<string>();

  constructor(
    private readonly packedBytes: number,
    private readonly checksums: ReadonlyMap<string, number>,
  ) {}

  begin(file: UnzipFile): void {
    this.begun++;
    const path = safePath(file.name);
    const skip = file.name.endsWith('/') || path === '' || isClutter(path);
    if (!skip && this.paths.has(path))
      this.failure ??= refuse('Twice the same file', `“${path}” is in the zip twice. Pack it again.`);
    this.paths.add(path);
    const chunks: Uint8Array[] = [];
    let size = 0;
    let crc = 0;
    file.ondata = (error, chunk, final) => {
      if (this.failure) return;
      if (error) {
        this.failure = damaged(`“${path}” cannot be unpacked: ${error.message}.`);
        return;
      }
      size += chunk.length;
      this.total += chunk.length;
      this.failure = this.excess(path, size, file.size);
      if (this.failure) {
        file.terminate();
        return;
      }
      chunks.push(chunk);
      crc = crc32(chunk, crc);
      if (!final) return;
      this.ended++;
      if (crc !== this.checksums.get(file.name))
        this.failure = damaged(`“${path}” is not what was packed: its checksum differs.`);
      else if (!skip) this.files.push({ path, bytes: Buffer.concat(chunks) });
    };
    file.start();
  }

  /** What has become too large, if anything has. */
  private excess(path: string, size: number, packed: number | undefined): Problem | null {
    if (this.total > LIMITS.unpackedBytes)
      return tooLarge(`Unpacked it is larger than ${megabytes(LIMITS.unpackedBytes)}, the limit.`);
    if (this.total > LIMITS.ratioFrom && this.total > this.packedBytes * LIMITS.ratio)
      return tooLarge(`Unpacked it is more than ${LIMITS.ratio} times as large as the zip, the limit.`);
    if (packed && size > 1e6 && size > packed * LIMITS.ratio)
      return tooLarge(`“${path}” grows to more than ${LIMITS.ratio} times its packed size, the limit.`);
    return null;
  }
}

/** Unpacks in a stream, so that a bomb is stopped at the limit and not after it. */
export function unpack(zip: Uint8Array): PageFile[] {
  const directory = findDirectory(zip);
  const announced = directory.length;
  if (announced > LIMITS.files)
    throw refuse('Too many files', `The zip has ${announced} files; the limit is ${LIMITS.files}.`);
  const locked = directory.find((e) => e.encrypted);
  if (locked)
    throw refuse(
      'Encrypted zip',
      `“${shorten(locked.name, 80)}” is locked with a password. Pack the files without one.`,
    );
  const unpacking = new Unpacking(zip.length, new Map(directory.map((e) => [e.name, e.crc])));
  const unzip = new Unzip((file) => unpacking.begin(file));
  unzip.register(UnzipInflate);
  try {
    const step = 1 << 16;
    for (let at = 0; at < zip.length && !unpacking.failure; at += step)
      unzip.push(zip.subarray(at, at + step), at + step >= zip.length);
  } catch (error) {
    unpacking.failure ??=
      error instanceof Problem ? error : damaged(`The zip cannot be unpacked: ${(error as Error).message}.`);
  }
  if (unpacking.failure) throw unpacking.failure;
  if (unpacking.ended < unpacking.begun || unpacking.begun < announced)
    throw refuse('Not a whole zip', 'Some files in the zip are cut off. Pack it again.');
  return withoutCommonFolder(unpacking.files);
}

/** A folder packed as a whole arrives one level down; root-absolute links mean that folder. */
function withoutCommonFolder(files: PageFile[]): PageFile[] {
  const first = files[0]?.path.split('/')[0];
  const inOneFolder = files.length > 0 && files.every((f) => f.path.startsWith(`${first}/`));
  return inOneFolder
    ? withoutCommonFolder(files.map((f) => ({ ...f, path: f.path.slice(present(first).length + 1) })))
    : files;
}
