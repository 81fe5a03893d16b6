/**
 * A previewed page as the workbench sees it: what it is measured as, where it stands, what it is given to wear. Framework-free; React subscribes to
 * the store. What it says comes over its line.
 */
import { createStore } from 'zustand/vanilla';
import type {
  DrawnPath,
  HtmlPatch,
  Layout,
  MeasureRequest,
  Piece,
  Plan,
  Ridden,
  RidePath,
  Viewport,
} from '@lyvek/core';
import { MEASURE_NOTHING } from '@lyvek/core';
import type { FromProbe, ToProbe } from '@lyvek/probe';
import type { LivePairing, Refusal } from './live-greeting.ts';
import { PageLine } from './page-line.ts';
import type { Trouble } from './page-line.ts';
import { SentDress } from './sent-dress.ts';
import type { Dress } from './sent-dress.ts';

export type LinkState = 'loading' | 'ready' | 'hung' | 'lost';

export interface PageView {
  link: LinkState;
  /** its document has begun to run */
  greeted: boolean;
  /** the page's load event never came */
  late: boolean;
  layout: Layout | null;
  /** where the page really stands, px */
  offset: { x: number; y: number };
  hovered: number;
  /** what a selector that is being typed matches */
  found: Found | null;
  /** why a page under development was not let in */
  refused: Refusal | null;
  /** hosts whose files the page asked for in vain */
  blocked: readonly string[];
  /** what the page does that keeps people from working */
  trouble: Trouble | null;
}

type Answer = Extract<FromProbe, { type: 'counted' | 'drawn' }>;
interface Question {
  wants: Answer['type'];
  done(answer: Answer): void;
}
export type Counted = Pick<Extract<FromProbe, { type: 'counted' }>, 'count' | 'width' | 'height'>;
export type Found = Omit<Extract<FromProbe, { type: 'found' }>, 'type'>;

export interface LinkEvents {
  picked(element: number, additive: boolean, aside: boolean): void;
  zoom(delta: number): void;
  layout(layout: Layout): void;
}

/** A series of changes of the page is measured once, ms. */
const REST_MS = 60;

export class PageLink {
  readonly store = createStore<PageView>(() => ({
    link: 'loading',
    greeted: false,
    late: false,
    layout: null,
    offset: { x: 0, y: 0 },
    hovered: -1,
    found: null,
    refused: null,
    trouble: null,
    blocked: [],
  }));
  private looking: string | null = null;
  private readonly line = new PageLine({
    greeted: () => this.store.setState({ greeted: true }),
    opened: () => {
      this.sent.clear();
      this.store.setState({ link: 'loading', refused: null, trouble: null, blocked: [] });
    },
    message: (m) => this.take(m),
    refused: (refused) => this.store.setState({ refused }),
    trouble: (trouble) => this.store.setState({ trouble }),
    silent: (open) => {
      const { link } = this.store.getState();
      if (open && link === 'ready') this.store.setState({ link: 'hung' });
      if (!open) this.store.setState({ link: 'lost' });
    },
  });
  private seq = 0;
  private wanted: { x: number; y: number } | null = null;
  /** where the page was told to stand, until somebody scrolls it; a page that is still too short gets there once it has grown */
  private aim: { x: number; y: number } | null = null;
  private landed = -1;
  private readonly sent = new SentDress();
  private queue: ToProbe[] = [];
  private asked = 0;
  /** what the page was asked, until it answers */
  private readonly questions = new Map<number, Question>();
  private rode: ((ridden: Ridden) => void) | null = null;
  private request: () => MeasureRequest = () => MEASURE_NOTHING;
  /** what changed the page itself when it was last measured */
  private measuredIn: string | null = null;
  private trying = false;
  private owed = false;
  private soon: ReturnType<typeof setTimeout> | null = null;
  private dress: () => Dress | null = () => null;
  private readonly listeners: { [K in keyof LinkEvents]: Set<LinkEvents[K]> } = {
    picked: new Set(),
    zoom: new Set(),
    layout: new Set(),
  };

