/** Debian’s Firefox, through WebDriver BiDi. */
import { ENGINE_NAMES } from '@lyvek/core';
import { existsSync } from 'node:fs';
import type { Browser } from 'puppeteer-core';
import { starterAsNobody } from '../as-nobody.ts';
import { using } from './engine.ts';
import type { PageFiles } from '../page-files.ts';
import type { Engine, EnginePage, EngineOpening } from './engine.ts';
import { openSite } from './site.ts';

const PLACES = ['/usr/bin/firefox-esr', '/usr/bin/firefox'];
const firefoxPath = (): string | null =>
  [process.env.LYVEK_FIREFOX, ...PLACES].find((p) => p !== undefined && existsSync(p)) ?? null;

const LOAD_MS = 20_000;
/** It starts in 5 to 18 s on a busy machine. */
const START_MS = 60_000;

const makePreferences = (proxy: string): Record<string, unknown> => {
  const [host, port] = proxy.split(':');
  return {
    'network.proxy.type': 1,
    'network.proxy.http': host,
    'network.proxy.http_port': Number(port),
    'network.proxy.ssl': host,
    'network.proxy.ssl_port': Number(port),
    'network.proxy.no_proxies_on': '',
    'network.proxy.allow_hijacking_localhost': true,
    'network.http.http3.enable': false,
    'network.prefetch-next': false,
    'network.dns.disablePrefetch': true,
    'media.peerconnection.enabled': false,
    // Layouts are compared with other browsers’, which have bars over the page without a window.
    'ui.useOverlayScrollbars': 1,
    'ui.prefersReducedMotion': 0,
    // Frames are counted by its own clock.
    'privacy.reduceTimerPrecision': false,
    'layout.css.scroll-driven-animations.enabled': process.env.LYVEK_FIREFOX_TIMELINES === '1',
  };
};

async function openPage(browser: Browser, url: string, { viewport }: EngineOpening): Promise<EnginePage> {
  const page = await browser.newPage();
  page.on('dialog', (d) => void d.dismiss().catch(() => {}));
  await page.setViewport(viewport);
  await page.goto(url, { waitUntil: 'load', timeout: LOAD_MS });
  return {
    run: async (script) => void (await page.evaluate(`${script};0`)),
    // As JSON: what stands in a value twice comes only once by way of the protocol.
    async evaluate(expression) {
      const text = await page.evaluate(
        `Promise.resolve(${expression}).then((value) => JSON.stringify(value) ?? 'null')`,
      );
      return JSON.parse(String(text)) as unknown;
    },
    setViewportSize: (size) => page.setViewport(size),
    close: () => page.close(),
  };
}

/** The profile is the argument after its name. */
const PROFILE = 'for a in "$@"; do [ "$last" = "--profile" ] && dir="$a"; last="$a"; done';

const missing = (): string | null =>
  firefoxPath()
    ? null
    : 'Firefox is not installed. On Debian: apt-get install --no-install-recommends firefox-esr. Or name one with LYVEK_FIREFOX.';

async function start() {
  const program = firefoxPath();
  if (!program) throw new Error(missing() ?? '');
  // Only where it is used: it takes a while to load.
  const { default: puppeteer } = await import('puppeteer-core');
  const site = await openSite();
  try {
    const browser = await puppeteer.launch({
      browser: 'firefox',
      executablePath: starterAsNobody(program, PROFILE),
      headless: true,
      timeout: START_MS,
      extraPrefsFirefox: makePreferences(site.proxy),
    });
    return {
      // Its script reads places of boxes that the browser has rounded.
      cut: 2.5,
      version: (await browser.version()).replace(/^firefox\//i, 'Firefox '),
      open: (files: PageFiles, how: EngineOpening) => openPage(browser, site.add(files), how),
      async close() {
        await browser.close();
        site.close();
      },
      kill() {
        browser.process()?.kill('SIGKILL');
        site.close();
      },
    };
  } catch (error) {
    site.close();
    throw error;
  }
}

export const firefox: Engine = { name: 'firefox', label: ENGINE_NAMES.firefox, missing, use: using(start) };
