/** A page of a million pixels is drawn with as many marks as a short one, and tuned as quickly. */
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { emptyDocument, present } from '@lyvek/core';
import { motion } from '@lyvek/core/testing';
import { base, addPage, html, newProject } from '../support/app.ts';
import { dwell, settled } from '../support/time.ts';

const BLOCKS = 20;
const page = (height: number) =>
  html(
    Array.from({ length: BLOCKS }, (_, i) => `<section id="s${i}"><h2>Part ${i + 1}</h2></section>`).join(''),
    `section{height:${height / BLOCKS}px}`,
  );
const document = {
  ...emptyDocument(),
  motions: Array.from({ length: BLOCKS }, (_, i) =>
    motion({
      id: `m_${i}`,
      name: `Part ${i + 1}`,
      targets: { selector: `#s${i} h2` },
      range: { start: 'entry 0%', end: 'cover 40%' },
    }),
  ),
};

const marks = (p: Page) => p.locator('.rundown svg *').count();

test('the work of drawing does not grow with the height of the page', async ({ page: p, request }) => {
  test.slow();
  const project = await newProject(request, 'Tall');
  const drawn: { fit: number; close: number }[] = [];
  for (const height of [10_000, 100_000, 1_000_000, 10_000_000]) {
    const id = await addPage(request, project, page(height));
    const made = await request.post(`${base}/api/pages/${id}/takes`, { data: { name: 'Tall', document } });
    expect(made.status(), await made.text()).toBe(201);
    await p.goto(`${base}/pages/${id}?take=${((await made.json()) as { id: string }).id}`);
    await expect(p.locator('.rundown[data-settled=true]')).toBeVisible({ timeout: 20_000 });
    await expect(p.locator('.bar')).toHaveCount(BLOCKS);
    const fit = await marks(p);
    // Close to the middle bar, where people work.
    const bar = present(
      await p
        .locator('.bar .bar-grip')
        .nth(BLOCKS / 2)
        .boundingBox(),
    );
    await p.mouse.move(bar.x + bar.width / 2, bar.y + bar.height / 2, { steps: 4 });
    await p.keyboard.down('Control');
    for (let i = 0; i < 10; i++) {
      await p.mouse.wheel(0, -120);
      await dwell(p, 60);
    }
    await p.keyboard.up('Control');
    await settled(p);
    const close = await marks(p);
    drawn.push({ fit, close });
  }
  const [short, ...taller] = drawn as [(typeof drawn)[0], ...typeof drawn];
  expect(short.fit).toBeGreaterThan(100);
  expect(short.close).toBeGreaterThan(100);
  for (const tall of taller) {
    expect(tall.fit).toBeLessThan(short.fit * 1.3);
    expect(tall.close).toBeLessThan(short.close * 1.3);
  }
});
