/** Speaking with a Lyvek that runs on this machine. */
import type { Command } from 'commander';
import { BadInput } from './errors.ts';

export interface ServerOptions {
  server: string;
  key?: string;
}

/** The options that say where it listens, and what opens it. */
export const withServer = (command: Command): Command =>
  command
    .option('--server <address>', 'where Lyvek listens', 'http://127.0.0.1:4870')
    .option('--key <key>', 'the key in the address that “npm start” printed, where it opens with one');

/** Asks the server; what it refuses becomes one sentence. */
export async function askServer(
  path: string,
  { server, key }: ServerOptions,
  init: RequestInit = {},
): Promise<Response> {
  const headers = new Headers(init.headers);
  if (key) headers.set('authorization', `Bearer ${key}`);
  let response: Response;
  try {
    response = await fetch(new URL(`/api${path}`, server), { ...init, headers });
  } catch {
    throw new BadInput(`no Lyvek answers at ${server}: start it with npm start, or name it with --server`);
  }
  if (response.ok) return response;
  const problem = (await response.json().catch(() => null)) as { detail?: string } | null;
  throw new BadInput(problem?.detail ?? `the server answered with ${response.status}`);
}
