import type { Command } from 'commander';
import { createWriteStream, renameSync, rmSync } from 'node:fs';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { BadInput } from '../errors.ts';
import { note } from '../output.ts';
import { askServer, withServer } from '../server.ts';
import type { ServerOptions } from '../server.ts';

export const backup = (program: Command): void =>
  void withServer(
    program
      .command('backup')
      .description(
        'write all data of a running Lyvek to one file: projects, pages, takes with their revisions, presets, trials',
      )
      .argument('<file>', 'the .zip to write; an older one is replaced once the new one is whole'),
  )
    .addHelpText('after', '\nExample:\n  lyvek backup lyvek.zip')
    .action(async (file: string, o: ServerOptions) => {
      const { body } = await askServer('/backup.zip', o);
      if (!body) throw new BadInput('the server sent nothing');
      const part = `${file}.part`;
      try {
        await pipeline(Readable.fromWeb(body as never), createWriteStream(part));
      } catch (error) {
        rmSync(part, { force: true });
        throw new BadInput(`it broke off: ${(error as Error).message}. ${file} is as it was.`);
      }
      renameSync(part, file);
      note(`Wrote ${file}.`);
    });
