import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { emptyLayout, MEASURE_NOTHING, itemAt, lastItem, present } from '@lyvek/core';
import { EMPTY_PLAN } from '@lyvek/core/empty-plan';
import type { Piece, Plan } from '@lyvek/core';
import { HELLO } from '@lyvek/probe';
import type { FromProbe, ToProbe } from '@lyvek/probe';
import { turns } from '../testing/until.ts';
import { PageLink } from './page-link.ts';
import type { LinkEvents } from './page-link.ts';

/** The page’s side of the line: a probe, or somebody who says to be one. */
class Page {
  heard: ToProbe[] = [];
  port: MessagePort | null = null;
  frame = {
    contentWindow: {
      postMessage: (_hello: unknown, _origin: string, [port]: MessagePort[]) => {
        this.port = present(port);
        present(port).onmessage = (e) => this.heard.push(e.data as ToProbe);
      },
    },
  };
  say(message: FromProbe | Record<string, unknown> | string | null) {
    present(this.port).postMessage(message);
  }
  of = <D extends ToProbe['type']>(what: D) =>
    this.heard.filter((m): m is Extract<ToProbe, { type: D }> => m.type === what);
}

let greet: (e: unknown) => void;
let press: (key?: string) => void;
let page: Page;
let link: PageLink;
let detach: () => void = () => undefined;
const focused = { activeElement: null as unknown, hidden: false };

beforeEach(() => {
  Object.assign(globalThis, {
    addEventListener: (type: string, f: typeof greet) => {
      if (type === 'message') greet = f;
      if (type === 'keydown') press = (key = 'a') => f({ key });
    },
    removeEventListener: () => undefined,
    document: focused,
  });
});
afterEach(() => {
  detach();
  page.port?.close();
  jest.useRealTimers();
});

/** A clock that goes on by hand; messages go on by themselves. */
const stopClock = () =>
  jest.useFakeTimers({
    doNotFake: ['setImmediate', 'clearImmediate', 'queueMicrotask', 'nextTick', 'hrtime', 'Date'],
  });
async function passes(ms: number): Promise<void> {
  jest.advanceTimersByTime(ms);
  await turns();
}
async function connected(events: Partial<LinkEvents> = {}, options = {}): Promise<void> {
  page = new Page();
  link = new PageLink(options);
  for (const [type, hear] of Object.entries(events)) link.on(type as keyof LinkEvents, hear as never);
  detach = link.attach(page.frame as never, () => ({ selectors: ['#a'], values: [] }));
  greet({ source: page.frame.contentWindow, data: HELLO });
  page.say({ type: 'ready', late: false, frames: 0 });
  await turns();
}
const state = () => link.store.getState();
const layout = emptyLayout({ width: 800, height: 600 });
const nothing: Plan = EMPTY_PLAN;
const piece = (id: string, css: string): Piece => ({ id, motions: [id], rules: css, keyframes: '' }) as Piece;

