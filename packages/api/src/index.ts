export * from './shapes.ts';
export { isJson } from './route.ts';
export type { Answer, Answered, Bytes, Header, ReadRequest, Request, Route } from './route.ts';
export { routes, THINGS } from './routes.ts';
export type { Thing } from './routes.ts';
export { createClient, toRequest } from './client.ts';
export type { CallOptions, Client } from './client.ts';
