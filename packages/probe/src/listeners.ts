/**
 * Listeners of the page that may stop a scroll: the browser has to ask them before it scrolls (UI Events; DOM, “passive”). Only what covers much of the
 * window counts; a slider of its own may well hold the finger.
 */
import type { Layout } from '@lyvek/core';

type Blocking = NonNullable<Layout['page']['blocking']>[number];

const TYPES = ['wheel', 'mousewheel', 'touchstart', 'touchmove'];
const MAX = 200;
/** Of the window’s area. */
const LARGE = 0.5;

const heard: { target: EventTarget; type: string; passive: boolean | undefined }[] = [];

const isWhole = (target: EventTarget): boolean =>
  target === window || target === document || target === document.documentElement || target === document.body;

/** Notes what the page listens to from now on. */
export function hearListeners(): void {
  const { addEventListener } = EventTarget.prototype;
  EventTarget.prototype.addEventListener = function (this: EventTarget | undefined, ...args) {
    const [type, , options] = args;
    if (TYPES.includes(type) && heard.length < MAX)
      heard.push({
        target: this ?? window,
        type,
        passive: typeof options === 'object' ? options?.passive : undefined,
      });
    return addEventListener.apply(this ?? window, args);
  };
}

/** Those that make the browser wait. On the window and the page’s root the browser takes them for passive unless they say otherwise. */
export function listBlocking(): Blocking[] {
  const seen = new Map<string, Blocking>();
  for (const { target, type, passive } of heard) {
    if (passive ?? isWhole(target)) continue;
    const on = isWhole(target) ? 'the page' : largeName(target);
    if (on) seen.set(`${type} ${on}`, { type, on });
  }
  return [...seen.values()].slice(0, 20);
}

function largeName(target: EventTarget): string | null {
  if (!(target instanceof Element) || !target.isConnected) return null;
  const { width, height } = target.getBoundingClientRect();
  if (width * Math.min(height, innerHeight) < LARGE * innerWidth * innerHeight) return null;
  return (target.id ? `#${target.id}` : target.localName).slice(0, 80);
}
