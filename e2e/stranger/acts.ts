/** What a stranger does: a table. Each act has a stream of chance of its own, so that leaving one out does not change the others. */
import { itemAt, present } from '@lyvek/core';
import type { Control } from './in-page.ts';
import type { Random } from './random.ts';
import type { World } from './world.ts';
import { dwell, elapse } from '../support/time.ts';

export interface Act {
  name: string;
  weight: number;
  /** Does it; returns what was done in words. Throws `Idle` where it could not, and `Broken` where a law was broken on the way. */
  run(w: World, r: Random): Promise<string>;
  /** It may not change the document. */
  innocent?: boolean;
  /** It may take motions or keyframes away, of what is selected only. */
  deletes?: boolean;
}

/** A law was broken while acting. */
export class Broken extends Error {}

/** There was nothing to do it with. */
export class Idle extends Error {}

const hesitate = (w: World, r: Random, low = 50, high = 400) =>
  dwell(w.page, Math.round(r.between(low, high)));

async function move(w: World, r: Random, x: number, y: number): Promise<void> {
  const steps = Math.round(r.between(3, 8));
  await w.page.mouse.move(x, y, { steps });
  w.pointer = { x, y };
}

/** To some place in the previewed page; false where none is shown. */
async function moveIntoPage(w: World, r: Random, margin: number): Promise<boolean> {
  const frame = w.page.locator('.preview-page iframe').first();
  const box = await frame.boundingBox().catch(() => null);
  if (!box) return false;
  const within = (from: number, size: number) => from + r.between(margin, size - margin);
  await move(w, r, within(box.x, box.width), within(box.y, box.height));
  return true;
}

const LEFT_ALONE =
  /Measure|Delete the project|lab|Connect|Restore|Log|Choose|Bring|Add a page|Download|\.zip|Record/i;

async function choose(w: World, r: Random, kind: Control['kind']): Promise<Control | undefined> {
  const all = (await w.ask<Control[]>('controls')).filter(
    (c) => c.kind === kind && !c.disabled && !LEFT_ALONE.test(c.is),
  );
  // First the part of the screen, then what is in it: else fifty bars would leave one button no chance.
  const parts = [...new Set(all.map(findPart))];
  const part = r.pick(parts);
  return r.pick(all.filter((c) => findPart(c) === part));
}
const findPart = (c: Control): string => / in (\.[\w-]+)$/.exec(c.is)?.[1] ?? itemAt(c.is.split(' '), 0);

async function press(w: World, r: Random): Promise<string> {
  const c = await choose(w, r, 'control');
  if (!c) throw new Idle('nothing to press');
  return pressOn(w, r, c, 80);
}

/** `low`: ms that the hand rests on it at least before it presses. */
async function pressOn(w: World, r: Random, c: Control, low: number): Promise<string> {
  await move(w, r, c.x, c.y);
  await hesitate(w, r, low, 400);
  const before = await w.ask<{ is: string; disabled: boolean } | null>('under', c);
  const name = before?.is.replace(' (on)', '');
  if (before?.disabled && name === c.is)
    throw new Broken(`law 1: ${c.is} can no longer be pressed once it is pointed at`);
  // It went away while the hand was on its way, as lists do: a person looks again.
  if (name !== c.is) throw new Idle(`${c.is} had gone`);
  const url = w.page.url();
  // Closing what stands open counts as doing something.
  const pressed = await w.ask<{ changes: number; clicks: number }>('counts');
  await w.page.mouse.down();
  await hesitate(w, r, 50, 140);
  const held = await w.ask<{ is: string; disabled: boolean } | null>('under', c);
  await w.page.mouse.up();
  if (held?.is.replace(' (on)', '') !== c.is || held.disabled) {
    if (w.page.url() === url)
      throw new Broken(
        `law 1: ${c.is} moved away, or went dead, while it was pressed (there: ${held?.is ?? 'nothing'})`,
      );
  }
  if (!present(before).is.endsWith('(on)')) {
    // A busy page answers late: it has had its time only when it has also been asked often.
    const until = Date.now() + 2500;
    for (let asked = 0; ; asked++) {
      const now = await w.ask<{ changes: number; clicks: number }>('counts').catch(() => null);
      if (!now || w.page.url() !== url || now.changes > pressed.changes) break;
      if (Date.now() > until && asked > 25)
        throw new Broken(`law 1: ${c.is} was pressed and nothing came of it`);
      await dwell(w.page, 60);
    }
  }
  return `press ${c.is}`;
}

