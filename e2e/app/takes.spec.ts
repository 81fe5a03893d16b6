/** Takes as people use them: a second one beside the first, differences taken over, one of them kept, revisions, pictures. */
import { itemAt, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { makeDocument, motion } from '@lyvek/core/testing';
import { addNew, addPage, base, cardZip } from '../support/app.ts';

const rise = (from: string) =>
  motion({
    id: 'm_pear',
    name: 'Pear',
    targets: { selector: '#pear' },
    keyframes: {
      translate: [
        { at: '0%', value: from },
        { at: '100%', value: '0 0' },
      ],
    },
    range: { start: 'entry 0%', end: 'contain 50%' },
  });
const fade = motion({ id: 'm_plum', name: 'Plum', targets: { selector: '#plum' } });

async function page2(page: Page) {
  const { request } = page.context();
  const id = await addNew(request, `Takes ${Date.now()}`, cardZip());
  const make = async (document: object, madeFrom?: object) =>
    (await (
      await request.post(`${base}/api/pages/${id}/takes`, {
        data: { document, ...(madeFrom ? { madeFrom } : {}) },
      })
    ).json()) as { id: string; name: string };
  const whole = (await (await request.get(`${base}/api/pages/${id}`)).json()) as { takes: { id: string }[] };
  // The empty take that a page comes with would only be in the way.
  const first = await make(makeDocument(rise('0 96px'), fade));
  await request.delete(`${base}/api/takes/${itemAt(whole.takes, 0).id}`);
  const second = await make(makeDocument(rise('0 300px')), { takeId: first.id, revision: 1 });
  return { id, first, second };
}
const shown = async (page: Page) => {
  await expect(page.locator('.takes .seen-page[data-link=ready]')).toHaveCount(11, { timeout: 30_000 });
  await expect(page.locator('.takes-figures')).toHaveAttribute('aria-busy', 'false', { timeout: 30_000 });
};
/** Where the pear card stands in a frame of the screen, px of its own page. */
const pearIn = (page: Page, title: RegExp) =>
  page
    .frames()
    .filter((f) => f !== page.mainFrame())
    .reduce<Promise<number | null>>(async (found, f) => {
      const known = await found;
      if (known !== null) return known;
      const frame = await f.frameElement();
      return title.test((await frame.getAttribute('title')) ?? '')
        ? f.locator('#pear').evaluate((e) => e.getBoundingClientRect().top)
        : null;
    }, Promise.resolve(null));
const differing = (page: Page) => page.locator('.takes-differ li > button');
const documentIn = async (page: Page, id: string) =>
  (
    (await (await page.context().request.get(`${base}/api/takes/${id}`)).json()) as {
      document: ReturnType<typeof makeDocument>;
    }
  ).document;

test('two takes beside each other: real pages at the same offsets, what differs, and where', async ({
  page,
}) => {
  const { id, first, second } = await page2(page);
  await page.goto(`${base}/pages/${id}/takes?take=${second.id}`);
  await shown(page);
  await expect(page.locator('.side-head').first()).toContainText(first.name);
  await expect(page.locator('.side-head').last()).toContainText(`made from ${first.name}`);
  await expect(differing(page)).toHaveText([/Pear\s*translate from 96px → 300px/, /Plum\s*fade in → none/]);

  // It opens where they differ most, and there the real cards stand apart, where each take has them.
  const at = Number(
    present(/at (\d+) px/.exec(present(await page.locator('.wipe > iframe').getAttribute('title'))))[1],
  );
  await expect
    .poll(
      async () =>
        present(await pearIn(page, new RegExp(`^${second.name} at`))) -
        present(await pearIn(page, new RegExp(`^${first.name} at`))),
    )
    .toBeGreaterThan(20);
  expect(await page.locator('.difference-mark').count()).toBeGreaterThan(3);
  await expect(page.locator('.over-apart')).toHaveText(/apart/);

  // Keys walk the pictures and move the edge; a held letter shows one of them whole.
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('.wipe > iframe')).not.toHaveAttribute('title', `${second.name} at ${at} px`);
  const edge = page.getByRole('slider', { name: 'How much of the left take is shown' });
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(edge).toHaveAttribute('aria-valuenow', '61');
  await page.keyboard.down('b');
  await expect(page.locator('.wipe-a')).toHaveCSS('clip-path', 'inset(0px 100% 0px 0px)');
  await page.keyboard.up('b');
  await expect(page.locator('.wipe-a')).toHaveCSS('clip-path', 'inset(0px 39% 0px 0px)');
  const box = present(await page.locator('.wipe').boundingBox());
  const grip = present(await edge.boundingBox());
  await page.mouse.move(grip.x + grip.width / 2, box.y + 80);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 4, box.y + 90, { steps: 5 });
  await page.mouse.up();
  await expect(edge).toHaveAttribute('aria-valuenow', '25');

  // One wheel notch over the enlarged page moves both by one notch.
  const before = Number(
    present(/at (\d+) px/.exec(present(await page.locator('.wipe > iframe').getAttribute('title'))))[1],
  );
  await page.mouse.wheel(0, -100);
  await expect(page.locator('.wipe > iframe')).toHaveAttribute(
    'title',
    `${second.name} at ${before - 100} px`,
  );
});

