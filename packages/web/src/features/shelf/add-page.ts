/** What people drop or choose becomes one upload: a zip for several files, the file itself for one. */
import { itemAt, present } from '@lyvek/core';
import { zipSync } from 'fflate';

export interface Upload {
  name: string;
  body: Blob;
}

/** Limits of the server, said before anything is sent. */
const MAX_BYTES = 100e6;
const MAX_FILES = 2000;

const withoutEnding = (name: string) => name.replace(/\.(zip|html?|xhtml)$/i, '');

export interface NamedFile {
  path: string;
  file: File;
}

/** One upload of files with paths; refuses what the server would refuse anyway. */
export async function makeUpload(files: readonly NamedFile[]): Promise<Upload> {
  if (files.length === 0) throw new Error('There is nothing in it. Choose an HTML file, a folder or a zip.');
  if (files.length > MAX_FILES)
    throw new Error(`These are ${files.length} files; the limit is ${MAX_FILES}.`);
  const size = files.reduce((sum, f) => sum + f.file.size, 0);
  if (size > MAX_BYTES * 3)
    throw new Error(`Together the files have ${Math.round(size / 1e6)} MB; the limit is 300 MB.`);
  const [only] = files;
  if (files.length === 1 && /\.(zip|html?|xhtml)$/i.test(present(only).file.name)) {
    const zip = /\.zip$/i.test(present(only).file.name);
    if (size > MAX_BYTES)
      throw new Error(`It has ${Math.round(size / 1e6)} MB; the limit for a zip is 100 MB.`);
    return {
      name: withoutEnding(present(only).file.name),
      body: present(only).file.slice(0, size, zip ? 'application/zip' : 'text/html'),
    };
  }
  const entries: Record<string, Uint8Array> = {};
  for (const f of files) entries[f.path] = new Uint8Array(await f.file.arrayBuffer());
  const name = itemAt(itemAt(files, 0).path.split('/'), 0);
  return {
    name: withoutEnding(name),
    body: new Blob([zipSync(entries, { level: 1 }) as Uint8Array<ArrayBuffer>], { type: 'application/zip' }),
  };
}

export const fromList = (list: FileList): NamedFile[] =>
  [...list].map((file) => ({ file, path: file.webkitRelativePath || file.name }));

/** Files of a drop, folders opened. Not every source offers entries; then the plain file does. */
export async function fromDrop(items: DataTransferItemList): Promise<NamedFile[]> {
  const out: NamedFile[] = [];
  const entries: FileSystemEntry[] = [];
  // Both can only be asked for before the event is over.
  for (const item of [...items].filter((i) => i.kind === 'file')) {
    const entry = item.webkitGetAsEntry();
    const file = entry ? null : item.getAsFile();
    if (entry) entries.push(entry);
    if (file) out.push({ file, path: file.name });
  }
  const walk = async (entry: FileSystemEntry): Promise<void> => {
    if (out.length > MAX_FILES) return;
    if (entry.isFile) {
      const file = await new Promise<File>((ok, no) => (entry as FileSystemFileEntry).file(ok, no));
      out.push({ file, path: entry.fullPath.replace(/^\//, '') });
      return;
    }
    const reader = (entry as FileSystemDirectoryEntry).createReader();
    for (;;) {
      const some = await new Promise<FileSystemEntry[]>((ok, no) => reader.readEntries(ok, no));
      if (some.length === 0) return;
      for (const e of some) await walk(e);
    }
  };
  for (const e of entries) await walk(e);
  return out;
}
