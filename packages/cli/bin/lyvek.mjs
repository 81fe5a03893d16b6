#!/usr/bin/env node
/** Starts the built command line; builds it first where that has not been done. */
import { existsSync } from 'node:fs';

const main = new URL('../../../dist/cli/main.js', import.meta.url);
if (!existsSync(main)) {
  const { buildCli } = await import(new URL('../../../scripts/setup/build.mjs', import.meta.url).href);
  await buildCli();
}
await import(main.href);
