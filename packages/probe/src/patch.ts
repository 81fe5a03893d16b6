/** Pins and adjustments need a little HTML. Here it is put into the live page, and taken out again, as the hand-off puts it into the source. */
import type { HtmlPatch, Layout } from '@lyvek/core';
import { MARK, toMark } from '@lyvek/core/marks';
import { splitHost, splitPart } from '@lyvek/core/part';
import { browserClock, playTexts } from '@lyvek/runtime';
import { askRules, moveRules } from './moved-rules.ts';
import { isSteady, matches } from './page-rules.ts';
import type { KeptRule, PageRule } from './page-rules.ts';
import { trackRules } from './track-rules.ts';
import type { Wrapped } from './track-rules.ts';
import { hasShares } from './viewport-heights.ts';
import { all, draws, readStyle } from './dom.ts';

type Pins = NonNullable<Layout['pins']>;

export class Patch {
  private now: HtmlPatch = { wraps: [], attributes: [], splits: [], selectors: [], missed: [], gained: [] };
  private text = '';
  private tracks: { id: string; track: Element; stage: Element }[] = [];
  private undo: (() => void)[] = [];
  /** selectors whose elements carry a mark */
  marked: string[] = [];
  /** rules of the page that would miss their elements, and what the wrappers need of them */
  kept: KeptRule[] = [];
  /** the page’s own, as far as they have been read */
  pageRules: readonly PageRule[] = [];
  private readonly own: boolean;

  /** `own`: a page under development builds its own elements, so tracks are only used where it has them. */
  constructor({ own = false }: { own?: boolean } = {}) {
    this.own = own;
  }

  /** The page’s own rules, once they have been read. Returns whether they matter to what is measured. */
  learn(rules: PageRule[]): boolean {
    this.pageRules = rules;
    if (this.tracks.length) this.redo();
    return this.tracks.length > 0 || rules.some(hasShares);
  }

  apply(patch: HtmlPatch): void {
    const text = JSON.stringify(patch);
    if (text === this.text) return;
    this.text = text;
    this.now = patch;
    this.redo();
  }

  /** A page under development builds its elements when it likes, also after the patch has come. Whether anything was put in place anew. */
  refresh(): boolean {
    if (!this.own || !this.isOutdated()) return false;
    this.redo();
    return true;
  }

  private isOutdated(): boolean {
    const { wraps, attributes, selectors } = this.now;
    const marked = selectors.filter(hasMark);
    if (marked.join('\n') !== this.marked.join('\n')) return true;
    const tracks = wraps.flatMap((w) => {
      const track = this.seek(w.selector)[0]?.parentElement;
      return track?.classList.contains(w.className) ? [track] : [];
    });
    if (tracks.length !== this.tracks.length || tracks.some((t) => !this.isTrack(t))) return true;
    return attributes.some(({ selector, name }) => find(selector).some((e) => !e.hasAttribute(name)));
  }

  private redo(): void {
    this.undo.reverse().forEach((u) => u());
    this.undo = [];
    this.tracks = [];
    this.marked = [];
    this.kept = [];
    const { wraps, attributes, splits, selectors } = this.now;
    if (wraps.length === 0 && attributes.length === 0 && splits.length === 0) return;
    const rules = wraps.length ? this.pageRules : [];
    // In a page of its own the developer has put them there.
    if (this.own) this.marked = selectors.filter(hasMark);
    const before = new Map(selectors.map((s) => [s, this.seek(s)]));
    const ofRules = askRules(rules);
    for (const { selector, name, value } of attributes)
      for (const e of find(selector)) {
        if (e.hasAttribute(name)) continue;
        e.setAttribute(name, value);
        this.undo.push(() => e.removeAttribute(name));
      }
    const stages = wraps.flatMap((w) => {
      const stage = this.seek(w.selector)[0];
      if (!stage?.parentElement || stage === document.body) return [];
      return [{ ...w, stage, placedBy: new Set(rules.filter((r) => matches(stage, r.selector))) }];
    });
    const wrapped = stages.flatMap(({ id, stage, className, anchors, placedBy }): Wrapped[] => {
      const track = this.wrap(id, stage, className, anchors);
      return track ? [{ id, track, stage, placedBy }] : [];
    });
    for (const [selector, elements] of this.own ? [] : before) {
      const after = new Set(find(selector));
      if (after.size === elements.length && elements.every((e) => after.has(e))) continue;
      this.marked.push(selector);
      for (const e of elements) this.mark(e, toMark(selector));
    }
    const made = new Set(
      wrapped.flatMap(({ track, stage }) => [track, ...track.children].filter((e) => e !== stage)),
    );
    const moved = moveRules(rules, ofRules, made);
    for (const [e, name] of moved.marks) this.mark(e, name);
    if (splits.length) {
      const plans = splits.map((s) => ({ ...s, selector: this.written(s.selector) }));
      this.undo.push(playTexts(document, plans, browserClock));
    }
    this.kept = [...wrapped.flatMap((w) => trackRules(w, rules)), ...moved.kept];
  }

