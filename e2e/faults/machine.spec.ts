/** What a machine can do to Lyvek: a path with odd characters, files that someone has changed, a folder that nobody may write to, a disk that is really full. */
import { execFileSync, spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import {
  appendFileSync,
  closeSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { emptyDocument, itemAt } from '@lyvek/core';
import { freePort, inRepo } from '../support/servers.ts';
import { FULL } from '../support/full.ts';

const REPO = fileURLToPath(inRepo('.')).replace(/\/$/, '');
const PARTS = [
  'package.json',
  'package-lock.json',
  'packages',
  'scripts',
  'tsconfig.base.json',
  'demo',
  'dist',
];

/** The project in another folder, with what is installed here. */
function copied(name: string): string {
  const folder = join(mkdtempSync(join(tmpdir(), 'lyvek-copy-')), name);
  mkdirSync(folder);
  for (const part of PARTS.filter((p) => existsSync(join(REPO, p))))
    cpSync(join(REPO, part), join(folder, part), {
      recursive: true,
      filter: (path) => !/\/(node_modules|\.cache)$/.test(path),
    });
  for (const part of ['.', ...readdirSync(join(REPO, 'packages')).map((p) => `packages/${p}`)]) {
    const installed = join(REPO, part, 'node_modules');
    if (existsSync(installed)) symlinkSync(installed, join(folder, part, 'node_modules'));
  }
  return folder;
}

interface Started {
  child: ChildProcess;
  url: string;
  /** ends when it has ended; its exit status */
  ended: Promise<number | null>;
  /** what it said, without progress */
  said(): string[];
}

/** Starts Lyvek in a folder; comes back when it is ready or has ended. */
async function start(cwd: string, env: Record<string, string> = {}): Promise<Started & { ready: boolean }> {
  const port = await freePort();
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd,
    env: { ...process.env, LYVEK_KEY: 'off', PORT: String(port), ...env },
  });
  let out = '';
  child.stderr.on('data', (d: Buffer) => (out += d.toString()));
  const ended = new Promise<number | null>((done) => child.once('exit', done));
  const ready = new Promise<boolean>((done) =>
    child.stdout.on('data', (d: Buffer) => d.toString().includes('ready at') && done(true)),
  );
  return {
    child,
    url: `http://127.0.0.1:${port}`,
    ended,
    said: () => out.split('\n').filter((l) => l.trim() && !/^lyvek +\d/.test(l)),
    ready: await Promise.race([ready, ended.then(() => false)]),
  };
}
const stop = async ({ child, ended }: Started) => {
  child.kill('SIGINT');
  await ended;
};
const works = async ({ url }: Started) => {
  expect((await fetch(`${url}/api/health`)).status).toBe(200);
  expect(await (await fetch(url)).text()).toContain('<script type="module"');
};

test(
  'in a folder with spaces, % and letters of all kinds it starts, and a changed build is built anew',
  FULL,
  async () => {
    const folder = copied('a 1 x=%20 ø 猫');
    const env = { LYVEK_DATA: join(folder, 'data') };
    const first = await start(folder, env);
    expect([first.ready, first.said()]).toEqual([true, []]);
    await works(first);
    await stop(first);
    appendFileSync(join(folder, 'dist/server.js'), '\nthis is no script');
    const again = await start(folder, env);
    expect([again.ready, again.said()]).toEqual([true, []]);
    await works(again);
    await stop(again);
    expect(readFileSync(join(folder, 'dist/server.js'), 'utf8')).not.toContain('this is no script');
    rmSync(folder, { recursive: true });
  },
);

test('a path with # or ?, which builds cannot read, is said in one sentence', async () => {
  const folder = copied('site #1');
  const { ready, ended, said } = await start(folder, { LYVEK_DATA: join(folder, 'data') });
  expect([ready, await ended, said().length]).toEqual([false, 1, 1]);
  expect(said()[0]).toMatch(/site #1.*Rename that folder/);
  rmSync(folder, { recursive: true });
});

for (const [where, file, mistake, said] of [
  [
    'the server',
    'packages/server/src/main.ts',
    '\nconst a = ;\n',
    /main\.ts, line \d+, column 11: Unexpected ";"/,
  ],
  ['the interface', 'packages/web/src/app/main.tsx', '\nconst a = ;\n', /main\.tsx:\d+:11: Unexpected token/],
  [
    'a style sheet',
    'packages/web/src/app/index.css',
    '\n.a { color: red; ',
    /index\.css: Missing closing } at \.a/,
  ],
] as const)
  test(`a mistake in a source of ${where} is said in one sentence, with its place`, FULL, async () => {
    const folder = copied('broken');
    appendFileSync(join(folder, file), mistake);
    const broken = await start(folder, { LYVEK_DATA: join(folder, 'data') });
    expect([broken.ready, await broken.ended, broken.said().length]).toEqual([false, 1, 1]);
    expect(broken.said()[0]).toMatch(said);
    expect(broken.said()[0]).not.toContain('node_modules');
    rmSync(folder, { recursive: true });
  });

