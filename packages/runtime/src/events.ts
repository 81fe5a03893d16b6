/**
 * Parts that a click, the pointer or the focus starts: paused animations of the browser’s own, told to play, to play back or to begin anew. Keys
 * do what the pointer does: a button is clicked by them, and what plays under the pointer plays while the focus is inside, too.
 */
import { splitPart } from '@lyvek/core/part';
import { toDocument } from './plan.ts';
import type { EventPlan } from './plan.ts';

/** A subject with the animations of its own. */
interface Part {
  plan: EventPlan;
  subject: Element;
  animations: Animation[];
  on: boolean;
  /** what holds it on: the pointer, the focus, a finger */
  held: Set<string>;
}

function animated(element: Element, plan: EventPlan, pseudoElement: string, late: number): Animation[] {
  const { name, keyframes, delay, duration, fill, composite, count, alternate } = plan;
  return keyframes.map((list) => {
    const animation = element.animate(list as Keyframe[], {
      id: name,
      delay: delay + late,
      duration,
      fill,
      composite,
      iterations: count,
      direction: alternate ? 'alternate' : 'normal',
      ...(pseudoElement ? { pseudoElement } : {}),
    });
    animation.pause();
    return animation;
  });
}

/** Targets inside of a subject are its own; where none is inside of any, every subject starts all of them. */
function makeParts(root: Document | Element, plan: EventPlan): Part[] {
  const [host, pseudo] = splitPart(plan.selector);
  const targets = [...root.querySelectorAll(host)];
  const subjects = [...root.querySelectorAll(plan.subject)];
  const made = targets.map((e, i) => animated(e, plan, pseudo, plan.late?.[i] ?? 0));
  const isInside = subjects.some((s) => targets.some((t) => s.contains(t)));
  return subjects.map((subject) => ({
    ...{ plan, subject, on: false, held: new Set<string>() },
    animations: targets.flatMap((t, i) => (!isInside || subject.contains(t) ? made[i]! : [])),
  }));
}

function begin(a: Animation): void {
  a.playbackRate = 1;
  a.currentTime = 0;
  a.play();
}

function enter({ plan: { back, plays }, animations }: Part): void {
  for (const a of animations) {
    if (back === 'plays-back' && plays === 'each-time') {
      a.playbackRate = 1;
      a.play();
    } else begin(a);
  }
}

function leave({ plan: { back, plays }, animations }: Part): void {
  if (plays === 'once' || back === 'keeps-end') return;
  for (const a of animations)
    if (back === 'plays-back') {
      a.playbackRate = -1;
      // From its start it would go round to its end.
      if (Number(a.currentTime) > 0) a.play();
    } else {
      a.pause();
      a.currentTime = 0;
    }
}

function put(part: Part, on: boolean): void {
  if (part.on === on) return;
  part.on = on;
  if (on) enter(part);
  else leave(part);
}

/** Held by one thing more, or one less; what plays once stays on. */
function hold(part: Part, by: string, on: boolean): void {
  if (on) part.held.add(by);
  else part.held.delete(by);
  if (part.held.size > 0) put(part, true);
  else if (part.plan.plays !== 'once') put(part, false);
}

function click(part: Part): void {
  const { plays, back } = part.plan;
  if (plays === 'once') return put(part, true);
  // Nothing plays back: it plays anew with every click.
  if (back === 'keeps-end') return enter(part);
  put(part, !part.on);
}

type Heard = [type: string, hear: (e: Event) => void];

const inside = (part: Part): Heard[] => [
  ['focusin', () => hold(part, 'focus', true)],
  [
    'focusout',
    (e) =>
      part.subject.contains((e as FocusEvent).relatedTarget as Node | null) || hold(part, 'focus', false),
  ],
];

const HEARD: Record<EventPlan['event'], (part: Part) => Heard[]> = {
  click: (part) => [['click', () => click(part)]],
  focus: inside,
  hover: (part) => [
    ['pointerenter', (e) => isFinger(e) || hold(part, 'pointer', true)],
    ['pointerleave', (e) => isFinger(e) || hold(part, 'pointer', false)],
    // A finger that taps is there until it taps elsewhere.
    ['click', (e) => isFinger(e) && hold(part, 'finger', true)],
    ...inside(part),
  ],
};
const isFinger = (e: Event): boolean => (e as PointerEvent).pointerType === 'touch';

/** Plays what events start below a root. Returns what stops it and leaves no trace. */
export function playEvents(root: Document | Element, plans: readonly EventPlan[]): () => void {
  const parts = plans.flatMap((plan) => makeParts(root, plan));
  const heard = parts.map((part) => ({ part, list: HEARD[part.plan.event](part) }));
  const tapped = (e: PointerEvent) => {
    if (isFinger(e))
      for (const part of parts)
        if (part.held.has('finger') && !part.subject.contains(e.target as Node)) hold(part, 'finger', false);
  };
  for (const { part, list } of heard)
    for (const [type, hear] of list) part.subject.addEventListener(type, hear);
  const doc = toDocument(root);
  doc.addEventListener('pointerdown', tapped);
  return () => {
    doc.removeEventListener('pointerdown', tapped);
    for (const { part, list } of heard) {
      for (const [type, hear] of list) part.subject.removeEventListener(type, hear);
      for (const a of part.animations) a.cancel();
    }
  };
}
