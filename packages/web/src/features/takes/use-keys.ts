/** Keys of the comparison: along the five pictures, the wipe, one side whole while its letter is held. */
import { useEffect } from 'react';
import type { StoreApi } from 'zustand/vanilla';
import type { Px } from '@lyvek/core';
import { clampAxis, computeOffsets, zoomAxis } from './model/axis.ts';
import type { Looking } from './takes-context.ts';

const clamp = (n: number) => Math.min(1, Math.max(0, n));

/** To the next picture; past the last one all five move on. */
export function stepped({ axis, at }: Looking, by: 1 | -1, max: Px): Pick<Looking, 'axis' | 'at'> {
  const offsets = computeOffsets(axis, max);
  const next = by > 0 ? offsets.find((o) => o > at + 1) : offsets.findLast((o) => o < at - 1);
  if (next !== undefined) return { axis, at: next };
  const moved = clampAxis({ ...axis, middle: axis.middle + by * axis.apart }, max);
  return { axis: moved, at: Math.min(max, Math.max(0, Math.round(at + moved.middle - axis.middle))) };
}

export function useTakesKeys(looking: StoreApi<Looking>, max: Px): void {
  useEffect(() => {
    const { getState, setState } = looking;
    const zoom = (factor: number) => setState(({ axis, at }) => ({ axis: zoomAxis(axis, factor, at, max) }));
    const keys: Record<string, (e: KeyboardEvent) => void> = {
      ArrowDown: () => setState(stepped(getState(), 1, max)),
      ArrowUp: () => setState(stepped(getState(), -1, max)),
      ArrowRight: (e) => setState(({ wipe }) => ({ wipe: clamp(wipe + (e.shiftKey ? 0.1 : 0.01)) })),
      ArrowLeft: (e) => setState(({ wipe }) => ({ wipe: clamp(wipe - (e.shiftKey ? 0.1 : 0.01)) })),
      Home: () => setState(({ axis }) => ({ axis: clampAxis({ ...axis, middle: 0 }, max), at: 0 })),
      End: () => setState(({ axis }) => ({ axis: clampAxis({ ...axis, middle: max }, max), at: max })),
      '+': () => zoom(1.5),
      '-': () => zoom(1 / 1.5),
      '0': () => setState({ axis: clampAxis({ middle: max / 2, apart: max }, max) }),
      a: () => setState({ whole: 'a' }),
      b: () => setState({ whole: 'b' }),
    };
    const press = (e: KeyboardEvent) => {
      const inControl =
        e.target instanceof HTMLElement &&
        e.target.closest('input, textarea, select, [role=dialog]') !== null;
      if (inControl || e.ctrlKey || e.metaKey || e.altKey) return;
      const act = keys[e.key.length === 1 ? e.key.toLowerCase() : e.key];
      if (!act) return;
      e.preventDefault();
      act(e);
    };
    const letGo = (e: KeyboardEvent) => {
      if (/^[ab]$/i.test(e.key)) setState({ whole: null });
    };
    const leave = () => setState({ whole: null });
    addEventListener('keydown', press);
    addEventListener('keyup', letGo);
    addEventListener('blur', leave);
    return () => {
      removeEventListener('keydown', press);
      removeEventListener('keyup', letGo);
      removeEventListener('blur', leave);
    };
  }, [looking, max]);
}
