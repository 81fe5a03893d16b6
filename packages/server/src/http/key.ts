/**
 * The key that the start command prints with the address, where other people use the same machine: loopback is theirs too. A browser shows it
 * once and gets a cookie; tools send it as a bearer token.
 */
import { timingSafeEqual, createHash } from 'node:crypto';
import type { RequestHandler } from 'express';
import { Problem, sendProblem } from './problem.ts';

export interface Access {
  /** null: everybody on this machine may in */
  key: string | null;
  /** names the cookie: cookies know no ports */
  port: number;
}

const TTL_MS = 365 * 86_400_000;
const digest = (text: string) => createHash('sha256').update(text).digest();
const isSame = (a: string, b: string) => timingSafeEqual(digest(a), digest(b));

export const cookieName = (port: number): string => `lyvek-key-${port}`;

function shownKey(headers: { cookie?: string; authorization?: string }, port: number): string | undefined {
  const bearer = /^Bearer (\S+)$/i.exec(headers.authorization ?? '')?.[1];
  const name = `${cookieName(port)}=`;
  const cookie = (headers.cookie ?? '')
    .split(';')
    .map((c) => c.trim())
    .find((c) => c.startsWith(name));
  return bearer ?? cookie?.slice(name.length);
}

/** Lets through who has shown the key. */
export const requireKey =
  ({ key, port }: Access): RequestHandler =>
  (req, res, next) => {
    if (key === null || isSame(shownKey(req.headers, port) ?? '', key)) return next();
    sendProblem(
      res,
      new Problem(
        401,
        'Key needed',
        'This Lyvek opens with a key. Open the whole address that “npm start” printed, including the part after the question mark.',
      ),
    );
  };

/** Gives a browser that shows the key its cookie. */
export const takeKey =
  ({ key, port }: Access): RequestHandler =>
  (req, res) => {
    const { key: shown } = (req.body ?? {}) as { key?: unknown };
    if (key !== null && (typeof shown !== 'string' || !isSame(shown, key)))
      return sendProblem(
        res,
        new Problem(401, 'Wrong key', 'This key is not the one of this Lyvek. Copy the address once more.'),
      );
    if (key !== null)
      res.cookie(cookieName(port), key, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: TTL_MS });
    res.status(204).end();
  };
