/** What may come a frame later than what is under the pointer. */
import { useEffect, useReducer, useRef } from 'react';

/** Runs once the next frame has been painted. Returns what calls it off. */
function afterPaint(work: () => void): () => void {
  let timer: ReturnType<typeof setTimeout>;
  const frame = requestAnimationFrame(() => (timer = setTimeout(work)));
  return () => {
    cancelAnimationFrame(frame);
    clearTimeout(timer);
  };
}

/** The value, while `late` once a frame has been painted without it: of what changes meanwhile, the newest counts. */
export function useLater<T>(value: T, late: boolean): T {
  const kept = useRef({ shown: value, newest: value, callOff: null as (() => void) | null });
  const [, draw] = useReducer((n: number) => n + 1, 0);
  const now = kept.current;
  now.newest = value;
  if (!late) now.shown = value;
  useEffect(() => {
    if (!late || now.shown === value || now.callOff) return;
    now.callOff = afterPaint(() => {
      now.callOff = null;
      now.shown = now.newest;
      draw();
    });
  }, [now, value, late]);
  useEffect(
    () => () => {
      now.callOff?.();
      now.callOff = null;
    },
    [now],
  );
  return now.shown;
}
