/** Timed parts under the workbench’s hand: set to a time, run at a speed, or given back to their triggers. */
import type { ToProbe } from './protocol.ts';
import { readStyle } from './dom.ts';

export function playTime({ names, at, rate, run }: Extract<ToProbe, { type: 'time' }>): void {
  const animations = document
    .getAnimations()
    .filter((a): a is CSSAnimation => a instanceof CSSAnimation && names.includes(a.animationName));
  if (at === null) return giveBack(animations);
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

/** Taken off and put on again, an animation stands where its trigger has it. */
function giveBack(animations: readonly CSSAnimation[]): void {
  const elements = new Set(
    animations.flatMap((a) => {
      const target = (a.effect as KeyframeEffect | null)?.target;
      return target instanceof HTMLElement || target instanceof SVGElement ? [target] : [];
    }),
  );
  for (const e of elements) {
    const was = e.style.animation;
    e.style.animation = 'none';
    void readStyle(e).animationName;
    e.style.animation = was;
    if (e.getAttribute('style') === '') e.removeAttribute('style');
  }
}
