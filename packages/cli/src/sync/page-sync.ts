/** One page and its files in a project: looks at both sides, and writes on either what the other has that is newer. */
import { basename } from 'node:path';
import { documentMark, findBlock, handOffCss, sourceStep, syncStep } from '@lyvek/core';
import type { Layout, MotionDocument, Revision, SyncStep } from '@lyvek/core';
import type { SyncReport } from '@lyvek/api';
import { BadInput } from '../errors.ts';
import { readDocumentFile } from '../input.ts';
import { note } from '../output.ts';
import { listHtml } from './config.ts';
import type { SyncPage } from './config.ts';
import { lookAtHtml } from './html-side.ts';
import type { Need } from './html-side.ts';
import { lookAtModule } from './module-side.ts';
import type { TakeSide } from './take-side.ts';
import { patchText, readFile, replaceFile } from './whole-file.ts';

const MAX_DIFF = 190_000;

/** In step with that revision; to be looked at again at once; or waiting for one side to change. */
export type Look = { revision: number } | 'again' | 'waiting';
export type Prefer = 'file' | 'take';

export class PageSync {
  private readonly said = new Set<string>();
  private report: SyncReport;
  /** what was changed in this look, and not told yet */
  private patches = new Map<string, string>();

  constructor(
    readonly side: TakeSide,
    private readonly files: SyncPage,
    private readonly prefer: Prefer | undefined,
  ) {
    this.report = {
      ...{ file: files.css, state: 'in-step', revision: null, message: '', needs: [], diff: '' },
      changedAt: null,
    };
  }

  /** Texts of all files that somebody may edit. */
  texts(): string {
    const { css, document, module } = this.files;
    return [css, document, module, ...listHtml(this.files)]
      .map((p) => (p === undefined ? '' : readFile(p)))
      .join('\0');
  }

  /** Tells the workbench that this still runs, and how both stand. */
  async tell(change: Partial<SyncReport> = {}): Promise<void> {
    if (this.patches.size) {
      // Code comes before the document, which says the same at greater length.
      const { document = '' } = this.files;
      const patches = [...this.patches].sort(([a], [b]) => Number(a === document) - Number(b === document));
      change.diff = patches
        .map(([, patch]) => patch)
        .join('')
        .slice(0, MAX_DIFF);
      change.changedAt = new Date().toISOString();
      this.patches.clear();
    }
    this.report = { ...this.report, ...change };
    await this.side.tell(this.report);
  }

  /** Says a sentence once, until another page of facts makes it news. */
  private say(text: string): void {
    if (!this.said.has(text)) note(`${new Date().toTimeString().slice(0, 8)}  ${text}`);
    this.said.add(text);
  }

  private put(path: string, after: string): void {
    const before = readFile(path);
    if (before === after) return;
    replaceFile(path, after);
    this.patches.set(path, patchText(path, before, after));
    this.said.clear();
  }

  private async wait(state: 'conflict' | 'broken', message: string, said = message): Promise<Look> {
    await this.tell({ state, message });
    this.say(said);
    return 'waiting';
  }

  private conflict(names: readonly string[]): Promise<Look> {
    const list = names.join(', ');
    return this.wait(
      'conflict',
      list,
      `Changed here and in Lyvek: ${list}. Nothing is written until one side is undone; or run it with --prefer file, or --prefer take.`,
    );
  }

  async look(): Promise<Look> {
    try {
      return await this.lookAtBoth();
    } catch (error) {
      if (!(error instanceof BadInput)) throw error;
      return this.wait('broken', error.text);
    }
  }

