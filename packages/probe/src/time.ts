/** Timed parts under the workbench’s hand: set to a time, run at a speed, or given back to their triggers. */
import type { ToProbe } from './protocol.ts';
import { movedBy, restart } from '@lyvek/runtime/restart';

export function playTime({ names, at, rate, run }: Extract<ToProbe, { type: 'time' }>): void {
  const animations = document
    .getAnimations()
    .filter((a) => names.includes(a instanceof CSSAnimation ? a.animationName : a.id));
  // An animation then stands where its trigger has it.
  if (at === null) {
    for (const a of animations)
      if (!(a instanceof CSSAnimation)) {
        a.pause();
        a.playbackRate = 1;
        a.currentTime = 0;
      }
    return restart(document, animations.filter((a) => a instanceof CSSAnimation).flatMap(movedBy));
  }
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
