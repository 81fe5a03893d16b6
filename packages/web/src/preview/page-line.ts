/**
 * The line to the probe in a previewed page. Everything that comes from there is hostile until its shape, size and rate have been checked: the
 * page shares the probe’s realm and may speak in its name.
 */
import { allWellFormed, MAX_ELEMENTS } from '@lyvek/core';
import { FromProbe, HELLO } from '@lyvek/probe';
import type { ToProbe } from '@lyvek/probe';
import { keepFocus } from '../ui/keep-focus.ts';
import { greetLive } from './live-greeting.ts';
import type { LivePairing, Refusal } from './live-greeting.ts';

/** It says more than anybody can read, or it takes the keyboard again and again. */
export type Trouble = 'flood' | 'focus';

export interface LineEvents {
  /** somebody is at that address; its document may still be on its way */
  greeted(): void;
  /** a document has been let in; what the one before was told is gone */
  opened(): void;
  message(message: FromProbe): void;
  refused(why: Refusal): void;
  trouble(what: Trouble): void;
  /** nothing has been heard for too long; `open`: although there is somebody to hear */
  silent(open: boolean): void;
}

const MAX_MESSAGES_PER_SECOND = 600;
/** Layouts that may be asked for before the first of them has come. */
const MAX_REQUESTED = 20;
/** Seconds in a row with more than that, after which the line is cut. */
const MAX_FLOODS = 3;
/** How much later than the page’s own word the browser’s word of a press in it may come. */
const PRESS_LATER_MS = 250;
/** Between two keys of somebody who types. */
const TYPING_MS = 700;
const DONE = new Set(['Enter', 'Escape', 'Tab']);
const HEARTBEAT_MS = 1000;
const HEARD_TIMEOUT_MS = 4500;
/** A page that has not said hello by then is not waited for any longer without a word. */
const OPEN_TIMEOUT_MS = 10_000;

const isOversized = (data: unknown): boolean => {
  const layout = (data as { layout?: { elements?: unknown } } | null)?.layout;
  return Array.isArray(layout?.elements) && layout.elements.length > MAX_ELEMENTS;
};

const isField = (e: Element | null) => e?.matches('input, textarea, [contenteditable]') ?? false;

export class PageLine {
  /** the page has its own clicks and keys */
  used = false;
  private port: MessagePort | null = null;
  /** when a key was pressed in the workbench */
  private typed = -Infinity;
  /** asked for by a document that is there while the line is still open to another */
  private waiting: (() => void) | null = null;
  private heard = 0;
  private count = 0;
  /** layouts that were asked for and have not come */
  private asked = 0;
  private floods = 0;
  /** nobody is let in any more until the page is opened anew */
  private cut = false;
  private readonly events: LineEvents;

  constructor(events: LineEvents) {
    this.events = events;
  }

  /** Waits for the probe of this frame. Returns what undoes it. */
  attach(frame: HTMLIFrameElement, live: LivePairing | null): () => void {
    this.floods = 0;
    this.cut = false;
    let greeted = false;
    const greet = (e: MessageEvent) => {
      // Of a frame that has just been taken away both are null.
      if (!frame.contentWindow || e.source !== frame.contentWindow || e.data !== HELLO || this.cut) return;
      // Once a document: a page that says it again and again is not taken for one that answers.
      if (!greeted) {
        greeted = true;
        this.heard = performance.now();
        this.events.greeted();
      }
      if (this.port) this.waiting = () => this.offer(frame);
      else this.offer(frame);
    };
    const stop = live
      ? greetLive(frame, live, (port) => this.open(port), this.events.refused)
      : () => removeEventListener('message', greet);
    if (!live) addEventListener('message', greet);
    // With these the typing is over, and the next press may be in the page at once.
    const typing = ({ key }: KeyboardEvent) => (this.typed = DONE.has(key) ? -Infinity : performance.now());
    addEventListener('keydown', typing, true);
    this.heard = performance.now();
    const beat = setInterval(() => this.listenForLife(), HEARTBEAT_MS);
    const release = keepFocus(
      frame,
      () => this.used,
      () => this.events.trouble('focus'),
    );
    return () => {
      stop();
      release();
      clearInterval(beat);
      this.close();
      this.waiting = null;
      removeEventListener('keydown', typing, true);
    };
  }

  /** False where nobody is there to hear it. */
  say(message: ToProbe): boolean {
    if (message.type === 'measure') this.asked = Math.min(MAX_REQUESTED, this.asked + 1);
    this.port?.postMessage(message);
    return this.port !== null;
  }

  /**
   * Runs `then` where somebody has just pressed something (activation in a frame counts for the windows around it), and is not typing in the
   * workbench: only then can a click in the page be meant. The browser’s word of the press may come a little later than the page’s. A page
   * can still say it was clicked within seconds of a press elsewhere; it changes what is chosen by that, and nothing that is kept.
   */
  whenTouched(then: () => void): void {
    if (isField(document.activeElement) && performance.now() - this.typed < TYPING_MS) return;
    const until = performance.now() + PRESS_LATER_MS;
    const look = () => {
      if (globalThis.navigator?.userActivation?.isActive ?? true) then();
      else if (performance.now() < until) setTimeout(look, 10);
    };
    look();
  }

  /** The page can say hello in the probe’s name, so a port counts only once its other end has spoken. */
  private offer(frame: HTMLIFrameElement): void {
    const channel = new MessageChannel();
    channel.port1.onmessage = (e) => {
      // Of several that were offered the first one that speaks is the line; no other is heard.
      if (this.port || this.cut) return channel.port1.close();
      this.open(channel.port1);
      this.receive(e.data);
    };
    frame.contentWindow?.postMessage(HELLO, '*', [channel.port2]);
  }

  private open(port: MessagePort): void {
    this.close();
    this.port = port;
    this.asked = 0;
    port.onmessage = (e) => this.receive(e.data);
    // One greeting a document: the next one is answered once this document is gone and its end of the line with it.
    port.addEventListener('close', () => {
      if (this.port === port) this.letNext();
    });
    this.events.opened();
  }

  private letNext(): void {
    this.close();
    const next = this.waiting;
    this.waiting = null;
    next?.();
  }

  private close(): void {
    this.port?.close();
    this.port = null;
  }

  private listenForLife(): void {
    this.floods = this.count > MAX_MESSAGES_PER_SECOND ? this.floods + 1 : 0;
    this.count = 0;
    if (this.floods >= MAX_FLOODS) {
      this.cut = true;
      this.close();
      return this.events.trouble('flood');
    }
    if (document.hidden) {
      this.heard = performance.now();
      return;
    }
    const silence = performance.now() - this.heard;
    if (this.port) {
      this.say({ type: 'ping', id: 0 });
      // Where the browser does not tell that the other end is gone, its silence does.
      if (this.waiting && silence > 2 * HEARTBEAT_MS) return this.letNext();
      if (silence > HEARD_TIMEOUT_MS) this.events.silent(true);
    } else if (silence > OPEN_TIMEOUT_MS) this.events.silent(false);
  }

  private receive(data: unknown): void {
    // More than this in a second is not our probe speaking.
    if (++this.count > MAX_MESSAGES_PER_SECOND) return;
    // Layouts are large: one that nobody has asked for, or that is too large, is not even read.
    if ((data as { type?: unknown } | null)?.type === 'layout' && (this.asked-- <= 0 || isOversized(data))) {
      this.asked = Math.max(0, this.asked);
      return;
    }
    const parsed = FromProbe.safeParse(allWellFormed(data));
    if (!parsed.success) return;
    this.heard = performance.now();
    this.events.message(parsed.data);
  }
}
