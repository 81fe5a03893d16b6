/** npm run shots: one current picture of each main view, from the demo, into docs/screenshots/. */
import { ensureBuilt } from './setup/build.mjs';
import { checkNode, ensureChromium, ensurePackages, ensurePostgres } from './setup/dependencies.mjs';
import { inRoot } from './setup/paths.mjs';
import { say } from './setup/say.mjs';
import { startStack } from './setup/stack.mjs';

checkNode();
await ensurePackages();
await ensureChromium();
await ensureBuilt();
const { chromium } = await import('@playwright/test');
const stack = await startStack({ bin: await ensurePostgres(), dir: inRoot('.data', 'shots') });
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking'],
});

/** Names of pictures; without any all are made. */
const only = process.argv.slice(2);
const { projects } = await (await fetch(`${stack.url}/api/projects`)).json();
const { pages } = await (await fetch(`${stack.url}/api/projects/${projects[0].id}`)).json();
const rundown = `/pages/${pages[0].id}`;

async function shot(name, path, act = async () => {}, colorScheme = 'light') {
  if (only.length && !only.includes(name)) return;
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, colorScheme });
  const page = await context.newPage();
  await page.goto(stack.url + path);
  await page.locator('.strip-art .strip-a, .strips').first().waitFor({ state: 'attached' });
  await page.waitForTimeout(1500);
  await act(page);
  await page.screenshot({ path: inRoot('docs', 'screenshots', `${name}.png`) });
  say(`${name}.png`);
  await context.close();
}

