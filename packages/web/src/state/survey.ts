/** Measures a page at the sizes that a sweep needs, one after another. Whoever has the page in a frame brings the layouts. Framework-free. */
import { createStore } from 'zustand/vanilla';
import { LayoutField } from '@lyvek/core';
import type { Layout, Viewport } from '@lyvek/core';

export interface SurveyState {
  /** the size that is being measured; null: none is */
  wanted: Viewport | null;
  /** those that were measured when it last ended */
  layouts: readonly Layout[];
  /** share of the sizes that are known */
  done: number;
}

const NONE: SurveyState = { wanted: null, layouts: [], done: 0 };

export class Survey {
  readonly store = createStore<SurveyState>(() => NONE);
  private field = new LayoutField();
  private shape: string | null = null;

  /** `shape`: what the page looks like without its motions. Layouts of another one are let go. */
  begin(shape: string): void {
    if (shape !== this.shape) {
      this.field = new LayoutField();
      this.store.setState({ layouts: [] });
    }
    this.shape = shape;
    this.tell(this.field.next());
  }

  /** False for a layout of a size that is not wanted: it says nothing. */
  put(layout: Layout): boolean {
    const { wanted } = this.store.getState();
    const { width, height } = layout.viewport;
    if (wanted?.width !== width || wanted.height !== height) return false;
    this.field.put(layout);
    this.tell(this.field.next());
    return true;
  }

  /** Stops; what was measured stays. */
  end(): void {
    this.tell(null);
  }

  /** Whether what was measured is of a page that looks like this. */
  isOf(shape: string): boolean {
    return this.shape === shape;
  }

  private tell(wanted: Viewport | null): void {
    const { layouts } = this.field;
    this.store.setState({ wanted, done: this.field.done, ...(wanted ? {} : { layouts }) });
  }
}
