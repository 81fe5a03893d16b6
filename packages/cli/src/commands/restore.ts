import type { Command } from 'commander';
import { readFileSync } from 'node:fs';
import { BadInput } from '../errors.ts';
import { putJson } from '../output.ts';
import { askServer, withServer } from '../server.ts';
import type { ServerOptions } from '../server.ts';

export const restore = (program: Command): void =>
  void withServer(
    program
      .command('restore')
      .description(
        'bring a backup, or a project that was saved as a file, back into a running Lyvek; what is there stays',
      )
      .argument('<file>', 'the .zip'),
  )
    .addHelpText('after', '\nExample:\n  lyvek restore lyvek.zip')
    .action(async (file: string, o: ServerOptions) => {
      let bytes: Buffer;
      try {
        bytes = readFileSync(file);
      } catch (error) {
        throw new BadInput((error as Error).message, file);
      }
      const response = await askServer('/restore', o, {
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: new Uint8Array(bytes),
      });
      putJson(await response.json());
    });