test('what differs is taken over by dragging or by a button, each way, and undone', async ({ page }) => {
  const { id, first, second } = await page2(page);
  await page.goto(`${base}/pages/${id}/takes?take=${second.id}`);
  await shown(page);
  const row = differing(page).filter({ hasText: 'Plum' });
  const strip = present(await page.locator('[data-strip=b]').boundingBox());
  await row.hover();
  await page.mouse.down();
  await page.mouse.move(strip.x + 60, strip.y + 200, { steps: 6 });
  await page.mouse.up();
  await expect(differing(page)).toHaveCount(1);
  await expect
    .poll(async () => (await documentIn(page, second.id)).motions.map((m) => m.name))
    .toEqual(['Pear', 'Plum']);

  await differing(page).filter({ hasText: 'Pear' }).click();
  await page.getByRole('button', { name: 'As in B' }).click();
  await expect(page.getByText('Nothing differs')).toBeVisible();
  const pear = async () =>
    itemAt(present(itemAt((await documentIn(page, first.id)).motions, 0).keyframes.translate), 0).value;
  await expect.poll(pear).toBe('0 300px');
  await page.getByRole('status').getByRole('button', { name: 'Undo' }).last().click();
  await expect.poll(pear).toBe('0 96px');
  await expect(differing(page)).toHaveCount(1);
});

test('keeping one puts the other away, from where it comes back; both notes lead somewhere', async ({
  page,
}) => {
  const { id, first, second } = await page2(page);
  await page.goto(`${base}/pages/${id}/takes?take=${second.id}`);
  await shown(page);
  await page.getByRole('button', { name: 'Keep B', exact: true }).click();
  await expect(page).toHaveURL(new RegExp(`/pages/${id}\\?take=${second.id}$`));
  await expect(page.getByText(`${second.name} is kept, ${first.name} was deleted.`)).toBeVisible();
  await page.getByRole('link', { name: 'Takes', exact: true }).click();
  await expect(
    page.getByRole('heading', { name: `${second.name} is the only take of this page` }),
  ).toBeVisible();
  // Deleted twice over: the empty first take of the page, and the one just given up.
  await page
    .getByRole('button', { name: new RegExp(`^${first.name}\\s*restore`) })
    .first()
    .click();
  await expect(page.locator('.side-head').first()).toContainText(first.name);
  await expect(differing(page)).toHaveCount(2);
});

