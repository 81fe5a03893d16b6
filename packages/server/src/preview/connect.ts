/**
 * The one script tag of a page under development. It is the only thing of Lyvek that another site can load, and only with a pairing code that
 * nobody can guess; what it does with it is in the probe (live.ts).
 */
import type { Request, Response } from 'express';
import type { Db } from '../store/database.ts';
import { pageByCode } from '../store/pages.ts';

export interface ConnectOptions {
  db: Db;
  /** addresses of the workbench, the only ones that the script speaks to */
  origins: readonly string[];
  script: () => string;
}

const PATH = /^\/connect\/([a-z0-9]{26})\.js$/;
/** Wrong codes that are answered in a minute, from whomever they come. */
const MOST_WRONG = 30;

export class Connect {
  private wrong: number[] = [];

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
    this.wrong = this.wrong.filter((t) => t > now - 60_000);
    if (this.wrong.length >= MOST_WRONG)
      return void res.status(429).send('/* Too many wrong pairing codes. Wait a minute. */');
    const code = req.method === 'GET' ? PATH.exec(req.path)?.[1] : undefined;
    const page = code === undefined ? undefined : await pageByCode(this.options.db, code);
    if (!page) {
      this.wrong.push(now);
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
