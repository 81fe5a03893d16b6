/**
 * Followed motions. Each is a CSS animation on a scroll timeline already; here it is taken off that timeline, paused, and set to where the
 * followed scroll offset would have it. Its keyframes, fill and place among the others stay what they are.
 */
import { damp, isAtRest } from '@lyvek/core/damping';
import type { Damping, DampedOffset } from '@lyvek/core/damping';
import { splitPart } from '@lyvek/core/part';
import { toDocument } from './plan.ts';
import type { Clock, Plan } from './plan.ts';
import { movedBy, restart } from './restart.ts';

interface Timeline extends AnimationTimeline {
  source?: Element | null;
  axis?: string;
  startOffset?: { value: number } | null;
  endOffset?: { value: number } | null;
}
type Ranged = Animation & { rangeStart?: unknown; rangeEnd?: unknown; timeline: Timeline | null };

/** Animations of one scroller and axis that follow it in the same way. */
interface Group {
  source: Element;
  inline: boolean;
  how: Damping;
  state: DampedOffset;
  /** the scroll offset at the last frame */
  x: number;
  taken: Taken[];
}

interface Taken {
  animation: Ranged;
  timeline: Timeline;
  /** has the same range and changes nothing: the browser goes on saying where it begins and ends */
  gauge: Ranged;
  start: number;
  end: number;
  /** −1 before its range, 1 after it, 0 in it */
  side: number;
}

/** ms that a taken animation lasts, so that its time is its progress in thousandths */
const WHOLE = 1000;
/** A page that has been still counts as having begun to move one frame ago. */
const FRAME = 1000 / 60;

const isInline = (timeline: Timeline) => timeline.axis === 'inline' || timeline.axis === 'x';
const toOffset = ({ source, inline }: Group) => Math.abs(inline ? source.scrollLeft : source.scrollTop);

function groupFor(groups: Group[], timeline: Timeline, how: Damping): Group {
  const source = timeline.source!;
  const inline = isInline(timeline);
  const key = JSON.stringify(how);
  const known = groups.find(
    (g) => g.source === source && g.inline === inline && JSON.stringify(g.how) === key,
  );
  if (known) return known;
  const group: Group = { source, inline, how, state: { y: 0, v: 0 }, x: 0, taken: [] };
  // A page that opens scrolled stands where it is; nothing plays in.
  group.x = group.state.y = toOffset(group);
  groups.push(group);
  return group;
}

/** Takes the animations that the plan names off their timelines, and lets go of those that have ended. */
function take(root: Document | Element, doc: Document, plan: Plan['damping'], groups: Group[]): void {
  for (const g of groups)
    g.taken = g.taken.filter(({ animation, gauge }) => {
      if (animation.playState !== 'idle') return true;
      gauge.cancel();
      return false;
    });
  for (const { names, selector, damping: how } of plan) {
    const [host, part] = splitPart(selector);
    for (const element of root.querySelectorAll(host))
      for (const animation of element.getAnimations({ subtree: part !== '' }) as Ranged[]) {
        const timeline = animation.timeline;
        const name = (animation as CSSAnimation).animationName;
        const effect = animation.effect as KeyframeEffect | null;
        if (!names.includes(name) || !timeline?.source || effect?.target !== element) continue;
        const gauge = new Animation(
          // On the element: with lengths in its range, an effect of no element crashes the renderer of Chromium 156.
          new KeyframeEffect(element, null, { duration: 'auto' as unknown as number }),
          timeline,
        ) as Ranged;
        gauge.rangeStart = animation.rangeStart;
        gauge.rangeEnd = animation.rangeEnd;
        gauge.play();
        animation.timeline = doc.timeline as Timeline;
        animation.pause();
        effect.updateTiming({ duration: WHOLE });
        const { taken } = groupFor(groups, timeline, how);
        taken.push({ animation, timeline, gauge, start: 0, end: 0, side: 2 });
      }
  }
}

/** Where the ranges lie now. Reads only. */
function measure({ taken }: Group): void {
  for (const t of taken) {
    const from = t.timeline.startOffset?.value ?? 0;
    const source = t.timeline.source!;
    const max = isInline(t.timeline)
      ? source.scrollWidth - source.clientWidth
      : source.scrollHeight - source.clientHeight;
    const span = (t.timeline.endOffset?.value ?? max) - from;
    const at = (t.gauge.startTime as unknown as { value: number } | null)?.value ?? 0;
    const share = parseFloat(String(t.gauge.effect!.getComputedTiming().duration));
    t.start = from + (at / 100) * span;
    t.end = t.start + (share / 100) * span;
    t.side = 2;
  }
}

function write({ state: { y }, taken }: Group): void {
  for (const t of taken) {
    const side = y < t.start ? -1 : y >= t.end ? 1 : 0;
    // What stays before or after its range costs one comparison.
    if (side !== 0 && side === t.side) continue;
    t.side = side;
    t.animation.currentTime =
      side === -1 ? -1 : side === 1 ? WHOLE : ((y - t.start) / (t.end - t.start)) * WHOLE;
  }
}

function giveBack(doc: Document, groups: readonly Group[]): void {
  const taken = groups.flatMap((g) => g.taken);
  for (const t of taken) t.gauge.cancel();
  restart(
    doc,
    taken.flatMap((t) => movedBy(t.animation)),
  );
}

/** Plays the damped motions of a plan. Returns what stops them and leaves no trace. */
export function playDamped(root: Document | Element, plan: Plan['damping'], clock: Clock): () => void {
  const doc = toDocument(root);
  const groups: Group[] = [];
  take(root, doc, plan, groups);
  let frame = 0;
  let last = -Infinity;
  let interval = FRAME;
  let stopped = false;

  const tick = () => {
    frame = 0;
    const now = clock.now();
    const step = now - last;
    if (step > 0 && step < 60) interval = Math.min(step, FRAME * 2);
    const moved = step < 100 ? step : interval;
    last = now;
    const offsets = groups.map(toOffset);
    let moving = false;
    groups.forEach((g, i) => {
      const x = offsets[i]!;
      damp(g.state, g.how, g.x, x, moved);
      g.x = x;
      if (isAtRest(g.state, x)) g.state = { y: x, v: 0 };
      else moving = true;
    });
    groups.forEach(write);
    if (moving) wake();
  };
  const wake = () => {
    if (!frame && !stopped) frame = clock.request(tick);
  };

  let settling = 0;
  const settle = () => {
    // A view timeline tells its new place one frame after the layout has changed.
    settling ||= clock.request(() => {
      settling = clock.request(() => {
        settling = 0;
        groups.forEach(measure);
        groups.forEach(write);
      });
    });
  };
  const sized = new ResizeObserver(settle);
  // Of an element that has come later, or of one that had its styles taken away for a while.
  const started = ({ animationName: name }: AnimationEvent) => {
    const count = () => groups.reduce((sum, g) => sum + g.taken.length, 0);
    if (!plan.some((p) => p.names.includes(name))) return;
    const before = count();
    take(root, doc, plan, groups);
    if (count() !== before) settle();
  };
  sized.observe(doc.documentElement);
  if (doc.body) sized.observe(doc.body);
  doc.addEventListener('scroll', wake, { capture: true, passive: true });
  doc.addEventListener('animationstart', started);
  settle();
  return () => {
    doc.removeEventListener('animationstart', started);
    stopped = true;
    clock.cancel(frame);
    clock.cancel(settling);
    sized.disconnect();
    doc.removeEventListener('scroll', wake, { capture: true });
    giveBack(doc, groups);
  };
}
