/**
 * What the pointer moves. Each property of an element is a paused animation of the browser’s own, set to how far across its area the pointer
 * is; damped where that is wanted. Nothing of it runs while the pointer stands still.
 */
import { damp, isAtRest } from '@lyvek/core/damping';
import type { DampedOffset } from '@lyvek/core/damping';
import { splitPart } from '@lyvek/core/part';
import { toDocument } from './plan.ts';
import type { Clock, PointerPlan } from './plan.ts';

/** How long an animation is, ms, so that its time is its progress in thousandths, which is also what is damped. */
const WHOLE = 1000;
/** What has stood still counts as having begun to move one frame ago. */
const FRAME = 1000 / 60;
/** Degrees of turning a device that are the whole way. */
const TILT = 60;

/** Elements that are as far as each other: of one plan, over one area. */
interface Group {
  plan: PointerPlan;
  /** null: the viewport */
  area: Element | null;
  elements: readonly Element[];
  animations: { animation: Animation; share: number }[];
  state: DampedOffset;
  /** where it is led to, thousandths */
  target: number;
}

/** px from the viewport’s corner; null: it has left the page. */
interface Point {
  x: number;
  y: number;
}

const toRest = ({ rest }: PointerPlan): number => (rest ?? 0.5) * WHOLE;
const clamp = (share: number): number => Math.min(1, Math.max(0, share));

function makeGroups(root: Document | Element, doc: Document, plan: PointerPlan): Group[] {
  const [host, pseudoElement] = splitPart(plan.selector);
  const elements = [...root.querySelectorAll(host)];
  const animate = (element: Element): Group['animations'] => {
    const share = plan.share ? parseFloat(getComputedStyle(element).getPropertyValue(plan.share)) : 1;
    return plan.keyframes.map((list) => {
      const animation = element.animate(list as Keyframe[], {
        duration: WHOLE,
        fill: 'both',
        composite: plan.composite,
        ...(pseudoElement ? { pseudoElement } : {}),
      });
      animation.pause();
      return { animation, share: isNaN(share) ? 1 : share };
    });
  };
  const make = (area: Element | null, list: readonly Element[]): Group => {
    const at = toRest(plan);
    return {
      ...{ plan, area, elements: list, animations: list.flatMap(animate) },
      ...{ state: { y: at, v: 0 }, target: at },
    };
  };
  if (plan.over === '') return elements.map((e) => make(e, [e]));
  const area = plan.over === null ? null : doc.querySelector(plan.over);
  return plan.over !== null && !area ? [] : [make(area, elements)];
}

/** Where a group is led to by a point. */
function findTarget({ plan: { axis, rest }, area, target }: Group, point: Point | null): number {
  const away = rest === null ? target : rest * WHOLE;
  if (!point) return away;
  const isX = axis === 'x';
  const at = point[axis];
  if (!area) {
    // The last pixel of the viewport is its edge.
    const length = (isX ? innerWidth : innerHeight) - 1;
    return clamp(at / Math.max(1, length)) * WHOLE;
  }
  const box = area.getBoundingClientRect();
  const isOver = point.x >= box.left && point.x < box.right && point.y >= box.top && point.y < box.bottom;
  if (!isOver) return away;
  return clamp((at - (isX ? box.left : box.top)) / Math.max(1, (isX ? box.width : box.height) - 1)) * WHOLE;
}

function write({ plan, animations }: Group, at: number): void {
  const rest = toRest(plan);
  for (const { animation, share } of animations)
    animation.currentTime = clamp((rest + (at - rest) * share) / WHOLE) * WHOLE;
}

/** Goes on by a frame. Returns whether anything is still on its way. */
function advance(
  groups: readonly Group[],
  moving: readonly Group[],
  toTarget: (g: Group) => number,
  ms: number,
): boolean {
  // An area is where it is at rest: what follows the pointer does not flee from it. Then all is read before anything is written.
  for (const g of moving) write(g, toRest(g.plan));
  const targets = groups.map(toTarget);
  groups.forEach((g, i) => {
    const [before, target] = [g.target, targets[i]!];
    g.target = target;
    damp(g.state, g.plan.damping, before, target, ms);
    if (isAtRest(g.state, target)) g.state = { y: target, v: 0 };
    write(g, g.state.y);
  });
  return groups.some((g) => g.state.y !== g.target);
}

const OPTIONS = { capture: true, passive: true };
function listen(doc: Document, hear: Record<string, (e: never) => unknown>): () => void {
  const list = Object.entries(hear) as [string, EventListener][];
  for (const [type, f] of list) doc.addEventListener(type, f, OPTIONS);
  return () => list.forEach(([type, f]) => doc.removeEventListener(type, f, OPTIONS));
}

/** Plays what the pointer moves below a root. Returns what stops it and leaves no trace. */
export function playPointers(
  root: Document | Element,
  plans: readonly PointerPlan[],
  clock: Clock,
): () => void {
  const doc = toDocument(root);
  const groups = plans.flatMap((plan) => makeGroups(root, doc, plan));
  const [mouse, finger] = [groups, groups.filter((g) => g.plan.touch === 'drag')];
  let point: Point | null = null;
  /** groups that hear of the point that was told last */
  let hearing: readonly Group[] = [];
  let frame = 0;
  let last = -Infinity;

  const areas = groups.flatMap((g) => g.area ?? []);
  /** what moves its own area away from below the pointer, or another one */
  const moving = groups.filter((g) => areas.some((area) => g.elements.some((e) => e.contains(area))));
  const tick = () => {
    frame = 0;
    const now = clock.now();
    const step = now - last < 100 ? now - last : FRAME;
    last = now;
    if (advance(groups, moving, (g) => (hearing.includes(g) ? findTarget(g, point) : g.target), step)) wake();
  };
  const wake = () => {
    frame ||= clock.request(tick);
  };
  const lead = (to: Point | null, list: readonly Group[]) => {
    if (list.length === 0) return;
    point = to;
    hearing = list;
    wake();
  };

  const hear = ({ pointerType }: PointerEvent) => (pointerType === 'touch' ? finger : mouse);
  const moved = (e: PointerEvent) => lead({ x: e.clientX, y: e.clientY }, hear(e));
  const left = (e: PointerEvent) => {
    if (e.type === 'pointercancel' || !e.relatedTarget) lead(null, hear(e));
  };
  const tilted = groups.filter((g) => g.plan.touch === 'tilt');
  /** how the device was held at first */
  let held: number | null = null;
  const turned = ({ beta, gamma }: DeviceOrientationEvent) => {
    if (beta === null || gamma === null) return;
    held ??= beta;
    for (const g of tilted) {
      const degrees = g.plan.axis === 'x' ? gamma : beta - held;
      g.target = clamp(0.5 + degrees / TILT) * WHOLE;
    }
    wake();
  };
  // Elements move below a pointer that stands still.
  const scrolled = () => point && wake();

  for (const g of groups) write(g, g.state.y);
  const unlisten = listen(doc, {
    pointermove: moved,
    pointerout: left,
    pointercancel: left,
    scroll: scrolled,
  });
  if (tilted.length) addEventListener('deviceorientation', turned);
  return () => {
    clock.cancel(frame);
    unlisten();
    removeEventListener('deviceorientation', turned);
    for (const g of groups) for (const { animation } of g.animations) animation.cancel();
  };
}
