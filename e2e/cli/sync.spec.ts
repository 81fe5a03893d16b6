/** `lyvek sync`: a style sheet in a project and a take in the workbench, edited in turn and at once, with either side ended at any moment. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { addNew, base, html, openRundown, saved } from '../support/app.ts';
import { lyvek } from '../support/cli.ts';
import { latency } from '../support/time.ts';

const BIN = fileURLToPath(new URL('../../packages/cli/bin/lyvek.mjs', import.meta.url));
const OWN = '/* ours */\nbody { margin: 0; }\n';
const CARDS = html(
  '<div style="height:120vh"></div><p class="one">One</p><p class="two">Two</p><div style="height:150vh"></div>',
  `p { height: 300px; margin: 200px; background: #cde }
@keyframes rise { from { opacity: 0.2; translate: 0 60px } }
@keyframes tilt { from { rotate: 9deg } }
.one { animation: rise linear both; animation-timeline: view(); animation-range: entry 0% cover 40% }
.two { animation: tilt linear both; animation-timeline: view(); animation-range: entry 0% cover 50% }`,
);

/** A page that is opened and measured, and a style sheet of the developer’s. */
async function begin(page: Page, request: Page['request'], name: string) {
  const id = await addNew(request, `Sync ${name}`, CARDS.replace('Test page', name));
  await openRundown(page, id);
  await saved(page);
  const css = join(mkdtempSync(join(tmpdir(), 'lyvek-sync-')), 'motion.css');
  writeFileSync(css, OWN);
  return {
    css,
    once: (...more: string[]) =>
      lyvek(['sync', '--page', name, '--css', css, '--server', base, '--once', ...more]),
  };
}

const text = (css: string) => readFileSync(css, 'utf8');
const edit = (css: string, from: string, to: string): void => {
  const before = text(css);
  expect(before).toContain(from);
  writeFileSync(css, before.replace(from, to));
};

/** Runs until it is ended; what it says is kept. */
function follow(name: string, css: string): { child: ChildProcess; said: string[] } {
  const said: string[] = [];
  const child = spawn(process.execPath, [BIN, 'sync', '--page', name, '--css', css, '--server', base]);
  child.stderr.on('data', (d: Buffer) => said.push(String(d)));
  return { child, said };
}

test('both sides in turn: what is edited in the file is undone in the workbench, and the file follows', async ({
  page,
  request,
}) => {
  const { css } = await begin(page, request, 'In turn');
  const { child, said } = follow('In turn', css);
  try {
    await expect.poll(() => text(css)).toContain('lyvek end: In turn');
    expect(text(css).startsWith(OWN)).toBe(true);
    edit(css, 'cover 40%', 'cover 66%');
    await expect.poll(() => said.join('')).toContain('Read ');
    await expect(page.locator('.save-state')).toContainText('rev 2');
    await page.keyboard.press('Control+z');
    await expect.poll(() => text(css)).toContain('cover 40%');
    await saved(page);
    expect(text(css).startsWith(OWN)).toBe(true);
    // The workbench says what is in step, and what changed last, as a patch.
    await page.getByRole('link', { name: 'Hand-off' }).click();
    await expect(page.locator('.in-step summary')).toHaveText(`In step with ${css}`);
    await expect(page.locator('.in-step')).toContainText('Revision 3 stands in it.');
    await expect(page.locator('.in-step .diff .added').last()).toContainText('cover 40%');
  } finally {
    child.kill();
  }
});

test('edited on both sides meanwhile: two motions come together, one is a conflict, and nothing is written over', async ({
  page,
  request,
}) => {
  const { css, once } = await begin(page, request, 'At once');
  expect((await once()).status).toBe(0);
  edit(css, 'cover 40%', 'cover 66%');
  // The other motion, in the workbench.
  await page.getByRole('button', { name: 'Tilt', exact: true }).first().click();
  await page.keyboard.press('m');
  await saved(page);
  const both = await once();
  expect(both.status, both.err).toBe(0);
  expect(text(css)).toContain('cover 66%');
  expect(text(css)).not.toContain('tilt');

  edit(css, 'cover 66%', 'cover 77%');
  await page.reload();
  await page.getByRole('button', { name: 'Rise', exact: true }).first().click();
  await page.keyboard.press('m');
  await saved(page);
  const before = text(css);
  const conflict = await once();
  expect(conflict.status).toBe(1);
  expect(conflict.err).toContain('Changed here and in Lyvek: Rise');
  expect(text(css)).toBe(before);
  expect((await once('--prefer', 'take')).status).toBe(0);
  expect(text(css)).not.toContain('rise');
});

test('what no document says stays in the file behind the block; broken marks are told', async ({
  page,
  request,
}) => {
  const { css, once } = await begin(page, request, 'Left');
  await once();
  edit(css, '.one {', '.one { outline: 1px solid teal;');
  const left = await once();
  expect(left.err).toContain('Wrote');
  const after = text(css).slice(text(css).indexOf('lyvek end'));
  expect(after).toContain('outline: 1px solid teal');
  expect((await once()).err).toContain('is in step');
  edit(css, '/* lyvek end: Left */', '');
  const broken = await once();
  expect([broken.status, broken.err.includes('marks of “Left” are incomplete')]).toEqual([1, true]);
});

test('killed at any moment it leaves whole files, and goes on from there', async ({ page, request }) => {
  const { css } = await begin(page, request, 'Killed');
  for (let i = 0; i < 6; i++) {
    const { child, said } = follow('Killed', css);
    await expect.poll(() => said.join('')).toMatch(/Wrote|in step|Read/);
    expect(text(css)).toMatch(/lyvek begin: Killed, revision \d+, [\w-]+\.[\s\S]*lyvek end: Killed/);
    const now = /cover (\d+)%/.exec(text(css))?.[1] ?? '';
    edit(css, `cover ${now}%`, `cover ${51 + i}%`);
    // Each time a little later after the edit.
    await latency(120 * i);
    child.kill('SIGKILL');
    expect(text(css)).toContain(`cover ${51 + i}%`);
    expect(text(css).startsWith(OWN)).toBe(true);
  }
  const { child, said } = follow('Killed', css);
  try {
    await expect.poll(() => said.join('')).toMatch(/in step|Read|Wrote/);
    await expect.poll(() => text(css)).toContain('cover 56%');
    expect(readdirSync(join(css, '..')).filter((f) => !f.endsWith('.part'))).toEqual(['motion.css']);
  } finally {
    child.kill();
  }
});

test('a page or take that is not there, and a server that is away, are said in a sentence', async ({
  page,
  request,
}) => {
  const { css } = await begin(page, request, 'Named');
  const none = await lyvek(['sync', '--page', 'Nowhere', '--css', css, '--server', base, '--once']);
  expect([none.status, none.err]).toEqual([2, expect.stringContaining('no page is called “Nowhere”')]);
  const take = await lyvek([
    'sync',
    '--page',
    'Named',
    '--take',
    'Take Z',
    '--css',
    css,
    '--server',
    base,
    '--once',
  ]);
  expect(take.err).toContain('has no take “Take Z”; there are “Take A”');
  const away = await lyvek([
    'sync',
    '--page',
    'Named',
    '--css',
    css,
    '--server',
    'http://127.0.0.1:9',
    '--once',
  ]);
  expect(away.err).toContain('no Lyvek answers at');
});
