/** Which words of a page a reader gets to see while scrolling it from top to bottom. The looking runs inside the page, one look at a time. */
import type { Page } from '@playwright/test';
import { dwell, elapse, latency } from '../support/time.ts';

export interface Seen {
  /** words that were seen in at least one place, by text and occurrence */
  words: string[];
  /** words that a script of the page has replaced: who reads the page reads others there */
  replaced: string[];
  /** all that stood there when the page had loaded */
  there: ReadonlySet<string>;
  places: number;
}

/**
 * What can be read where the page stands now. A word counts where its middle is in the window, not hidden, at least faintly opaque, and
 * covered by nothing but its own element.
 */
function look(aside: string): { seen: string[]; replaced: string[]; left: string[] } {
  interface Word {
    key: string;
    node: Text;
    from: number;
    to: number;
  }
  const memory = window as unknown as { words?: Word[] };
  if (!memory.words) {
    const words: Word[] = (memory.words = []);
    const count = new Map<string, number>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let n = walker.nextNode() as Text | null; n; n = walker.nextNode() as Text | null) {
      if (n.parentElement?.closest(`script, style, noscript, [aria-hidden=true]${aside && `, ${aside}`}`))
        continue;
      for (const m of n.data.matchAll(/\S+/g)) {
        const i = count.get(m[0]) ?? 0;
        count.set(m[0], i + 1);
        words.push({ key: `${m[0]} ${i}`, node: n, from: m.index, to: m.index + m[0].length });
      }
    }
  }
  const opacity = (e: Element): number => {
    let o = 1;
    for (let p: Element | null = e; p; p = p.parentElement) o *= Number(getComputedStyle(p).opacity);
    return o;
  };
  const range = document.createRange();
  const isSeen = (w: Word): boolean => {
    range.setStart(w.node, w.from);
    range.setEnd(w.node, w.to);
    const r = range.getBoundingClientRect();
    const [x, y] = [r.left + r.width / 2, r.top + r.height / 2];
    if (r.width < 1 || x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) return false;
    const e = w.node.parentElement;
    if (!e) return false;
    const hit = document.elementFromPoint(x, y);
    if (!hit || !(hit === e || e.contains(hit) || hit.contains(e))) return false;
    return getComputedStyle(e).visibility === 'visible' && opacity(e) > 0.1;
  };
  const [seen, replaced, left] = [[] as string[], [] as string[], [] as Word[]];
  for (const w of memory.words)
    if (!w.node.isConnected || !w.key.startsWith(w.node.data.slice(w.from, w.to) || ' '))
      replaced.push(w.key);
    else if (isSeen(w)) seen.push(w.key);
    else left.push(w);
  memory.words = left;
  return { seen, replaced, left: left.map((w) => w.key) };
}

/** Share of the window by which a reader goes on, so that every line also stands where things are read. */
const STEP = 0.3;

/** Whether frames and timers of a page call back: they do not where its scripts are off. */
const alive = new WeakMap<Page, Promise<boolean>>();
const isAlive = (page: Page): Promise<boolean> =>
  Promise.race([
    page.evaluate(() => new Promise<boolean>((done) => requestAnimationFrame(() => done(true)))),
    latency(1000).then(() => false),
  ]).catch(() => false);

/** By the page’s own clock, or by the hand’s where the page has none. */
export async function pass(page: Page, ms: number): Promise<void> {
  const known = alive.get(page) ?? isAlive(page);
  alive.set(page, known);
  await ((await known) ? elapse(page, ms) : dwell(page, ms));
}

/** `aside`: what moves by itself and is read as it passes. Reads on the way down and, once what plays in time has had its time, on the way up. Works in pages whose scripts are off. */
export async function wordsSeen(page: Page, aside: readonly string[], least = 60): Promise<Seen> {
  const { max, height } = await page.evaluate(() => ({
    max: document.scrollingElement!.scrollHeight - innerHeight,
    height: innerHeight,
  }));
  const places = Math.max(least, Math.ceil(max / (height * STEP)) + 1);
  const words: string[] = [];
  const replaced: string[] = [];
  const first = await page.evaluate(look, aside.join(', '));
  words.push(...first.seen);
  const there = new Set([...first.seen, ...first.left]);
  const readAt = async (share: number) => {
    await page.evaluate((y) => scrollTo({ top: y, behavior: 'instant' }), max * share);
    await pass(page, 30);
    const now = await page.evaluate(look, aside.join(', '));
    words.push(...now.seen);
    replaced.push(...now.replaced);
  };
  for (let i = 0; i < places; i++) await readAt(i / (places - 1));
  await pass(page, 1500);
  for (let i = places - 1; i >= 0; i -= 2) await readAt(i / (places - 1));
  return { words, replaced, there, places };
}
