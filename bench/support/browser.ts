/** A browser for benches, and how long it takes from an event to the frame that shows what came of it. */
import { chromium } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';

export const launch = (): Promise<Browser> =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-quic', '--no-first-run', '--disable-background-networking'],
  });

export async function openTab(browser: Browser): Promise<Page> {
  const tab = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The TypeScript loader names functions by a helper that pages do not have.
  await tab.addInitScript('globalThis.__name = (f) => f');
  return tab;
}

interface Watching {
  waits: number[];
  tasks: number[];
  stop(): void;
}

/**
 * ms from the time stamp of each event of a type to the end of the first frame in which `read`, an expression, gives something else than it did
 * when the event came; and the tasks of over 50 ms meanwhile. `done` stops it.
 */
export async function watch(tab: Page, type: string, read: string) {
  await tab.evaluate(
    ([kind, expression]) => {
      const look = new Function(`return String(${expression})`) as () => string;
      const kept: Watching = { waits: [], tasks: [], stop: () => {} };
      const hear = (event: Event) => {
        const before = look();
        const afterFrame = () =>
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => {
              if (look() !== before) kept.waits.push(performance.now() - event.timeStamp);
              else if (performance.now() - event.timeStamp < 3000) afterFrame();
            };
            channel.port2.postMessage(0);
          });
        afterFrame();
      };
      const tasks = new PerformanceObserver((list) =>
        kept.tasks.push(...list.getEntries().map((e) => e.duration)),
      );
      tasks.observe({ type: 'longtask' });
      addEventListener(kind!, hear, true);
      kept.stop = () => {
        removeEventListener(kind!, hear, true);
        tasks.disconnect();
      };
      (window as unknown as { watching: Watching }).watching = kept;
    },
    [type, read],
  );
  return {
    done: (): Promise<Pick<Watching, 'waits' | 'tasks'>> =>
      tab.evaluate(() => {
        const { watching } = window as unknown as { watching: Watching };
        watching.stop();
        return { waits: watching.waits, tasks: watching.tasks };
      }),
  };
}

/** The limit: the same for a page of one element that an event moves. ms, one for each event. */
export async function bareWaits(browser: Browser, events = 60): Promise<number[]> {
  const tab = await openTab(browser);
  await tab.goto(
    'data:text/html,<div id="a" style="position:absolute;width:20px;height:20px;background:teal"></div>',
  );
  await tab.evaluate(() =>
    addEventListener('pointermove', (e) => (document.getElementById('a')!.style.top = `${e.clientY}px`)),
  );
  const watched = await watch(tab, 'pointermove', "document.getElementById('a').style.top");
  for (let i = 0; i < events; i++) {
    await tab.mouse.move(200, 100 + i);
    await tab.waitForTimeout(24);
  }
  const { waits } = await watched.done();
  await tab.close();
  return waits;
}
