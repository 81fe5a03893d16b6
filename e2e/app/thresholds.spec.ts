/** A scene of the page’s own: it hears its signal, and an event where the signal passes a threshold. */
import { expect, test } from '@playwright/test';
import { addMotion, html, openNew, pick, saved } from '../support/app.ts';

const PAGE = html(
  '<header><h1>Tide</h1></header><canvas id="sea"></canvas><footer></footer>',
  'header,footer{height:1400px}canvas{display:block;width:600px;height:300px}',
);

test('a threshold is set in the sheet, and the hand-off shows how to hear it', async ({ page, request }) => {
  await openNew(page, request, `Thresholds ${Date.now()}`, PAGE);
  await pick(page, 'canvas');
  await addMotion(page, 'Signal');
  await saved(page);
  const sheet = page.locator('.inspector');
  await sheet.getByRole('button', { name: 'Thresholds', exact: true }).click();
  await page.getByRole('button', { name: 'Add a threshold' }).click();
  const name = page.getByLabel('Name of the threshold');
  await expect(name).toHaveValue('step-1');
  await name.fill('open wide');
  await name.press('Enter');
  await expect(page.getByText('Not kept: letters, digits and hyphens.')).toBeVisible();
  await name.fill('open');
  await name.press('Enter');
  // What is reached at 30 cannot be left at 40.
  const at = page.getByLabel('Reached at');
  await at.fill('30');
  await at.press('Enter');
  await expect(page.getByLabel('Left again at')).toHaveValue('30');
  await saved(page);
  await page.keyboard.press('Escape');
  await expect(sheet.getByRole('button', { name: 'Thresholds', exact: true })).toHaveText('1 threshold');
  await page.keyboard.press('Control+z');
  await saved(page);
  await page.keyboard.press('Control+Shift+z');
  await saved(page);

  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.getByText('For the page’s own scripts and links').click();
  await expect(page.getByText("addEventListener('threshold'")).toContainText("detail.threshold === 'open'");
});
