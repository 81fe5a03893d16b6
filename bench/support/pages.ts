/** Pages that benches work on. */
import { longDocument, longPage } from './long-page.ts';

const base = process.env.LYVEK_URL!;
const json = async (path: string, init?: RequestInit) =>
  (await fetch(`${base}/api${path}`, init)).json() as Promise<Record<string, never>>;

/** The id of the demo page whose name has this in it. */
export async function findPage(name: string): Promise<string> {
  const { projects } = (await json('/projects')) as unknown as { projects: { id: string }[] };
  const shelf = (await json(`/projects/${projects[0]!.id}`)) as unknown as {
    pages: { id: string; name: string }[];
  };
  return shelf.pages.find((p) => p.name.includes(name))!.id;
}

/** A page of its own with so many motions; returns its id. */
export async function addLongPage(count: number): Promise<string> {
  const project = await json('/projects', {
    method: 'POST',
    body: JSON.stringify({ name: 'Bench' }),
    headers: { 'content-type': 'application/json' },
  });
  const page = await json(`/projects/${project.id}/pages`, {
    method: 'POST',
    body: longPage(count),
    headers: { 'content-type': 'text/html' },
  });
  const { takes } = (await json(`/pages/${page.id}`)) as unknown as { takes: { id: string }[] };
  await json(`/takes/${takes[0]!.id}/document`, {
    method: 'PUT',
    body: JSON.stringify(longDocument(count)),
    headers: { 'content-type': 'application/json', 'if-match': '"1"', 'x-edit-id': crypto.randomUUID() },
  });
  return page.id as unknown as string;
}
