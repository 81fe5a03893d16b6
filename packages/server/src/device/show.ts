/**
 * One take of one page, shown on devices: a listener of its own, off until somebody asks for it, that serves this page and nothing else. It ends by
 * hand, with the screen that asked for it, and when nothing has happened for long.
 */
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type * as z from 'zod';
import type { ShowMode, ShowState } from '@lyvek/api';
import { Problem } from '../http/problem.ts';
import { listAddresses } from './addresses.ts';
import { makeCode, makeToken } from './codes.ts';
import { Devices } from './devices.ts';
import type { ToDevice } from './devices.ts';
import { listen } from './listener.ts';

/** The finished page, and which revision of the take it is. */
export interface ShownFiles {
  entry: string;
  files: ReadonlyMap<string, Uint8Array>;
  /** may load files from other hosts */
  outside: boolean;
}

export interface ShowSource {
  takeId: string;
  /** the newest revision of the take */
  revision(): Promise<number>;
  make(): Promise<ShownFiles>;
}

/** Nothing asked for so long, ms: no device, and no screen that shows it. */
const IDLE_MS = 30 * 60_000;
const SCREEN_MS = 15_000;
const LOOKS_MS = 500;
/** A page and its files on eight devices need less. */
const MAX_CONNECTIONS = 200;

interface Running {
  server: Server;
  address: string;
  port: number;
  token: string;
  code: string;
  source: ShowSource;
  shown: ShownFiles;
  revision: number;
  devices: Devices;
  /** where the workbench’s playhead is, as a share of the page */
  share: number;
  mode: ShowMode;
  /** when the screen that shows it asked last, and when somebody did something there */
  watched: number;
  active: number;
  timer: NodeJS.Timeout;
}

export class Show {
  private running: Running | null = null;
  private ended: string | null = null;

  constructor(
    /** the script of the page on the device */
    private readonly script: () => string,
    private readonly now: () => number = Date.now,
  ) {}

  /** Begins, or begins anew with another take or address. */
  async start(source: ShowSource, address: string): Promise<ShowState> {
    if (!listAddresses().some((a) => a.address === address))
      throw new Problem(
        422,
        'Not an address of this machine',
        `${address} is none of its addresses. Choose another one.`,
      );
    this.stop('It was started again.');
    const [shown, revision] = [await source.make(), await source.revision()];
    const devices = new Devices(this.now);
    const token = makeToken();
    const server = createServer();
    server.maxConnections = MAX_CONNECTIONS;
    await new Promise<void>((done, fail) => {
      server.once('error', fail);
      server.listen(0, address, done);
    });
    const { port } = server.address() as AddressInfo;
    const running: Running = {
      ...{ server, address, port, token, source, shown, revision, devices },
      ...{ code: makeCode(), share: 0, mode: 'follows', watched: this.now(), active: this.now() },
      timer: setInterval(() => void this.look(), LOOKS_MS),
    };
    running.timer.unref();
    server.on('request', listen({ running, devices, script: this.script, host: `${address}:${port}` }));
    // Another start may have been faster: its listener must not stay open behind this one.
    this.stop('It was started again.');
    this.running = running;
    this.ended = null;
    return this.state();
  }

  /** Whether the take has changed, and whether anybody is still there. */
  async look(): Promise<void> {
    const { running } = this;
    if (!running) return;
    const now = this.now();
    if (now - running.watched > SCREEN_MS) return this.stop('The screen that showed it was closed.');
    if (now - Math.max(running.devices.heard, running.active) > IDLE_MS)
      return this.stop('Nothing happened for 30 minutes.');
    const revision = await running.source.revision().catch(() => running.revision);
    if (revision === running.revision || this.running !== running) return;
    running.revision = revision;
    // What cannot be written now is shown as it was.
    const shown = await running.source.make().catch(() => null);
    if (!shown) return;
    running.shown = shown;
    running.devices.tell({ type: 'reload' });
  }

  get isRunning(): boolean {
    return this.running !== null;
  }

  stop(why: string): void {
    const { running } = this;
    if (!running) return;
    this.running = null;
    this.ended = why;
    clearInterval(running.timer);
    running.devices.tell({ type: 'end' });
    running.devices.close();
    running.server.close();
    running.server.closeAllConnections();
  }

  /** What the screen shows; asking is what keeps it running. */
  state(): ShowState {
    const { running } = this;
    const addresses = listAddresses();
    if (!running) return { addresses, running: null, ended: this.ended };
    running.watched = this.now();
    const { address, port, token, code, mode, devices, source } = running;
    const url = `http://${address}:${port}/`;
    return {
      addresses,
      ended: null,
      running: {
        takeId: source.takeId,
        address,
        port,
        url,
        link: `${url}t/${token}`,
        code,
        mode,
        devices: devices.list(),
      },
    };
  }

  admit(id: string, admitted: boolean): ShowState {
    const { running } = this;
    running?.devices.admit(id, admitted);
    if (running) running.active = this.now();
    return this.state();
  }

  /** Asks a device of this show. */
  ask<T>(id: string, ...question: [ToDevice, { schema: z.ZodType<T>; timeoutMs: number }]): Promise<T> {
    const { running } = this;
    if (!running) throw new Problem(409, 'Not shown', 'This take is not shown on a device. Start it first.');
    return running.devices.ask(id, ...question);
  }

  /** How device and playhead go together, and where the playhead is. */
  follow(mode: ShowMode, share: number): void {
    const { running } = this;
    if (!running) return;
    running.mode = mode;
    running.share = share;
    running.watched = running.active = this.now();
    if (mode === 'follows') running.devices.tell({ type: 'scroll', share });
  }
}
