import { useSyncExternalStore } from 'react';

/** Windows in which bars scroll and figures are small: 200 % zoom on a usual screen. */
const query = () => matchMedia('(width < 900px)');

/** Whether the window is that narrow now. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const media = query();
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => query().matches,
  );
