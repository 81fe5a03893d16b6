/** Databases and servers of their own beside the one under test, for faults that the others must not feel. */
import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import pg from 'pg';
import { stack } from './app.ts';

export const inRepo = (path: string) => new URL(`../../${path}`, import.meta.url);

export async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  server.close();
  return port;
}

/** A fresh database in the cluster of the tests; `work` gets its address, and it is gone afterwards. */
export async function withDatabase<T>(work: (url: string) => Promise<T>): Promise<T> {
  const name = `own_${process.pid}_${Date.now()}`;
  const admin = new pg.Client(stack().databaseUrl);
  await admin.connect();
  await admin.query(`create database ${name}`);
  try {
    return await work(stack().databaseUrl.replace(/\/postgres$/, `/${name}`));
  } finally {
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
}

export async function query<R extends pg.QueryResultRow>(url: string, sql: string, values: unknown[] = []) {
  const client = new pg.Client(url);
  await client.connect();
  try {
    return (await client.query<R>(sql, values)).rows;
  } finally {
    await client.end();
  }
}

export interface OwnServer {
  url: string;
  child: ChildProcess;
  stop(): Promise<void>;
}

/** Starts the built server; rejects with what it says where it does not start. */
export async function startServer(databaseUrl: string, env: Record<string, string> = {}): Promise<OwnServer> {
  const port = await freePort();
  const child = spawn(process.execPath, ['dist/server.js'], {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      LYVEK_ROOT: inRepo('.').pathname,
      LYVEK_LOG: 'silent',
      ...env,
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const ended = new Promise<void>((done) => child.once('exit', () => done()));
  await new Promise<void>((resolve, reject) => {
    child.on('message', (m: { ready?: boolean; error?: string }) =>
      m.ready ? resolve() : m.error ? reject(new Error(m.error)) : undefined,
    );
    child.once('exit', (code) => reject(new Error(`it ended with ${code}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    child,
    async stop() {
      child.kill('SIGTERM');
      await ended;
    },
  };
}

/** The migrations in their order, as the repository has them. */
export const migration = (name: string) =>
  readFileSync(inRepo(`packages/server/src/migrations/${name}`), 'utf8');
