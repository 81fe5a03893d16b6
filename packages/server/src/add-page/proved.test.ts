import { present } from '@lyvek/core';
import { describe, expect, test } from '@jest/globals';
import { LabBusy } from '../lab/index.ts';
import { IMPORT_JOBS } from './import-jobs.ts';
import { Proving } from './proved.ts';
import type { ImportReader } from './proved.ts';

const HTML = `<!doctype html><style>@keyframes k { from { opacity: 0 } }
.a { animation: k linear both; animation-timeline: view() } .b { animation: k 1s both }</style><p class="a">1</p><p class="b">2</p>`;
const page = (html: string) => ({
  entry: 'index.html',
  files: [{ path: 'index.html', bytes: new TextEncoder().encode(html) }],
});
const here: ImportReader = { run: async (job, input) => IMPORT_JOBS[job](input as never) as never };
const never = new AbortController().signal;
const failing = (error: Error) =>
  new Proving(here, { run: () => Promise.reject(error) }, () => '').import(page(HTML), never);

describe('what was not proved', () => {
  test.each([
    [new LabBusy('busy'), 'the lab has enough to do'],
    [new DOMException('late', 'TimeoutError'), 'more than 60 s'],
    [new Error('net::ERR_FAILED'), 'could not be opened'],
  ])('%s: nothing is taken out of the page, and it is said why', async (error, why) => {
    const { document, proof } = await failing(error);
    expect(document).toMatchObject({ motions: [], importedRules: [] });
    expect(proof).toMatchObject({ proved: false, left: [{ selector: '*' }] });
    expect(present(proof).message).toContain('Its motion stays in its own CSS');
    expect(present(proof).message).toContain(why);
  });

  test('a page that moves nothing asks for no browser', async () => {
    const asked = new Proving(here, { run: () => Promise.reject(new Error('asked')) }, () => '');
    const made = await asked.import(page('<p>still</p>'), never);
    expect(made).toMatchObject({ proof: null, document: { motions: [] } });
  });

  test('whoever gives it up is not answered with an empty page', async () => {
    const gone = new AbortController();
    const turn = {
      run: () => {
        gone.abort();
        return Promise.reject(new Error('aborted'));
      },
    };
    await expect(new Proving(here, turn, () => '').import(page(HTML), gone.signal)).rejects.toThrow();
  });
});
