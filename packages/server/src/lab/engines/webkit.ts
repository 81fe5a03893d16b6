/** WebKitGTK’s small browser, through plain W3C WebDriver, on a screen that nobody sees. */
import { ENGINE_NAMES } from '@lyvek/core';
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';
import * as z from 'zod';
import type { Viewport } from '@lyvek/core';
import { asNobody, makeFolder } from '../as-nobody.ts';
import type { PageFiles } from '../page-files.ts';
import { using } from './engine.ts';
import type { Engine, EnginePage, EngineOpening } from './engine.ts';
import { openSite } from './site.ts';

const DRIVER = '/usr/bin/WebKitWebDriver';
const SCREEN = '/usr/bin/Xvfb';
/** The folder below it is named after the machine’s kind. */
const LIBRARIES = '/usr/lib';
const BROWSER = join('webkit2gtk-4.1', 'MiniBrowser');

function browserPath(): string | null {
  const found = existsSync(LIBRARIES)
    ? readdirSync(LIBRARIES)
        .map((d) => join(LIBRARIES, d, BROWSER))
        .find((p) => existsSync(p))
    : undefined;
  return found ?? null;
}

const LOAD_MS = 20_000;
const SCRIPT_MS = 60_000;
const START_MS = 20_000;
const CALL_MS = 90_000;

const Answer = z.object({ value: z.unknown() });
const Failure = z.object({ error: z.string(), message: z.string() });

/** One command of WebDriver (W3C WebDriver 2, §6). */
type Call = (method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown) => Promise<unknown>;
const makeCall =
  (base: string): Call =>
  async (method, path, body) => {
    const response = await fetch(`${base}${path}`, {
      method,
      signal: AbortSignal.timeout(CALL_MS),
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const { value } = Answer.parse(await response.json());
    if (response.ok) return value;
    const failure = Failure.safeParse(value);
    throw new Error(
      failure.success ? failure.data.message || failure.data.error : `WebDriver: ${response.status}`,
    );
  };

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port } = server.address() as AddressInfo;
  await new Promise((closed) => server.close(closed));
  return port;
}

/** A screen of its own; its number comes by a pipe. */
async function startScreen(): Promise<{ process: ChildProcess; display: string }> {
  const screen = spawn(
    SCREEN,
    ['-displayfd', '3', '-screen', '0', '2560x1600x24', '-nolisten', 'tcp', '-ac'],
    {
      detached: true,
      stdio: ['ignore', 'ignore', 'ignore', 'pipe'],
    },
  );
  const number = await new Promise<string>((told, failed) => {
    screen.stdio[3]?.once('data', (text: Buffer) => told(text.toString().trim()));
    screen.once('error', failed);
    screen.once('exit', () => failed(new Error('The screen for WebKit did not start.')));
  });
  return { process: screen, display: `:${number}` };
}

/** Asks until the driver answers. */
async function waitFor(call: Call): Promise<void> {
  const end = Date.now() + START_MS;
  for (;;)
    try {
      await call('GET', '/status');
      return;
    } catch (error) {
      if (Date.now() > end) throw error;
      await rest(50);
    }
}

/** A folder for its settings: readers who ask for nothing, and a place where it keeps what it likes. */
function makeHome(): string {
  const home = makeFolder('lyvek-webkit-');
  mkdirSync(join(home, 'gtk-3.0'));
  writeFileSync(join(home, 'gtk-3.0', 'settings.ini'), '[Settings]\ngtk-enable-animations=1\n');
  return home;
}

class WebKitPage implements EnginePage {
  constructor(private readonly call: Call) {}

  async run(script: string): Promise<void> {
    await this.call('POST', '/execute/sync', { script, args: [] });
  }

  async evaluate(expression: string): Promise<unknown> {
    const script = `const done = arguments[arguments.length - 1];
Promise.resolve().then(() => (${expression})).then((value) => done({ text: JSON.stringify(value) ?? 'null' }), (error) => done({ error: String(error) }));`;
    const answer = z
      .object({ text: z.string().optional(), error: z.string().optional() })
      .parse(await this.call('POST', '/execute/async', { script, args: [] }));
    if (answer.error !== undefined) throw new Error(answer.error);
    return JSON.parse(answer.text ?? 'null');
  }

