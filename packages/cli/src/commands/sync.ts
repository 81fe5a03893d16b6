import type { Command } from 'commander';
import { Option } from 'commander';
import {
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { randomUUID } from 'node:crypto';
import { basename, dirname, join, relative } from 'node:path';
import { setTimeout as rest } from 'node:timers/promises';
import { handOffCss, isAdjusted, makePatch, patchHtml, syncStep } from '@lyvek/core';
import type { Layout, MotionDocument, Revision } from '@lyvek/core';
import { SYNC_AUTHOR, createClient, routes } from '@lyvek/api';
import type { SyncReport } from '@lyvek/api';
import { createTwoFilesPatch } from 'diff';
import { BadInput } from '../errors.ts';
import { note } from '../output.ts';
import { askServer, withServer } from '../server.ts';
import type { ServerOptions } from '../server.ts';

interface Options extends ServerOptions {
  page: string;
  take?: string;
  css: string;
  html?: string;
  once?: boolean;
  prefer?: 'file' | 'take';
}

const connect = (o: ServerOptions) => createClient(routes, (path, init) => askServer(path, o, init));
type Server = ReturnType<typeof connect>;

/** ms between looks at the file */
const LOOK_MS = 200;
const PAUSE_MS = 2000;
/** It says that it still runs so often. */
const TELL_MS = 5000;
const MAX_DIFF = 190_000;

interface Found {
  name: string;
  pageId: string;
  takeId: string;
  take: string;
}

/** The page and its take by their names, or the only ones. */
async function findTake(server: Server, o: Options): Promise<Found> {
  const { projects } = await server.projects();
  const pages = (await Promise.all(projects.map(({ id }) => server.shelf({ id })))).flatMap((s) => s.pages);
  const named = pages.filter((p) => p.name === o.page || p.id === o.page);
  if (named.length === 0)
    throw new BadInput(
      `no page is called “${o.page}”; there are ${pages.map((p) => `“${p.name}”`).join(', ') || 'none'}`,
    );
  const [page, another] = named;
  if (!page || another)
    throw new BadInput(
      `${named.length} pages are called “${o.page}”: name one by its id, which stands in its address`,
    );
  const take =
    o.take === undefined ? page.takes[0] : page.takes.find((t) => t.name === o.take || t.id === o.take);
  if (!take)
    throw new BadInput(
      `“${page.name}” has no take “${o.take}”; there are ${page.takes.map((t) => `“${t.name}”`).join(', ')}`,
    );
  return { name: page.name, pageId: page.id, takeId: take.id, take: take.name };
}

/** Whole or not at all: beside the file, then in its place. */
function replaceFile(path: string, text: string): void {
  const target = existsSync(path) ? realpathSync(path) : path;
  const part = join(dirname(target), `.${basename(target)}.${process.pid}.part`);
  try {
    const file = openSync(part, 'w', existsSync(target) ? statSync(target).mode : 0o644);
    writeSync(file, text);
    fsyncSync(file);
    closeSync(file);
    renameSync(part, target);
  } catch (error) {
    rmSync(part, { force: true });
    throw new BadInput((error as Error).message, path);
  }
}

const readFile = (path: string): string => (existsSync(path) ? readFileSync(path, 'utf8') : '');

/** The layouts that the code is written from, the widest measured one first. */
async function readLayouts(
  server: Server,
  pageId: string,
  document: MotionDocument,
): Promise<[Layout, ...Layout[]]> {
  const { layouts } = await server.page({ id: pageId });
  const [own, ...others] = [...layouts].sort((a, b) => b.viewport.width - a.viewport.width);
  if (!own) throw new BadInput('the page has not been measured yet: open it in Lyvek once');
  return [own, ...others.filter((l) => isAdjusted(l, document, 'full-motion'))];
}

class Sync {
  private said = '';
  private report: SyncReport;
  /** the file as it was when it was last in step */
  private known: string;

  constructor(
    private readonly server: Server,
    private readonly o: Options,
    private readonly where: Found,
  ) {
    this.known = readFile(o.css);
    this.report = { file: o.css, state: 'in-step', revision: null, message: '', diff: '', changedAt: null };
  }

  /** What the workbench shows; it does not matter where it is not heard. */
  private async tell(change: Partial<SyncReport>): Promise<void> {
    this.report = { ...this.report, ...change };
    await this.server.putSync({ id: this.where.takeId, body: this.report }).catch(() => undefined);
  }

  /** Puts the text in the place of the file, and remembers what that changed. */
  private put(after: string): Pick<SyncReport, 'diff' | 'changedAt'> {
    const before = this.known;
    replaceFile(this.o.css, after);
    this.known = after;
    const path = relative(process.cwd(), this.o.css).replaceAll('\\', '/');
    const diff = createTwoFilesPatch(`a/${path}`, `b/${path}`, before, after, undefined, undefined, {
      context: 3,
    });
    return { diff: diff.replace(/^=+\n/, '').slice(0, MAX_DIFF), changedAt: new Date().toISOString() };
  }

  private say(text: string): void {
    if (text !== this.said) note(`${new Date().toTimeString().slice(0, 8)}  ${text}`);
    this.said = text;
  }

  /** One look at both sides; the revision that the file is in step with, or null where it is not. */
  async look(): Promise<number | null> {
    const { css } = this.o;
    const { name } = this.where;
    const take: Revision = await this.server.take({ id: this.where.takeId });
    const [own, ...others] = await readLayouts(this.server, this.where.pageId, take.document);
    const file = readFile(css);
    const step = await syncStep({
      ...{ name, file, take, prefer: this.o.prefer },
      at: (number) => this.readRevision(number, take.revision),
      write: (document) => handOffCss(document, own, '', others).css,
      page: { layout: own, html: this.readHtml(take.document, own) },
    } as Parameters<typeof syncStep>[0]);
    // Somebody may have saved it since it was read: then the next look says what that changes.
    const isSame = () => readFile(css) === file;
    switch (step.kind) {
      case 'in-step':
        this.known = file;
        this.say(`${css} is in step with revision ${take.revision}.`);
        await this.tell({ state: 'in-step', revision: take.revision, message: '' });
        return take.revision;
      case 'write':
        if (!isSame()) return null;
        await this.tell({
          state: 'in-step',
          revision: take.revision,
          message: '',
          ...this.put(step.file),
        });
        this.say(`Wrote ${css}, revision ${take.revision}.`);
        return take.revision;
      case 'edit': {
        const saved = await this.save(take, step.document);
        if (saved === null || !isSame()) return null;
        const left = step.unsupported.flatMap((u) => (u.reason ? [u.reason] : []));
        await this.tell({
          ...{ state: 'in-step', revision: saved, ...this.put(step.fileAt(saved)) },
          message: left.length ? `Left behind the block: ${left.join('; ')}.` : '',
        });
        const names = step.document.motions.filter((m) => step.changed.includes(m.id)).map((m) => m.name);
        this.say(`Read ${css} back, revision ${saved}: ${names.join(', ') || 'declarations'}.`);
        for (const u of step.unsupported)
          if (u.reason) this.say(`Left in ${css}, behind the block: ${u.reason}.`);
        return saved;
      }
      case 'conflict':
        await this.tell({ state: 'conflict', message: step.names.join(', ') });
        this.say(
          `Changed here and in Lyvek: ${step.names.join(', ')}. Nothing is written until one side is undone; or run it with --prefer file, or --prefer take.`,
        );
        return null;
      case 'broken':
        await this.tell({ state: 'broken', message: step.message });
        this.say(`${css}: ${step.message}`);
        return null;
    }
  }

  /** Null where the take never had it. A server that is away is another matter, and is said. */
  private async readRevision(number: number, newest: number): Promise<MotionDocument | null> {
    if (number < 1 || number > newest) return null;
    try {
      const { document } = await this.server.revision({ id: this.where.takeId, number: String(number) });
      return document as MotionDocument;
    } catch (error) {
      // Old revisions are thinned out.
      if (error instanceof BadInput && /^there is no|not found/i.test(error.text)) return null;
      throw error;
    }
  }

  /** Null where another revision was faster. */
  private async save(take: Revision, document: MotionDocument): Promise<number | null> {
    try {
      const { revision } = await this.server.putDocument({
        ...{ id: this.where.takeId, base: take.revision, editId: randomUUID(), body: document },
        ...{ label: `edit in ${basename(this.o.css)}`, author: SYNC_AUTHOR },
      } as never);
      return revision;
    } catch (error) {
      if (error instanceof BadInput && /another tab|changed/i.test(error.text)) return null;
      throw error;
    }
  }

  private readHtml(document: MotionDocument, layout: Layout): string | undefined {
    if (this.o.html === undefined) return undefined;
    return patchHtml(readFile(this.o.html), makePatch(document, layout.kept, document.prefix)).html;
  }

  /** Until it is ended: after every edit on either side. */
  async follow(): Promise<never> {
    setInterval(() => void this.tell({}), TELL_MS).unref();
    for (;;) {
      const known = await this.look().catch((error: unknown) => {
        if (!(error instanceof BadInput)) throw error;
        this.say(error.text);
        return null;
      });
      const over = new AbortController();
      const file = readFile(this.o.css);
      await Promise.race([this.fileChange(file, over.signal), this.newer(known, over.signal)]);
      over.abort();
    }
  }

  private async fileChange(known: string, signal: AbortSignal): Promise<void> {
    while (!signal.aborted && readFile(this.o.css) === known) await rest(LOOK_MS);
  }

  private async newer(known: number | null, signal: AbortSignal): Promise<void> {
    if (known === null) return void (await rest(PAUSE_MS));
    for (; !signal.aborted;)
      try {
        const { revision } = await this.server.newer({ id: this.where.takeId, after: known }, { signal });
        if (revision > known) return;
      } catch {
        if (!signal.aborted) await rest(PAUSE_MS);
      }
  }
}

export const sync = (program: Command): void =>
  void withServer(
    program
      .command('sync')
      .description('keep a CSS file of your project in step with a take, both ways, while you edit either')
      .requiredOption('--page <name>', 'the page in the running Lyvek')
      .option('--take <name>', 'which of its takes; else the first')
      .requiredOption('--css <file>', 'your style sheet; Lyvek has a block of its own in it')
      .option('--html <file>', 'the page’s HTML, where somebody has written it')
      .option('--once', 'bring both in step once, and end')
      .addOption(
        new Option('--prefer <side>', 'what is taken where both sides changed one motion').choices([
          'file',
          'take',
        ]),
      ),
  )
    .addHelpText('after', '\nExample:\n  lyvek sync --page "Home" --css src/motion.css')
    .action(async (o: Options) => {
      const server = connect(o);
      const found = await findTake(server, o);
      const running = new Sync(server, o, found);
      if (o.once) {
        // One look reads an edit back, the next one writes what came of it.
        if ((await running.look()) === null && (await running.look()) === null) process.exitCode = 1;
        return;
      }
      note(`“${found.name}”, ${found.take} ↔ ${o.css}. End it with Ctrl+C.`);
      await running.follow();
    });
