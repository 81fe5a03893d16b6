/** Errors over HTTP as problem details (RFC 9457). `detail` is a sentence that says what to do. */
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';

export class Problem extends Error {
  readonly status: number;
  readonly title: string;
  readonly extra: Record<string, unknown>;

  constructor(status: number, title: string, detail: string, extra: Record<string, unknown> = {}) {
    super(detail);
    this.status = status;
    this.title = title;
    this.extra = extra;
  }
}

export const notFound = (what: string) =>
  new Problem(404, 'Not found', `There is no such ${what}; it may have been deleted.`);

/** `thing`, or the problem that there is none: it may be deleted between two questions. */
export function found<T>(thing: T | undefined, what: string): T {
  if (thing === undefined) throw notFound(what);
  return thing;
}

export function sendProblem(res: Response, p: Problem): void {
  if (res.headersSent) return void res.destroy();
  res.status(p.status).type('application/problem+json');
  if (p.status === 503) res.setHeader('Retry-After', '1');
  res.send(
    JSON.stringify({ type: 'about:blank', title: p.title, status: p.status, detail: p.message, ...p.extra }),
  );
}

/** SQLSTATE classes and socket errors that mean: the database is away for the moment. */
const AWAY = /^(08|57P|ECONN|EPIPE|ETIMEDOUT)/;
/** What the driver says without a code of a connection that has gone. */
const GONE =
  /Connection (terminated|ended)|timeout exceeded when trying to connect|not queryable|Client was closed/i;
/** The disk is full, or what PostgreSQL may use of it is. */
const FULL = /^(53100|53400|ENOSPC|EDQUOT)$/;
/** What the database says, by SQLSTATE class, to input that no shape has refused before: it is the input’s fault, and stays so. */
const REFUSED: Record<string, [status: number, detail: string]> = {
  '22': [422, 'Something in it is out of range or cannot be stored as text.'],
  '23': [409, 'It contradicts what is stored by now. Reload, then try again.'],
  '40': [409, 'Somebody else changed the same at the same moment. Try again.'],
  '54': [413, 'It is larger than the database can store.'],
};

function problemFrom(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const e = error as { type?: string; status?: number; code?: string; message?: string; limit?: number };
  if (e.type === 'entity.too.large')
    return new Problem(
      413,
      'Too large',
      `It is larger than ${Math.round((e.limit ?? 0) / 1e6)} MB, the limit for this.`,
      { limit: e.limit },
    );
  if (e.type === 'entity.parse.failed')
    return new Problem(400, 'Not JSON', `The body is not JSON: ${e.message}.`);
  if (AWAY.test(e.code ?? '') || GONE.test(e.message ?? ''))
    return new Problem(
      503,
      'Database away',
      'The database does not answer at the moment. Your edits are kept in the browser; they are sent again by themselves.',
    );
  if (FULL.test(e.code ?? ''))
    return new Problem(
      507,
      'Disk full',
      'The disk with Lyvek’s data is full. Free some space on it; your edits are kept in this browser until they can be saved.',
    );
  const refused = Object.entries(REFUSED).find(([start]) => e.code?.startsWith(start));
  if (refused) return new Problem(refused[1][0], 'Cannot be stored', refused[1][1]);
  if (e.status && e.status < 500)
    return new Problem(e.status, 'Bad request', e.message ?? 'The request cannot be read.');
  return new Problem(500, 'A fault in Lyvek', 'Something went wrong here; the server log has the details.');
}

/** When the disk was last found full, ms; what is asked for meanwhile keeps it so. */
let fullAt = -Infinity;
const FULL_TTL_MS = 10_000;
export const isDiskFull = (): boolean => Date.now() - fullAt < FULL_TTL_MS;

export const problems =
  (log: Logger): ErrorRequestHandler =>
  // Express knows an error handler by its four parameters.
  (error, req, res, _next) => {
    const problem = problemFrom(error);
    if (problem.status === 507) fullAt = Date.now();
    if (problem.status >= 500) log.error({ err: error, url: req.path }, problem.title);
    sendProblem(res, problem);
  };
