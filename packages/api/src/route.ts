/** What one route of the HTTP API is: the server’s handler, the client and the description all come from it. */
import type * as z from 'zod';

export interface Header {
  /** as it is sent */
  name: string;
  summary: string;
  /** reads what was sent */
  schema: z.ZodType;
  write(value: never): string;
}

/** Bytes of one of these types instead of JSON. */
export interface Bytes {
  types: readonly string[];
  /** largest size, bytes */
  max: number;
}

export interface Route {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** with `:name` for what varies */
  path: string;
  summary: string;
  query?: z.ZodObject;
  headers?: Record<string, Header>;
  body?: z.ZodType | Bytes;
  /** of a body of JSON that has a type of its own */
  media?: string;
  /** of the answer; 200, or 204 where there is none */
  status?: number;
  answer?: z.ZodType | { type: string };
}

export const route = <const R extends Route>(r: R): R => r;

type PathNames<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathNames<`/${Rest}`>
  : P extends `${string}:${infer Name}`
    ? Name
    : never;
type Params<R extends Route> = Record<PathNames<R['path']>, string>;
/** As it is read, and optional where it may be left out. */
type Query<R extends Route> = R['query'] extends z.ZodObject
  ? {
      [K in keyof z.input<R['query']>]: K extends keyof z.output<R['query']>
        ? z.output<R['query']>[K]
        : never;
    }
  : unknown;
type ReadQuery<R extends Route> = R['query'] extends z.ZodObject ? z.output<R['query']> : unknown;
type HeaderValues<R extends Route> =
  R['headers'] extends Record<string, Header>
    ? { [K in keyof R['headers']]: Parameters<R['headers'][K]['write']>[0] }
    : unknown;

/** What a caller gives: what varies in the path, the query, values of headers, and the body. */
export type Request<R extends Route> = Params<R> &
  Query<R> &
  HeaderValues<R> &
  (R['body'] extends z.ZodType
    ? { body: z.input<R['body']> }
    : R['body'] extends Bytes
      ? { body: Blob }
      : unknown);

/** What the handler gets; bytes as `B`. */
export type ReadRequest<R extends Route, B> = Params<R> &
  ReadQuery<R> &
  HeaderValues<R> &
  (R['body'] extends z.ZodType
    ? { body: z.output<R['body']> }
    : R['body'] extends Bytes
      ? { body: B }
      : unknown);

/** What the handler answers with; where the answer is no JSON it sends it by itself. */
export type Answer<R extends Route> = R['answer'] extends z.ZodType ? z.input<R['answer']> : void;
/** What the caller gets. */
export type Answered<R extends Route, Other> = R['answer'] extends z.ZodType
  ? z.output<R['answer']>
  : R['answer'] extends { type: string }
    ? Other
    : void;

export const isJson = (body: Route['body'] | Route['answer']): body is z.ZodType =>
  body !== undefined && 'safeParse' in body;
