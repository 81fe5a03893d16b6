/**
 * The one script tag of a page under development. It is the only thing of Lyvek that another site can load, and only with a pairing code that
 * nobody can guess; what it does with it is in the probe (live.ts).
 */
import type { Request, Response } from 'express';
import { LRUCache } from 'lru-cache';
import type { Db } from '../store/database.ts';
import { pageByCode } from '../store/pages.ts';

export interface ConnectOptions {
  db: Db;
  /** addresses of the workbench, the only ones that the script speaks to */
  origins: readonly string[];
  script: () => string;
}

const PATH = /^\/connect\/([a-z0-9]{26})\.js$/;
/** Wrong codes that are answered in a minute to pages of one origin: what one of them tries keeps no other out. */
const MAX_WRONG = 30;
const MINUTE_MS = 60_000;

/** Whose page asks; those that do not say share one place. */
function readOrigin({ headers }: Request): string {
  const said = headers.origin ?? headers.referer ?? '';
  return URL.parse(said)?.origin ?? '';
}

export class Connect {
  private readonly wrong = new LRUCache<string, number[]>({ max: 500, ttl: MINUTE_MS });

  constructor(private readonly options: ConnectOptions) {}

  handles(path: string): boolean {
    return path.startsWith('/connect/');
  }

  async serve(req: Request, res: Response): Promise<void> {
    res.setHeader('Content-Type', 'text/javascript; charset=utf-8');
    res.setHeader('Cross-Origin-Resource-Policy', 'cross-origin');
    res.setHeader('Cache-Control', 'no-store');
    res.setHeader('X-Content-Type-Options', 'nosniff');
    res.setHeader('Referrer-Policy', 'no-referrer');
    const now = Date.now();
    const asker = readOrigin(req);
    const wrong = (this.wrong.get(asker) ?? []).filter((t) => t > now - MINUTE_MS);
    if (wrong.length >= MAX_WRONG)
      return void res.status(429).send('/* Too many wrong pairing codes. Wait a minute. */');
    const code = req.method === 'GET' ? PATH.exec(req.path)?.[1] : undefined;
    const page = code === undefined ? undefined : await pageByCode(this.options.db, code);
    if (!page) {
      this.wrong.set(asker, [...wrong, now]);
      return void res
        .status(404)
        .send(
          'console.warn("Lyvek: no page has this pairing code. Copy the line from the Rundown once more.");',
        );
    }
    const pairing = JSON.stringify({ code, origins: this.options.origins });
    res.send(`(() => { const LYVEK_PAIRING = ${pairing};\n${this.options.script()}\n})();`);
  }
}