/** Clicks one of some marks in the chart that can be hit; false where there is none. */
async function clickOneOf(w: World, r: Random, selector: string): Promise<boolean> {
  const all = await w.page.locator(selector).evaluateAll((list) =>
    list.flatMap((e) => {
      const box = e.getBoundingClientRect();
      const x = box.left + box.width / 2;
      // Its middle may lie under a keyframe.
      const free = [0.5, 0.25, 0.75, 0.1, 0.9].map((part) => box.top + part * box.height);
      const y = free.find((one) => document.elementFromPoint(x, one) === e);
      return y === undefined ? [] : [{ x, y }];
    }),
  );
  const at = r.pick(all);
  if (!at) return false;
  await move(w, r, at.x, at.y);
  await hesitate(w, r, 80, 250);
  await w.page.mouse.click(at.x, at.y, { delay: 70 });
  return true;
}

const KEYS = [
  'Escape',
  'n',
  'm',
  's',
  'b',
  'e',
  'ArrowUp',
  'ArrowDown',
  '[',
  ']',
  'Control+d',
  'Control+c',
  'Control+v',
  ' ',
  '/',
  '?',
  'a',
  '+',
  '-',
  '0',
  'Tab',
  'Enter',
  'PageDown',
  'Home',
];
const TYPED = [
  '40%',
  '120px',
  '2.5',
  'abc',
  '',
  '-15%',
  'calc(10% + 20px)',
  'ease-out',
  '0',
  '99999px',
  'A rather long name that somebody may well give to a motion of theirs',
];

