/** A client made from the routes: one function for each, which takes what varies and gives the answer that the route promises. */
import { isJson } from './route.ts';
import type { Answered, Request, Route } from './route.ts';

export interface CallOptions {
  signal?: AbortSignal;
}
type Call<R extends Route> =
  unknown extends Request<R>
    ? (given?: object, options?: CallOptions) => Promise<Answered<R, Response>>
    : object extends Request<R>
      ? (given?: Request<R>, options?: CallOptions) => Promise<Answered<R, Response>>
      : (given: Request<R>, options?: CallOptions) => Promise<Answered<R, Response>>;
export type Client<Routes extends Record<string, Route>> = { [K in keyof Routes]: Call<Routes[K]> };

/** Sends a request; answers that are errors are its own business. */
export type Send = (path: string, init: RequestInit) => Promise<Response>;

function findPath({ path, query }: Route, given: Record<string, unknown>): string {
  const filled = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(given[name])));
  const search = new URLSearchParams();
  for (const name of Object.keys(query?.shape ?? {}))
    if (given[name] !== undefined) search.set(name, String(given[name]));
  const text = search.toString();
  return text ? `${filled}?${text}` : filled;
}

/** Path and options of the request that a route makes of what it is given. */
export function toRequest(route: Route, given: Record<string, unknown> = {}): [path: string, RequestInit] {
  const headers: Record<string, string> = {};
  for (const [key, { name, write }] of Object.entries(route.headers ?? {}))
    headers[name] = (write as (value: unknown) => string)(given[key]);
  const init: RequestInit = { method: route.method };
  if (isJson(route.body)) {
    headers['Content-Type'] = route.media ?? 'application/json';
    init.body = JSON.stringify(given.body);
  } else if (route.body) {
    const body = given.body as Blob;
    headers['Content-Type'] = body.type;
    init.body = body;
  }
  return [findPath(route, given), Object.keys(headers).length ? { ...init, headers } : init];
}

export function createClient<const Routes extends Record<string, Route>>(
  routes: Routes,
  send: Send,
): Client<Routes> {
  const call = async (route: Route, given: Record<string, unknown>, options: CallOptions = {}) => {
    const [path, init] = toRequest(route, given);
    const response = await send(path, options.signal ? { ...init, signal: options.signal } : init);
    if (!route.answer) return undefined;
    return isJson(route.answer) ? route.answer.parse(await response.json()) : response;
  };
  return Object.fromEntries(
    Object.entries(routes).map(([name, route]) => [
      name,
      (given: Record<string, unknown> = {}, options?: CallOptions) => call(route, given, options),
    ]),
  ) as Client<Routes>;
}
