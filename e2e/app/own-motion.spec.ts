/** What the page moves by itself is seen, counted and left alone. */
import { expect, test } from '@playwright/test';
import { itemAt } from '@lyvek/core';
import { zipSync } from 'fflate';
import { dwell } from '../support/time.ts';

const HTML = `<!doctype html><html lang="en"><head><title>Own</title><style>body { margin: 0 } section { min-height: 900px }
#hero { height: 300px; background: #89a } #badge { width: 80px; height: 80px; background: gold; animation: turn 4s linear infinite } @keyframes turn { to { rotate: 360deg } }</style></head><body>
<section><div id="hero">Hero</div></section><section><div id="badge">New</div></section><section><p id="words">Words</p></section><section></section>
<script>
const hero = document.getElementById('hero');
addEventListener('scroll', () => requestAnimationFrame(() => (hero.style.translate = '0 ' + scrollY * 0.3 + 'px')));
const words = document.getElementById('words');
words.animate({ opacity: [0, 1] }, { timeline: new ViewTimeline({ subject: words }), fill: 'both' });
</script></body></html>`;

test('animations and written styles of the page stand beside the lanes, and a motion of the same is told of', async ({
  page,
  request,
}) => {
  const { projects } = (await (await request.get('/api/projects')).json()) as { projects: { id: string }[] };
  const made = await request.post(`/api/projects/${itemAt(projects, 0).id}/pages?name=Own`, {
    headers: { 'content-type': 'application/zip' },
    data: Buffer.from(zipSync({ 'index.html': Buffer.from(HTML) })),
  });
  const { id } = (await made.json()) as { id: string };
  await page.goto(`/pages/${id}`);
  await expect(page.locator('.preview[data-link="ready"]')).toBeVisible();
  const marks = page.locator('.own-marks');
  await expect(
    marks.getByRole('button', { name: 'rotate of badge: moved by the page’s own rules, in time.' }),
  ).toBeAttached();
  await expect(
    marks.getByRole('button', { name: 'opacity of words: moved by a script of the page, by scroll.' }),
  ).toBeAttached();
  await expect(page.getByText('Dashed: what the page moves by itself, 2 times.')).toBeVisible();
  // A script that writes shows once the page is scrolled.
  const frame = page.locator('.preview iframe');
  await frame.hover();
  for (let i = 0; i < 4; i++) {
    await page.mouse.wheel(0, 200);
    await dwell(page, 120);
  }
  await expect(
    marks.getByRole('button', { name: /translate of hero: moved by a script .* writes styles/ }),
  ).toBeAttached();
  await expect(page.getByText('Dashed: what the page moves by itself, 3 times.')).toBeVisible();
  // A click chooses its element; a motion of the same property is a conflict.
  await marks.getByRole('button', { name: /opacity of words/ }).click();
  await page.keyboard.press('a');
  await page.getByRole('textbox', { name: 'Search starting points' }).fill('Fade');
  await page.getByRole('option', { name: /^Fade [A-Z]/ }).click();
  await expect(page.getByRole('list', { name: 'Findings about this' })).toContainText(
    'Its opacity is also set by a script of the page, by scroll',
  );
  // Left alone: nothing of it is in the hand-off.
  await expect(page.frameLocator('.preview iframe').locator('#hero')).toHaveAttribute('style', /translate/);
});
