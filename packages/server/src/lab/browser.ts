/** Starts Debian’s Chromium without a window, in its sandbox, and ends it with everything that it has started. */
import { itemAt } from '@lyvek/core';
import { existsSync, readFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { constants, setPriority } from 'node:os';
import { chromium } from 'playwright-core';
import type { Browser } from 'playwright-core';
import { starterAsNobody } from './as-nobody.ts';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/snap/bin/chromium'];

/** Path of the browser’s program, or null. `LYVEK_CHROMIUM` names another one. */
export const chromiumPath = (): string | null =>
  [process.env.LYVEK_CHROMIUM, ...PLACES].find((p) => p !== undefined && existsSync(p)) ?? null;

export class NoChromium extends Error {
  constructor() {
    super(
      'No Chromium is installed. On Debian: apt-get install --no-install-recommends chromium fonts-liberation. Or name one with LYVEK_CHROMIUM.',
    );
  }
}

const FLAGS = [
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // Interception sees requests of pages; what is no request (sockets, peers, preconnects) goes by way of the proxy below, or not at all.
  '--webrtc-ip-handling-policy=disable_non_proxied_udp',
  '--force-webrtc-ip-handling-policy=disable_non_proxied_udp',
  '--host-resolver-rules=MAP * ~NOTFOUND',
];
/** A proxy that nobody can reach: every connection that the browser makes by itself ends there, those to this machine too. */
const NOWHERE = { server: 'http://nowhere.invalid:1', bypass: '<-loopback>' };

/** Chromium has no sandbox for root: there it is started as nobody. */
const PROFILE = 'for a in "$@"; do case "$a" in --user-data-dir=*) dir="${a#--user-data-dir=}" ;; esac; done';

/** Some machines allow no sandbox to anybody; learned at the first start. */
let sandboxed = true;

export interface StartedBrowser {
  browser: Browser;
  /** its processes, those of its pages among them */
  pids(): number[];
  /** Lets everybody else on the machine go first, as what measures no time may. */
  giveWay(): void;
  /** Ends all of them at once. */
  kill(): void;
}

export async function startBrowser(): Promise<StartedBrowser> {
  const program = chromiumPath();
  if (!program) throw new NoChromium();
  const mark = `--lyvek-run=${randomUUID()}`;
  const launch = (chromiumSandbox: boolean) =>
    chromium.launch({
      executablePath: starterAsNobody(program, PROFILE),
      args: [...FLAGS, mark],
      chromiumSandbox,
      proxy: NOWHERE,
    });
  let browser: Browser;
  try {
    browser = await launch(sandboxed);
  } catch (error) {
    if (!sandboxed) throw error;
    browser = await launch(false);
    sandboxed = false;
  }
  const pids = () => withChildren(listChildren(process.pid).filter((pid) => findCommand(pid).includes(mark)));
  return {
    browser,
    pids,
    giveWay() {
      for (const pid of pids())
        try {
          setPriority(pid, constants.priority.PRIORITY_BELOW_NORMAL);
        } catch {
          // It has ended by itself, or belongs to somebody else.
        }
    },
    kill() {
      for (const pid of pids())
        try {
          process.kill(pid, 'SIGKILL');
        } catch {
          // It has ended by itself.
        }
    },
  };
}

const imported = (path: string): string => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    // It ended while we looked.
    return '';
  }
};
const findCommand = (pid: number) => imported(`/proc/${pid}/cmdline`);
const listChildren = (pid: number): number[] =>
  imported(`/proc/${pid}/task/${pid}/children`).split(' ').filter(Boolean).map(Number);
function withChildren(pids: readonly number[]): number[] {
  const all = [...pids];
  for (let i = 0; i < all.length; i++) all.push(...listChildren(itemAt(all, i)));
  return all;
}

const PAGE_SIZE = 4096;
/**
 * Memory of some processes together, bytes: what each has for itself, and once the largest share that they have in common
 * (proc(5), statm).
 */
export function computeMemory(pids: readonly number[]): number {
  let own = 0;
  let shared = 0;
  for (const pid of pids) {
    const [, resident = 0, common = 0] = imported(`/proc/${pid}/statm`).split(' ').map(Number);
    own += resident - common;
    shared = Math.max(shared, common);
  }
  return (own + shared) * PAGE_SIZE;
}
