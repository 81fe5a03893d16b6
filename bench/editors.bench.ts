/** Acknowledged edits: of one, of many at once on one to three servers, and how much of a long history costs. */
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import pg from 'pg';
import { startServer } from '../scripts/setup/server.mjs';
import { freePort } from '../scripts/setup/ports.mjs';
import { median, percentile, report } from './support/figures.ts';
import { longDocument } from './support/long-page.ts';
import { ask, findPage } from './support/pages.ts';

const EDITORS = 200;
const EDITS = 5;
const SINGLE = 300;
const { databaseUrl } = JSON.parse(process.env.LYVEK_STACK!) as { databaseUrl: string };
const pool = new pg.Pool({ connectionString: databaseUrl, max: 20 });
const agent = new Agent({ keepAlive: true, maxSockets: 400 });

const servers = [process.env.LYVEK_URL!];
const started: { stop(): Promise<void> }[] = [];
async function addServer(): Promise<void> {
  const port = await freePort();
  const env = { DATABASE_URL: databaseUrl, PORT: String(port), LYVEK_LOG: 'error' };
  started.push(await startServer({ args: ['dist/server.js'], env: { ...env, LYVEK_ROOT: process.cwd() } }));
  servers.push(`http://127.0.0.1:${port}`);
}

/** Sends JSON, and gives the status of the answer; 0: the connection was dropped. */
const send = (url: string, method: string, body: string, headers: Record<string, string>) =>
  new Promise<number>((resolve) => {
    const out = request(url, { method, agent, headers }, (res) => {
      res.resume().on('end', () => resolve(res.statusCode ?? 0));
    });
    out.on('error', () => resolve(0)).end(body);
  });
const rename = (name: string) => JSON.stringify([{ op: 'replace', path: '/motions/0/name', value: name }]);
/** An edit as the workbench sends it. */
const edit = (base: string, take: string, revision: number) =>
  send(`${base}/api/takes/${take}/document?label=rename`, 'PATCH', rename(`Name ${revision}`), {
    'content-type': 'application/json-patch+json',
    'if-match': `"${revision}"`,
    'x-edit-id': randomUUID(),
  });
async function timed<T>(work: () => Promise<T>): Promise<[ms: number, T]> {
  const began = performance.now();
  const result = await work();
  return [performance.now() - began, result];
}

const page = await findPage('Almanac');
const { takes: demo } = (await ask(`/pages/${page}`)) as { takes: { id: string }[] };
const { document: almanac } = await ask(`/takes/${demo[0]!.id}`);
const small = longDocument(1);
const addTake = async (document: unknown) =>
  (await ask(`/pages/${page}/takes`, 'POST', { document })).id as string;
const addTakes = async (document: unknown) => {
  const ids: string[] = [];
  for (let i = 0; i < EDITORS; i++) ids.push(await addTake(document));
  return ids;
};

await pool.query('create table bench_bare (id uuid primary key, number int, patch jsonb)');
const insert = (n: number) =>
  pool.query({
    name: 'bare',
    text: 'insert into bench_bare values ($1, $2, $3)',
    values: [randomUUID(), n, rename(`Name ${n}`)],
  });

// One editor, in turn with a bare INSERT.
const alone = { take: await addTake(almanac), edits: [] as number[], inserts: [] as number[] };
for (let n = 1; n <= SINGLE; n++) {
  alone.inserts.push((await timed(() => insert(n)))[0]);
  const [ms, status] = await timed(() => edit(servers[0]!, alone.take, n));
  if (status !== 200) throw new Error(`an edit was answered with ${status}`);
  if (n > 20) alone.edits.push(ms);
}
report({
  name: 'acknowledged edit, one editor, p99 ÷ bare INSERT, p99',
  value: percentile(alone.edits, 0.99) / percentile(alone.inserts.slice(20), 0.99),
  unit: '×',
  accept: 2,
  aim: 2,
  better: 'lower',
});
console.log(`p50: ${(median(alone.edits) / median(alone.inserts)).toFixed(2)} ×`);

/** All of them at once, each with edits one after the other, on the first `count` servers. */
async function together(takes: readonly string[], count: number, from: number) {
  const waits: number[] = [];
  const bad: number[] = [];
  const began = performance.now();
  await Promise.all(
    takes.map(async (take, i) => {
      for (let n = from; n < from + EDITS; n++) {
        const [ms, status] = await timed(() => edit(servers[i % count]!, take, n));
        waits.push(ms);
        if (status !== 200) bad.push(status);
      }
    }),
  );
  return { waits, bad, perSecond: (takes.length * EDITS * 1000) / (performance.now() - began) };
}

