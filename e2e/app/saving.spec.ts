/** Acknowledged work survives everything; what is not yet acknowledged is kept and sent again. */
import { present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import {
  addNew,
  base,
  cardZip,
  openNew,
  openRundown,
  pick,
  postmasterPid,
  saved,
  serverPid,
} from '../support/app.ts';
import { FULL } from '../support/full.ts';
import { dwell, elapse, latency } from '../support/time.ts';

test.describe.configure({ mode: 'serial' });

async function addReveal(page: Page, target = 'h1'): Promise<void> {
  await page.bringToFront();
  await pick(page, target);
  await page.keyboard.press('a');
  await page.keyboard.press('Enter');
  await expect(page.locator('.inspector-name')).toBeVisible();
}

const takeOf = async (request: APIRequestContext, pageId: string) => {
  const { takes } = await (await request.get(`${base}/api/pages/${pageId}`)).json();
  return (await request.get(`${base}/api/takes/${takes[0].id}`)).json() as Promise<{
    id: string;
    revision: number;
    document: { motions: { name: string }[] };
  }>;
};

test('two tabs: the slower one is told, and keeps its version as a take of its own', async ({
  context,
  request,
}) => {
  const id = await addNew(request, 'Two tabs', cardZip());
  const [one, two] = [await context.newPage(), await context.newPage()];
  await openRundown(one, id);
  await openRundown(two, id);
  await addReveal(one);
  await saved(one);
  await addReveal(two, 'h2');
  await expect(two.locator('.banner')).toContainText('changed in another tab');
  await two.getByRole('button', { name: 'Keep mine as a new take' }).click();
  await expect(two.getByRole('button', { name: 'Take: Take B' })).toBeVisible();
  await expect(two.locator('.bar')).toHaveCount(1);
  const { takes } = await (await request.get(`${base}/api/pages/${id}`)).json();
  expect(takes.map((t: { name: string }) => t.name)).toEqual(['Take A', 'Take B']);
});

test('two tabs: or it loads theirs', async ({ context, request }) => {
  const id = await addNew(request, 'Theirs', cardZip());
  const [one, two] = [await context.newPage(), await context.newPage()];
  await openRundown(one, id);
  await openRundown(two, id);
  await addReveal(one);
  await saved(one);
  await addReveal(two, 'h2');
  await two.getByRole('button', { name: 'Load theirs' }).click();
  await saved(two);
  await two.locator('.bar-grip').click();
  await expect(two.locator('.inspector-name')).toContainText('Orchard prices');
});

test('a retry of an edit that has arrived is answered as the first time', async ({ request }) => {
  const id = await addNew(request, 'Retry', cardZip());
  const take = await takeOf(request, id);
  const put = (edit: string, match: string) =>
    request.put(`${base}/api/takes/${take.id}/document`, {
      data: take.document,
      headers: { 'if-match': match, 'x-edit-id': edit },
    });
  const edit = '3f0e7f5e-2b7a-4a8e-9b46-1d9d0a9b7c01';
  expect(await (await put(edit, '"1"')).json()).toEqual({ revision: 2 });
  expect(await (await put(edit, '"1"')).json()).toEqual({ revision: 2 });
  const behind = await put('3f0e7f5e-2b7a-4a8e-9b46-1d9d0a9b7c02', '"1"');
  expect([behind.status(), (await behind.json()).revision]).toEqual([412, 2]);
  expect((await put('3f0e7f5e-2b7a-4a8e-9b46-1d9d0a9b7c03', 'two')).status()).toBe(422);
});

for (const victim of ['server', 'database'] as const)
  test(`kill -9 of the ${victim} in the middle of editing loses nothing, and the interface recovers by itself`, async ({
    page,
    request,
  }) => {
    const id = await openNew(page, request, `Kill ${victim}`, cardZip());
    await addReveal(page);
    await saved(page);
    process.kill(victim === 'server' ? serverPid() : postmasterPid(), 'SIGKILL');
    // Edits go on while it is away.
    await page.keyboard.press('Control+d');
    await page.keyboard.press('m');
    await expect(page.locator('.bar')).toHaveCount(2);
    await expect(page.locator('.save-state')).toHaveText(/^Saved/, { timeout: 20_000 });
    await expect.poll(async () => (await takeOf(request, id)).document.motions.length).toBe(2);
    await page.reload();
    await expect(page.locator('.bar')).toHaveCount(2);
    await expect(page.locator('.bar.muted')).toHaveCount(1);
  });

test('an edit that never reached the server survives a reload', async ({ page, request }) => {
  const id = await openNew(page, request, 'Offline', cardZip());
  await page.route('**/document?*', (route) => route.abort());
  await addReveal(page);
  await expect(page.locator('.save-state')).toHaveText('Offline, kept here');
  expect((await takeOf(request, id)).document.motions).toHaveLength(0);
  await page.unroute('**/document?*');
  await page.reload();
  await expect(page.locator('.bar')).toHaveCount(1);
  await saved(page);
  expect((await takeOf(request, id)).document.motions).toHaveLength(1);
});

const away = (page: Page) =>
  page.route('**/document?*', (route) =>
    route.fulfill({
      status: 503,
      contentType: 'application/problem+json',
      body: '{"title":"Away","status":503,"detail":"Away for a moment."}',
    }),
  );
/** Hands have pauses, and reload in the middle of them. */
const press = async (page: Page, keys: readonly string[], pause: number) => {
  for (const key of keys) {
    await page.keyboard.press(key);
    await dwell(page, pause);
  }
};

test(
  'five acts while the server answers 503, the tab closed and opened again: all five are there, each a revision',
  FULL,
  async ({ context, request }) => {
    const id = await addNew(request, 'Five away', cardZip());
    const page = await context.newPage();
    await openRundown(page, id);
    await addReveal(page);
    await saved(page);
    const { revision } = await takeOf(request, id);
    await away(page);
    await press(page, Array<string>(5).fill('Control+d'), 140);
    await expect(page.locator('.bar')).toHaveCount(6);
    await expect(page.locator('.save-state')).toHaveText('Offline, kept here');
    await page.close();
    expect((await takeOf(request, id)).document.motions).toHaveLength(1);
    const again = await context.newPage();
    await openRundown(again, id);
    await expect(again.locator('.bar')).toHaveCount(6);
    await saved(again);
    const take = await takeOf(request, id);
    expect([take.document.motions.length, take.revision]).toEqual([6, revision + 5]);
  },
);

test(
  'two tabs that were both away: one goes on, the other becomes a take of its own',
  FULL,
  async ({ context, request }) => {
    const id = await addNew(request, 'Both away', cardZip());
    const [one, two] = [await context.newPage(), await context.newPage()];
    await openRundown(one, id);
    await addReveal(one);
    await saved(one);
    await openRundown(two, id);
    for (const tab of [one, two]) await away(tab);
    await one.bringToFront();
    await press(one, ['Control+d', 'Control+d'], 120);
    await two.bringToFront();
    await press(two, ['n', 'm'], 160);
    for (const tab of [one, two]) await expect(tab.locator('.save-state')).toHaveText('Offline, kept here');
    await one.close();
    await two.close();
    const again = await context.newPage();
    await openRundown(again, id);
    await saved(again);
    const { takes } = await (await request.get(`${base}/api/pages/${id}`)).json();
    expect(takes.map((t: { name: string }) => t.name).sort()).toEqual([
      'Take A',
      'Take A, edits of another tab',
    ]);
    const documents = await Promise.all(
      takes.map(
        async (t: { id: string }) => (await (await request.get(`${base}/api/takes/${t.id}`)).json()).document,
      ),
    );
    const counts = documents.map(
      (d: { motions: { on: boolean }[] }) => `${d.motions.length} ${d.motions.every((m) => m.on)}`,
    );
    expect(counts.sort()).toEqual(['1 false', '3 true']);
  },
);

test('three quick acts and a reload while the server takes its time: all are there', async ({
  page,
  request,
}) => {
  await openNew(page, request, 'Quick', cardZip());
  await addReveal(page);
  await saved(page);
  await page.route('**/document?*', async (route) => {
    await latency(250);
    await route.continue();
  });
  await press(page, ['Control+d', 'Control+d', 'm'], 30);
  await page.reload();
  await expect(page.locator('.bar')).toHaveCount(3);
  await expect(page.locator('.bar.muted')).toHaveCount(1);
  await saved(page);
});

test('arrow keys and a reload a moment later: the move is kept, and was not called saved before it was', async ({
  page,
  request,
}) => {
  const id = await openNew(page, request, 'Nudges', cardZip());
  await addReveal(page);
  await saved(page);
  const before = (await takeOf(request, id)).document;
  await press(page, ['ArrowDown', 'ArrowDown', 'ArrowDown'], 40);
  await expect(page.locator('.save-state')).toHaveText(/^Saving/);
  const shown = await page.locator('.bar-grip').getAttribute('y');
  await page.reload();
  await saved(page);
  await expect(page.locator('.bar-grip')).toHaveAttribute('y', present(shown));
  expect((await takeOf(request, id)).document).not.toEqual(before);
});

test('what the server will never take is not called offline: it says why, and the next act is taken', async ({
  page,
  request,
}) => {
  await openNew(page, request, 'Refused', cardZip());
  let puts = 0;
  await page.route('**/api/takes/*/document?*', (route) => {
    puts++;
    return route.fulfill({
      status: 500,
      contentType: 'application/problem+json',
      body: JSON.stringify({ title: 'A fault', status: 500, detail: 'It cannot be stored.' }),
    });
  });
  await addReveal(page);
  await expect(page.locator('.save-state')).toHaveText('Not saved');
  await expect(page.locator('.save-state')).toHaveAttribute('title', 'It cannot be stored.');
  await elapse(page, 2500);
  expect(puts).toBe(1);
  await page.unroute('**/api/takes/*/document?*');
  await addReveal(page, 'h2');
  await saved(page);
  await page.reload();
  await expect(page.locator('.inspector .summary').first()).toContainText('2 motions');
});

test('undo goes on after a reload, act by act, and a tab of another browser undoes only its own', async ({
  browser,
  page,
  request,
}) => {
  const id = await openNew(page, request, 'Undo', cardZip());
  for (const target of ['h1', '#pear', '#plum']) await addReveal(page, target);
  await saved(page);
  await page.reload();
  await openRundown(page, id);
  await expect(page.locator('.bar')).toHaveCount(3);
  await dwell(page, 200);
  for (const left of [2, 1]) {
    await page.keyboard.press('Control+z');
    await expect(page.locator('.bar')).toHaveCount(left);
    await saved(page);
  }
  await page.reload();
  await openRundown(page, id);
  await expect(page.locator('.bar')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.bar')).toHaveCount(0);
  await page.keyboard.press('Control+y');
  await expect(page.locator('.bar')).toHaveCount(1);
  await saved(page);
  const other = await (await browser.newContext()).newPage();
  await openRundown(other, id);
  await dwell(other, 200);
  await other.keyboard.press('Control+z');
  await expect(other.locator('.notice')).toContainText('another browser');
  await expect(other.locator('.bar')).toHaveCount(1);
  await other.context().close();
});