  private readonly measures: boolean;

  /** `measures: false`: the page is only shown, its layout is known from elsewhere. */
  constructor({ measures = true } = {}) {
    this.measures = measures;
  }

  /** Hears what the page says from now on. Returns what ends that. */
  on<K extends keyof LinkEvents>(type: K, hear: LinkEvents[K]): () => void {
    this.listeners[type].add(hear);
    return () => void this.listeners[type].delete(hear);
  }

  /** Waits for the probe of this frame. Returns what undoes it. */
  attach(
    frame: HTMLIFrameElement,
    request: () => MeasureRequest,
    live: LivePairing | null = null,
  ): () => void {
    this.request = request;
    this.measuredIn = null;
    this.store.setState({ greeted: false });
    const detach = this.line.attach(frame, live);
    return () => {
      detach();
      if (this.soon) clearTimeout(this.soon);
    };
  }

  private take(message: FromProbe): void {
    if (this.store.getState().link === 'hung') this.store.setState({ link: 'ready' });
    switch (message.type) {
      case 'ready':
        this.store.setState({ late: message.late });
        for (const m of this.queue.splice(0)) this.line.say(m);
        if (this.measures) {
          // Pins and adjustments make the page what it is: they are there before it is measured.
          const dress = this.dress();
          if (dress) this.style(dress.pieces, dress.patch, dress.plan);
          this.measure();
        } else this.store.setState({ link: 'ready' });
        // A page that was open before comes back at its place.
        return this.say({ type: 'scroll', seq: ++this.seq, ...this.store.getState().offset });
      case 'resized':
        return this.measures ? this.measureSoon() : undefined;
      case 'layout':
        this.store.setState({ layout: message.layout, link: 'ready' });
        this.aimAgain();
        return this.listeners.layout.forEach((hear) => hear(message.layout));
      case 'scrolled':
        // An echo of an older command would pull the playhead back while it is being dragged.
        if (message.seq < this.seq) return;
        this.wanted = null;
        // The first word after a command is its answer; what moves after that is a hand.
        if (this.landed === message.seq && this.isElsewhere(message)) this.aim = null;
        this.landed = message.seq;
        return this.store.setState({ offset: { x: message.x, y: message.y } });
      case 'hover':
        return this.store.setState({ hovered: message.element });
      case 'found': {
        const { type: _, ...found } = message;
        // An answer to an older question says nothing.
        if (found.selector === this.looking) this.store.setState({ found });
        return;
      }
      case 'picked':
        // A page can say so without anybody having clicked in it.
        return this.line.whenTouched(() =>
          this.listeners.picked.forEach((hear) => hear(message.element, message.additive, message.aside)),
        );
      case 'blocked':
        return this.store.setState({ blocked: message.hosts });
      case 'zoom':
        return this.listeners.zoom.forEach((hear) => hear(message.delta));
      case 'counted':
      case 'drawn': {
        const asked = this.questions.get(message.id);
        if (asked?.wants !== message.type) return;
        this.questions.delete(message.id);
        return asked.done(message);
      }
      case 'rode':
        return this.rode?.(message.ridden);
      case 'styled':
      case 'looked':
      case 'pong':
      case 'failed':
        return;
    }
  }

  private say(message: ToProbe): void {
    if (!this.line.say(message) && message.type === 'scale') this.queue.push(message);
  }

  /** What the page gets before it is measured for the first time: only what stays while it is measured is needed of it. */
  wear(dress: () => Dress | null): void {
    this.dress = dress;
  }

  /** While something is tried, the page is not measured: what is tried is not yet so. */
  try(on: boolean): void {
    this.trying = on;
    if (!on && (this.owed || this.isOutgrown())) this.measureSoon();
  }

  /** `at`: once its frame has this size. */
  measure(at?: Viewport): void {
    this.owed = this.trying;
    if (this.trying) return;
    this.measuredIn = this.sent.worn;
    this.say({ type: 'measure', id: 0, request: this.request(), ...(at ? { at } : {}) });
  }

