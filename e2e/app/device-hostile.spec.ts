/** What is shown on a device, attacked: from an address that guesses, by a page that lies, and from another machine’s point of view. */
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, readlinkSync } from 'node:fs';
import { request as ask } from 'node:http';
import { expect, test } from '@playwright/test';
import type { APIRequestContext } from '@playwright/test';
import { present } from '@lyvek/core';
import { addNew, html, stack } from '../support/app.ts';

const SECRET_TEXT = 'Nobody else reads this';
const PAGE = html(`<h1>${SECRET_TEXT}</h1>`, 'body{height:3000px}');

interface Asked {
  method?: string;
  path?: string;
  headers?: Record<string, string>;
  body?: string;
  /** the address that it comes from */
  from?: string;
}

/** As no browser would ask: any path as it is, any host, from any address of this machine. */
const knock = (port: number, { method = 'GET', path = '/', headers = {}, body, from }: Asked) =>
  new Promise<{ status: number; text: string; location: string }>((done) => {
    const options = { host: '127.0.0.1', port, method, path, headers, localAddress: from, timeout: 5000 };
    const out = ask(options, (res) => {
      let text = '';
      res.setEncoding('utf8');
      res.on('data', (part: string) => (text += part));
      res.on('end', () => done({ status: res.statusCode ?? 0, text, location: res.headers.location ?? '' }));
      res.on('error', () => done({ status: 0, text, location: '' }));
    });
    out.on('error', () => done({ status: 0, text: '', location: '' }));
    out.on('timeout', () => out.destroy());
    out.end(body);
  });

interface Started {
  link: string;
  code: string;
  port: number;
  /** where the workbench asks for it */
  show: string;
}

/** A show on an address of this machine, with a page that has been measured. */
async function startShow(request: APIRequestContext, address = '127.0.0.1'): Promise<Started> {
  const id = await addNew(request, `Hostile ${Date.now()}`, PAGE);
  const whole = await (await request.get(`/api/pages/${id}`)).json();
  const layout = {
    format: 'lyvek-layout',
    version: 1,
    viewport: { width: 1280, height: 800 },
    page: { width: 1280, height: 3000 },
    scrollers: [{ selector: null, port: { width: 1280, height: 800 }, max: { block: 2200, inline: 0 } }],
    sections: [],
    elements: [],
    matches: {},
    notes: [],
  };
  const put = await request.put(`/api/pages/${id}/layouts`, {
    data: layout,
    headers: { 'If-Match': `"${whole.contentHash ?? whole.page?.contentHash}"` },
  });
  expect(put.status(), await put.text()).toBeLessThan(300);
  const started = await request.post(`/api/takes/${whole.takes[0].id}/show`, {
    data: { address, width: 1280, height: 800 },
  });
  expect(started.status(), await started.text()).toBe(201);
  const { running } = await started.json();
  return { ...running, show: `/api/takes/${whole.takes[0].id}/show` } as Started;
}
const readState = async (request: APIRequestContext, show: string) =>
  (await (await request.get(show)).json()).running;

/** Ports on which the server, its database and whatever they have started listen. */
function listPorts(): number[] {
  const { supervisor, databaseUrl } = stack();
  // Browsers of other tests come and go meanwhile.
  const whileItLives = <T>(read: () => T[]): T[] => {
    try {
      return read();
    } catch {
      return [];
    }
  };
  const family = (pid: number): number[] => [
    pid,
    ...whileItLives(() =>
      readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').split(/\s+/).filter(Boolean),
    )
      .map(Number)
      .flatMap(family),
  ];
  const inodes = new Set(
    family(supervisor).flatMap((pid) =>
      whileItLives(() => readdirSync(`/proc/${pid}/fd`)).flatMap((fd) =>
        whileItLives(() => {
          const socket = /^socket:\[(\d+)\]$/.exec(readlinkSync(`/proc/${pid}/fd/${fd}`));
          return socket ? [socket[1]] : [];
        }),
      ),
    ),
  );
  const LISTENS = '0A';
  // The database may have left its parent.
  const own = [Number(new URL(databaseUrl).port)];
  const heard = ['tcp', 'tcp6'].flatMap((table) =>
    readFileSync(`/proc/net/${table}`, 'utf8')
      .split('\n')
      .slice(1)
      .map((line) => line.trim().split(/\s+/))
      .filter(([, , , state, , , , , , inode]) => state === LISTENS && inodes.has(inode ?? ''))
      .map(([, local]) => Number.parseInt(present(local).split(':').at(-1)!, 16)),
  );
  return [...new Set([...own, ...heard])];
}

