/** How the Rundown shares its room among lanes, page and sheet. Narrow windows stack them. */
import { usePane } from '../../ui/panes.ts';
import type { Pane } from '../../ui/panes.ts';
import { useNarrow } from '../../ui/use-narrow.ts';
import { LANES } from './chart/lanes.ts';
import { HEAD } from './use-rundown-state.ts';

const TRANSPORT = 40;
/** px between page and transport */
const GAP = 6;
/** At 1280 × 800 the left side has 601 px and the sheet 322. */
const usualLeft = (w: number) =>
  Math.round(601 + Math.max(0, w - 1280) * 0.42 - Math.max(0, 1280 - w) * 0.45);
const usualSheet = (h: number) => Math.round(Math.max(250, Math.min(420, 322 + (h - 756) * 0.3)));

export interface RundownPanes {
  /** one below the other, and the screen scrolls */
  stacked: boolean;
  left: Pane;
  sheet: Pane;
  /** px of the lanes with their head, and of the room for the page */
  lanes: { width: number; height: number };
  page: { width: number; height: number };
}

/** `width`, `height`: px of the screen. */
export function usePanes(width: number, height: number): RundownPanes {
  const stacked = useNarrow();
  const left = usePane('rundown-left', {
    ...{ room: width, usual: usualLeft(width) },
    ...{ least: LANES + 210, most: width - 400 },
  });
  const sheet = usePane('rundown-sheet', {
    ...{ room: height, usual: usualSheet(height) },
    ...{ least: 120, most: height - HEAD - TRANSPORT - GAP - 110 },
  });
  if (stacked)
    return {
      ...{ stacked, left, sheet },
      lanes: { width, height: Math.max(320, Math.round(innerHeight * 0.8)) },
      page: { width: width - 20, height: Math.max(200, Math.round(innerHeight * 0.62)) },
    };
  return {
    ...{ stacked, left, sheet },
    lanes: { width: left.px, height },
    page: { width: width - left.px - 20, height: height - HEAD - TRANSPORT - sheet.px - GAP },
  };
}
