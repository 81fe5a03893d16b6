/** The shelf of a project with many pages: asked by many at once, beside asked once after a change. */
import { element, makeLayout } from '@lyvek/core/testing';
import { median, report } from './support/figures.ts';
import { addLongPage, ask } from './support/pages.ts';

const PAGES = 60;
const MOTIONS = 60;
const AT_ONCE = 40;

const project = (await ask('/projects', 'POST', { name: 'Shelf' })).id as string;
const layout = makeLayout(
  Array.from({ length: 300 }, (_, i) =>
    element({ selector: `#d${i}`, box: { x: 40, y: 150 * i, width: 600, height: 90 } }),
  ),
  300 * 150,
);
const pages: string[] = [];
for (let i = 0; i < PAGES; i++) {
  const id = await addLongPage(MOTIONS, project);
  const { page } = (await ask(`/pages/${id}`)) as { page: { contentHash: string } };
  await ask(`/pages/${id}/layouts`, 'PUT', layout, { 'if-match': `"${page.contentHash}"` });
  pages.push(id);
}

const timed = async (work: () => Promise<unknown>) => {
  const began = performance.now();
  await work();
  return performance.now() - began;
};
const shelf = () => ask(`/projects/${project}`);
/** After a change: a page has another name. */
const alone: number[] = [];
for (let i = 0; i < 5; i++) {
  await ask(`/pages/${pages[i]!}`, 'PATCH', { name: `Page ${i}` });
  alone.push(await timed(shelf));
}
const together = (await Promise.all(Array.from({ length: AT_ONCE }, () => timed(shelf)))).sort(
  (a, b) => a - b,
);
console.log(
  `one answer: ${Math.round(median(alone))} ms here; p50 of ${AT_ONCE} at once: ${Math.round(median(together))} ms`,
);
report({
  name: `shelf of ${PAGES} pages asked ${AT_ONCE} times at once, p50 ÷ one answer`,
  value: median(together) / median(alone),
  unit: '×',
  accept: 3,
  aim: 3,
  better: 'lower',
});
