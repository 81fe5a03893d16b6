/** The devices of a show: who waits, who is in, what they say, and how they are told something. */
import type { ServerResponse } from 'node:http';
import type * as z from 'zod';
import type { DeviceFacts, DeviceReport } from '@lyvek/api';
import type { RidePath } from '@lyvek/core';
import { Problem } from '../http/problem.ts';
import { makeCode, makeToken } from './codes.ts';

export type ToDevice =
  | { type: 'reload' }
  | { type: 'end' }
  | { type: 'scroll'; share: number }
  /** scrolls along a path and answers how its frames went */
  | { type: 'ride'; path: RidePath; rest: number }
  /** answers with the next scroll of a finger */
  | { type: 'record' };

/** What a device was asked, until it answers. */
interface Question {
  of: Device;
  answer(given: unknown): boolean;
  fail(why: Problem): void;
}

interface Device {
  id: string;
  /** the part of its addresses that nobody guesses */
  secret: string;
  code: string;
  address: string;
  name: string;
  in: boolean;
  heard: number;
  /** of its words, ms: more would be a flood */
  words: number[];
  report: DeviceReport | null;
  streams: Set<ServerResponse>;
}

interface Asking<T> {
  schema: z.ZodType<T>;
  timeoutMs: number;
}

const MAX_DEVICES = 8;
const MAX_OF_ADDRESS = 3;
/** Of one device: as it may be open twice while it loads anew. */
const MAX_STREAMS = 3;
const MAX_WORDS_A_SECOND = 30;
/** One that waits and no longer looks has gone, ms. */
const WAITS_MS = 10_000;

export class Devices {
  private readonly all = new Map<string, Device>();
  private readonly questions = new Map<string, Question>();
  /** when any of them was heard of last */
  heard: number;

  constructor(private readonly now: () => number) {
    this.heard = now();
  }

  /** A new one that waits; null where too many do. */
  add(address: string, agent: string): Device | null {
    for (const [secret, d] of this.all) if (!d.in && this.now() - d.heard > WAITS_MS) this.all.delete(secret);
    const sameAddress = [...this.all.values()].filter((d) => d.address === address && !d.in);
    if (this.all.size >= MAX_DEVICES || sameAddress.length >= MAX_OF_ADDRESS) return null;
    const device: Device = {
      ...{ id: makeToken(), secret: makeToken(), code: makeCode(), address, name: describeAgent(agent) },
      ...{ in: false, heard: this.now(), words: [], report: null, streams: new Set() },
    };
    this.all.set(device.secret, device);
    return device;
  }

  find(secret: string): Device | undefined {
    const device = this.all.get(secret);
    if (device) this.heard = device.heard = this.now();
    return device;
  }

  admit(id: string, admitted: boolean): void {
    for (const [secret, device] of this.all) {
      if (device.id !== id) continue;
      if (admitted) device.in = true;
      else {
        send(device, { type: 'end' });
        device.streams.forEach((s) => s.end());
        this.all.delete(secret);
        this.forget((of) => of === device);
      }
    }
  }

  /** Asks one that shows the page, and waits for its answer; what is no such answer is not one. */
  ask<T>(id: string, message: ToDevice, { schema, timeoutMs }: Asking<T>): Promise<T> {
    const device = [...this.all.values()].find((d) => d.id === id && d.in && d.streams.size > 0);
    if (!device)
      return Promise.reject(
        new Problem(409, 'Not there', 'This device does not show the page now. Open it there again.'),
      );
    const token = makeToken();
    return new Promise<T>((done, fail) => {
      const timer = setTimeout(
        () =>
          end(() =>
            fail(
              new Problem(
                504,
                'No answer',
                'The device did not answer. Keep the page in sight there and try again.',
              ),
            ),
          ),
        timeoutMs,
      );
      timer.unref();
      const end = (how: () => void) => {
        clearTimeout(timer);
        this.questions.delete(token);
        how();
      };
      this.questions.set(token, {
        of: device,
        answer: (given) => {
          const read = schema.safeParse(given);
          if (read.success) end(() => done(read.data));
          return read.success;
        },
        fail: (why) => end(() => fail(why)),
      });
      send(device, { ...message, answerTo: token });
    });
  }

  /** False where nothing was asked of this device, or where it is no answer. */
  answer(device: Device, token: string, given: unknown): boolean {
    const question = this.questions.get(token);
    return question?.of === device && question.answer(given);
  }

  /** False for one that says too much. */
  mayWord(device: Device): boolean {
    const since = this.now() - 1000;
    device.words = device.words.filter((t) => t > since);
    if (device.words.length >= MAX_WORDS_A_SECOND) return false;
    device.words.push(this.now());
    return true;
  }

  /** False where it has too many already. */
  open(device: Device, stream: ServerResponse): boolean {
    if (device.streams.size >= MAX_STREAMS) return false;
    device.streams.add(stream);
    stream.on('close', () => device.streams.delete(stream));
    return true;
  }

  tell(message: ToDevice): void {
    for (const device of this.all.values()) send(device, message);
  }

  private forget(isGone: (of: Device) => boolean): void {
    for (const { of, fail } of [...this.questions.values()])
      if (isGone(of)) fail(new Problem(409, 'Gone', 'The device no longer shows the page.'));
  }

  close(): void {
    this.forget(() => true);
    for (const { streams } of this.all.values()) streams.forEach((s) => s.end());
  }

  list(): DeviceFacts[] {
    return [...this.all.values()].map(({ id, code, address, name, in: isIn, streams, report }) => ({
      ...{ id, code, address, name },
      state: !isIn ? 'waits' : streams.size > 0 ? 'shows' : 'away',
      report,
    }));
  }
}

function send({ in: isIn, streams }: Device, message: ToDevice & { answerTo?: string }): void {
  if (isIn) for (const stream of streams) stream.write(`data: ${JSON.stringify(message)}\n\n`);
}

const KINDS: readonly [RegExp, string][] = [
  [/iPhone/, 'iPhone'],
  [/iPad/, 'iPad'],
  [/Android.*Mobile/, 'Android phone'],
  [/Android/, 'Android tablet'],
  [/Macintosh/, 'Mac'],
  [/Windows/, 'Windows'],
  [/Linux/, 'Linux'],
];
const BROWSERS: readonly [RegExp, string][] = [
  [/Firefox|FxiOS/, 'Firefox'],
  [/Edg/, 'Edge'],
  [/SamsungBrowser/, 'Samsung Internet'],
  [/Chrome|CriOS/, 'Chrome'],
  [/Safari/, 'Safari'],
];
const find = (list: readonly [RegExp, string][], agent: string) => list.find(([is]) => is.test(agent))?.[1];

/** What it says of itself, in words; none of it is trusted. */
const describeAgent = (agent: string): string =>
  [find(KINDS, agent) ?? 'A device', find(BROWSERS, agent)].filter(Boolean).join(', ');
