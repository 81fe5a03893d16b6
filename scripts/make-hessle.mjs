/**
 * Makes the demo page “Hessle Loom” in demo/hessle: a weaving mill’s product page that is wrong on purpose. It holds at least one
 * specimen of each mistake that the checks know. The style sheet beside it is written by hand.
 * Run it with: node --import tsx scripts/make-hessle.mjs
 */
import { readFile, writeFile } from 'node:fs/promises';
import { readPage } from '../packages/core/src/index.ts';
import { makeDocument } from './hessle/document.mjs';
import { html } from './hessle/page.mjs';

const OUT = new URL('../demo/hessle/', import.meta.url);
const files = { 'index.html': html, 'styles.css': await readFile(new URL('styles.css', OUT), 'utf8') };
const { document: read, mistakes } = readPage('index.html', html, (path) => files[path] ?? null);
const document = makeDocument(read);
await writeFile(new URL('index.html', OUT), html);
await writeFile(new URL('lyvek.document.json', OUT), `${JSON.stringify(document, null, 2)}\n`);
console.log(`${document.motions.length} motions, ${mistakes.map((m) => m.kind).join(', ')}`);
