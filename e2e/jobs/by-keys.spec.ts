/** The kinds of things the jobs are made of, by keyboard alone: every value is reached, and no state on the way has serious axe findings. */
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { saved } from '../support/app.ts';
import { settled } from '../support/time.ts';
import { begin, stored } from './begin.ts';
import type { Hand } from './hand.ts';

const BODY = `<div style="height:1200px"></div><section id="stage"><div id="rings">Rings</div></section>
<p id="near">Nearer than the rest</p><section><p id="line">Salt, rope, tar and oak</p></section><div class="cards"><article class="card" id="one">One</article><article class="card" id="two">Two</article></div><div style="height:1600px"></div>`;
const CSS =
  '#stage{height:100vh}#rings{width:300px;height:300px;background:#dde}p{margin:80px;font-size:40px}#line{font-size:220px;font-weight:700}.card{height:220px;margin:40px;background:#cde}';

class Keys {
  readonly hand: Hand;
  readonly page: Page;
  constructor(hand: Hand) {
    this.hand = hand;
    this.page = hand.page;
  }
  /** A field, a word or a button of the sheet, or an act, by the palette. */
  async go(name: string): Promise<void> {
    await this.hand.press('Control+k');
    await this.hand.type(name);
    await this.hand.press('Enter');
  }
  /** On with the Tab key to what is called so. */
  async tabTo(name: RegExp): Promise<void> {
    const here = () =>
      this.page.evaluate(() => {
        const at = document.activeElement;
        return at?.getAttribute('aria-label') ?? at?.textContent ?? '';
      });
    for (let i = 0; i < 24 && !name.test(await here()); i++) await this.hand.press('Tab');
    expect(await here()).toMatch(name);
  }
  /** What is typed replaces what a field had when it is reached by key. */
  async put(text: string): Promise<void> {
    await this.hand.type(text);
    await this.hand.press('Enter');
  }
  async looksRight(where: string): Promise<void> {
    await settled(this.page);
    const { violations } = await new AxeBuilder({ page: this.page }).exclude('.preview-page').analyze();
    const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
    expect(
      serious.map((v) => `${v.id} ${v.nodes[0]?.target.join(' ')}`),
      where,
    ).toEqual([]);
  }
}

test('a pin, what it drives, depth, a marquee and a trigger, without a pointer', async ({
  page,
  request,
}) => {
  const { hand, take } = await begin(page, request, 'By keys', BODY, CSS);
  const keys = new Keys(hand);
  await hand.find('#stage');
  await hand.add('pin');
  await keys.go('distance');
  await keys.tabTo(/^Distance of the pin/);
  await keys.put('1000vh');
  await keys.looksRight('the popover of a word');
  await hand.press('Escape');

  await hand.find('#rings');
  await hand.add('fade');
  await keys.go('driver');
  await keys.tabTo(/^the pin stage/);
  await hand.press('Enter');
  await keys.go('damping');
  await keys.tabTo(/^spring$/);
  await hand.press('Enter');
  await keys.tabTo(/^Frequency in Hz/);
  await keys.put('1.4');
  await hand.press('Escape');
  await keys.go('animate another');
  await hand.type('per');
  await hand.press('Enter');
  await keys.go('value of the keyframe');
  await keys.put('5000px');
  await keys.looksRight('an open keyframe and a finding');

  await hand.press('Escape', 'Escape');
  await hand.find('#near');
  await hand.add('parallax');
  await keys.go('speed, in percent');
  await keys.put('175');

  await hand.press('Escape');
  await hand.find('#line');
  await hand.add('marquee');
  await keys.looksRight('a marquee');

  await hand.press('Escape');
  await hand.find('#two');
  await hand.add('pop');
  await keys.go('how often');
  await keys.tabTo(/^each time/);
  await hand.press('Enter');
  await keys.looksRight('a trigger');
  await saved(page);

  expect(hand.clicks).toBe(0);
  const made = await stored(request, take);
  expect(made.pins).toMatchObject([{ distance: { kind: 'length', value: '1000vh' } }]);
  expect(made.motions.map((m) => m.driver.kind)).toEqual(['pin', 'view', 'marquee', 'trigger']);
  expect(made.motions[0]).toMatchObject({ damping: { kind: 'spring', frequency: 1.4 } });
  expect(made.motions[0]?.keyframes.perspective?.at(-1)?.value).toBe('5000px');
  expect(made.triggers).toMatchObject([{ plays: 'each-time' }]);
  // Every act is undone by the same key, one after the other.
  for (let i = 0; i < 12; i++) await hand.press('Control+z');
  await expect.poll(async () => (await stored(request, take)).motions.length).toBeLessThan(4);
});
