/** The scripts of a hand-off, bundled for a page: as `lyvek`, and as `older` where scroll timelines are missing. */
import { itemAt } from '@lyvek/core';
import { build } from 'esbuild';

async function bundled(entry: string, globalName?: string): Promise<string> {
  const built = await build({
    entryPoints: [entry],
    bundle: true,
    format: 'iife',
    ...(globalName ? { globalName } : {}),
    write: false,
  });
  return itemAt(built.outputFiles, 0).text;
}

export const runtimeScript = () => bundled('packages/runtime/src/index.ts', 'lyvek');
export const fallbackScript = () => bundled('packages/runtime/src/fallback/index.ts', 'fallback');
/** What the oracle measures with inside of the page. */
export const oracleScript = () => bundled('e2e/oracle/in-page.ts');
