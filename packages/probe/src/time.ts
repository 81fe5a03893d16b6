/** Timed parts under the workbench’s hand: set to a time, run at a speed, or given back to their triggers. */
import type { ToProbe } from './protocol.ts';
import { movedBy, restart } from '@lyvek/runtime/restart';

export function playTime({ names, at, rate, run }: Extract<ToProbe, { type: 'time' }>): void {
  const animations = document
    .getAnimations()
    .filter((a): a is CSSAnimation => a instanceof CSSAnimation && names.includes(a.animationName));
  // An animation then stands where its trigger has it.
  if (at === null) return restart(document, animations.flatMap(movedBy));
  for (const a of animations) {
    a.playbackRate = rate;
    if (run) {
      a.currentTime = at;
      a.play();
    } else {
      a.pause();
      a.currentTime = at;
    }
  }
}
