/** The module that plays what CSS cannot, beside the style sheet: imported from the installed package, or with its scripts beside it. */
import { dirname, join } from 'node:path';
import {
  OWN_FILES,
  RUNTIME_PACKAGE,
  findBlock,
  isEmptyPlan,
  listParts,
  packageModule,
  putBlock,
  scriptText,
} from '@lyvek/core';
import type { MotionDocument, Plan } from '@lyvek/core';
import { built } from '../page.ts';
import { readFile } from './whole-file.ts';

export interface ModuleSide {
  changed: Map<string, string>;
  notes: string[];
}

/** Whether the project depends on the runtime; without a bundler its scripts lie beside the module. */
const isInstalled = (): boolean => readFile('package.json').includes(`"${RUNTIME_PACKAGE}"`);

const PLAIN_NOTHING = '/* CSS plays everything: there is nothing to start. */\nexport {};\n';

/** Where nothing needs a script, a module that is there already is kept, and does nothing. */
export function lookAtModule(
  path: string | undefined,
  name: string,
  { plan, document, revision }: { plan: Plan; document: MotionDocument; revision: number },
): ModuleSide {
  const changed = new Map<string, string>();
  const isEmpty = isEmptyPlan(plan);
  if (path === undefined)
    return {
      changed,
      notes: isEmpty
        ? []
        : [
            'some motions need a script (they are damped, say): name a module with --module, or they move without it',
          ],
    };
  const file = readFile(path);
  if (isEmpty && file === '') return { changed, notes: [] };
  const block = findBlock(file, name);
  if (block && 'broken' in block) return { changed, notes: [`${path}: ${block.broken}`] };
  if (block?.edited)
    return {
      changed,
      notes: [`${path}: its block was edited, which is not read back. Undo that, or take the block out`],
    };
  const typed = /\.[cm]?tsx?$/i.test(path);
  const packaged = typed || isInstalled();
  const body = packaged ? packageModule(plan, { typed }) : (scriptText(plan, name) ?? PLAIN_NOTHING);
  const next = putBlock(file, name, { revision, document, body, edits: 'written only' });
  if (typeof next !== 'string') return { changed, notes: [`${path}: ${next.broken}`] };
  // Only another text is worth another revision in its mark.
  if (!block || block.body.trim() !== body.trim()) changed.set(path, next);
  if (!packaged && !isEmpty)
    for (const one of ['runtime', ...listParts(plan)] as const) {
      const beside = join(dirname(path), OWN_FILES[one]);
      const text = new TextDecoder().decode(built(`${one}.js`));
      if (readFile(beside) !== text) changed.set(beside, text);
    }
  return { changed, notes: [] };
}