const chooseCard = async (page) => {
  await page.locator('[data-motion=m_card2] .bar-grip').click();
  const bar = await page.locator('[data-motion=m_card2] .bar-grip').boundingBox();
  await page.mouse.click(116, bar.y + bar.height * 0.45);
  await page.waitForTimeout(500);
};
await shot('shelf', '/', async (page) => {
  await page.getByText('being measured').last().waitFor({ state: 'detached', timeout: 60_000 });
  await page
    .locator('.strip-button')
    .first()
    .hover({ position: { x: 30, y: 130 } });
});
await shot('rundown', rundown, chooseCard);
await shot('rundown-dark', rundown, chooseCard, 'dark');
await shot('drag', rundown, async (page) => {
  await chooseCard(page);
  for (const key of ['+', '+']) await page.keyboard.press(key);
  const box = await page.locator('[data-motion=m_card2] .handle-area').nth(1).boundingBox();
  await page.mouse.move(box.x + 14, box.y + 8);
  await page.mouse.down();
  for (let i = 1; i <= 10; i++) await page.mouse.move(box.x + 14, box.y + 8 + i * 4);
  await page.waitForTimeout(500);
});
await shot('add-motion', rundown, async (page) => {
  await page.mouse.move(800, 250);
  await page.mouse.wheel(0, 1750);
  await page.waitForTimeout(500);
  await page.mouse.click(700, 250);
  await page.keyboard.press('a');
  await page.waitForTimeout(200);
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await page.waitForTimeout(700);
});
await shot('pin', rundown, async (page) => {
  await page.locator('[data-pin] .pin-area').last().click();
  await page.locator('.scrub-area').click({ position: { x: 20, y: 300 } });
  await page.waitForTimeout(700);
});
await shot('trigger', rundown, async (page) => {
  await page.locator('[data-trigger] .flag-area').first().click();
  await page.waitForTimeout(300);
  await page.locator('.time-ground').click({ position: { x: 120, y: 150 } });
  await page.waitForTimeout(700);
});
await shot('marquee', rundown, async (page) => {
  await page.locator('[data-motion=m_marquee] .bar-grip').click();
  await page.locator('.preview-page').hover();
  const box = await page.locator('[data-motion=m_marquee] .bar-grip').boundingBox();
  await page.mouse.click(116, box.y + box.height / 2);
  await page.waitForTimeout(900);
});
await shot('presets', rundown, async (page) => {
  const keep = async (motion, name) => {
    await page.locator(`[data-motion=${motion}] .bar-grip`).click();
    await page.getByRole('button', { name: 'More', exact: true }).click();
    await page.getByRole('button', { name: 'Save as preset' }).click();
    await page.getByLabel('Name of the preset').fill(name);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(500);
  };
  // Beside the ones that ship.
  await keep('m_flip', 'Card flips up');
  await page.getByRole('link', { name: 'Presets' }).click();
  await page.locator('.preset-row').first().click();
  await page.waitForTimeout(6500);
});
await shot('device', rundown, async (page) => {
  await page.getByRole('button', { name: 'Show on a device' }).click();
  await page.getByRole('radio', { name: '127.0.0.1' }).check();
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await page.locator('.show-code').waitFor();
  await page.waitForTimeout(700);
});
await shot('help', rundown, async (page) => {
  await page.keyboard.press('?');
  await page.locator('.help').waitFor();
  await page.waitForTimeout(2500);
});
await shot('hand-off', rundown, async (page) => {
  await page.getByRole('link', { name: 'Hand-off' }).click();
  await page.locator('.hand-left li button').nth(3).click();
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  await page.locator('.proof-bars').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(300);
});
/** A second take of the night, whose instrument cards come from further away and later. */
async function besideAnother() {
  const night = pages.find((p) => p.name.includes('Night'));
  const [take] = night.takes;
  const { document, revision } = await (await fetch(`${stack.url}/api/takes/${take.id}`)).json();
  for (const [k, id] of ['m_card1', 'm_card2', 'm_card3'].entries()) {
    const card = document.motions.find((m) => m.id === id);
    card.range = { start: `entry ${10 + 30 * k}%`, end: { edge: '50%', line: '50%' } };
    card.keyframes.translate[0].value = '0 240px';
    card.keyframes.scale = [
      { at: '0%', value: '0.8' },
      { at: '100%', value: '1' },
    ];
  }
  document.motions = document.motions.filter((m) => m.id !== 'm_insth');
  document.pins[0].distance.value = '140vh';
  const made = await fetch(`${stack.url}/api/pages/${night.id}/takes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document, madeFrom: { takeId: take.id, revision } }),
  });
  return `/pages/${night.id}/takes?take=${(await made.json()).id}`;
}
const trials = (name) => `/pages/${pages.find((p) => p.name.includes(name)).id}/trials`;
const figures = async (page) => {
  await page.locator('.trial-findings[data-state=fresh]').waitFor({ timeout: 30_000 });
  await page.waitForTimeout(2500);
};
await shot('trials', trials('Hessle'), figures);
await shot('trials-dark', trials('Hessle'), figures, 'dark');
await shot('damping', trials('Night'), async (page) => {
  await figures(page);
  await page.getByRole('button', { name: 'Compare' }).click();
  await page.getByRole('button', { name: 'Try it' }).click();
  await page.locator('.damped-page').hover();
  await page.mouse.wheel(0, 1180);
  await page.waitForTimeout(1500);
});
await shot('sizes', trials('Hessle'), async (page) => {
  await figures(page);
  await page.getByRole('button', { name: 'Sizes', exact: true }).click();
  await page.getByRole('button', { name: 'Look at other sizes' }).click();
  await page.locator('.sizes[data-state=fresh]').waitFor({ timeout: 120_000 });
  await page.locator('.findings-scroll').evaluate((e) => e.scrollTo(0, e.scrollHeight));
  await page.getByRole('button', { name: /^390 × 800,/ }).hover();
  await page.waitForTimeout(400);
});
await shot('takes', await besideAnother(), async (page) => {
  await page.locator('.seen-page[data-link=ready]').nth(10).waitFor({ timeout: 180_000 });
  await page.locator('.takes-differ li > button').filter({ hasText: 'Instrument card 2' }).click();
  await page.waitForTimeout(4000);
});
await browser.close();
await stack.stop();
