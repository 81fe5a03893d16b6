/** A hand that counts: clicks, drags and keys of a job as a person does it, typed characters included. */
import { expect } from '@playwright/test';
import type { Locator, Page } from '@playwright/test';
import { pick, saved } from '../support/app.ts';
import { dwell } from '../support/time.ts';

/** Between two acts, ms. */
const PAUSE = 60;

export class Hand {
  clicks = 0;
  keys = 0;
  readonly page: Page;

  constructor(page: Page) {
    this.page = page;
  }

  async click(target: Locator): Promise<void> {
    this.clicks++;
    await target.click();
    await dwell(this.page, PAUSE);
  }

  button(name: string | RegExp): Promise<void> {
    return this.click(this.page.getByRole('button', { name, exact: typeof name === 'string' }).first());
  }

  /** An element of the previewed page. */
  async pick(selector: string): Promise<void> {
    this.clicks++;
    await pick(this.page, selector);
    await dwell(this.page, PAUSE);
  }

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      this.keys++;
      await this.page.keyboard.press(key);
      await dwell(this.page, PAUSE);
    }
  }

  async type(text: string): Promise<void> {
    this.keys += text.length;
    await this.page.keyboard.type(text, { delay: 12 });
    await dwell(this.page, PAUSE);
  }

  /** A field’s text, replaced: clicked, which marks it, typed, taken. */
  async fill(field: Locator, text: string): Promise<void> {
    await this.click(field);
    await this.type(text);
    await this.press('Enter');
  }

  /** Chooses from a list that drops down: a click for the list, one for the choice. */
  async choose(list: Locator, option: string): Promise<void> {
    this.clicks += 2;
    await list.selectOption(option);
    await dwell(this.page, PAUSE);
  }

  /** A drag counts as a click. */
  async drag(from: readonly [number, number], to: readonly [number, number]): Promise<void> {
    this.clicks++;
    await this.page.mouse.move(...from);
    await this.page.mouse.down();
    await this.page.mouse.move(...to, { steps: 8 });
    await dwell(this.page, PAUSE);
    await this.page.mouse.up();
  }

  /** An element found by what one would write in CSS. */
  async find(text: string): Promise<void> {
    await this.press('/');
    await this.type(text);
    await this.press('Enter');
  }

  /** A starting point or preset for what is chosen, by the first words of its name. */
  async add(name: string): Promise<void> {
    await this.press('a');
    await this.type(name);
    await this.press('Enter');
    await saved(this.page);
  }

  /** How many acts it took; fails above a share of what the job took before: a third, or more where most of it is values to be typed. */
  report(job: string, [clicks, keys]: readonly [number, number], share = 1 / 3): void {
    const now = this.clicks + this.keys;
    console.log(
      `${job}: ${this.clicks} clicks, ${this.keys} keys (before ${clicks} and ${keys}; ${((now / (clicks + keys)) * 100).toFixed(0)} %)`,
    );
    expect(now, `${job}: acts`).toBeLessThanOrEqual(Math.ceil((clicks + keys) * share));
  }
}
