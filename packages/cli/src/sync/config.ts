/** Which files of a project are kept in step with which page: from `lyvek.config.json`, or from what the command was given. */
import { existsSync } from 'node:fs';
import * as z from 'zod';
import { listProblems, present } from '@lyvek/core';
import { BadInput } from '../errors.ts';
import { readJson } from '../input.ts';

export const CONFIG_FILE = 'lyvek.config.json';

const SyncPageShape = z.strictObject({
  /** its name or id in the running Lyvek */
  page: z.string().min(1),
  /** else the first */
  take: z.string().min(1).optional(),
  /** the style sheet that gets a block */
  css: z.string().min(1),
  /** the module that plays what CSS cannot */
  module: z.string().min(1).optional(),
  /** the page’s HTML, which pins change, or the components that make it */
  html: z.union([z.string().min(1), z.array(z.string().min(1))]).optional(),
  /** the document, as a file of the repository */
  document: z.string().min(1).optional(),
});
export type SyncPage = z.infer<typeof SyncPageShape>;

const Config = z.strictObject({
  /** where Lyvek listens; else http://127.0.0.1:4870 */
  server: z.url().optional(),
  pages: z.array(SyncPageShape).min(1),
});
export type Config = z.infer<typeof Config>;

export function readConfig(): Config {
  if (!existsSync(CONFIG_FILE))
    throw new BadInput(`there is no ${CONFIG_FILE} here: lyvek init writes it, or give --page and --css`);
  const parsed = Config.safeParse(readJson(CONFIG_FILE));
  if (parsed.success) return parsed.data;
  const [first] = listProblems(parsed.error);
  throw new BadInput(`${present(first).path}: ${present(first).message}`, CONFIG_FILE);
}

export const listHtml = ({ html = [] }: SyncPage): string[] => (Array.isArray(html) ? html : [html]);
