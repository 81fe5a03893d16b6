/** Files of the project: read as they stand, replaced as a whole, and what that changed as a patch. */
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { basename, dirname, join, relative } from 'node:path';
import { createTwoFilesPatch } from 'diff';
import { BadInput } from '../errors.ts';

/** Empty where there is none. */
export const readFile = (path: string): string => (existsSync(path) ? readFileSync(path, 'utf8') : '');

/** Whole or not at all: beside the file, then in its place. */
export function replaceFile(path: string, text: string): void {
  const target = existsSync(path) ? realpathSync(path) : path;
  const part = join(dirname(target), `.${basename(target)}.${process.pid}.part`);
  try {
    mkdirSync(dirname(target), { recursive: true });
    const file = openSync(part, 'w', existsSync(target) ? statSync(target).mode : 0o644);
    writeSync(file, text);
    fsyncSync(file);
    closeSync(file);
    renameSync(part, target);
  } catch (error) {
    rmSync(part, { force: true });
    throw new BadInput((error as Error).message, path);
  }
}

/** A unified diff that `git apply` takes, from the folder where the command runs. */
export function patchText(path: string, before: string, after: string): string {
  const shown = relative(process.cwd(), path).replaceAll('\\', '/');
  const [from, to] = [before === '' ? '/dev/null' : `a/${shown}`, `b/${shown}`];
  return createTwoFilesPatch(from, to, before, after, undefined, undefined, { context: 3 }).replace(
    /^=+\n/,
    '',
  );
}