describe('the line to a page', () => {
  test('a hello from another window opens nothing', () => {
    page = new Page();
    link = new PageLink();
    detach = link.attach(page.frame as never, () => MEASURE_NOTHING);
    greet({ source: {}, data: HELLO });
    greet({ source: page.frame.contentWindow, data: 'hello' });
    expect(page.port).toBeNull();
  });

  test('a page that is there is measured with the selectors of the document, and then counts as ready', async () => {
    const seen: unknown[] = [];
    await connected({ layout: (l) => seen.push(l) });
    expect(itemAt(page.of('measure'), 0).request.selectors).toEqual(['#a']);
    expect(state().link).toBe('loading');
    page.say({ type: 'layout', id: 0, layout });
    await turns();
    expect(state()).toMatchObject({ link: 'ready', layout });
    expect(seen).toEqual([layout]);
  });

  test('measured at a size, it is told which one is meant', async () => {
    await connected();
    link.measure({ width: 320, height: 480 });
    await turns();
    expect(lastItem(page.of('measure')).at).toEqual({ width: 320, height: 480 });
  });

  test('one that is only shown is not measured', async () => {
    await connected({}, { measures: false });
    expect(state().link).toBe('ready');
    page.say({ type: 'resized' });
    await turns();
    expect(page.of('measure')).toEqual([]);
  });

  test.each([
    ['words', 'ready'],
    ['nothing', null],
    ['an unknown message', { type: 'eval', code: '1' }],
    ['a field too many', { type: 'resized', now: true }],
    ['a number that is none', { type: 'scrolled', seq: 99, x: Number.NaN, y: 4 }],
    ['an element that cannot be', { type: 'hover', element: 24_001 }],
    [
      'a layout with too much in it',
      { type: 'layout', id: 0, layout: { ...layout, notes: Array(61).fill('x') } },
    ],
    ['a key', { type: 'key', key: 'Delete', shift: false, ctrl: false }],
  ])('%s changes nothing', async (_, message) => {
    await connected();
    const before = state();
    page.say(message as never);
    await turns();
    expect(state()).toEqual(before);
  });

  test('more than six hundred messages a second are not heard', async () => {
    await connected();
    for (let i = 0; i < 900; i++) page.say({ type: 'hover', element: i });
    await turns();
    expect(state().hovered).toBeLessThan(600);
    expect(state().hovered).toBeGreaterThan(500);
  });

  test('an echo of an older command does not pull the page back', async () => {
    await connected();
    page.say({ type: 'scrolled', seq: 1, x: 0, y: 10 });
    await turns();
    expect(state().offset.y).toBe(10);
    link.scrollTo(500);
    expect(state().offset.y).toBe(500);
    page.say({ type: 'scrolled', seq: 1, x: 0, y: 40 });
    await turns();
    expect(state().offset.y).toBe(500);
    const { seq } = lastItem(page.of('scroll'));
    // Where the page really landed is the truth.
    page.say({ type: 'scrolled', seq, x: 0, y: 499 });
    await turns();
    expect(state().offset.y).toBe(499);
  });

  test('a page that was too short goes where it was told once it has grown, unless a hand has moved it since', async () => {
    await connected();
    const patch = { wraps: [], attributes: [] } as never;
    link.scrollTo(3000);
    await turns();
    const asked = () => page.of('scroll').map((m) => m.y);
    page.say({ type: 'scrolled', seq: lastItem(page.of('scroll')).seq, x: 0, y: 1400 });
    await turns();
    expect(state().offset.y).toBe(1400);
    link.style([piece('pin', '#a { height: 9000px }')], patch, nothing);
    await turns();
    expect(asked().at(-1)).toBe(3000);
    const { seq } = lastItem(page.of('scroll'));
    page.say({ type: 'scrolled', seq, x: 0, y: 3000 });
    page.say({ type: 'scrolled', seq, x: 0, y: 2100 });
    await turns();
    const before = asked().length;
    page.say({ type: 'layout', id: 0, layout });
    await turns();
    expect([asked().length, state().offset.y]).toEqual([before, 2100]);
  });

  test('what stays in the page is there before it is measured, and it is measured again when that has changed', async () => {
    stopClock();
    page = new Page();
    link = new PageLink();
    const patch = { wraps: [], attributes: [] } as never;
    const clip = (css: string) => ({ ...piece('adjust:a', css), stays: true });
    link.wear(() => ({ pieces: [clip('#band { overflow: clip }')], patch, plan: nothing }));
    detach = link.attach(page.frame as never, () => MEASURE_NOTHING);
    greet({ source: page.frame.contentWindow, data: HELLO });
    page.say({ type: 'ready', late: false, frames: 0 });
    await turns();
    const order = () => page.heard.map((m) => m.type).filter((d) => d === 'style' || d === 'measure');
    expect(order()).toEqual(['style', 'measure']);
    page.say({ type: 'layout', id: 0, layout });
    await turns();
    const [motion, same] = [piece('m', '#a {}'), clip('#band { overflow: clip }')];
    link.style([same, motion], patch, nothing);
    await passes(120);
    // Motions do not change what is measured.
    expect(order()).toEqual(['style', 'measure', 'style']);
    link.try(true);
    link.style([clip('#band { overflow: visible }'), motion], patch, nothing);
    await passes(120);
    // What is only being tried is not measured, whatever the page does meanwhile.
    page.say({ type: 'resized' });
    await turns();
    expect(order()).toEqual(['style', 'measure', 'style', 'style']);
    link.try(false);
    await passes(120);
    expect(order().at(-1)).toBe('measure');
  });

  test('a click counts only where somebody has just pressed something and is not typing here', async () => {
    stopClock();
    const picked: number[] = [];
    await connected({ picked: (element) => picked.push(element) });
    const activate = (isActive: boolean) =>
      Object.defineProperty(globalThis, 'navigator', {
        value: { userActivation: { isActive } },
        configurable: true,
      });
    const click = async (isActive: boolean) => {
      activate(isActive);
      page.say({ type: 'picked', element: picked.length, additive: false, aside: false });
      await turns();
    };
    await click(false);
    await passes(400);
    activate(true);
    await passes(400);
    expect(picked).toEqual([]);
    // The browser’s word of a press may come after the page’s own.
    await click(false);
    activate(true);
    await passes(20);
    expect(picked).toEqual([0]);
    press();
    await turns();
    Object.assign(focused, { activeElement: { matches: () => true } });
    await click(true);
    expect(picked).toEqual([0]);
    // Enter ends what is typed, though the field stays in use.
    press('Enter');
    await click(true);
    expect(picked).toEqual([0, 1]);
    press();
    await click(true);
    expect(picked).toEqual([0, 1]);
    Object.assign(focused, { activeElement: null });
    await click(true);
    expect(picked).toEqual([0, 1, 2]);
    Reflect.deleteProperty(globalThis, 'navigator');
  });

  test('a document is greeted once; the next one once this one is gone', async () => {
    await connected();
    const first = page.port;
    greet({ source: page.frame.contentWindow, data: HELLO });
    expect(page.port).toBe(first);
    present(first).close();
    await turns();
    expect(page.port).not.toBe(first);
    page.say({ type: 'ready', late: true, frames: 0 });
    await turns();
    expect(state()).toMatchObject({ link: 'loading', late: true });
  });

  test('of two ports that were offered to one page only the first that speaks is heard', async () => {
    page = new Page();
    link = new PageLink({ measures: false });
    detach = link.attach(page.frame as never, () => MEASURE_NOTHING);
    greet({ source: page.frame.contentWindow, data: HELLO });
    const first = present(page.port);
    greet({ source: page.frame.contentWindow, data: HELLO });
    const second = present(page.port);
    expect(second).not.toBe(first);
    first.postMessage({ type: 'ready', late: false, frames: 0 });
    await turns();
    second.postMessage({ type: 'hover', element: 7 });
    await turns();
    expect(state()).toMatchObject({ link: 'ready', hovered: -1 });
    first.postMessage({ type: 'hover', element: 3 });
    await turns();
    expect(state().hovered).toBe(3);
    first.close();
  });

  test('one that floods the line is cut off, says why, and is let in again only when it is opened anew', async () => {
    stopClock();
    await connected({}, { measures: false });
    for (let tenths = 0; tenths < 46; tenths++) {
      for (let i = 0; i < 200; i++) page.say({ type: 'hover', element: i });
      await passes(100);
    }
    expect(state().trouble).toBe('flood');
    const port = page.port;
    greet({ source: page.frame.contentWindow, data: HELLO });
    expect(page.port).toBe(port);
  });

  test('layouts are read as often as they were asked for, and none with more elements than are measured', async () => {
    await connected();
    let read = 0;
    link.store.subscribe((s, before) => s.layout !== before.layout && read++);
    const send = (n: number) => {
      for (let i = 0; i < n; i++)
        page.say({ type: 'layout', id: 0, layout: { ...layout, notes: [String(Math.random())] } });
    };
    send(40);
    await turns();
    // Asked for once, when it was ready.
    expect(read).toBe(1);
    for (let i = 0; i < 15; i++) link.measure();
    send(40);
    await turns();
    expect(read).toBe(16);
    link.measure();
    const many = { ...layout, elements: Array.from({ length: 6001 }, () => null) };
    page.say({ type: 'layout', id: 0, layout: many });
    await turns();
    expect(read).toBe(16);
  });

  test('only pieces that have changed are sent, and nothing where nothing has', async () => {
    await connected();
    const patch = { wraps: [], attributes: [] } as never;
    const [a, b] = [piece('a', '#a {}'), piece('b', '#b {}')];
    link.style([a, b], patch, nothing);
    link.style([piece('a', '#a {}'), b], patch, nothing);
    link.style([a, piece('b', '#b { x: 1 }')], patch, nothing);
    link.style([a], patch, nothing);
    await turns();
    expect(page.of('style').map((m) => [m.pieces.map((p) => p.id), m.order])).toEqual([
      [
        ['a', 'b'],
        ['a', 'b'],
      ],
      [['b'], null],
      [[], ['a']],
    ]);
  });

  test('of two questions what matches only the newer answer counts', async () => {
    await connected();
    const answer = (selector: string) => ({
      type: 'found',
      selector,
      count: 2,
      elements: [],
      error: null,
      like: [],
    });
    link.find('#a', 0);
    link.find('#ab', 0);
    page.say(answer('#a'));
    await turns();
    expect(state().found).toBeNull();
    page.say(answer('#ab'));
    await turns();
    expect(state().found).toMatchObject({ selector: '#ab', count: 2 });
    link.find(null, 0);
    expect(state().found).toBeNull();
  });

  test('a page that greets again is spoken to on its new port, and told all styles again', async () => {
    await connected();
    const patch = { wraps: [], attributes: [] } as never;
    link.style([piece('a', '#a {}')], patch, nothing);
    await turns();
    present(page.port).close();
    await turns();
    greet({ source: page.frame.contentWindow, data: HELLO });
    page.say({ type: 'ready', late: true, frames: 0 });
    await turns();
    expect(state()).toMatchObject({ link: 'loading', late: true });
    link.style([piece('a', '#a {}')], patch, nothing);
    await turns();
    expect(page.of('style').length).toBe(2);
  });
});