/** The same numbers at every run. */
function* draw(seed: number): Generator<number> {
  for (let state = seed; ;) yield (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
}

test('a thousand hostile requests reach nothing, and lock nobody else out', async ({ request }) => {
  const { port, code, link, show } = await startShow(request);
  const host = `127.0.0.1:${port}`;
  const numbers = draw(7);
  const pick = <T>(list: readonly T[]): T =>
    list[Math.floor((numbers.next().value as number) * list.length)]!;
  const PATHS = [
    '/api/projects',
    '/api/show',
    '/api/health',
    '/preview/0123456789abcdef0123456789abcdef/',
    '/../../etc/passwd',
    '/..%2f..%2fetc%2fpasswd',
    '/%2e%2e/%2e%2e/package.json',
    '/t/00000000000000000000000000000000',
    '/t/',
    '/t/%00',
    '/00000000000000000000000000000000/',
    '/00000000000000000000000000000000/-/events',
    '/00000000000000000000000000000000/-/report',
    '/__proto__/',
    '/constructor/-/report',
    '/%',
    '/%ff%fe',
    `/${'a'.repeat(4000)}`,
    '//evil.example/',
    '/enter',
    '/index.html',
  ];
  const HOSTS = [host, 'localhost', `localhost:${port}`, 'evil.example', '127.0.0.1', ''];
  const BODIES = [
    undefined,
    'code=AAAAAA',
    'code[]=1&code[]=2',
    '{',
    'code='.repeat(200),
    `code=${'Z'.repeat(20)}`,
  ];
  const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'HEAD', 'PATCH', 'TRACE'];
  const seen = new Map<number, number>();
  let leaks = 0;
  for (let i = 0; i < 1000; i++) {
    // A show ends when no screen has asked for it for a while, and a busy machine takes long for a thousand.
    if (i % 50 === 0) expect(await readState(request, show)).toBeTruthy();
    const body = pick(BODIES);
    const answer = await knock(port, {
      method: pick(METHODS),
      path: pick(PATHS),
      headers: {
        host: pick(HOSTS),
        'content-type': 'application/x-www-form-urlencoded',
        'x-forwarded-for': '10.0.0.1',
      },
      ...(body === undefined ? {} : { body }),
    });
    seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1);
    if (answer.text.includes(SECRET_TEXT) || answer.location !== '') leaks++;
  }
  expect(leaks).toBe(0);
  // Refused in words, or not understood; nothing has failed in the listener itself.
  expect([...seen.keys()].filter((s) => ![0, 200, 400, 403, 404, 421, 429].includes(s))).toEqual([]);
  expect(seen.get(404) ?? 0).toBeGreaterThan(100);
  // Only the empty form is there for everybody.
  const right = {
    method: 'POST',
    path: '/enter',
    headers: { host, 'content-type': 'application/x-www-form-urlencoded' },
    body: `code=${code}`,
  };
  for (let i = 0; i < 6; i++) await knock(port, { ...right, body: 'code=AAAAAA' });
  expect((await knock(port, right)).status).toBe(429);
  // Another address comes in with the same letters, and with the link.
  const entered = await knock(port, { ...right, from: '127.0.0.2' });
  expect([entered.status, /^\/[0-9a-f]{32}\/$/.test(entered.location)]).toEqual([303, true]);
  const scanned = await knock(port, { path: new URL(link).pathname, headers: { host }, from: '127.0.0.3' });
  expect(scanned.status).toBe(303);
  // It waits: until people let it in, it has neither the page nor a word.
  const waits = await knock(port, { path: entered.location, headers: { host } });
  expect([waits.status, waits.text.includes(SECRET_TEXT)]).toEqual([200, false]);
  for (const path of ['-/events', 'index.html', '-/report']) {
    const answer = await knock(port, { path: entered.location + path, headers: { host } });
    expect([answer.text.includes(SECRET_TEXT), answer.text.includes('retry')]).toEqual([false, false]);
  }
  // Too many that wait are refused as well.
  for (let i = 0; i < 4; i++) await knock(port, { ...right, from: '127.0.0.4' });
  expect((await readState(request, show)).devices.length).toBeLessThanOrEqual(8);
});

