/** What only the preview knows of a page: which of its listeners hold up the scroll, how it declares heights, what its videos are. */
import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  addPage,
  html,
  measured,
  newProject,
  openNew,
  openRundown,
  pick,
  addMotion,
  saved,
  zipOf,
} from '../support/app.ts';

const PAGE = html(
  `<div class="track"><section id="scene"><h1>Ferry</h1></section></div><p id="card">Departures</p><div id="dial">·</div><footer></footer>
  <script>
    addEventListener('wheel', () => {}, { passive: false });
    addEventListener('touchmove', () => {});
    document.querySelector('#dial').addEventListener('touchstart', () => {});
    document.querySelector('.track').addEventListener('touchstart', () => {}, true);
    document.querySelector('footer').addEventListener('wheel', () => {}, { passive: true });
  </script>`,
  '.track{height:2000px}#scene{position:sticky;top:0;height:100vh}p{margin:0;height:200px;font-size:30px}#dial{width:40px;height:40px}footer{height:1200px}',
).replace(/<meta name="viewport"[^>]*>/, '');

test('listeners that may stop a scroll are named, and none that cannot; a pinned section of 100vh gets its svh', async ({
  page,
  request,
}) => {
  const id = await openNew(page, request, `Phones ${Date.now()}`, PAGE);
  await measured(page);
  await expect(
    page.getByText('A script of the page listens to wheel on the page, touchstart on div and is not passive'),
  ).toBeVisible();
  await expect(page.getByText('Put this into its head')).toBeVisible();
  const told = page.getByText('#scene is pinned with height: 100vh');
  await expect(told).toBeVisible();
  await page.getByRole('button', { name: 'Use 100svh' }).click();
  await expect(told).toBeHidden();
  await saved(page);
  const { takes } = await (await request.get(`/api/pages/${id}`)).json();
  const { document } = await (await request.get(`/api/takes/${takes[0].id}`)).json();
  expect(document.adjustments).toMatchObject([{ selector: '#scene', declarations: { height: '100svh' } }]);
  await page.keyboard.press('ControlOrMeta+z');
  await expect(told).toBeVisible();
});

test('a video that is scrubbed is told how its file should be', async ({ page, request }) => {
  const film = html(
    '<header></header><video id="film" muted src="media/film.webm" width="640" height="360"></video><footer></footer>',
    'header,footer{height:1200px}video{display:block}',
  );
  const project = await newProject(request, `Film ${Date.now()}`);
  const id = await addPage(
    request,
    project,
    zipOf({ 'index.html': film, 'media/film.webm': readFileSync('demo/night/media/sky.webm') }),
  );
  const { videos } = await (await request.get(`/api/pages/${id}/videos`)).json();
  expect(videos).toEqual([{ path: 'media/film.webm', bytes: expect.any(Number), keyFrames: 8 }]);
  await openRundown(page, id);
  await measured(page);
  await pick(page, '#film');
  await addMotion(page, 'Scrub a video');
  await saved(page);
  // Its key frames are close enough; what it lacks is a poster.
  await expect(page.getByTitle(/^It has no poster/).last()).toBeVisible();
  await expect(page.getByText('lie between two key frames')).toHaveCount(0);
});
