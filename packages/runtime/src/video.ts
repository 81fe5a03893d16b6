/**
 * Videos whose time a motion sets, by a custom property that goes from 0, their start, to 1, their end. One picture is asked for at a time: the
 * next one, of wherever it is by then, when that has been shown.
 */
import type { Clock, VideoPlan } from './plan.ts';
import { watchNumbers } from './watch.ts';

/** Nearer than this, s, is the same picture. */
const SAME = 1 / 240;
/** Before the end, s: at the end itself some browsers show nothing. */
const END = 0.001;

/** Plays what is scrubbed below a root. Returns what stops it; the videos stay where they are. */
export function playVideos(root: Document | Element, plans: readonly VideoPlan[], clock: Clock): () => void {
  const shares = new Map<HTMLVideoElement, number>();
  const seek = (video: HTMLVideoElement) => {
    const share = shares.get(video);
    const { duration, seeking, currentTime } = video;
    // A stream without an end has no share of it.
    if (share === undefined || seeking || !(duration > 0) || duration === Infinity) return;
    const to = Math.min(Math.max(0, share) * duration, duration - END);
    if (Math.abs(currentTime - to) > SAME) video.currentTime = to;
  };
  const ready = (e: Event) => seek(e.currentTarget as HTMLVideoElement);
  const HEARD = ['seeked', 'loadedmetadata', 'durationchange'];
  const unwatch = watchNumbers(root, plans, clock, (news) => {
    for (const { element, value } of news) {
      if (!(element instanceof HTMLVideoElement)) continue;
      if (!shares.has(element)) {
        for (const type of HEARD) element.addEventListener(type, ready);
        element.autoplay = false;
        element.pause();
      }
      shares.set(element, value);
      seek(element);
    }
  });
  return () => {
    unwatch();
    for (const video of shares.keys()) for (const type of HEARD) video.removeEventListener(type, ready);
  };
}
