/** The server as a child that is started again when it dies and that ends with us. */
import { spawn } from 'node:child_process';
import { exited } from './processes.mjs';
import { say } from './say.mjs';

const PAUSES_MS = [300, 1000, 2000, 4000, 8000, 15_000];

/**
 * Spawns `command` with an IPC channel and waits for its “ready” message. `keepAlive` starts it again after an unexpected end,
 * after pauses that grow while it does not come up. `log`: where its lines go.
 */
export async function startServer({ args, env, keepAlive = true, log = 'inherit' }) {
  let child;
  let stopping = false;
  let failures = 0;
  const launch = () =>
    new Promise((resolve, reject) => {
      child = spawn(process.execPath, args, {
        env: { ...process.env, ...env },
        stdio: ['ignore', 'inherit', log, 'ipc'],
        detached: true,
      });
      // In watch mode Node itself reports loaded modules over the same channel.
      child.on('message', (m) => {
        if (m?.ready) {
          failures = 0;
          resolve(m);
        }
        if (m?.error) reject(new Error(m.error));
      });
      child.once('exit', (code, signal) => {
        reject(new Error(`the server ended (${signal ?? code})`));
        if (stopping || !keepAlive) return;
        const pause = PAUSES_MS[Math.min(failures++, PAUSES_MS.length - 1)];
        say(
          `the server ended (${signal ?? code}); starting it again${pause > 1000 ? ` in ${pause / 1000} s` : ''} …`,
        );
        const next = () =>
          launch().then(
            () => say('the server is back.'),
            (error) => say(`the server does not start: ${error.message}`),
          );
        setTimeout(() => stopping || void next(), pause);
      });
    });
  const ready = await launch().catch((error) => {
    stopping = true;
    throw error;
  });
  return {
    ready,
    pid: () => child.pid,
    async stop() {
      stopping = true;
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
      if (!(await exited(child, 5000))) child.kill('SIGKILL');
    },
  };
}
