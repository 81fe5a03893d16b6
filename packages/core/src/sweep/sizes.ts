/** The sizes that a page is swept over: windows of a grid, and the usual windows zoomed. */
import type { Px, Viewport } from '../page/index.ts';

/** Widths and heights of windows in use, from the smallest phone to a large screen; Lyvek default. */
export const SWEEP_WIDTHS: readonly Px[] = [
  320, 360, 390, 412, 480, 600, 768, 834, 1024, 1280, 1440, 1680, 1920, 2240, 2560,
];
export const SWEEP_HEIGHTS: readonly Px[] = [480, 600, 720, 800, 900, 1080, 1200, 1440];
/** Where the grid is always measured, so that no stretch between two measured sizes is wider than a kind of device. */
export const ALWAYS = { widths: [320, 480, 768, 1280, 1920, 2560], heights: [480, 800, 1440] } as const;
/** Zoom makes the page's window smaller by its factor; WCAG 2.2, 1.4.4 asks for 200 %. */
export const ZOOMS = [1.1, 1.5, 2] as const;
export const ZOOMED_WINDOWS: readonly Viewport[] = [
  { width: 1280, height: 800 },
  { width: 1440, height: 900 },
  { width: 1920, height: 1080 },
];

export interface SweepSize {
  viewport: Viewport;
  /** the window that was zoomed, and by how much; null: a window of the grid */
  zoomed: { window: Viewport; by: number } | null;
}

export const GRID: readonly SweepSize[] = SWEEP_WIDTHS.flatMap((width) =>
  SWEEP_HEIGHTS.map((height) => ({ viewport: { width, height }, zoomed: null })),
);
export const ZOOMED: readonly SweepSize[] = ZOOMED_WINDOWS.flatMap((window) =>
  ZOOMS.map((by) => ({
    viewport: { width: Math.round(window.width / by), height: Math.round(window.height / by) },
    zoomed: { window, by },
  })),
);
export const SWEEP_SIZES: readonly SweepSize[] = [...GRID, ...ZOOMED];

export const sizeKey = ({ width, height }: Viewport): string => `${width}×${height}`;
