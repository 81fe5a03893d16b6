/** The pages of the demo, as files. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const folderFor = (name: string) => fileURLToPath(new URL(`../../demo/${name}`, import.meta.url));

/** What a page consists of, without its document and layouts. */
export function listDemoFiles(name: string): { path: string; bytes: Uint8Array }[] {
  const root = folderFor(name);
  return readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && !f.name.startsWith('lyvek.'))
    .map((f) => join(f.parentPath, f.name))
    .map((path) => ({ path: path.slice(root.length + 1), bytes: new Uint8Array(readFileSync(path)) }));
}

export const demoFiles = (name: string): Record<string, Uint8Array> =>
  Object.fromEntries(listDemoFiles(name).map(({ path, bytes }) => [path, bytes]));

export const demoDocument = (name: string): unknown =>
  JSON.parse(readFileSync(join(folderFor(name), 'lyvek.document.json'), 'utf8'));
