/** Pages that reach for the keyboard, the line to the workbench, or other services of this machine. */
import { present } from '@lyvek/core';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { addMotion, addNew, base, html, openNew, openRundown, pick, preview, saved } from '../support/app.ts';
import { elapse } from '../support/time.ts';

const listMotions = async (page: Page) => page.locator('.bar-mark, [data-motion]').count();
const LONG = '<h1>A page</h1><p id="second">Second</p><div style="height:3000px"></div>';

// A key that is pressed while the focus goes to another frame is now and then never acknowledged by the browser: then once more.
test.describe.configure({ retries: 1 });

test('a page that takes the keyboard and greets again edits nothing, and typing goes where it was meant', async ({
  page,
  request,
}) => {
  test.slow();
  const evil = html(`${LONG}<input id="trap"><script>
    addEventListener('message', (e) => { if (e.ports[0]) window.stolen = e.ports[0]; });
    const say = (m) => window.stolen && window.stolen.postMessage(m);
    setInterval(() => {
      parent.postMessage('lyvek-probe-1', '*');
      say({ type: 'ready', late: false, frames: 0 });
      for (const key of ['a', 'Delete', 'Backspace', 'z']) say({ type: 'key', key, shift: false, ctrl: true });
      say({ type: 'picked', element: 1, additive: false, aside: true });
      if (window.steals) { trap.focus(); window.focus(); }
    }, 150);
  </script>`);
  await openNew(page, request, 'Keys', evil);
  await pick(page, 'h1');
  await addMotion(page, 'Fade');
  await saved(page);
  const revision = await page.locator('.save-state').innerText();
  await preview(page)
    .locator('#trap')
    .evaluate(() => void ((window as unknown as { steals: boolean }).steals = true));
  const find = page.locator('[data-find]');
  await find.click();
  await page.keyboard.type('somebody types while it is taken', { delay: 90 });
  // After a few times its scripts are off, and that is said.
  await expect(page.getByText('Its scripts kept taking the keyboard, so they are off')).toBeVisible();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
  await find.fill('');
  await page.keyboard.type('a long name that takes a while', { delay: 90 });
  await expect(find).toHaveValue('a long name that takes a while');
  await expect(page.locator('.save-state')).toHaveText(revision);
  expect(
    await preview(page)
      .locator('h1')
      .evaluate((e) => e.getAnimations().length),
  ).toBe(1);
  await page.getByRole('button', { name: 'Run its scripts' }).click();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
});

test('a page that breaks what the probe needs is given up with a reason, and opens without its scripts', async ({
  page,
  request,
}) => {
  test.slow();
  const evil = html(`${LONG}<script>
    MessagePort.prototype.postMessage = () => {};
    Array.prototype.map = () => { throw new Error('no'); };
    Map.prototype.get = () => undefined;
  </script>`);
  await page.goto(`${base}/pages/${await addNew(request, 'Poison', evil)}`);
  const note = page.locator('.preview-note');
  await expect(note).toContainText('has not answered for ten seconds', { timeout: 30_000 });
  await expect(note.getByRole('button', { name: 'Reload the page' })).toBeVisible();
  await note.getByRole('button', { name: 'Open without scripts' }).click();
  await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready', { timeout: 20_000 });
  await pick(page, 'h1');
  await expect(page.locator('.inspector')).toContainText('A page');
});

test('a page that floods the line is cut off, and the workbench goes on', async ({ page, request }) => {
  test.slow();
  const evil = html(`${LONG}<script>
    // What is said on any port is said a thousand times.
    const say = MessagePort.prototype.postMessage;
    let port;
    MessagePort.prototype.postMessage = function (m) { port = this; say.call(this, m); };
    setInterval(() => { if (port) for (let i = 0; i < 200; i++) say.call(port, { type: 'hover', element: i }); }, 50);
  </script>`);
  await page.goto(`${base}/pages/${await addNew(request, 'Flood', evil)}`);
  await expect(page.locator('.preview-note')).toContainText('sent more messages than can be read', {
    timeout: 30_000,
  });
  // The rest of the screen answers.
  await page.getByRole('button', { name: 'Help' }).click();
  await expect(page.getByRole('dialog', { name: 'Help' })).toBeVisible({ timeout: 3000 });
});

