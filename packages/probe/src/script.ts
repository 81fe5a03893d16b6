/** The hand-off’s own script, playing in the preview. */
import type { Plan } from '@lyvek/core';
import { EMPTY_PLAN } from '@lyvek/core/empty-plan';
import { play } from '@lyvek/runtime';

export class Script {
  private plan: Plan = EMPTY_PLAN;
  private text = '';
  private stop: (() => void) | null = null;

  /** Brings what plays to this plan. `again`: the CSS animations that it takes over have been written anew. */
  play(plan: Plan, again: boolean): void {
    const text = JSON.stringify(plan);
    if (text === this.text && !again) return;
    this.plan = plan;
    this.text = text;
    this.again();
  }

  again(): void {
    this.rest();
    this.stop = play(document, this.plan);
  }

  /** The page without it, as when it is measured. */
  rest(): void {
    this.stop?.();
    this.stop = null;
  }
}
