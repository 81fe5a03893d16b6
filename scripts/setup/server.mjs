/** The server as a child that is started again when it dies and that ends with us. */
import { spawn } from 'node:child_process';
import { exited } from './processes.mjs';
import { say } from './say.mjs';

/**
 * Spawns `command` with an IPC channel and waits for its “ready” message. `keepAlive` starts it again after an unexpected end,
 * at most once a second.
 */
export async function startServer({ args, env, keepAlive = true, quiet = false }) {
  let child;
  let stopping = false;
  const launch = () =>
    new Promise((resolve, reject) => {
      child = spawn(process.execPath, args, {
        env: { ...process.env, ...env },
        stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
        detached: true,
      });
      // In watch mode Node itself reports loaded modules over the same channel.
      child.on('message', (m) => {
        if (m?.ready) resolve(m);
        if (m?.error) reject(new Error(m.error));
      });
      child.once('exit', (code, signal) => {
        reject(new Error(`the server ended (${signal ?? code})`));
        if (stopping || !keepAlive) return;
        say(`the server ended (${signal ?? code}); starting it again …`);
        setTimeout(
          () =>
            !stopping &&
            launch().then(
              () => say('the server is back.'),
              () => {},
            ),
          300,
        );
      });
    });
  const ready = await launch();
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
