/**
 * Nothing is taken out of a page whose replacement was not seen to show the same in a browser, under every media condition of the page. What
 * differs is left to the page; what cannot be looked at is left altogether.
 */
import { differenceWords, movedBy, makeMeasureRequest, situationsFor, itemAt, present } from '@lyvek/core';
import type { MotionDocument, PageDifference, Refuted } from '@lyvek/core';
import type { ImportProof } from '@lyvek/api';
import {
  LabBusy,
  NoChromium,
  chromiumPath,
  comparePages,
  failureSentence,
  filesInMemory,
  isLate,
  layoutTexts,
  withBrowser,
  within,
} from '../lab/index.ts';
import type { ComparedPages, LabTurn } from '../lab/index.ts';
import type { PageFile } from '../store/pages.ts';
import type { Importer } from './importer.ts';

/** The lab may be busy with a trial. */
const MAX_WAIT_MS = 120_000;
const MAX_PROOF_MS = 60_000;
const MAX_ROUNDS = 3;

export interface ProvedImport {
  /** null where the page’s HTML is no UTF-8 */
  document: MotionDocument | null;
  proof: ImportProof | null;
}

interface Page {
  entry: string;
  files: readonly PageFile[];
}
interface ReadDocument {
  document: MotionDocument;
  queries: string[];
}

/** Does import jobs; the server does them in threads of their own. */
export type ImportReader = Pick<Importer, 'run'>;

export class Proving {
  constructor(
    private readonly importer: ImportReader,
    private readonly turn: Pick<LabTurn, 'run'>,
    /** source of a built script */
    private readonly script: (file: 'in-page.js' | 'journey.js') => string,
  ) {}

  /** What the page moves by its own CSS, as far as Lyvek plays it in the same way. */
  async import(page: Page, signal: AbortSignal): Promise<ProvedImport> {
    const first = await this.importer.run('document', page, signal);
    if (!first || first.document.motions.length === 0)
      return { document: first?.document ?? null, proof: null };
    const count = first.document.motions.length;
    try {
      if (!chromiumPath()) throw new NoChromium();
      return await within(MAX_WAIT_MS + MAX_PROOF_MS, signal, (all) =>
        this.turn.run(() => within(MAX_PROOF_MS, all, (one) => this.rounds(page, first, one)), all),
      );
    } catch (error) {
      signal.throwIfAborted();
      return this.unproved(page, whyNot(error), count, signal);
    }
  }

  private async rounds(page: Page, first: ReadDocument, signal: AbortSignal): Promise<ProvedImport> {
    const refuted: Refuted[] = [];
    for (let round = 0; round < MAX_ROUNDS; round++) {
      const { document, queries } =
        round === 0 ? first : present(await this.importer.run('document', { ...page, refuted }, signal));
      if (document.motions.length === 0)
        return {
          document,
          proof: { proved: false, left: refuted, message: `Nothing was imported.${leftWords(refuted)}` },
        };
      const compared = await this.compare(page, document, queries, signal);
      if (compared.values === 0) throw new Error('nothing of it was there to look at');
      if (compared.differences.length === 0)
        return {
          document,
          proof: { proved: true, left: refuted, message: provedWords(document, compared, refuted) },
        };
      refuted.push(...refutedBy(document, compared.differences));
    }
    return this.unproved(
      page,
      'what is left of them plays something else without the others',
      refuted.length,
      signal,
    );
  }

  private async compare(
    page: Page,
    document: MotionDocument,
    queries: readonly string[],
    signal: AbortSignal,
  ) {
    const { entry, files } = page;
    const before = new Map(files.map((f) => [f.path, f.bytes]));
    const texts = await this.importer.run('without', { ...page, taken: document.importedRules }, signal);
    const bare = new Map([...before, ...texts.map(([path, text]) => [path, Buffer.from(text)] as const)]);
    const situations = situationsFor(queries);
    const sizes = [...new Map(situations.map(({ viewport: v }) => [`${v.width} ${v.height}`, v])).values()];
    return withBrowser(
      async (open) => {
        const [old, layouts] = await Promise.all([
          open(filesInMemory(entry, before), itemAt(situations, 0)),
          layoutTexts(
            open,
            filesInMemory(entry, bare),
            sizes,
            makeMeasureRequest(document),
            this.script('in-page.js'),
          ),
        ]);
        const written = await this.importer.run('handOff', { ...page, document, layouts }, signal);
        const after = await open(
          filesInMemory(entry, new Map([...before, ...written])),
          itemAt(situations, 0),
        );
        const motions = movedBy(document);
        const journey = this.script('journey.js');
        return comparePages({ before: old, after, motions, situations, journey }, signal);
      },
      signal,
      true,
    );
  }

  private async unproved(page: Page, why: string, count: number, signal: AbortSignal): Promise<ProvedImport> {
    const left = [{ selector: '*', reason: `it was not proved to play the same: ${why}` }];
    const { document } = present(await this.importer.run('document', { ...page, refuted: left }, signal));
    const many = count === 1 ? 'Its motion stays' : `Its ${count} motions stay`;
    return {
      document,
      proof: {
        proved: false,
        left,
        message: `${many} in its own CSS, because it was not proved that Lyvek plays the same: ${why}. Add the page again to try once more.`,
      },
    };
  }
}

function whyNot(error: unknown): string {
  if (error instanceof LabBusy) return 'the lab has enough to do for the moment';
  if (isLate(error)) return `that took more than ${MAX_PROOF_MS / 1000} s`;
  const sentence = failureSentence(error).replace(/\.$/, '');
  return sentence.charAt(0).toLowerCase() + sentence.slice(1);
}

/** A difference that no motion explains may come from any of them. */
function refutedBy(document: MotionDocument, differences: readonly PageDifference[]): Refuted[] {
  const out = new Map<string, string>();
  for (const d of differences) {
    const selectors = d.part.motions.map((i) => document.motions[i]?.targets.selector ?? '*');
    for (const selector of selectors.length > 0 ? selectors : ['*'])
      if (!out.has(selector)) out.set(selector, differenceWords(d));
  }
  return [...out].map(([selector, reason]) => ({ selector, reason }));
}

const leftWords = (left: readonly Refuted[]): string =>
  left.length === 0
    ? ''
    : ` ${left.length} ${left.length === 1 ? 'stays' : 'stay'} in its own CSS, since Lyvek would play ${left.length === 1 ? 'it' : 'them'} differently.`;

const count = (n: number, one: string, many: string): string =>
  `${n.toLocaleString('en')} ${n === 1 ? one : many}`;

function provedWords({ motions }: MotionDocument, looked: ComparedPages, left: readonly Refuted[]): string {
  const { situations, parts, of, values } = looked;
  const elements =
    parts < of ? `${parts} of ${of.toLocaleString('en')} elements` : count(parts, 'element', 'elements');
  const over = count(motions.length, 'motion was', 'motions were');
  return `${over} imported from its CSS and ${motions.length === 1 ? 'plays' : 'play'} the same in Chromium: ${elements}, ${count(values, 'value', 'values')}, ${count(situations - 1, 'size', 'sizes')} and reduced motion.${leftWords(left)}`;
}