  private async lookAtBoth(): Promise<Look> {
    const { css, document: path } = this.files;
    const texts = this.texts();
    const take = await this.side.read();
    const file = readFile(css);
    const block = findBlock(file, this.side.page);
    const written = block && !('broken' in block) ? block : null;
    const earlier = written && (await this.side.revision(written.revision, take.revision));
    const base = earlier && written.source === documentMark(earlier) ? earlier : null;
    const source = path !== undefined && readFile(path) !== '' ? readDocumentFile(path) : null;
    if (path !== undefined) {
      const known = written?.source ?? null;
      const step = sourceStep({ source, take: take.document, known, base, prefer: this.prefer });
      if (step.kind === 'conflict') return this.conflict(step.names);
      if (step.kind === 'open') {
        const saved = await this.side.save(take.revision, step.document, `document ${basename(path)}`);
        if (saved !== null) this.say(`Opened ${path}, revision ${saved}.`);
        return 'again';
      }
    }
    const [own, ...others] = withoutOwnNames(await this.side.layouts(take.document), written?.body ?? '');
    const html = lookAtHtml(listHtml(this.files), take.document, own, base);
    const step = await syncStep({
      ...{ name: this.side.page, file, take, prefer: this.prefer, source },
      at: (number) => this.side.revision(number, take.revision),
      write: (document) => handOffCss(document, own, '', others).css,
      page: { layout: own, ...(html.html === undefined ? {} : { html: html.html }) },
    });
    if (step.kind === 'conflict') return this.conflict(step.names);
    if (step.kind === 'broken') return this.wait('broken', `${css}: ${step.message}`);
    // Somebody may have saved one of the files since they were read: then the next look says what that changes.
    const isSame = () => this.texts() === texts;
    if (step.kind === 'edit') return this.saveEdit(take, step, isSame);
    if (!isSame()) return 'again';
    return this.write(take, step.kind === 'write' ? step.file : null, html, [own, ...others]);
  }

  /** What was edited in the style sheet becomes a revision; the document’s file says it before the style sheet does. */
  private async saveEdit(
    take: Revision,
    step: Extract<SyncStep, { kind: 'edit' }>,
    isSame: () => boolean,
  ): Promise<Look> {
    const { css, document: path } = this.files;
    const saved = await this.side.save(take.revision, step.document, `edit in ${basename(css)}`);
    if (saved === null || !isSame()) return 'again';
    if (path !== undefined) this.put(path, documentText(step.document));
    this.put(css, step.fileAt(saved));
    const left = step.unsupported.flatMap((u) => (u.reason ? [u.reason] : []));
    const names = step.document.motions.filter((m) => step.changed.includes(m.id)).map((m) => m.name);
    this.say(`Read ${css} back, revision ${saved}: ${names.join(', ') || 'declarations'}.`);
    for (const reason of left) this.say(`Left in ${css}, behind the block: ${reason}.`);
    await this.tell({
      ...{ state: 'in-step', revision: saved },
      message: left.length ? `Left behind the block: ${left.join('; ')}.` : '',
    });
    return 'again';
  }

  /** `file`: the style sheet, where it is to be another. */
  private async write(
    take: Revision,
    file: string | null,
    html: ReturnType<typeof lookAtHtml>,
    [own, ...others]: [Layout, ...Layout[]],
  ): Promise<Look> {
    const { css, document: path, module } = this.files;
    const { plan } = handOffCss(take.document, own, '', others);
    const script = lookAtModule(module, this.side.page, { plan, ...take });
    if (path !== undefined) this.put(path, documentText(take.document));
    for (const [of, text] of [...html.changed, ...script.changed]) this.put(of, text);
    if (file !== null) this.put(css, file);
    if (this.patches.size) this.say(`Wrote ${css}, revision ${take.revision}.`);
    else if (this.report.revision !== take.revision)
      this.say(`${css} is in step with revision ${take.revision}.`);
    const notes = [...html.notes, ...script.notes];
    for (const n of notes) this.say(`${n}.`);
    for (const n of html.needs) this.say(`${n.file}: ${n.why}\n${indented(n)}`);
    const before = this.report.revision === take.revision ? this.report.message : '';
    await this.tell({
      ...{ state: 'in-step', revision: take.revision, needs: html.needs },
      message: notes.length ? `${notes.join('. ')}.` : before,
    });
    return { revision: take.revision };
  }
}

/** A page that is measured with the written code in it has its names, which are free for what is written next. */
function withoutOwnNames(layouts: [Layout, ...Layout[]], body: string): [Layout, ...Layout[]] {
  const own = new Set([...body.matchAll(/@keyframes\s+([^\s{]+)/g)].map((m) => m[1]));
  return layouts.map((l) => ({
    ...l,
    keyframeNames: l.keyframeNames?.filter((name) => !own.has(name)),
  })) as [Layout, ...Layout[]];
}

const documentText = (document: MotionDocument): string => `${JSON.stringify(document, null, 2)}\n`;
const indented = ({ code }: Need): string => code.replace(/^/gm, '    ');
