/** What is drawn once it comes into sight. */
import { useEffect, useState } from 'react';
import type { RefObject } from 'react';

/** How far beyond what is in sight it counts as seen, so that scrolling finds it drawn. */
const AHEAD = '120px';

/** Whether an element has been in sight of what it is scrolled in. */
export function useSeen(ref: RefObject<Element | null>): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (seen || !element) return;
    const watcher = new IntersectionObserver(
      (entries) => entries.some((e) => e.isIntersecting) && setSeen(true),
      { root: element.closest('[data-scrolls]'), rootMargin: AHEAD },
    );
    watcher.observe(element);
    return () => watcher.disconnect();
  }, [ref, seen]);
  return seen;
}