test('a page reaches its own files only, and others once its user says so', async ({ page, request }) => {
  const heard: string[] = [];
  const other = createServer((req, res) => {
    heard.push(present(req.url));
    res.setHeader('access-control-allow-origin', '*');
    res.end('body { --from-elsewhere: 1 }');
  });
  await new Promise<void>((done) => other.listen(0, '127.0.0.1', done));
  const there = `http://127.0.0.1:${(other.address() as AddressInfo).port}`;
  try {
    const reaching =
      html(`${LONG}<link rel="stylesheet" href="${there}/sheet.css"><img src="${there}/picture.png" alt=""><script>
      const tries = [() => fetch('${there}/fetch'), () => new Image().src = '${there}/image', () => navigator.sendBeacon('${there}/beacon', 'x'),
        () => new EventSource('${there}/events'), () => new WebSocket('${there.replace('http', 'ws')}/socket'), () => import('${there}/module.js'),
        () => new Worker(URL.createObjectURL(new Blob(['fetch("${there}/worker")']))),
        () => document.body.append(Object.assign(document.createElement('iframe'), { src: '${there}/frame' })),
        () => document.body.append(Object.assign(document.createElement('script'), { src: '${there}/script.js' })),
        () => { const f = document.createElement('form'); f.action = '${there}/form'; document.body.append(f); f.submit(); }];
      for (const t of tries) try { Promise.resolve(t()).catch(() => {}); } catch {}
    </script>`);
    await openNew(page, request, 'Reaching', reaching);
    await elapse(page, 1500);
    expect(heard).toEqual([]);
    const remark = page.locator('.preview-late');
    await expect(remark).toContainText(`Files from ${new URL(there).host} were not loaded`);
    await remark.getByRole('button', { name: 'Load from other hosts' }).click();
    await expect.poll(() => heard).toContain('/sheet.css');
    await expect(page.locator('.preview')).toHaveAttribute('data-link', 'ready');
    await expect(remark).toHaveCount(0);
    // And back again.
    await page.getByLabel('Other hosts').click();
    await expect(remark).toBeVisible();
  } finally {
    other.close();
    other.closeAllConnections();
  }
});

for (const [way, leaving] of Object.entries({
  script: (there: string) => `<script>setTimeout(() => location.assign('${there}/script'), 1500)</script>`,
  meta: (there: string) => `<meta http-equiv="refresh" content="1;url=${there}/meta">`,
  form: (there: string) =>
    `<form action="${there}/form" method="post"></form><script>setTimeout(() => document.forms[0].submit(), 1500)</script>`,
}))
  test(`a page that sends its own frame to another port of this machine arrives nowhere (${way})`, async ({
    page,
    request,
  }) => {
    const heard: string[] = [];
    const other = createServer((req, res) => {
      heard.push(`${req.method} ${req.url}`);
      res.end('<!doctype html><p>Elsewhere');
    });
    await new Promise<void>((done) => other.listen(0, '127.0.0.1', done));
    const there = `http://127.0.0.1:${(other.address() as AddressInfo).port}`;
    try {
      // The port does listen.
      await request.get(`${there}/here`);
      expect(heard.splice(0)).toEqual(['GET /here']);
      const leaves = html(`${LONG}${leaving(there)}`);
      const id = await addNew(request, 'Leaving', leaves);
      const refused = page.waitForEvent('console', (m) => m.text().includes(there));
      await openRundown(page, id);
      await refused;
      await elapse(page, 500);
      expect(heard).toEqual([]);
    } finally {
      other.close();
      other.closeAllConnections();
    }
  });

test('half an emoji in a name holds nothing up', async ({ page, request }) => {
  const party = html(
    `<h1>Come to the great party \u{1f389} tonight</h1><div style="height:3000px"></div><p id="half"></p><script>half.textContent = 'x\\ud83c y\\0z'; half.className = 'c\\udf89';</script>`,
  );
  await openNew(page, request, 'Party', party);
  for (const selector of ['h1', '#half']) {
    await pick(page, selector);
    await addMotion(page, 'Fade');
    await saved(page);
  }
  expect(await listMotions(page)).toBeGreaterThan(0);
  await page.reload();
  await expect(page.locator('.inspector .summary').first()).toContainText('2 motions');
});
