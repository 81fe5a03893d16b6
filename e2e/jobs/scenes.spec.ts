/** Jobs with scenes: pins, decks, strips and depth, done as a user does them, with their acts counted. */
import { expect, test } from '@playwright/test';
import { saved } from '../support/app.ts';
import { begin, finished, stored } from './begin.ts';

const GAP = '<div style="height:1200px"></div>';

test('T5: rings one flies through while the section is pinned', async ({ page, request, context }) => {
  const body = `${GAP}<section id="stage"><div id="rings"><div class="wheel"><i></i><i></i><i></i></div></div></section>${GAP}`;
  const css =
    '#stage{height:100vh;overflow:hidden;display:grid;place-items:center}#rings{width:400px;height:400px;padding:40px;box-sizing:border-box}.wheel{height:100%}i{position:absolute;inset:30%;border:4px solid;border-radius:50%}';
  const { hand, take } = await begin(page, request, 'T5', body, css);
  await hand.pick('#stage');
  await hand.add('pin');
  await hand.button('Distance');
  await hand.fill(page.getByRole('textbox', { name: 'Distance of the pin' }), '1000vh');
  await hand.press('Escape');
  await hand.pick('#rings');
  await hand.add('fade');
  await hand.click(page.locator('.sentence .word').first());
  await hand.button(/^the pin stage/);
  await hand.button('Damping');
  await hand.button('spring');
  await hand.fill(page.getByLabel('Frequency in Hz'), '1.4');
  await hand.fill(page.getByLabel('Damping ratio', { exact: true }), '0.4');
  await hand.press('Escape');
  await hand.button('Animate another property');
  await hand.type('per');
  await hand.press('Enter');
  const value = page.getByLabel('Value of the keyframe');
  await hand.fill(value, '5000px');
  await hand.click(page.getByRole('button', { name: 'Keyframe at 0%: 900px' }));
  await hand.fill(value, '150px');
  await hand.button('The end');
  await hand.fill(page.getByLabel('Share of the pin'), '50%');
  await hand.press('Escape');
  // The same on the wheel inside, which turns instead.
  await hand.press('Escape', 'Control+c');
  await hand.pick('.wheel');
  await hand.press('Control+v');
  await hand.button('Remove perspective');
  await hand.button('Remove opacity');
  await hand.button('Animate another property');
  await hand.type('rot');
  await hand.press('Enter');
  await hand.fill(value, 'x 20deg');
  await hand.click(page.getByRole('button', { name: /^Keyframe at 0%/ }));
  await hand.fill(page.getByLabel('Position of the keyframe'), '30%');
  await hand.fill(value, 'x 80deg');
  await page.screenshot({ path: '/tmp/hand/t5c.png' });
  await saved(page);
  hand.report('T5', [84, 186], 0.4);
  const { site, at } = await finished(context, request, take);
  const from = await site.evaluate(
    () => document.querySelector('#stage')!.parentElement!.getBoundingClientRect().top + scrollY,
  );
  // Smoothed, so it is asked again until it has settled.
  const rests = async (f: number, selector: string, property: string, value: number) =>
    expect
      .poll(async () => {
        const [text = ''] = await at(from + f * 8000, selector, property);
        return Math.abs(parseFloat(text.replace(/^x /, '')) - value);
      })
      .toBeLessThan(value / 100);
  await rests(0.1, '#rings', 'perspective', 150 + 0.2 * 4850);
  await rests(0.75, '#rings', 'perspective', 5000);
  await rests(0.15, '.wheel', 'rotate', 80);
  await rests(0.5, '.wheel', 'rotate', 20);
});