test('an earlier revision is compared and restored, and that is one act', async ({ page }) => {
  const { id, second } = await page2(page);
  const { request } = page.context();
  const put = await request.put(`${base}/api/takes/${second.id}/document`, {
    data: makeDocument(rise('0 20px')),
    headers: { 'if-match': '"1"', 'x-edit-id': crypto.randomUUID() },
  });
  expect(put.status()).toBe(200);
  await page.goto(`${base}/pages/${id}/takes?take=${second.id}`);
  await shown(page);
  await page.getByRole('button', { name: 'Compare with' }).click();
  await page.getByRole('button', { name: /^rev 1,/ }).click();
  await shown(page);
  await expect(differing(page)).toHaveText([/Pear\s*translate from 300px → 20px/]);
  await page.getByRole('button', { name: 'Restore this revision' }).click();
  await expect(page.getByText('Nothing differs')).toBeVisible();
  await expect(page.locator('.save-state')).toHaveText(/Saved · rev 3/);
  const value = async () =>
    itemAt(present(itemAt((await documentIn(page, second.id)).motions, 0).keyframes.translate), 0).value;
  await expect.poll(value).toBe('0 300px');
  await page.keyboard.press('Control+z');
  await expect.poll(value).toBe('0 20px');
  // Each revision says what was done.
  await page.reload();
  await page.getByRole('button', { name: 'Compare with' }).click();
  await expect(page.getByRole('button', { name: /^rev 3,/ })).toContainText(/restore|as it was/i);
});

const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

test('pictures stand at their offsets; what is no picture is refused', async ({ page }) => {
  const { id, second } = await page2(page);
  await page.goto(`${base}/pages/${id}/takes?take=${second.id}`);
  await shown(page);
  await page.getByRole('button', { name: 'Compare with' }).click();
  await page.getByRole('button', { name: 'New reference of pictures …' }).click();
  await page.getByLabel('What the pictures show').fill('The designer’s idea');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'The designer’s idea' })).toBeVisible();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add pictures' }).click(),
  ]);
  const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/png', buffer });
  await chooser.setFiles([file('idea 300.png', PICTURE), file('idea 900.png', PICTURE)]);
  await expect(page.getByLabel('Offset of the picture at 300 px')).toHaveValue('300');
  const second_ = page.getByLabel('Offset of the picture at 900 px');
  await second_.fill('700');
  await second_.press('Enter');
  await expect(page.getByLabel('Offset of the picture at 700 px')).toBeVisible();
  await page.getByRole('button', { name: 'Show' }).last().click();
  await expect(page.locator('.wipe-a img')).toHaveAttribute('alt', 'The designer’s idea at 700 px');

  const [again] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add pictures' }).click(),
  ]);
  await again.setFiles([file('bad.png', Buffer.from('<svg onload="alert(1)"/>'))]);
  await expect(page.getByText('A picture is a PNG, a JPEG or a WebP file.')).toBeVisible();
  await page.getByRole('button', { name: 'Remove' }).last().click();
  await expect(page.getByRole('button', { name: 'Remove' })).toHaveCount(1);
});

test('a take of another page stands beside as it is, measured in its own frame', async ({ page }) => {
  const { id, second } = await page2(page);
  const { request } = page.context();
  const { project } = (await (await request.get(`${base}/api/pages/${id}`)).json()) as {
    project: { id: string };
  };
  const other = await addPage(request, project.id, cardZip());
  const { takes } = (await (await request.get(`${base}/api/pages/${other}`)).json()) as {
    takes: { id: string }[];
  };
  await page.goto(`${base}/pages/${id}/takes?take=${second.id}&beside=take.${itemAt(takes, 0).id}`);
  await shown(page);
  await expect(page.getByText('These are different pages')).toBeVisible();
  await expect(page.locator('.takes-keep')).toContainText('both stay as they are');
  await expect(page.locator('.takes-figures tbody tr').first()).toContainText(/Page length[\d, px]+=/);
  const layouts = async () =>
    ((await (await request.get(`${base}/api/pages/${other}`)).json()) as { layouts: object[] }).layouts
      .length;
  await expect.poll(layouts).toBe(1);
});
