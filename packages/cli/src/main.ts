/** `lyvek …` for terminals and CI: works without server and database, but for backup and restore. */
import { present } from '@lyvek/core';
import { Command, CommanderError } from 'commander';
import { BadInput } from './errors.ts';

/** Commands are loaded when they are called, so that each starts fast. */
const COMMANDS: Record<string, () => Promise<(program: Command) => void>> = {
  measure: async () => (await import('./commands/measure.ts')).measure,
  import: async () => (await import('./commands/import.ts')).importPage,
  sample: async () => (await import('./commands/sample.ts')).sample,
  export: async () => (await import('./commands/export.ts')).exportPage,
  check: async () => (await import('./commands/check.ts')).check,
  prove: async () => (await import('./commands/prove.ts')).prove,
  init: async () => (await import('./commands/init.ts')).init,
  sync: async () => (await import('./commands/sync.ts')).sync,
  backup: async () => (await import('./commands/backup.ts')).backup,
  restore: async () => (await import('./commands/restore.ts')).restore,
};

const program = new Command('lyvek')
  .description(
    'Long pages that move as they are scrolled: measure, read, sample, write, check and prove them.',
  )
  .version('0.1.0')
  .showHelpAfterError('(lyvek <command> --help shows how)')
  .exitOverride();

const asked = process.argv[2] ?? '';
const wanted = asked in COMMANDS ? [asked] : Object.keys(COMMANDS);
for (const name of wanted) (await present(COMMANDS[name])())(program);
for (const command of program.commands) command.exitOverride();

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : 2;
  else if (error instanceof BadInput) {
    process.stderr.write(`lyvek: ${error.text}\n`);
    process.exitCode = 2;
  } else {
    process.stderr.write(`lyvek: ${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = 2;
  }
}
