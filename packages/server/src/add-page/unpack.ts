/** Files of a zip, with every limit kept before anything is inflated and again while it is. */
import { crc32 } from 'node:zlib';
import { Unzip, UnzipInflate } from 'fflate';
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
  const crcs = new Map(directory.map((e) => [e.name, e.crc]));
  const paths = new Set<string>();
  const files: PageFile[] = [];
  let total = 0;
  let ended = 0;
  let entries = 0;
  let failure: Error | null = null;
  const unzip = new Unzip((file) => {
    entries++;
    const path = safePath(file.name);
    const skip = file.name.endsWith('/') || path === '' || isClutter(path);
    if (!skip && paths.has(path))
      failure ??= refuse('Twice the same file', `“${path}” is in the zip twice. Pack it again.`);
    paths.add(path);
    const chunks: Uint8Array[] = [];
    let size = 0;
    let crc = 0;
    file.ondata = (error, chunk, final) => {
      if (failure) return;
      if (error) {
        failure = refuse('Damaged zip', `“${path}” cannot be unpacked: ${error.message}. Pack it again.`);
        return;
      }
      size += chunk.length;
      total += chunk.length;
      if (total > LIMITS.unpackedBytes)
        failure = refuse(
          'Unpacks too large',
          `Unpacked it is larger than ${megabytes(LIMITS.unpackedBytes)}, the limit.`,
          413,
        );
      else if (total > LIMITS.ratioFrom && total > zip.length * LIMITS.ratio)
        failure = refuse(
          'Unpacks too large',
          `Unpacked it is more than ${LIMITS.ratio} times as large as the zip, the limit.`,
          413,
        );
      else if (file.size && size > 1e6 && size > file.size * LIMITS.ratio)
        failure = refuse(
          'Unpacks too large',
          `“${path}” grows to more than ${LIMITS.ratio} times its packed size, the limit.`,
          413,
        );
      if (failure) {
        file.terminate();
        return;
      }
      chunks.push(chunk);
      crc = crc32(chunk, crc);
      if (!final) return;
      ended++;
      if (crc !== crcs.get(file.name)) {
        failure = refuse(
          'Damaged zip',
          `“${path}” is not what was packed: its checksum differs. Pack it again.`,
        );
        return;
      }
      if (!skip) files.push({ path, bytes: Buffer.concat(chunks) });
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    const step = 1 << 16;
    for (let at = 0; at < zip.length && !failure; at += step)
      unzip.push(zip.subarray(at, at + step), at + step >= zip.length);
  } catch (error) {
    failure ??=
      error instanceof Problem
        ? error
        : refuse('Damaged zip', `The zip cannot be unpacked: ${(error as Error).message}. Pack it again.`);
  }
  if (failure) throw failure;
  if (ended < entries || entries < announced)
    throw refuse('Not a whole zip', 'Some files in the zip are cut off. Pack it again.');
  return withoutCommonFolder(files);
}

/** A folder packed as a whole arrives one level down; root-absolute links mean that folder. */
function withoutCommonFolder(files: PageFile[]): PageFile[] {
  const first = files[0]?.path.split('/')[0];
  const inOneFolder = files.length > 0 && files.every((f) => f.path.startsWith(`${first}/`));
  return inOneFolder
    ? withoutCommonFolder(files.map((f) => ({ ...f, path: f.path.slice(present(first).length + 1) })))
    : files;
}
