/** Starts the server: migrations, demo, listening; tells its parent when it is ready and ends when its parent is gone. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';
import pino from 'pino';
import * as z from 'zod';
import { createApp } from './app.ts';
import { loadDemoOnce, resetDemo } from './demo/load.ts';
import { LabTurn } from './lab/index.ts';
import { prune } from './store/prune.ts';
import { migrate, NoDatabase, openPool, requireDatabase } from './store/database.ts';
import { LabQueue } from './trial-queue/queue.ts';

const Env = z.object({
  DATABASE_URL: z.string().min(1),
  PORT: z.coerce.number().int(),
  LYVEK_ROOT: z.string().min(1),
  LYVEK_APP_PORT: z.coerce.number().int().optional(),
  LYVEK_KEY: z.string().default(''),
  /** Not at once: a start has better things to do. */
  LYVEK_PRUNE_MS: z.coerce.number().int().min(0).default(60_000),
  LYVEK_LOG: z.string().default('warn'),
});

const env = Env.parse(process.env);
const log = pino({ level: env.LYVEK_LOG }, pino.destination(2));
const pool = openPool(env.DATABASE_URL, log);

// Whoever started it is gone before it was ready: nobody would end it.
const orphaned = () => process.exit(0);
process.on('disconnect', orphaned);

async function begin(): Promise<void> {
  await requireDatabase(pool, env.DATABASE_URL);
  await migrate(pool, join(env.LYVEK_ROOT, 'packages/server/src/migrations'));
  const demo = join(env.LYVEK_ROOT, 'demo');
  if (process.argv.includes('--reset-demo')) {
    await resetDemo(pool, demo);
    await pool.end();
    process.exit(0);
  }
  await loadDemoOnce(pool, demo);
  const turn = new LabTurn(pool);
  const app = createApp({
    pool,
    log,
    port: env.PORT,
    appPort: env.LYVEK_APP_PORT ?? env.PORT,
    dist: join(env.LYVEK_ROOT, 'dist'),
    lab: turn,
    key: env.LYVEK_KEY || null,
  });
  const server = app.listen(env.PORT, '127.0.0.1', (error) => {
    if (error) throw error;
    process.send?.({ ready: true, port: env.PORT });
  });
  // Node closes idle connections after five seconds, now and then just as the next request is on its way.
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.headersTimeout = KEEP_ALIVE_MS + 1000;
  const lab = new LabQueue(pool, log, (file) => readFileSync(join(env.LYVEK_ROOT, 'dist', file)), turn);
  const worked = lab.work();
  const pruning = new AbortController();
  void pruneNowAndThen(pruning.signal);
  let ending = false;
  const end = () => {
    // A signal and the end of the supervisor may come together.
    if (ending) return;
    ending = true;
    lab.stop();
    pruning.abort();
    // The pool ends last: until then the lab gives back what it holds of it.
    server.close(() => void worked.then(() => pool.end()).then(() => process.exit(0)));
    server.closeIdleConnections();
    setTimeout(() => process.exit(0), 1500).unref();
  };
  process.off('disconnect', orphaned);
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
  // Without its supervisor nobody would end it.
  process.on('disconnect', end);
}

const KEEP_ALIVE_MS = 65_000;
const PRUNE_EVERY_MS = 6 * 3_600_000;
async function pruneNowAndThen(signal: AbortSignal): Promise<void> {
  for (let pause = env.LYVEK_PRUNE_MS; !signal.aborted; pause = PRUNE_EVERY_MS) {
    await rest(pause, undefined, { signal, ref: false }).catch(() => undefined);
    if (signal.aborted) return;
    await prune(pool, signal).catch((error: unknown) =>
      log.warn({ err: String(error) }, 'nothing was pruned'),
    );
  }
}

begin().catch((error: unknown) => {
  const { message } = error as Error;
  // What the user can mend is said in one sentence, by whoever started this.
  if (!(error instanceof NoDatabase)) log.fatal({ err: error }, 'the server cannot start');
  if (process.send) process.send({ error: message });
  else process.stderr.write(`${message}\n`);
  setTimeout(() => process.exit(1), 50);
});