  /** Pins or adjustments are others than those that it was measured in. */
  private isOutgrown(): boolean {
    return this.measures && this.measuredIn !== null && this.measuredIn !== this.sent.worn;
  }

  private measureSoon(): void {
    if (this.soon) clearTimeout(this.soon);
    this.soon = setTimeout(() => this.measure(), REST_MS);
  }

  /** Scrolls the page; the playhead follows at once, the page's own answer is the truth. */
  scrollTo(y: number, x = this.store.getState().offset.x): void {
    const at = { x, y: Math.max(0, y) };
    if (this.wanted?.y === at.y && this.wanted.x === at.x) return;
    this.wanted = at;
    this.aim = at;
    this.store.setState({ offset: at });
    this.say({ type: 'scroll', seq: ++this.seq, ...at });
  }

  private isElsewhere({ x, y }: { x: number; y: number }): boolean {
    const { offset } = this.store.getState();
    return Math.abs(offset.x - x) > 1 || Math.abs(offset.y - y) > 1;
  }

  /** Pins make a page longer: where it could not go before, it can now. */
  private aimAgain(): void {
    if (this.aim && this.isElsewhere(this.aim)) this.say({ type: 'scroll', seq: ++this.seq, ...this.aim });
  }

  /** Sets timed motions to a time and lets them run, or gives them back to their trigger (null). */
  time(motions: readonly string[], at: number | null, rate: number, run: boolean): void {
    this.say({ type: 'time', names: this.sent.listNames(motions), at, rate, run });
  }

  /** Holds a custom property of elements at a value without scrolling; null lets go. */
  hold(selector: string, property: string, value: string | null): void {
    this.say({ type: 'hold', selector, property, value });
  }

  /** The page’s pointer at shares of its viewport, as if it were there; null: it has left. */
  point(at: { x: number; y: number } | null): void {
    this.say({ type: 'point', at });
  }

  /** Asks what a selector matches; null ends the question. */
  find(selector: string | null, element: number): void {
    this.looking = selector;
    if (selector === null) return this.store.setState({ found: null });
    this.say({ type: 'find', selector, element });
  }

  private ask<W extends Answer['type']>(
    wants: W,
    question: (id: number) => ToProbe,
  ): Promise<Extract<Answer, { type: W }>> {
    return new Promise((done) => {
      const id = ++this.asked;
      this.questions.set(id, { wants, done: done as Question['done'] });
      this.say(question(id));
    });
  }

  /** How many pictures of a sequence the page can load. */
  countPictures = (files: string): Promise<Counted> =>
    this.ask('counted', (id) => ({ type: 'count', id, files }));

  /** Where a line of a drawing runs on the page; null where the selector finds none. */
  readDrawnPath = async (selector: string): Promise<DrawnPath | null> =>
    (await this.ask('drawn', (id) => ({ type: 'draw', id, selector }))).path;

  /** Scrolls the page along a path and tells how its frames went; the link hears nothing else of it meanwhile. */
  ride(path: RidePath, rest: number): Promise<Ridden> {
    return new Promise((done) => {
      this.rode = done;
      this.say({ type: 'ride', id: ++this.seq, path, rest });
    });
  }

  /** Shows which element is meant, as if the pointer were over it; −1: none. */
  hint(element: number): void {
    this.store.setState({ hovered: element });
  }

  /** Lets the page have its own clicks and keys, or picks in it again. */
  use(on: boolean): void {
    this.line.used = on;
    this.say({ type: 'use', on });
  }

  setScale(scale: number): void {
    this.say({ type: 'scale', scale });
  }

  /** Brings the page's motions, and the HTML that its pins need, to these, sending only what has changed. `written` as `SentDress` has it. */
  style(
    pieces: readonly Piece[],
    patch: HtmlPatch,
    plan: Plan,
    written: readonly string[] | null = null,
  ): void {
    const message = this.sent.send({ pieces, patch, plan }, written);
    if (!message) return;
    if (!this.trying && this.isOutgrown()) this.measureSoon();
    this.say(message);
    this.aimAgain();
  }
}
