/** Running other programs: to their end, as a group, and with an end that comes when ours comes. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const running = new Set();

/** Runs a command to its end; resolves with the exit code and what it printed. Its whole group ends when we are told to end. */
export function run(command, args, { quiet = false, ...options } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
      detached: true,
      ...options,
    });
    running.add(child);
    let output = '';
    child.stdout?.on('data', (d) => (output += d));
    child.stderr?.on('data', (d) => (output += d));
    child.on('error', (error) => resolve({ code: 127, output: String(error) }));
    child.on('exit', (code, signal) => {
      running.delete(child);
      resolve({ code: code ?? (signal ? 130 : 1), output });
    });
  });
}

export function endRunning() {
  for (const child of running)
    try {
      process.kill(-child.pid, 'SIGTERM');
    } catch {
      // It has ended by itself.
    }
}

export const hasProgram = (name) => spawnSync('sh', ['-c', `command -v ${name}`]).status === 0;
export const isRoot = () => process.getuid?.() === 0;
export const isDebian = () => existsSync('/etc/debian_version');

/** Waits for an exit, or says false after the time. */
export const exited = (child, ms) =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve(true);
    const timer = setTimeout(() => resolve(false), ms);
    child.once('exit', () => (clearTimeout(timer), resolve(true)));
  });
