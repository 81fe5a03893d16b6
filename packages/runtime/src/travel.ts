/**
 * Travelling strips: what gets the focus in one, or is the target of a link, may lie beyond the screen’s side, where no browser can scroll to.
 * The page is then scrolled to where the strip has brought it into sight.
 */
import { toDocument } from './plan.ts';
import type { Plan } from './plan.ts';

interface Timeline extends AnimationTimeline {
  source?: Element | null;
  startOffset?: { value: number } | null;
  endOffset?: { value: number } | null;
}

export function playTravels(root: Document | Element, plans: NonNullable<Plan['travels']>): () => void {
  const doc = toDocument(root);
  const bring = (target: Element | null) => {
    const strip = plans.map((p) => target?.closest(p.selector)).find((e) => e && e !== target);
    if (target && strip) scrollTo(strip, target);
  };
  const focused = (e: Event) => bring(e.target as Element);
  const linked = () => {
    const id = decodeURIComponent(doc.location.hash.slice(1));
    if (id) bring(doc.getElementById(id));
  };
  doc.addEventListener('focusin', focused);
  doc.defaultView!.addEventListener('hashchange', linked);
  linked();
  return () => {
    doc.removeEventListener('focusin', focused);
    doc.defaultView!.removeEventListener('hashchange', linked);
  };
}

function scrollTo(strip: Element, target: Element): void {
  const frame = strip.parentElement!.getBoundingClientRect();
  const own = target.getBoundingClientRect();
  // Seen as a whole already.
  if (own.left >= Math.max(0, frame.left) && own.right <= Math.min(innerWidth, frame.right)) return;
  for (const a of strip.getAnimations()) {
    const timeline = a.timeline as Timeline | null;
    const effect = a.effect as KeyframeEffect | null;
    if (
      !timeline?.startOffset ||
      !timeline.endOffset ||
      !effect?.getKeyframes().some((k) => 'translate' in k)
    )
      continue;
    const from = timeline.startOffset.value;
    const whole = timeline.endOffset.value - from;
    const start = from + (((a.startTime as unknown as { value: number } | null)?.value ?? 0) / 100) * whole;
    const length = (parseFloat(String(effect.getComputedTiming().duration)) / 100) * whole;
    // Where it lies in the strip does not change while both move together.
    const box = strip.getBoundingClientRect();
    const way = box.width - frame.width;
    if (way <= 0) return;
    const middle = own.left - box.left + own.width / 2 - frame.width / 2;
    const share = Math.min(1, Math.max(0, middle / way));
    timeline.source?.scrollTo({ top: start + share * length });
    return;
  }
}
