/** Plays the parts of a trigger without scrolling away: a clock here, and the same time told to the page. Framework-free. */
import { createStore } from 'zustand/vanilla';
import type { PageLink } from '../../../preview/page-link.ts';

export const SPEEDS = [0.1, 0.25, 0.5, 1, 2, 4, 8] as const;

export interface PlayerState {
  /** ms since the trigger was passed; null: the page’s own scroll decides */
  at: number | null;
  playing: boolean;
  speed: number;
}

export class TimePlayer {
  readonly store = createStore<PlayerState>(() => ({ at: null, playing: false, speed: 1 }));
  private readonly link: PageLink;
  private motions: readonly string[] = [];
  private frame = 0;

  constructor(link: PageLink) {
    this.link = link;
  }

  /** Plays these motions from now on. Returns what gives them back to their trigger. */
  of(motions: readonly string[]): () => void {
    this.motions = motions;
    return () => this.release();
  }

  play(length: number): void {
    cancelAnimationFrame(this.frame);
    const { speed } = this.store.getState();
    const began = performance.now();
    this.link.time(this.motions, 0, speed, true);
    const step = () => {
      const at = Math.min(length, (performance.now() - began) * speed);
      this.store.setState({ at, playing: at < length });
      if (at < length) this.frame = requestAnimationFrame(step);
    };
    step();
  }

  seek(at: number): void {
    cancelAnimationFrame(this.frame);
    this.store.setState({ at, playing: false });
    this.link.time(this.motions, at, 1, false);
  }

  setSpeed(speed: number): void {
    this.store.setState({ speed });
  }

  release(): void {
    cancelAnimationFrame(this.frame);
    if (this.store.getState().at !== null) this.link.time(this.motions, null, 1, false);
    this.store.setState({ at: null, playing: false });
  }
}
