import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { lastItem, present } from '../assert/index.ts';
import { handOffCss } from '../format/index.ts';
import { collectSelectors, emptyDocument, readDocument } from '../motion/index.ts';
import type { MotionDocument } from '../motion/index.ts';
import { layoutOfPage } from '../testing/page-layout.ts';
import { documentMark, findBlock, mergeDocuments, putBlock, sourceStep, syncStep } from './index.ts';
import type { Revision } from './index.ts';

const HTML = `<!doctype html><html><body><main>${['a', 'b', 'c', 'd'].map((id) => `<p id="${id}">${id}</p>`).join('')}</main></body></html>`;
const IDS = ['a', 'b', 'c', 'd'];
const makeMotion = (id: string, end: number) => ({
  ...{ id: `m_${id}`, name: `Part ${id}`, on: true, targets: { selector: `#${id}` } },
  driver: { kind: 'view', subject: 'self', axis: 'block', insets: ['0px', '0px'] },
  range: { start: 'entry 0%', end: `cover ${end}%` },
  keyframes: { opacity: [{ at: '0%', value: '0.2' }] },
  ...{
    easing: 'linear',
    fill: 'both',
    composite: 'replace',
    damping: { kind: 'none' },
    reducedMotion: 'keep',
  },
});
const read = (motions: object[]): MotionDocument => {
  const parsed = readDocument({ ...emptyDocument(), motions });
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  return parsed.document;
};
const FIRST = read(IDS.map((id, i) => makeMotion(id, 30 + i)));
const LAYOUT = layoutOfPage(HTML, collectSelectors(FIRST));
const write = (d: MotionDocument) => handOffCss(d, LAYOUT, 'T').css;
const ends = (d: MotionDocument) => Object.fromEntries(d.motions.map((m) => [m.id, m.range.end]));

/** A take, as the server keeps it. */
class Take {
  readonly revisions: MotionDocument[] = [FIRST];
  get newest(): Revision {
    return { revision: this.revisions.length, document: lastItem(this.revisions) };
  }
  append(d: MotionDocument): number {
    return this.revisions.push(d);
  }
  readonly step = (file: string) =>
    syncStep({
      ...{ name: 'Home', file, take: this.newest, write, page: { layout: LAYOUT } },
      at: (revision) => Promise.resolve(this.revisions[revision - 1] ?? null),
    });
  setEnd(id: string, end: number): void {
    const { document } = this.newest;
    this.append({
      ...document,
      motions: document.motions.map((m) =>
        m.id === id ? { ...m, range: { ...m.range, end: `cover ${end}%` } } : m,
      ),
    });
  }
}

/** Until both stand still; gives the file. */
async function settle(take: Take, file: string): Promise<{ file: string; kind: string }> {
  for (let i = 0; i < 4; i++) {
    const step = await take.step(file);
    if (step.kind === 'write') file = step.file;
    else if (step.kind === 'edit') file = step.fileAt(take.append(step.document));
    else return { file, kind: step.kind };
  }
  throw new Error('it never stands still');
}
const OWN = 'body { margin: 0 }\n';