test('a folder in which nobody can write is said in one sentence', async () => {
  // Even the machine’s own administrator makes no folders in there.
  const { ready, ended, said } = await start(REPO, { LYVEK_DATA: '/sys/lyvek' });
  expect([ready, await ended, said().length]).toEqual([false, 1, 1]);
  expect(said()[0]).toContain('/sys/lyvek');
  expect(said()[0]).toMatch(/may not be written to/);
});

test(
  'a disk that is really full: 507, nothing acknowledged is lost, and it goes on by itself',
  FULL,
  async () => {
    const folder = mkdtempSync(join(tmpdir(), 'lyvek-small-disk-'));
    try {
      execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=220m', 'tmpfs', folder], { stdio: 'ignore' });
    } catch {
      test.skip(true, 'this machine lets nobody make a small disk');
    }
    try {
      const lyvek = await start(REPO, { LYVEK_DATA: join(folder, 'data') });
      expect(lyvek.ready).toBe(true);
      const call = async (
        method: string,
        path: string,
        body?: unknown,
        headers: Record<string, string> = {},
      ) => {
        const response = await fetch(lyvek.url + path, {
          method,
          headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
          ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
        });
        return { status: response.status, json: (await response.json().catch(() => ({}))) as never };
      };
      const project = (await call('POST', '/api/projects', { name: 'Small' })).json as { id: string };
      const page = (
        await call('POST', `/api/projects/${project.id}/pages`, '<p>x</p>', { 'content-type': 'text/html' })
      ).json as { id: string };
      const { takes } = (await call('GET', `/api/pages/${page.id}`)).json as { takes: { id: string }[] };
      const take = `/api/takes/${itemAt(takes, 0).id}`;
      let revision = ((await call('GET', take)).json as { revision: number }).revision;
      // Letters that no compression makes small.
      const noise = () =>
        Array.from({ length: 12_000 }, () => Math.random().toString(36).slice(2))
          .join('')
          .slice(0, 90_000);
      const edit = () => {
        const text = noise();
        const importedRules = Array.from({ length: 300 }, (_, i) => text.slice(i * 300, (i + 1) * 300));
        return call(
          'PUT',
          `${take}/document`,
          { ...emptyDocument(), importedRules },
          { 'if-match': `"${revision}"`, 'x-edit-id': crypto.randomUUID() },
        );
      };
      const acknowledged = async () => {
        const { status, json } = await edit();
        if (status === 200) revision = (json as { revision: number }).revision;
        return status;
      };
      expect(await acknowledged()).toBe(200);

      const ballast = join(folder, 'ballast');
      const fd = openSync(ballast, 'w');
      const block = Buffer.alloc(1 << 20, 1);
      try {
        for (;;) writeSync(fd, block);
      } catch {
        // Full.
      }
      closeSync(fd);
      const met = new Set<number>();
      for (let i = 0; i < 400 && !met.has(507); i++) met.add(await acknowledged());
      expect([...met].filter((s) => ![200, 503].includes(s))).toEqual([507]);
      expect((await call('GET', '/api/health')).status).toBe(507);
      expect(((await call('GET', take)).json as { revision: number }).revision).toBe(revision);

      rmSync(ballast);
      await expect.poll(acknowledged, { timeout: 60_000 }).toBe(200);
      await expect.poll(async () => (await call('GET', '/api/health')).status, { timeout: 60_000 }).toBe(200);
      expect(((await call('GET', take)).json as { revision: number }).revision).toBe(revision);
      await stop(lyvek);
    } finally {
      execFileSync('umount', ['-l', folder]);
      rmSync(folder, { recursive: true });
    }
  },
);
