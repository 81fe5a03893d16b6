/** What a sweep found, made ready for drawing. */
import { SEVERITIES, SWEEP_HEIGHTS, SWEEP_WIDTHS, itemAt, lastItem, present } from '@lyvek/core';
import type { Finding, Severity, SizeFacts, Swept, SweptFinding, Viewport } from '@lyvek/core';

/** Sizes of the grid, a row per height. */
export const listRows = ({ sizes }: Swept): SizeFacts[][] =>
  SWEEP_HEIGHTS.map((height) =>
    SWEEP_WIDTHS.map((width) =>
      present(sizes.find((s) => !s.zoomed && s.viewport.width === width && s.viewport.height === height)),
    ),
  );

/** Zoomed windows, by window. */
export function toZoomed({ sizes }: Swept): { window: Viewport; sizes: SizeFacts[] }[] {
  const out: { window: Viewport; sizes: SizeFacts[] }[] = [];
  for (const s of sizes) {
    if (!s.zoomed) continue;
    const known = out.find((o) => o.window === present(s.zoomed).window);
    if (known) known.sizes.push(s);
    else out.push({ window: s.zoomed.window, sizes: [s] });
  }
  return out;
}

export const findWorst = (list: readonly { severity: Severity }[]): Severity | null =>
  SEVERITIES.find((s) => list.some((f) => f.severity === s)) ?? null;

/** Of some findings those that are found at a size, by places in `sizes`. */
export const foundAt = ({ sizes }: Swept, list: readonly SweptFinding[], size: SizeFacts): Finding[] => {
  const place = sizes.indexOf(size);
  return list.filter((f) => f.at.includes(place)).map((f) => f.finding);
};

export const howWords = ({ how, off }: SizeFacts): string =>
  ({
    measured: 'measured',
    between: `interpolated from sizes around it, ${Math.ceil(off)} px off where that was checked`,
    unknown: 'not measured',
  })[how];

/** “at 12 of 129 sizes, 320 to 480 wide”: with what the sizes have in common, where that is not everything. */
export function spanWords({ sizes }: Swept, at: readonly number[]): string {
  const known = sizes.filter((s) => s.how !== 'unknown');
  if (at.length === known.length) return 'at every size';
  const span = (side: keyof Viewport, all: readonly number[], word: string): string | null => {
    const own = at.map((i) => itemAt(sizes, i).viewport[side]);
    const [least, most] = [Math.min(...own), Math.max(...own)];
    if (least <= itemAt(all, 0) && most >= lastItem(all)) return null;
    return least === most ? `${least} ${word}` : `${least} to ${most} ${word}`;
  };
  const spans = [span('width', SWEEP_WIDTHS, 'wide'), span('height', SWEEP_HEIGHTS, 'high')].filter(
    (s) => s !== null,
  );
  return [`at ${at.length} of ${known.length} sizes`, ...spans].join(', ');
}

/** Those that the size which is open does not show. */
export function elsewhere(
  { found }: Swept,
  here: readonly Finding[],
  toWhere: (f: Finding) => string,
): SweptFinding[] {
  const known = new Set(here.map((f) => `${f.check} ${f.about || toWhere(f)}`));
  return found
    .filter(({ finding: f, where }) => !known.has(`${f.check} ${f.about || where}`))
    .sort(
      (a, b) =>
        SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity) ||
        b.at.length - a.at.length,
    );
}