describe('a file and a take', () => {
  test('the block goes to the end of the file, and is written anew where the take moves on', async () => {
    const take = new Take();
    const first = await settle(take, OWN);
    expect(first.file.startsWith(OWN)).toBe(true);
    take.setEnd('m_b', 77);
    const { file, kind } = await settle(take, first.file);
    expect(kind).toBe('in-step');
    expect(file).toContain('cover 77%');
    // Its first line, and the one that says the end.
    const changed = file.split('\n').filter((line, i) => line !== first.file.split('\n')[i]);
    expect(changed).toHaveLength(2);
  });

  test('an edit of the file becomes a revision, and what no document says stays behind the block', async () => {
    const take = new Take();
    const { file } = await settle(take, OWN);
    const edited = file.replace('cover 30%', 'cover 55%').replace('#d {', '#d { color: teal;');
    const step = await take.step(edited);
    expect(step).toMatchObject({ kind: 'edit', changed: ['m_a'] });
    const settled = await settle(take, edited);
    expect(ends(take.newest.document)).toMatchObject({ m_a: 'cover 55%', m_b: 'cover 31%' });
    expect(settled.file.slice(settled.file.indexOf('lyvek end'))).toContain('color: teal;');
    expect(await take.step(settled.file)).toEqual({ kind: 'in-step' });
  });

  test('edits of two motions, one on each side, come together; of one motion they are a conflict, and nothing is written', async () => {
    const take = new Take();
    const { file } = await settle(take, OWN);
    take.setEnd('m_c', 90);
    const apart = await settle(take, file.replace('cover 30%', 'cover 55%'));
    expect(ends(take.newest.document)).toMatchObject({ m_a: 'cover 55%', m_c: 'cover 90%' });
    take.setEnd('m_a', 60);
    const both = apart.file.replace('cover 55%', 'cover 44%');
    expect(await take.step(both)).toEqual({ kind: 'conflict', names: ['Part a'] });
    // Where both say the same there is none.
    expect((await settle(take, apart.file.replace('cover 55%', 'cover 60%'))).kind).toBe('in-step');
  });

  test('marks without their other half are told, and nothing is written over', async () => {
    const take = new Take();
    const { file } = await settle(take, OWN);
    for (const broken of [
      file.replace(/\/\* lyvek end.*\*\//, ''),
      file.replace(/\/\* lyvek begin.*\*\//, ''),
      file + file,
    ])
      expect(await take.step(broken)).toMatchObject({ kind: 'broken' });
  });

  test('line ends of the file stay what they are', () => {
    const put = putBlock('a { b: c }\r\n', 'Home', { revision: 1, document: FIRST, body: 'x {\n  y: z;\n}' });
    expect(put).toMatch(/^a \{ b: c \}\r\n\r\n\/\*.*\*\/\r\nx \{\r\n {2}y: z;\r\n\}\r\n\/\*.*\*\/\r\n$/);
    expect(findBlock(put as string, 'Home')).toMatchObject({ edited: false });
    expect(findBlock((put as string).replaceAll('\r\n', '\n'), 'Home')).toMatchObject({ edited: false });
  });

  test('two pages have a block each in one file', () => {
    const one = putBlock('', 'Home', { revision: 1, document: FIRST, body: 'a {}' }) as string;
    const two = putBlock(one, 'About us, too', { revision: 4, document: FIRST, body: 'b {}' }) as string;
    const again = putBlock(two, 'Home', { revision: 2, document: FIRST, body: 'c {}' }) as string;
    expect(findBlock(again, 'Home')).toMatchObject({ body: 'c {}', revision: 2 });
    expect(findBlock(again, 'About us, too')).toMatchObject({
      ...{ body: 'b {}', revision: 4, edited: false, source: documentMark(FIRST) },
    });
  });
});

test('what only one side changed is taken from it, what both took out is gone', () => {
  const [ours, theirs] = [
    { ...FIRST, motions: FIRST.motions.filter((m) => m.id !== 'm_b') },
    { ...FIRST, motions: FIRST.motions.map((m) => (m.id === 'm_c' ? { ...m, name: 'Other' } : m)) },
  ];
  const merged = mergeDocuments(FIRST, ours, theirs);
  expect('document' in merged && merged.document.motions.map((m) => m.name)).toEqual([
    'Part a',
    'Other',
    'Part d',
  ]);
  const lost = mergeDocuments(FIRST, ours, {
    ...FIRST,
    motions: FIRST.motions.map((m) => (m.id === 'm_b' ? { ...m, name: 'Kept' } : m)),
  });
  expect(lost).toEqual({ conflicts: ['Part b'] });
});

describe('a document in the repository', () => {
  const changed = (id: string, end: number): MotionDocument => ({
    ...FIRST,
    motions: FIRST.motions.map((m) =>
      m.id === id ? { ...m, range: { ...m.range, end: `cover ${end}%` } } : m,
    ),
  });
  const [here, there] = [changed('m_a', 71), changed('m_b', 72)];
  const known = documentMark(FIRST);
  const step = (source: MotionDocument | null, take: MotionDocument, more: object = {}) =>
    sourceStep({ source, take, known, base: FIRST, ...more });

  test('whichever has moved on is followed; both together are one, unless they are about one motion', () => {
    expect(step(null, FIRST)).toEqual({ kind: 'write' });
    expect(step(FIRST, FIRST)).toEqual({ kind: 'in-step' });
    expect(step(FIRST, here)).toEqual({ kind: 'write' });
    expect(step(here, FIRST)).toEqual({ kind: 'open', document: here });
    const both = step(here, there);
    expect(both.kind === 'open' && ends(both.document)).toMatchObject({ m_a: 'cover 71%', m_b: 'cover 72%' });
    const other = changed('m_a', 73);
    expect(step(here, other)).toEqual({ kind: 'conflict', names: ['Part a'] });
    expect(step(here, other, { prefer: 'file' })).toEqual({ kind: 'open', document: here });
    expect(step(here, other, { prefer: 'take' })).toEqual({ kind: 'write' });
  });

  test('never in step before: the repository is right; what they were in step with is lost: a conflict', () => {
    expect(step(here, there, { known: null })).toEqual({ kind: 'open', document: here });
    expect(step(here, there, { base: null })).toEqual({ kind: 'conflict', names: ['Part a', 'Part b'] });
  });

  test('a block of another take with the same revision is read back from the document it was written from', async () => {
    const other = new Take();
    other.setEnd('m_a', 88);
    const { file } = await settle(other, OWN);
    const edited = file.replace('cover 31%', 'cover 59%');
    const take = new Take();
    take.append(FIRST);
    expect(await take.step(edited)).toMatchObject({ kind: 'broken' });
    const input = { name: 'Home', file: edited, take: take.newest, write, page: { layout: LAYOUT } };
    const read = await syncStep({ ...input, at: () => Promise.resolve(null), source: other.newest.document });
    expect(read.kind === 'edit' && ends(read.document)).toMatchObject({ m_b: 'cover 59%', m_a: 'cover 30%' });
  });
});

describe('500 sequences of edits on both sides', () => {
  type Act =
    | { kind: 'take'; id: string }
    | { kind: 'file'; id: string }
    | { kind: 'outside'; text: string }
    | { kind: 'sync' }
    /** ended after the revision was saved, before the file was written */
    | { kind: 'kill' };
  const id = fc.constantFrom(...IDS);
  const act: fc.Arbitrary<Act> = fc.oneof(
    fc.record({ kind: fc.constant('take' as const), id }),
    fc.record({ kind: fc.constant('file' as const), id }),
    fc.record({
      kind: fc.constant('outside' as const),
      text: fc.integer({ min: 0, max: 9999 }).map((n) => `.own-${n} { order: ${n}; }`),
    }),
    fc.record({ kind: fc.constant('sync' as const) }),
    fc.record({ kind: fc.constant('kill' as const) }),
  );

  /** The end of one motion in the block, wherever it is said. */
  const setInFile = (file: string, of: string, value: number): string => {
    const block = findBlock(file, 'Home');
    if (!block || 'broken' in block) return file;
    const own = `#${of} {`;
    const body = file.slice(block.from, block.to);
    const rule = body.lastIndexOf(own);
    const place = rule < 0 ? -1 : body.slice(rule).search(/cover \d+%/);
    if (place < 0 || body.slice(rule, rule + place).includes('}')) return file;
    const at = block.from + rule + place;
    return file.slice(0, at) + file.slice(at).replace(/cover \d+%/, `cover ${value}%`);
  };

  test('never lose a line outside, never an act, and the file is always whole', async () => {
    let edits = 0;
    let conflicts = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 3, maxLength: 9 }), async (acts) => {
        const take = new Take();
        let { file } = await settle(take, OWN);
        const outside = [OWN.trim()];
        const wanted: Record<string, unknown> = ends(FIRST);
        for (const [i, a] of acts.entries()) {
          // Set back to what it was, it would be no act.
          const end = 40 + i;
          if (a.kind === 'outside') {
            file = a.text.length % 2 ? `${a.text}\n${file}` : `${file}${a.text}\n`;
            outside.push(a.text);
          } else if (a.kind === 'take') {
            take.setEnd(`m_${a.id}`, end);
            wanted[`m_${a.id}`] = `cover ${end}%`;
          } else if (a.kind === 'file') {
            const next = setInFile(file, a.id, end);
            if (next !== file) {
              edits++;
              wanted[`m_${a.id}`] = `cover ${end}%`;
            }
            file = next;
          } else {
            const before = { file, document: take.newest.document };
            const step = await take.step(file);
            if (step.kind === 'write') file = a.kind === 'kill' ? file : step.file;
            else if (step.kind === 'edit') {
              const revision = take.append(step.document);
              if (a.kind === 'sync') file = step.fileAt(revision);
            } else if (step.kind === 'conflict') {
              conflicts++;
              // Both sides stand as they were.
              expect([file, take.newest.document]).toEqual([before.file, before.document]);
            } else expect(step.kind).toBe('in-step');
          }
          for (const line of outside) expect(file).toContain(line);
          expect(findBlock(file, 'Home')).toHaveProperty('revision');
        }
        // Brought into step, the file says what the take says, or what both changed is a conflict.
        const last = await take.step(file);
        if (last.kind === 'conflict') return;
        const settled = await settle(take, file);
        const block = present(findBlock(settled.file, 'Home')) as { body: string };
        expect(block.body.trim()).toBe(write(take.newest.document).trim());
        // What was done last to each motion, on whichever side, is what it is now.
        expect(ends(take.newest.document)).toEqual(wanted);
        for (const line of outside) expect(settled.file).toContain(line);
      }),
      { numRuns: process.env.LYVEK_FULL ? 500 : 60 },
    );
    expect(edits).toBeGreaterThan(20);
    expect(conflicts).toBeGreaterThan(0);
  }, 240_000);
});
