/** Pages that benches work on. */
import { longDocument, longPage } from './long-page.ts';

const base = process.env.LYVEK_URL!;
/** Asks the server, and gives what it answers. Throws where it refuses. */
export async function ask(
  path: string,
  method = 'GET',
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Record<string, unknown>> {
  const text = typeof body === 'string';
  const answer = await fetch(`${base}/api${path}`, {
    method,
    ...(body === undefined
      ? {}
      : {
          body: text ? body : JSON.stringify(body),
          headers: { 'content-type': text ? 'text/html' : 'application/json', ...headers },
        }),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.text().then((t) => (t ? JSON.parse(t) : {}))) as Record<string, unknown>;
}

/** The id of the demo page whose name has this in it. */
export async function findPage(name: string): Promise<string> {
  const { projects } = (await ask('/projects')) as { projects: { id: string }[] };
  const shelf = (await ask(`/projects/${projects[0]!.id}`)) as { pages: { id: string; name: string }[] };
  return shelf.pages.find((p) => p.name.includes(name))!.id;
}

/** A page with so many motions, in a project of its own unless one is given; returns its id. */
export async function addLongPage(count: number, project?: string): Promise<string> {
  const owner = project ?? String((await ask('/projects', 'POST', { name: 'Bench' })).id);
  const page = String((await ask(`/projects/${owner}/pages`, 'POST', longPage(count))).id);
  const { takes } = (await ask(`/pages/${page}`)) as { takes: { id: string }[] };
  await ask(`/takes/${takes[0]!.id}/document`, 'PUT', longDocument(count), {
    'if-match': '"1"',
    'x-edit-id': crypto.randomUUID(),
  });
  return page;
}
