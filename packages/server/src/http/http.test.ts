import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Request, Response } from 'express';
import pino from 'pino';
import * as z from 'zod';
import { guardApi, isAppHost, tokenOfHost } from './guard.ts';
import { Problem, problems, sendProblem } from './problem.ts';
import { read } from './validate.ts';

const addresses = { ports: [4870] };

/** Just enough of a response to see what was sent. */
function response() {
  const seen = { status: 200, type: '', body: '', headers: {} as Record<string, string>, passed: false };
  const res = {
    headersSent: false,
    status(n: number) {
      seen.status = n;
      return res;
    },
    type(t: string) {
      seen.type = t;
      return res;
    },
    setHeader(k: string, v: string) {
      seen.headers[k] = v;
    },
    send(b: string) {
      seen.body = b;
    },
    json(b: unknown) {
      seen.body = JSON.stringify(b);
    },
  };
  return { res: res as unknown as Response, seen };
}

const ask = (headers: Record<string, string>) => {
  const { res, seen } = response();
  void guardApi(addresses)({ headers } as unknown as Request, res, () => (seen.passed = true));
  return seen;
};

describe('who may speak to the API', () => {
  test.each([
    [{ host: '127.0.0.1:4870' }, true],
    [{ host: 'localhost:4870' }, true],
    [{ host: '[::1]:4870' }, true],
    [{ host: '127.0.0.1:4870', origin: 'http://127.0.0.1:4870', 'sec-fetch-site': 'same-origin' }, true],
    [{ host: '127.0.0.1:4870', 'sec-fetch-site': 'none' }, true],
    [{ host: '127.0.0.1:4871' }, false],
    [{ host: '127.0.0.1' }, false],
    [{ host: 'evil.example:4870' }, false],
    [{ host: '127.0.0.1.evil.example:4870' }, false],
    [{}, false],
    [{ host: '127.0.0.1:4870', origin: 'https://127.0.0.1:4870' }, false],
    [{ host: '127.0.0.1:4870', origin: 'null' }, false],
    [{ host: '127.0.0.1:4870', origin: `http://${'a'.repeat(32)}.localhost:4870` }, false],
    [{ host: '127.0.0.1:4870', 'sec-fetch-site': 'cross-site' }, false],
    [{ host: '127.0.0.1:4870', 'sec-fetch-site': 'same-site' }, false],
  ] as [Record<string, string>, boolean][])('%j → %s', (headers, passes) => {
    const seen = ask(headers);
    expect(seen.passed).toBe(passes);
    expect(seen.status).toBe(passes ? 200 : 403);
  });

  test('no made-up host is ever taken for ours', () => {
    fc.assert(
      fc.property(fc.string(), (host) => {
        fc.pre(!['127.0.0.1:4870', 'localhost:4870', '[::1]:4870'].includes(host.toLowerCase()));
        expect(isAppHost(host, addresses)).toBe(false);
      }),
    );
  });

  test('a page’s host is exactly 32 hex digits before localhost', () => {
    const token = '0123456789abcdef0123456789abcdef';
    expect(tokenOfHost(`${token}.localhost:4870`)).toBe(token);
    for (const bad of [
      `${token}.localhost.example`,
      `${token.slice(1)}.localhost`,
      `x${token}.localhost`,
      'localhost',
      undefined,
    ])
      expect(tokenOfHost(bad)).toBeNull();
  });
});

describe('problems', () => {
  const handled = (error: unknown) => {
    const { res, seen } = response();
    void problems(pino({ level: 'silent' }))(error, { path: '/x' } as Request, res, () => undefined);
    return { ...seen, problem: JSON.parse(seen.body) as { status: number; title: string; detail: string } };
  };

  test('carry status, title and a sentence, as problem+json', () => {
    const { res, seen } = response();
    sendProblem(res, new Problem(412, 'Changed elsewhere', 'Reload.', { revision: 7 }));
    expect([seen.status, seen.type, JSON.parse(seen.body)]).toEqual([
      412,
      'application/problem+json',
      { type: 'about:blank', title: 'Changed elsewhere', status: 412, detail: 'Reload.', revision: 7 },
    ]);
  });

  test.each<[string, unknown, number]>([
    ['a body over its limit', { type: 'entity.too.large', limit: 100e6 }, 413],
    ['JSON that is none', { type: 'entity.parse.failed', message: 'Unexpected end' }, 400],
    ['a database that shuts down', { code: '57P01', message: 'terminating connection' }, 503],
    ['a database that is gone', { code: 'ECONNREFUSED', message: 'connect' }, 503],
    ['a connection cut in the middle', new Error('Connection terminated unexpectedly'), 503],
    ['a fault of ours', new TypeError('x is not a function'), 500],
  ])('%s', (_name, error, status) => {
    const seen = handled(error);
    expect(seen.problem.status).toBe(status);
    expect(seen.problem.detail.length).toBeGreaterThan(15);
    if (status === 503) expect(seen.headers['Retry-After']).toBe('1');
    if (status === 500) expect(seen.body).not.toContain('not a function');
  });
});

describe('borders', () => {
  const Shape = z.strictObject({
    name: z.string().min(1, 'a name is needed'),
    list: z.array(z.strictObject({ n: z.number() })),
  });
  test('what comes in is refused with every path', () => {
    try {
      read(Shape, { name: '', list: [{ n: 1 }, { n: 'x' }], more: 1 }, 'thing');
      throw new Error('was accepted');
    } catch (error) {
      expect(error).toBeInstanceOf(Problem);
      const { extra } = error as Problem;
      expect((extra.problems as { path: string }[]).map((p) => p.path).sort()).toEqual([
        '',
        'list[1].n',
        'name',
      ]);
    }
  });
});
