/** What jsdom lacks, and hands for component tests: presses, moves and keys as a browser sends them. */
import { fireEvent } from '@testing-library/react';

// A pointer event is a mouse event that knows its pointer.
globalThis.PointerEvent ??= class extends MouseEvent {
  readonly pointerId: number;
  constructor(type: string, init: PointerEventInit = {}) {
    super(type, init);
    this.pointerId = init.pointerId ?? 0;
  }
} as unknown as typeof PointerEvent;
// Nothing is captured in jsdom; what was captured is heard by its target anyway.
Object.assign(Element.prototype, {
  setPointerCapture: () => undefined,
  releasePointerCapture: () => undefined,
  hasPointerCapture: () => true,
});
globalThis.ResizeObserver ??= class {
  observe = () => undefined;
  unobserve = () => undefined;
  disconnect = () => undefined;
};

type Place = [x: number, y: number];
interface Held {
  altKey?: boolean;
  shiftKey?: boolean;
  ctrlKey?: boolean;
}
const at = ([clientX, clientY]: Place, held: Held = {}) => ({
  pointerId: 1,
  button: 0,
  clientX,
  clientY,
  ...held,
});

export const press = (target: Element, place: Place, held?: Held) =>
  fireEvent.pointerDown(target, at(place, held));
export const moveTo = (target: Element, place: Place, held?: Held) =>
  fireEvent.pointerMove(target, at(place, held));
export const letGo = (target: Element, place: Place, held?: Held) =>
  fireEvent.pointerUp(target, at(place, held));
export const key = (name: string, target: Element | Window = window) =>
  fireEvent.keyDown(target, { key: name });

/** Press, a few moves, and let go. */
export function drag(target: Element, from: Place, to: Place, held?: Held): void {
  press(target, from, held);
  for (const share of [0.3, 0.7, 1])
    moveTo(target, [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share], held);
  letGo(target, to, held);
}