const [large, tiny] = [await addTakes(almanac), await addTakes(small)];
let from = 1;
const perSecond: number[] = [];
for (const count of [1, 2, 3]) {
  while (servers.length < count) await addServer();
  // Once through, so that each server has opened every take.
  await together(large, count, from);
  const run = await together(large, count, from + EDITS);
  from += 2 * EDITS;
  perSecond.push(run.perSecond);
  console.log(
    `${count} servers: ${Math.round(run.perSecond)} edits a second here, ${run.bad.length} not taken`,
  );
  if (count !== 2) continue;
  await together(tiny, count, 1);
  const bare = await together(tiny, count, 1 + EDITS);
  report({
    name: `${EDITORS} editors at once on 2 servers, p95 ÷ the same with a document of one motion`,
    value: percentile(run.waits, 0.95) / percentile(bare.waits, 0.95),
    unit: '×',
    accept: 5,
    aim: 5,
    better: 'lower',
  });
  report({
    name: `of ${EDITORS * EDITS} edits not taken at once`,
    value: run.bad.length,
    unit: 'edits',
    accept: 0,
    aim: 0,
    better: 'lower',
  });
  const inserts: number[] = [];
  await Promise.all(
    large.map(async () => {
      for (let n = 0; n < EDITS; n++) inserts.push((await timed(() => insert(n)))[0]);
    }),
  );
  report({
    name: `acknowledged edit, ${EDITORS} editors on 2 servers, p99 ÷ as many bare INSERTs, p99`,
    value: percentile(run.waits, 0.99) / percentile(inserts, 0.99),
    unit: '×',
    accept: 5,
    aim: 5,
    better: 'lower',
  });
}
report({
  name: `${EDITORS} editors, edits a second on 3 servers ÷ on one`,
  value: perSecond[2]! / perSecond[0]!,
  unit: '×',
  accept: null,
  aim: null,
  better: 'higher',
});

// What a revision takes on disk, wholes included, beside the change as JSON Patch.
const { rows: sizes } = await pool.query<{ stored: number; patch: number }>(
  `select sum(coalesce(pg_column_size(document), 0) + coalesce(pg_column_size(patch), 0))::float8 / count(*) as stored,
   avg(octet_length(patch::text))::float8 as patch from revisions where take_id = $1 and number > 1`,
  [alone.take],
);
report({
  name: 'a revision of the Almanac on disk, bytes ÷ its change as JSON Patch',
  value: sizes[0]!.stored / sizes[0]!.patch,
  unit: '×',
  accept: 3,
  aim: 3,
  better: 'lower',
});

// A long history beside a short one.
const AUTHOR = randomUUID();
async function addHistory(length: number): Promise<string> {
  const id = await addTake(longDocument(40));
  await pool.query(
    `insert into revisions (take_id, number, edit_id, document, patch, motions, label, author)
     select $1, n, gen_random_uuid(), case when n % 50 = 1 then r.document end,
       case when n % 50 = 1 then null else
         jsonb_build_array(jsonb_build_object('op', 'replace', 'path', '/motions/0/name', 'value', 'Name ' || n)) end,
       40, 'rename', $3
     from generate_series(2, $2::int) n, revisions r where r.take_id = $1 and r.number = 1`,
    [id, length, AUTHOR],
  );
  await pool.query('update takes set revision = $2 where id = $1', [id, length]);
  return id;
}
const [long, short] = [await addHistory(50_000), await addHistory(50)];
await pool.query('analyze revisions');
for (const [what, read] of [
  ['list', (id: string, length: number) => ask(`/takes/${id}/revisions?before=${length - 10}`)],
  ['open', (id: string, length: number) => ask(`/takes/${id}/revisions/${length - 1}`)],
  ['undo', (id: string) => ask(`/takes/${id}/earlier?author=${AUTHOR}`)],
] as const) {
  const times: [number, number][] = [];
  for (let i = 0; i < 41; i++)
    times.push([(await timed(() => read(long, 50_000)))[0], (await timed(() => read(short, 50)))[0]]);
  report({
    name: `${what} a take of 50,000 revisions ÷ one of 50`,
    value: median(times.map(([a]) => a)) / median(times.map(([, b]) => b)),
    unit: '×',
    accept: 1.5,
    aim: 1.2,
    better: 'lower',
  });
}

agent.destroy();
for (const s of started) await s.stop();
await pool.end();