test('thirty hostile messages change nothing', async ({ request }) => {
  const { port, code, show } = await startShow(request);
  const host = `127.0.0.1:${port}`;
  const form = { host, 'content-type': 'application/x-www-form-urlencoded' };
  const { location } = await knock(port, {
    method: 'POST',
    path: '/enter',
    headers: form,
    body: `code=${code}`,
  });
  const [device] = (await readState(request, show)).devices;
  await request.put(`${show}/devices/${device.id}`, { data: { admitted: true } });
  expect((await knock(port, { path: location, headers: { host } })).text).toContain(SECRET_TEXT);
  const say = (body: string) =>
    knock(port, { method: 'POST', path: `${location}-/report`, headers: { host }, body });
  const good = {
    y: 10,
    max: 2000,
    width: 390,
    height: 700,
    visual: { height: 700, top: 0, scale: 1 },
    density: 2,
    touched: false,
  };
  expect((await say(JSON.stringify(good))).status).toBe(204);
  const numbers = [-1, 1e9, '5', null, [], {}, true];
  const hostile = [
    '',
    '{',
    'null',
    '[]',
    '"text"',
    '{"__proto__":{"y":1}}',
    'x'.repeat(20_000),
    JSON.stringify({ ...good, more: 1 }),
    JSON.stringify({ ...good, visual: { height: 1 } }),
    JSON.stringify({ ...good, visual: 'x'.repeat(5000) }),
    JSON.stringify({ ...good, touched: 'yes' }),
    JSON.stringify(good).replace('2000', '1e999'),
    `${'['.repeat(6000)}${']'.repeat(6000)}`,
    ...numbers.map((y) => JSON.stringify({ ...good, y })),
    ...numbers.map((density) => JSON.stringify({ ...good, density })),
    JSON.stringify({ ...good, width: '<script>' }),
    JSON.stringify({ ...good, height: -5 }),
    JSON.stringify({ y: 1 }),
  ];
  expect(hostile).toHaveLength(30);
  for (const [i, body] of hostile.entries()) {
    const { status } = await say(body);
    expect([i, [404, 413, 422, 429].includes(status), status]).toEqual([i, true, status]);
  }
  const after = (await readState(request, show)).devices[0];
  expect(after.report).toEqual(good);
  // A flood is stopped, and what comes a second later is heard again.
  const flood = await Promise.all(Array.from({ length: 60 }, () => say(JSON.stringify(good))));
  expect(flood.filter((a) => a.status === 429).length).toBeGreaterThan(10);
  await expect.poll(async () => (await say(JSON.stringify({ ...good, y: 99 }))).status).toBe(204);
});

test('from another network, one port is there, and only while it is on', async ({ request }) => {
  const run = (command: string, ...args: string[]) =>
    execFileSync(command, args, { encoding: 'utf8', stdio: 'pipe' });
  const [space, outer, inner] = [
    `lv${process.pid % 10000}`,
    `lvo${process.pid % 10000}`,
    `lvi${process.pid % 10000}`,
  ];
  const [here, there] = ['10.213.7.1', '10.213.7.2'];
  try {
    run('ip', 'netns', 'add', space);
    run('ip', 'link', 'add', outer, 'type', 'veth', 'peer', 'name', inner);
    run('ip', 'link', 'set', inner, 'netns', space);
    run('ip', 'addr', 'add', `${here}/30`, 'dev', outer);
    run('ip', 'link', 'set', outer, 'up');
    run('ip', 'netns', 'exec', space, 'ip', 'addr', 'add', `${there}/30`, 'dev', inner);
    run('ip', 'netns', 'exec', space, 'ip', 'link', 'set', inner, 'up');
  } catch (error) {
    clean();
    test.skip(true, `a second network takes root and the command “ip”: ${String(error).split('\n')[0]}`);
  }
  function clean() {
    for (const args of [
      ['link', 'del', outer],
      ['netns', 'del', space],
    ])
      try {
        run('ip', ...args);
      } catch {
        // It was not there.
      }
  }
  /** Of the ports that Lyvek’s processes listen on, those that answer from there. */
  const scan = (more: number[] = []): number[] => {
    const ports = [...listPorts(), ...more];
    expect(ports.length).toBeGreaterThan(1);
    const script = `const net=require('net');const open=[];const ports=${JSON.stringify(ports)};let left=ports.length;
for(const port of ports){const s=net.connect({host:'${here}',port});
const end=(ok)=>{if(ok)open.push(port);s.destroy();if(--left===0)console.log(JSON.stringify(open))};
s.setTimeout(3000,()=>end(false));s.once('connect',()=>end(true));s.once('error',()=>end(false))}`;
    return JSON.parse(run('ip', 'netns', 'exec', space, process.execPath, '-e', script)) as number[];
  };
  try {
    expect(scan()).toEqual([]);
    const { port, show } = await startShow(request, here);
    expect(listPorts()).toContain(port);
    expect(scan()).toEqual([port]);
    const page = run(
      'ip',
      'netns',
      'exec',
      space,
      process.execPath,
      '-e',
      `fetch('http://${here}:${port}/').then(r=>r.text()).then(console.log)`,
    );
    expect(page).toContain('six letters');
    await request.delete(show);
    expect(scan([port])).toEqual([]);
  } finally {
    clean();
  }
});
