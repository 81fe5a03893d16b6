/** A hand-off as files: the page with its style sheet linked, and everything else as it was brought. */
import { OWN_FILES, withoutTaken } from '@lyvek/core';
import type { Assembled, HandOffPage, MotionDocument } from '@lyvek/core';
import { readTexts } from '../add-page/texts.ts';
import type { PageFile } from '../store/pages.ts';

export function handOffPage(page: { name: string; entry: string }, files: readonly PageFile[]): HandOffPage {
  const fileAt = readTexts(files);
  const bytes = files.find((f) => f.path === page.entry)?.bytes ?? new Uint8Array();
  // HTML in another encoding goes as it reads; browsers were told that encoding by the page, and are still.
  return {
    name: page.name,
    entry: page.entry,
    html: fileAt(page.entry) ?? Buffer.from(bytes).toString('utf8'),
    fileAt,
  };
}

/** Every file of the result by path. `built` reads one of the built scripts. */
export function handedOff(
  files: readonly PageFile[],
  entry: string,
  { sheet, css, script, runtimes, html, pageFiles }: Assembled,
  built: (file: string) => Uint8Array,
): Map<string, Uint8Array> {
  const text = new TextEncoder();
  const out = new Map(files.map((f) => [f.path, new Uint8Array(f.bytes)]));
  for (const { path, after } of pageFiles) out.set(path, text.encode(after));
  // A page under development keeps its HTML to itself.
  if (entry !== '') out.set(entry, text.encode(html.text));
  out.set(sheet.path, text.encode(css));
  if (script) {
    out.set(script.path, text.encode(script.text));
    for (const one of runtimes)
      out.set(script.path.replace(script.href, OWN_FILES[one]), new Uint8Array(built(`${one}.js`)));
  }
  return out;
}

/** A page’s files without what a document has taken over from them. */
export function filesWithoutTaken(
  page: { name: string; entry: string },
  files: readonly PageFile[],
  taken: MotionDocument['importedRules'],
): Map<string, Uint8Array> {
  const { entry, html, fileAt } = handOffPage(page, files);
  const out = new Map(files.map((f) => [f.path, new Uint8Array(f.bytes)]));
  for (const [path, { text }] of withoutTaken(entry, html, fileAt, taken))
    out.set(path, new TextEncoder().encode(text));
  return out;
}
