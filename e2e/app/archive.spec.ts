/** A project leaves as a file and comes back, by the shelf and by the command line. */
import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { itemAt, present } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import { addMotion, addPage, base, cardZip, newProject, openRundown, pick, saved } from '../support/app.ts';

const run = promisify(execFile);
const ROOT = fileURLToPath(new URL('../..', import.meta.url));
let dir: string;
test.beforeAll(() => void (dir = mkdtempSync(join(tmpdir(), 'archive-'))));
test.afterAll(() => rmSync(dir, { recursive: true, force: true }));

const lyvek = (...args: string[]) =>
  run(
    process.execPath,
    [
      join(ROOT, 'node_modules/tsx/dist/cli.mjs'),
      join(ROOT, 'packages/cli/src/main.ts'),
      ...args,
      '--server',
      base,
    ],
    {
      cwd: dir,
    },
  );

test('a project is saved as a file on the shelf, and comes back beside itself with its page and its motion', async ({
  page,
  request,
}) => {
  const project = await newProject(request, 'Orchard, kept');
  const id = await addPage(request, project, cardZip());
  await openRundown(page, id);
  await pick(page, '#pear');
  await addMotion(page, 'Rise');
  await saved(page);
  // The mark leads to the project one is in.
  await page.getByRole('link', { name: 'Lyvek, the shelf' }).click();
  await expect(page).toHaveURL(new RegExp(`/projects/${project}$`));
  await page.getByRole('button', { name: 'Project Orchard, kept' }).click();
  const loading = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save as a file …' }).click();
  const download = await loading;
  expect(download.suggestedFilename()).toBe('orchard-kept.lyvek.zip');
  const file = join(dir, 'orchard.zip');
  await download.saveAs(file);
  await page.getByRole('button', { name: 'Project Orchard, kept' }).click();
  await page.locator('[data-restore]').setInputFiles(file);
  await expect(page.locator('.notice')).toContainText('“Orchard, kept” is back');
  await expect(page).not.toHaveURL(new RegExp(project));
  const copy = present(/projects\/([\w-]+)/.exec(page.url())?.[1]);
  const { pages } = await (await request.get(`${base}/api/projects/${copy}`)).json();
  const back = itemAt(pages as { id: string; name: string; document: { motions: { name: string }[] } }[], 0);
  expect([back.name, back.document.motions.map((m) => m.name)]).toEqual(['Orchard prices', ['Pear rise']]);
  await openRundown(page, back.id);
  await expect(page.locator('.bar')).toHaveCount(1);
  // What is no such file is refused in words.
  writeFileSync(join(dir, 'no.zip'), 'no');
  await page.getByRole('link', { name: 'Lyvek, the shelf' }).click();
  await page.getByRole('button', { name: 'Project Orchard, kept' }).click();
  await page.locator('[data-restore]').setInputFiles(join(dir, 'no.zip'));
  await expect(page.locator('.notice.wrong')).toContainText('It is not a zip');
});

test('lyvek backup writes everything while the server works, and restore brings a project back', async ({
  request,
}) => {
  const project = await newProject(request, 'By hand');
  await addPage(request, project, cardZip());
  const file = join(dir, 'all.zip');
  expect((await lyvek('backup', file)).stderr).toContain(`Wrote ${file}`);
  expect(readFileSync(file).subarray(0, 2).toString()).toBe('PK');
  const one = await request.get(`${base}/api/projects/${project}/archive.zip?revisions=newest`);
  writeFileSync(join(dir, 'one.zip'), await one.body());
  const { projects } = JSON.parse((await lyvek('restore', join(dir, 'one.zip'))).stdout) as {
    projects: { id: string; name: string }[];
  };
  expect(projects.map((p) => p.name)).toEqual(['By hand']);
  expect(itemAt(projects, 0).id).not.toBe(project);
  const failed = await lyvek('restore', join(dir, 'missing.zip')).catch(
    (e: { code: number; stderr: string }) => e,
  );
  expect(failed).toMatchObject({ code: 2 });
  expect(failed.stderr).toContain('missing.zip');
});
