/** The texts that say whether an answer is still right: each change of what it shows makes another one, and nothing else does. */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { emptyDocument, emptyLayout } from '@lyvek/core';
import { putLayout } from './layouts.ts';
import { createPage, findPageState, pageById, renamePage, setPageDeleted, setPageOutside } from './pages.ts';
import { createProject, findShelfState, renameProject, setProjectDeleted } from './projects.ts';
import { appendRevision } from './revisions.ts';
import { createTake, renameTake, setTakeDeleted } from './takes.ts';
import { useDatabase } from './testing.ts';

const db = useDatabase();
const SIZE = { width: 800, height: 600 };
const files = [{ path: 'index.html', bytes: Buffer.from('x') }];
let project: string;
let page: string;
let take: string;
beforeAll(async () => {
  project = await createProject(db(), 'Almanac');
  page = (await createPage(db(), project, { name: 'Home', entry: 'index.html', files })).id;
  take = (await createTake(db(), page, 'Take A', emptyDocument())).id;
});
const states = async () => [await findShelfState(db(), project), await findPageState(db(), page)];
const layout = async () =>
  putLayout(db(), page, (await pageById(db(), page))!.contentHash, emptyLayout(SIZE));

describe('the shelf and an opened page', () => {
  test.each<[string, () => Promise<unknown>]>([
    ['its project is renamed', () => renameProject(db(), project, 'Other')],
    ['it is renamed', () => renamePage(db(), page, 'Start')],
    ['it may reach other hosts', () => setPageOutside(db(), page, true)],
    ['it is measured', layout],
    ['it is measured again', layout],
    ['a take is added', () => createTake(db(), page, 'Take B', emptyDocument())],
    ['a take is renamed', () => renameTake(db(), take, 'Take C')],
    [
      'a take is edited',
      () => appendRevision(db(), take, 1, { document: emptyDocument() }, { editId: randomUUID() }),
    ],
    ['a take is put away', () => setTakeDeleted(db(), take, true)],
    ['a take comes back', () => setTakeDeleted(db(), take, false)],
    ['another page is added', () => createPage(db(), project, { name: 'Two', entry: 'index.html', files })],
  ])('are told anew when %s', async (_what, change) => {
    const before = await states();
    expect(await states()).toEqual(before);
    await change();
    const after = await states();
    after.forEach((state, i) => expect(state).not.toBe(before[i]));
  });

  test('the shelf is told anew when a trial has ended there', async () => {
    const before = await findShelfState(db(), project);
    await db().query(
      `insert into trials (id, page_id, take_id, revision, document, kind, setup, state)
       values ($1, $2, $3, 1, '{}', 'lab', '{}', 'done')`,
      [randomUUID(), page, take],
    );
    expect(await findShelfState(db(), project)).not.toBe(before);
  });

  test('what is elsewhere changes nothing', async () => {
    const before = await states();
    const other = await createProject(db(), 'Elsewhere');
    await createPage(db(), other, { name: 'Home', entry: 'index.html', files });
    expect(await states()).toEqual(before);
  });

  test('have none once they are gone', async () => {
    await setPageDeleted(db(), page, true);
    expect(await findPageState(db(), page)).toBeUndefined();
    await setProjectDeleted(db(), project, true);
    expect(await findShelfState(db(), project)).toBeUndefined();
  });
});