export const ACTS: readonly Act[] = [
  { name: 'press', weight: 34, run: press },
  {
    name: 'drag',
    weight: 14,
    async run(w, r) {
      const c = await choose(w, r, 'drag');
      if (!c) throw new Idle('nothing to drag');
      await move(w, r, c.x, c.y);
      await hesitate(w, r, 50, 200);
      await w.page.mouse.down();
      const steps = Math.round(r.between(0, 9));
      for (let i = 0; i < steps; i++) {
        await w.page.mouse.move((w.pointer.x += r.between(-12, 12)), (w.pointer.y += r.between(-30, 30)));
        await hesitate(w, r, 15, 60);
      }
      if (steps && r.next() < 0.2) await w.page.keyboard.press('Escape');
      await w.page.mouse.up();
      return `drag ${c.is}`;
    },
  },
  {
    name: 'double click',
    weight: 3,
    async run(w, r) {
      const at = await w.page.locator('.curve-row svg').all();
      const box = await r.pick(at)?.boundingBox();
      if (!box) throw new Idle('no curve');
      await move(w, r, box.x + r.between(10, box.width - 10), box.y + r.between(6, box.height - 6));
      await hesitate(w, r);
      await w.page.mouse.dblclick(w.pointer.x, w.pointer.y, { delay: 60 });
      return 'double click on a curve';
    },
  },
  {
    name: 'hover',
    weight: 6,
    innocent: true,
    async run(w, r) {
      const c = await choose(w, r, present(r.pick(['control', 'drag', 'field'] as const)));
      if (!c) throw new Idle('nothing to point at');
      await move(w, r, c.x, c.y);
      await hesitate(w, r, 200, 600);
      return `point at ${c.is}`;
    },
  },
  {
    name: 'wheel',
    weight: 8,
    innocent: true,
    async run(w, r) {
      const words = await w.page.locator('.sentence .word, .word').all();
      const box = r.next() < 0.5 ? await r.pick(words)?.boundingBox() : null;
      const size = present(w.page.viewportSize());
      await move(
        w,
        r,
        box ? box.x + box.width / 2 : r.between(20, size.width - 20),
        box ? box.y + box.height / 2 : r.between(60, size.height - 20),
      );
      for (let i = 0; i < 4; i++) {
        await w.page.mouse.wheel(0, r.next() < 0.7 ? 100 : -100);
        await hesitate(w, r, 30, 90);
      }
      return `wheel at ${Math.round(w.pointer.x)}, ${Math.round(w.pointer.y)}`;
    },
  },
  {
    name: 'type',
    weight: 7,
    async run(w, r) {
      const c = await choose(w, r, 'field');
      if (!c) throw new Idle('no field');
      await move(w, r, c.x, c.y);
      await w.page.mouse.click(c.x, c.y, { delay: 60 });
      await w.page.keyboard.press('Control+a');
      const text = present(r.pick(TYPED));
      await w.page.keyboard.type(text, { delay: 12 });
      await w.page.keyboard.press(present(r.pick(['Enter', 'Tab', 'Escape'] as const)));
      return `type “${text}” into ${c.is}`;
    },
  },
  {
    name: 'key',
    weight: 12,
    async run(w, r) {
      const key = present(r.pick(KEYS));
      await w.page.keyboard.press(key, { delay: 40 });
      await hesitate(w, r);
      return `key ${key}`;
    },
  },
  {
    name: 'delete',
    weight: 3,
    deletes: true,
    async run(w, r) {
      const key = present(r.pick(['Delete', 'Backspace'] as const));
      await w.page.keyboard.press(key, { delay: 40 });
      return `key ${key}`;
    },
  },
  {
    name: 'take a fix',
    weight: 6,
    async run(w, r) {
      const fixes = async () =>
        (await w.ask<Control[]>('controls')).filter(
          (c) =>
            c.kind === 'control' &&
            !c.disabled &&
            /^button\.btn .* in \.findings/.test(c.is) &&
            !/“(Show|(Previous|Next) finding)”/.test(c.is),
        );
      if ((await fixes()).length === 0) {
        const marked = '.bar:has(.mark-error, .mark-warning) .bar-grip';
        if (!(await clickOneOf(w, r, marked))) throw new Idle('no finding to be seen');
        await dwell(w.page, 500);
      }
      const fix = r.pick(await fixes());
      // Long enough for what it does to be shown already.
      if (!fix) throw new Idle('a finding without a fix');
      return pressOn(w, r, fix, 300);
    },
  },
  {
    name: 'delete a keyframe',
    weight: 5,
    async run(w, r) {
      if (!(await w.saved())) throw new Idle('not saved yet');
      const before = await w.stored();
      if (!(await clickOneOf(w, r, '.bar .keyframe-area'))) throw new Idle('no keyframe to be seen');
      await hesitate(w, r);
      if ((await w.page.locator('.keyframes.chosen').count()) === 0)
        throw new Idle('a keyframe that was not chosen');
      await w.page.keyboard.press('Delete', { delay: 40 });
      await dwell(w.page, 300);
      await w.saved();
      if ((await w.stored()).motions.length < before.motions.length)
        throw new Broken('law 1: Del with a chosen keyframe took its motion away');
      return 'delete a keyframe';
    },
  },
  {
    name: 'pick in the page',
    weight: 5,
    async run(w, r) {
      if (!(await moveIntoPage(w, r, 4))) throw new Idle('no page');
      await hesitate(w, r, 100, 300);
      await w.page.mouse.click(w.pointer.x, w.pointer.y, { delay: 70 });
      return 'click in the page';
    },
  },
  {
    name: 'add a motion',
    weight: 5,
    async run(w, r) {
      if (!(await moveIntoPage(w, r, 20))) throw new Idle('no page');
      await w.page.mouse.click(w.pointer.x, w.pointer.y, { delay: 70 });
      await hesitate(w, r, 150, 300);
      await w.page.keyboard.press('a', { delay: 40 });
      await hesitate(w, r, 200, 400);
      for (let i = Math.floor(r.between(0, 5)); i > 0; i--) {
        await w.page.keyboard.press(present(r.pick(['ArrowRight', 'ArrowDown'] as const)), { delay: 30 });
        await hesitate(w, r, 60, 160);
      }
      await w.page.keyboard.press('Enter', { delay: 40 });
      return 'click in the page and add a motion';
    },
  },
  {
    name: 'undo and redo',
    weight: 4,
    async run(w, r) {
      await w.page.keyboard.press('Escape');
      if (!(await w.saved())) throw new Idle('not saved, so not undone');
      const before = await w.stored();
      const times = Math.round(r.between(1, 3));
      let undone = 0;
      for (; undone < times; undone++) {
        await w.page.keyboard.press('Control+z', { delay: 30 });
        await hesitate(w, r, 60, 160);
        // Said a moment later, where the server is asked.
        await dwell(w.page, 250);
        if (await w.page.getByText(/nothing to undo|is undone once|in another browser/).count()) break;
      }
      for (let i = 0; i < undone; i++) {
        await w.page.keyboard.press('Control+Shift+Z', { delay: 30 });
        await hesitate(w, r, 60, 160);
      }
      if (!(await w.saved())) {
        // The other window was faster: that is asked, and nothing is decided for anybody.
        if (w.rivals && (await w.page.locator('.banner').count()))
          return 'undo met the edit of a second window';
        throw new Broken('law 3: after undo and redo it is never saved');
      }
      const { revision: _a, ...was } = before;
      const { revision: _b, ...is } = await w.stored();
      if (JSON.stringify(was) !== JSON.stringify(is))
        throw new Broken(`law 3: ${undone} × undo and redo does not give the same document back`);
      return `undo and redo ${undone} times`;
    },
  },
  {
    name: 'other screen and back',
    weight: 2,
    async run(w, r) {
      const screen = present(r.pick(['Trials', 'Takes', 'Hand-off', 'Presets'] as const));
      const link = w.page.getByRole('link', { name: screen, exact: true });
      if (!(await link.count())) throw new Idle('no such screen here');
      // What stands open over everything is closed first.
      await w.page.keyboard.press('Escape');
      const gone = await link.click({ delay: 60, timeout: 5000 }).then(
        () => true,
        () => false,
      );
      if (!gone) throw new Idle(`${screen} lies under something`);
      await hesitate(w, r, 300, 900);
      await w.page.goBack();
      await w.settle();
      return `to ${screen} and back`;
    },
  },
  {
    name: 'reload at once',
    weight: 3,
    async run(w, r) {
      // Straight after an arrow key or a mute, as hands do.
      const key = present(r.pick(['ArrowDown', 'm', 'Control+d'] as const));
      await w.page.keyboard.press(key);
      await dwell(w.page, Math.round(r.between(0, 120)));
      await reloadKeeping(w);
      return `key ${key} and reload`;
    },
  },
  {
    name: 'away for a while',
    weight: 2,
    async run(w, r) {
      w.fault = present(r.pick(['away', '503'] as const));
      const done: string[] = [];
      for (let i = 0; i < 4; i++) {
        const key = present(r.pick(['n', 'm', 'Control+d', 'ArrowDown'] as const));
        done.push(key);
        await w.page.keyboard.press(key, { delay: 30 });
        await hesitate(w, r, 100, 300);
      }
      await reloadKeeping(w);
      return `the server is away (${done.join(' ')}), reload, and back`;
    },
  },
  {
    name: 'second window',
    weight: 1,
    async run(w, r) {
      w.rivals = true;
      const other = await w.open();
      await other.keyboard.press('n');
      await hesitate(w, r);
      await other.keyboard.press('m');
      await elapse(other, 900);
      await other.close();
      return 'an edit in a second window';
    },
  },
  {
    name: 'other window size',
    weight: 2,
    innocent: true,
    async run(w, r) {
      const size = present(
        r.pick([
          { width: 1024, height: 768 },
          { width: 1280, height: 800 },
          { width: 1920, height: 1080 },
        ]),
      );
      await w.page.setViewportSize(size);
      await hesitate(w, r, 200, 400);
      return `window ${size.width} × ${size.height}`;
    },
  },
];

/** Reloads; what was shown before is there again, and the server has it. */
async function reloadKeeping(w: World): Promise<void> {
  const before = await w.ask<{ bars: string[] }>('shown');
  const name = (b: string) => b.replace(/ -?[\d.]+ -?[\d.]+/, '');
  await w.page.reload();
  w.fault = 'none';
  await w.settle();
  const conflict = await w.page.locator('.banner').count();
  if (conflict || !before.bars.length) return;
  const after = await w.ask<{ bars: string[] }>('shown');
  const lost = before.bars.map(name).filter((b) => !after.bars.map(name).includes(b));
  if (lost.length && after.bars.length)
    throw new Broken(`law 3: after a reload is gone what was shown before: ${lost.slice(0, 3).join(', ')}`);
  if (!(await w.saved())) throw new Broken('law 3: after a reload it is never saved');
}
