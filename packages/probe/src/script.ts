/** The hand-off’s own script, playing in the preview. */
import type { Plan } from '@lyvek/core';
import { play } from '@lyvek/runtime';

export class Script {
  private plan: Plan = { follow: [], signals: [] };
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
    this.stop?.();
    const { follow, signals } = this.plan;
    this.stop = follow.length + signals.length ? play(document, this.plan) : null;
  }
}
