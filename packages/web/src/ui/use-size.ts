import { present } from '@lyvek/core';
import { useLayoutEffect, useRef, useState } from 'react';

/** The size of an element, px, as it changes. */
export function useSize() {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 1280, height: 756 });
  useLayoutEffect(() => {
    const measure = () =>
      ref.current && setSize({ width: ref.current.clientWidth, height: ref.current.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(present(ref.current));
    return () => observer.disconnect();
  }, []);
  return { ref, ...size };
}
