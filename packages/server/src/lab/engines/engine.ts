/** A browser that a finished page can be looked at in: one page at a time, from its files, with no way out. */
import type { EngineName, Viewport } from '@lyvek/core';
import type { PageFiles } from '../page-files.ts';

export interface EnginePage {
  /** Runs a script in the page, whose value nobody asks for. */
  run(script: string): Promise<void>;
  /** The value of an expression in the page, awaited, by way of JSON. */
  evaluate(expression: string): Promise<unknown>;
  setViewportSize(size: Viewport): Promise<void>;
  close(): Promise<void>;
}

export interface EngineOpening {
  viewport: Viewport;
}

export interface StartedEngine {
  /** `Firefox 153.8.0` */
  version: string;
  /** px of scroll within which it may show what lies beside */
  cut: number;
  open(files: PageFiles, how: EngineOpening): Promise<EnginePage>;
}

export interface Engine {
  name: EngineName;
  /** for people */
  label: string;
  /** null where it is installed, else what to do */
  missing(): string | null;
  /** Starts it for some work, and ends it whatever happens. */
  use<T>(work: (engine: StartedEngine) => Promise<T>, signal?: AbortSignal): Promise<T>;
}

/** `use` from what starts a browser and what ends it: it is ended at once where the work is given up. */
export const using =
  (start: () => Promise<StartedEngine & { close(): Promise<void>; kill(): void }>): Engine['use'] =>
  async (work, signal) => {
    signal?.throwIfAborted();
    const started = await start();
    const stop = () => started.kill();
    signal?.addEventListener('abort', stop);
    try {
      signal?.throwIfAborted();
      return await work(started);
    } catch (error) {
      // Ending the browser makes whatever was under way fail in its own words.
      signal?.throwIfAborted();
      throw error;
    } finally {
      signal?.removeEventListener('abort', stop);
      await started.close().catch(() => started.kill());
    }
  };