  private seek(selector: string): Element[] {
    return find(this.written(selector));
  }

  /** A selector as it is written while wrappers are there; for the parts of a text, that of the text. */
  private written(selector: string): string {
    const host = splitHost(selector);
    return this.marked.includes(host) ? byMark(host) + selector.slice(host.length) : selector;
  }

  private mark(e: Element, name: string): void {
    const was = e.getAttribute(MARK);
    e.setAttribute(MARK, `${was ? `${was} ` : ''}${name}`);
    this.undo.push(() => (was === null ? e.removeAttribute(MARK) : e.setAttribute(MARK, was)));
  }

  /** The wrapper that was made; none where the page has its own. */
  private wrap(
    id: string,
    stage: Element,
    className: string,
    anchors: HtmlPatch['wraps'][number]['anchors'],
  ): Element | null {
    if (this.own) {
      // Wrapping what a framework has made would break it as soon as it takes that out again.
      const track = stage.parentElement!;
      if (track.classList.contains(className)) this.tracks.push({ id, track, stage });
      return null;
    }
    const track = document.createElement('div');
    track.className = className;
    for (const anchor of anchors) track.append(Object.assign(document.createElement('i'), anchor));
    stage.parentNode!.insertBefore(track, stage);
    move(track, stage, null);
    this.tracks.push({ id, track, stage });
    this.undo.push(() => {
      if (stage.parentNode === track) move(track.parentNode!, stage, track);
      track.remove();
    });
    return track;
  }

  /** Classes of wrappers, by pin. */
  get classes(): ReadonlyMap<string, string> {
    return new Map(this.now.wraps.map((w) => [w.id, w.className]));
  }

  /** What selectors mean in the page as it was brought; of a pseudo-element those elements that draw it. */
  resolve(selectors: readonly string[]): Map<string, Element[] | null> {
    const missing = selectors
      .map((s) => splitHost(splitPart(s)[0]))
      .filter((s) => !isSteady(s) && !this.now.selectors.includes(s));
    if (this.tracks.length && missing.length) {
      this.now = { ...this.now, selectors: [...new Set([...this.now.selectors, ...missing])] };
      this.redo();
    }
    return new Map(
      selectors.map((s) => {
        const [host, part] = splitPart(s);
        try {
          const found = all(this.written(host));
          return [s, part ? found.filter((e) => draws(e, part)) : found];
        } catch {
          return [s, null];
        }
      }),
    );
  }

  isTrack = (e: Element): boolean => this.tracks.some((t) => t.track === e);

  /** Pins in place, and how far each holds: the length of the empty part of its track. */
  pins(indexOf: ReadonlyMap<Element, number>): Pins {
    const out: Pins = [];
    for (const { id, track, stage } of this.tracks) {
      const element = indexOf.get(stage);
      const length = (pseudo: string) => parseFloat(readStyle(track, pseudo).height);
      const [after, before] = [length('::after'), length('::before')];
      if (element === undefined) continue;
      if (after > 0) out.push({ id, element, by: 'top', distance: after });
      else if (before > 0) out.push({ id, element, by: 'bottom', distance: before });
    }
    return out;
  }
}

const byMark = (selector: string): string => `[${MARK}~="${toMark(selector)}"]`;
const hasMark = (selector: string): boolean => find(byMark(selector)).length > 0;

function find(selector: string): Element[] {
  try {
    return all(selector);
  } catch {
    return [];
  }
}

/** Moves a node, keeping its state where the browser can: frames stay loaded, animations go on. */
function move(to: ParentNode, node: Element, before: Node | null): void {
  const parent = to as ParentNode & { moveBefore?(node: Node, before: Node | null): void };
  if (parent.moveBefore && node.isConnected && (to as Node).isConnected) parent.moveBefore(node, before);
  else to.insertBefore(node, before);
}
