/** Answers that many people ask for and that seldom change, kept as the text that is sent. */
import type { Request, Response } from 'express';
import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';

/** Characters of all that are kept; the ones that have not been asked for the longest go first. */
const MAX_KEPT = 48e6;

interface Asked {
  make(): Promise<string>;
}

export class KeptAnswers {
  private readonly texts = new LRUCache<string, string, Asked>({
    maxSize: MAX_KEPT,
    sizeCalculation: (text) => text.length + 1,
    fetchMethod: (_key, _old, { context }) => context.make(),
  });

  /**
   * Sends the answer to a question as long as nothing of it has changed, which `state` says: a short text that is another one after every
   * change. Asked at once by several, it is made once. A browser that has it already is told so.
   */
  async send(
    { req, res }: { req: Request; res: Response },
    state: string,
    make: Asked['make'],
  ): Promise<void> {
    const key = `${req.baseUrl}${req.url} ${state}`;
    res.setHeader('ETag', `W/"${createHash('sha256').update(key).digest('base64url').slice(0, 27)}"`);
    if (req.fresh) return void res.status(304).end();
    const text = await this.texts.fetch(key, { context: { make } });
    if (!res.headersSent && !res.destroyed) res.type('json').send(text);
  }
}