  /** The window is larger than the page by its bars, which nobody tells: set, look, and set again. */
  async setViewportSize(size: Viewport): Promise<void> {
    await this.fitViewport(size);
  }

  /** Whether it was another size before. */
  async fitViewport({ width, height }: Viewport): Promise<boolean> {
    const readInner = async () =>
      z.tuple([z.number(), z.number()]).parse(await this.evaluate('[innerWidth, innerHeight]'));
    let inner = await readInner();
    let outer = { width, height };
    for (let tries = 0; tries < 6; tries++) {
      if (inner[0] === width && inner[1] === height) return tries > 0;
      await this.call('POST', '/window/rect', { x: 0, y: 0, ...outer });
      await this.evaluate(
        'new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))).then(() => 0)',
      );
      inner = await readInner();
      outer = { width: outer.width + width - inner[0], height: outer.height + height - inner[1] };
    }
    throw new Error(`WebKit’s window does not get ${width} × ${height}.`);
  }

  /** Its one window stays open: without any the browser ends. */
  async close(): Promise<void> {
    await this.call('POST', '/url', { url: 'about:blank' });
  }
}

const missing = (): string | null =>
  browserPath() && existsSync(DRIVER) && existsSync(SCREEN)
    ? null
    : 'WebKitGTK’s driver is not installed. On Debian: apt-get install --no-install-recommends webkit2gtk-driver xvfb.';

const Session = z.object({
  sessionId: z.string(),
  capabilities: z.object({ browserName: z.string(), browserVersion: z.string() }),
});
const makeCapabilities = (binary: string, proxy: string) => ({
  capabilities: {
    alwaysMatch: {
      'webkitgtk:browserOptions': { binary, args: ['--automation'] },
      timeouts: { pageLoad: LOAD_MS, script: SCRIPT_MS },
      unhandledPromptBehavior: 'dismiss',
      proxy: { proxyType: 'manual', httpProxy: proxy, sslProxy: proxy },
    },
  },
});

/** The driver, and with it the browser: a group of processes that ends as one. */
function startDriver(display: string, home: string, port: number): ChildProcess {
  const [program, args] = asNobody(DRIVER, ['--host=127.0.0.1', `--port=${port}`]);
  const folders = { HOME: home, XDG_CONFIG_HOME: home, XDG_CACHE_HOME: home, XDG_DATA_HOME: home };
  return spawn(program, args, {
    stdio: 'ignore',
    detached: true,
    env: { ...process.env, ...folders, DISPLAY: display },
  });
}

const killGroup = ({ pid }: ChildProcess): void => {
  try {
    if (pid) process.kill(-pid, 'SIGKILL');
  } catch {
    // It has ended by itself.
  }
};

async function start() {
  const binary = browserPath();
  if (!binary) throw new Error(missing() ?? '');
  const site = await openSite();
  const home = makeHome();
  const started: ChildProcess[] = [];
  const kill = () => {
    started.forEach(killGroup);
    site.close();
    rmSync(home, { recursive: true, force: true });
  };
  try {
    const screen = await startScreen();
    started.push(screen.process);
    const port = await freePort();
    started.unshift(startDriver(screen.display, home, port));
    const call = makeCall(`http://127.0.0.1:${port}`);
    await waitFor(call);
    const session = Session.parse(await call('POST', '/session', makeCapabilities(binary, site.proxy)));
    const inSession: Call = (method, path, body) =>
      call(method, `/session/${session.sessionId}${path}`, body);
    return {
      // A range still holds at its very end.
      cut: 1,
      version: `WebKitGTK ${session.capabilities.browserVersion}`,
      async open(files: PageFiles, { viewport }: EngineOpening) {
        const page = new WebKitPage(inSession);
        const url = site.add(files);
        await inSession('POST', '/url', { url });
        // The first page brings a bar along. What is worked out of the window as a page loads is not worked out again.
        if (await page.fitViewport(viewport)) await inSession('POST', '/url', { url });
        return page;
      },
      async close() {
        await inSession('DELETE', '').catch(() => {});
        kill();
      },
      kill,
    };
  } catch (error) {
    kill();
    throw error;
  }
}

export const webkit: Engine = { name: 'webkit', label: ENGINE_NAMES.webkit, missing, use: using(start) };
