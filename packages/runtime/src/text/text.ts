/** Texts whose lines, words or letters move by themselves: taken apart anew whenever their width, their font or their words change. */
import type { Clock, TextPlan } from '../plan.ts';
import { Layer } from './layer.ts';

/** Takes texts below a root apart. Returns what brings them back as they were. */
export function playTexts(root: Document | Element, plans: readonly TextPlan[], clock: Clock): () => void {
  const stops = plans.flatMap((plan) =>
    [...root.querySelectorAll(plan.selector)].flatMap((host) =>
      // One that moves in two ways is taken apart once.
      host instanceof HTMLElement && !('split' in host.dataset) ? [follow(host, plan, clock)] : [],
    ),
  );
  return () => stops.forEach((stop) => stop());
}

function follow(host: HTMLElement, plan: TextPlan, clock: Clock): () => void {
  const layer = new Layer(host, plan);
  const WATCHED = { childList: true, characterData: true, subtree: true };
  let frame = 0;
  let width = -1;
  const update = () => {
    frame = 0;
    changed.disconnect();
    layer.update();
    changed.observe(host, WATCHED);
  };
  const later = () => {
    if (!frame) frame = clock.request(update);
  };
  const changed = new MutationObserver(later);
  const sized = new ResizeObserver(([entry]) => {
    const now = entry!.contentRect.width;
    if (width >= 0 && now !== width) later();
    width = now;
  });
  // What was turned when it was looked at may be straight by now.
  const retry = () => {
    if (layer.isWhole) later();
  };
  const doc = host.ownerDocument;
  const { fonts } = doc;
  update();
  sized.observe(host);
  fonts.addEventListener('loadingdone', later);
  doc.addEventListener('scrollend', retry, { passive: true });
  return () => {
    clock.cancel(frame);
    changed.disconnect();
    sized.disconnect();
    fonts.removeEventListener('loadingdone', later);
    doc.removeEventListener('scrollend', retry);
    layer.remove();
  };
}
