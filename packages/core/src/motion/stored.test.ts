/** Documents as earlier commits wrote them: whatever somebody has stored can be opened. */
import { itemAt } from '../assert/index.ts';
import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { readDocument } from './schema.ts';

const FOLDER = new URL('../../../../e2e/fixtures/documents/', import.meta.url);
const names = readdirSync(FOLDER);

test('there are documents of every earlier form', () => expect(names.length).toBeGreaterThanOrEqual(10));

test.each(names)('%s is read, and written again it is the same', (name) => {
  const json = JSON.parse(readFileSync(new URL(name, FOLDER), 'utf8')) as { motions: unknown[] };
  const first = readDocument(json);
  if (!first.ok) throw new Error(JSON.stringify(first.problems.slice(0, 3)));
  expect(first.document.motions).toHaveLength(json.motions.length);
  expect(readDocument(JSON.parse(JSON.stringify(first.document)))).toEqual(first);
});

test('a document of a newer version is refused in words', () => {
  const read = readDocument({ format: 'lyvek-document', version: 7, scenes: [] });
  expect(read.ok).toBe(false);
  if (!read.ok) expect(itemAt(read.problems, 0).message).toMatch(/version 7.*newer Lyvek/);
});
