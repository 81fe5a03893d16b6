/** The database loses its connections, is killed, or finds its disk full: the server stays, and says what is so. */
import { itemAt } from '@lyvek/core';
import { expect, test } from '@playwright/test';
import pg from 'pg';
import {
  addMotion,
  addNew,
  base,
  cardZip,
  openNew,
  pick,
  postmasterPid,
  saved,
  serverPid,
  stack,
} from '../support/app.ts';
import { query } from '../support/servers.ts';
import { FULL } from '../support/full.ts';

test.describe.configure({ mode: 'serial' });

/** Cuts every connection but its own, again and again, while `work` goes on. */
async function cutting(work: () => Promise<void>): Promise<number> {
  const client = new pg.Client(stack().databaseUrl);
  await client.connect();
  let cut = 0;
  const timer = setInterval(() => {
    void client
      .query(
        'select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and usename = user',
      )
      .then((r) => (cut += r.rowCount ?? 0));
  }, 60);
  await work();
  clearInterval(timer);
  await client.end();
  return cut;
}

test('connections that are cut in the middle of edits end no server, and what was acknowledged is there', async ({
  request,
}) => {
  const id = await addNew(request, 'Cut', cardZip());
  const { takes } = (await (await request.get(`${base}/api/pages/${id}`)).json()) as {
    takes: { id: string }[];
  };
  const take = itemAt(takes, 0).id;
  const { document } = (await (await request.get(`${base}/api/takes/${take}`)).json()) as {
    document: object;
  };
  const pid = serverPid();
  let revision = 1;
  let refused = 0;
  const cut = await cutting(async () => {
    for (const until = Date.now() + 5000; Date.now() < until;) {
      const put = await request.put(`${base}/api/takes/${take}/document`, {
        data: document,
        headers: { 'if-match': `"${revision}"`, 'x-edit-id': crypto.randomUUID() },
      });
      if (put.ok()) revision = ((await put.json()) as { revision: number }).revision;
      else {
        refused++;
        expect([412, 503]).toContain(put.status());
        // One that was stored and whose answer was lost.
        if (put.status() === 412) ({ revision } = (await put.json()) as { revision: number });
      }
    }
  });
  console.log(`${cut} connections cut, ${revision - 1} edits stored, ${refused} refused for the moment`);
  expect(cut).toBeGreaterThan(20);
  expect(revision).toBeGreaterThan(5);
  expect(serverPid()).toBe(pid);
  const now = (await (await request.get(`${base}/api/takes/${take}`)).json()) as { revision: number };
  expect(now.revision).toBeGreaterThanOrEqual(revision);
});

test(
  'a postmaster that is killed is started again, as often as it takes, and the server is the same',
  FULL,
  async ({ request }) => {
    const pid = serverPid();
    for (let i = 0; i < 3; i++) {
      const old = postmasterPid();
      process.kill(old, 'SIGKILL');
      await expect
        .poll(
          async () => {
            const response = await request.get(`${base}/api/health`).catch(() => null);
            return response?.status() === 200 && postmasterPid() !== old;
          },
          { timeout: 60_000 },
        )
        .toBe(true);
    }
    expect(serverPid()).toBe(pid);
  },
);

test(
  'a full disk is said, edits are kept here, and they go on by themselves',
  FULL,
  async ({ page, request }) => {
    await openNew(page, request, 'Full', cardZip());
    const url = stack().databaseUrl;
    await query(
      url,
      `create function full_disk() returns trigger language plpgsql as $$ begin raise exception 'could not extend file' using errcode = '53100'; end $$`,
    );
    await query(
      url,
      'create trigger full_disk before insert on revisions for each row execute function full_disk()',
    );
    try {
      await pick(page, 'h1');
      await addMotion(page, 'Fade');
      await expect(page.locator('.save-state')).toHaveText('Disk full, kept here');
      expect((await request.get(`${base}/api/health`)).status()).toBe(507);
      await page.reload();
      await expect(page.locator('.inspector .summary').first()).toContainText('1 motion');
      await expect(page.locator('.save-state')).toHaveText('Disk full, kept here');
    } finally {
      await query(url, 'drop trigger full_disk on revisions');
      await query(url, 'drop function full_disk');
    }
    await saved(page);
    await expect
      .poll(async () => (await request.get(`${base}/api/health`)).status(), { timeout: 20_000 })
      .toBe(200);
  },
);
