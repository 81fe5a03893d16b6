/** The side of the workbench: the take, its revisions, the layouts that code is written from, and acts that are saved there. */
import { randomUUID } from 'node:crypto';
import { isAdjusted } from '@lyvek/core';
import type { Layout, MotionDocument, Revision } from '@lyvek/core';
import { SYNC_AUTHOR, createClient, routes } from '@lyvek/api';
import type { SyncReport } from '@lyvek/api';
import { BadInput } from '../errors.ts';
import { askServer } from '../server.ts';
import type { ServerOptions } from '../server.ts';
import type { SyncPage } from './config.ts';

const connect = (o: ServerOptions) => createClient(routes, (path, init) => askServer(path, o, init));
export type Server = ReturnType<typeof connect>;

/** Every page of every project. */
export async function listPages(o: ServerOptions) {
  const server = connect(o);
  const { projects } = await server.projects();
  return (await Promise.all(projects.map(({ id }) => server.shelf({ id })))).flatMap((s) => s.pages);
}

export class TakeSide {
  private constructor(
    private readonly server: Server,
    private readonly pageId: string,
    private readonly id: string,
    readonly page: string,
    readonly name: string,
  ) {}

  /** The page and its take by their names. */
  static async find(o: ServerOptions, wanted: Pick<SyncPage, 'page' | 'take'>): Promise<TakeSide> {
    const pages = await listPages(o);
    const named = pages.filter((p) => p.name === wanted.page || p.id === wanted.page);
    if (named.length === 0)
      throw new BadInput(
        `no page is called “${wanted.page}”; there are ${pages.map((p) => `“${p.name}”`).join(', ') || 'none'}`,
      );
    const [page, another] = named;
    if (!page || another)
      throw new BadInput(
        `${named.length} pages are called “${wanted.page}”: name one by its id, which stands in its address`,
      );
    const take =
      wanted.take === undefined
        ? page.takes[0]
        : page.takes.find((t) => t.name === wanted.take || t.id === wanted.take);
    if (!take)
      throw new BadInput(
        `“${page.name}” has no take “${wanted.take}”; there are ${page.takes.map((t) => `“${t.name}”`).join(', ')}`,
      );
    return new TakeSide(connect(o), page.id, take.id, page.name, take.name);
  }

  read(): Promise<Revision> {
    return this.server.take({ id: this.id });
  }

  /** The layouts that the code is written from, the widest measured one first. */
  async layouts(document: MotionDocument): Promise<[Layout, ...Layout[]]> {
    const { layouts } = await this.server.page({ id: this.pageId });
    const [own, ...others] = [...layouts].sort((a, b) => b.viewport.width - a.viewport.width);
    if (!own) throw new BadInput('the page has not been measured yet: open it in Lyvek once');
    return [own, ...others.filter((l) => isAdjusted(l, document, 'full-motion'))];
  }

  /** Null where the take never had it. A server that is away is another matter, and is said. */
  async revision(number: number, newest: number): Promise<MotionDocument | null> {
    if (number < 1 || number > newest) return null;
    try {
      const { document } = await this.server.revision({ id: this.id, number: String(number) });
      return document as MotionDocument;
    } catch (error) {
      // Old revisions are thinned out.
      if (error instanceof BadInput && /^there is no|not found/i.test(error.text)) return null;
      throw error;
    }
  }

  /** The revision that was made of it; null where another one was faster. */
  async save(base: number, document: MotionDocument, label: string): Promise<number | null> {
    try {
      const { revision } = await this.server.putDocument({
        ...{ id: this.id, base, editId: randomUUID(), body: document },
        ...{ label, author: SYNC_AUTHOR },
      } as never);
      return revision;
    } catch (error) {
      if (error instanceof BadInput && /another tab|changed/i.test(error.text)) return null;
      throw error;
    }
  }

  /** What the workbench shows; it does not matter where it is not heard. */
  async tell(report: SyncReport): Promise<void> {
    await this.server.putSync({ id: this.id, body: report }).catch(() => undefined);
  }

  /** Waits for a newer revision, some seconds at most; whether there is one. */
  async isNewer(after: number, signal: AbortSignal): Promise<boolean> {
    const { revision } = await this.server.newer({ id: this.id, after }, { signal });
    return revision > after;
  }
}
