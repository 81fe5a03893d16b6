/** Figures of many trials, brought together by way of scrolling. */
import { present } from '@lyvek/core';
import type { WayFigures } from '@lyvek/core';

/** One gesture at one rate: its figures at every size that was tried. */
export interface Way {
  figures: readonly WayFigures[];
  /** where most frames are late, and their share */
  late: number;
  /** where a frame is dearest */
  worst: WayFigures;
}

const most = <T>(list: readonly T[], of: (x: T) => number): T =>
  list.reduce((best, x) => (of(x) > of(best) ? x : best));

export function wayAt(all: readonly WayFigures[], gesture: string, clock: string): Way | null {
  const figures = all.filter((f) => f.gesture === gesture && f.clock === clock);
  if (figures.length === 0) return null;
  return {
    figures,
    late: 1 - Math.min(...figures.map((f) => f.onTime)),
    worst: most(figures, (f) => f.worst),
  };
}

/** “2 findings; fewest frames 6, Card 2; longest step 71 px, Rings”: the worst of each, and at which size. */
export function wayWords(
  { figures, worst }: Way,
  findName: (motion: string) => string,
  where: (f: WayFigures) => string = () => '',
): string {
  const owner = (motion: string) => (findName(motion) ? `, ${findName(motion)}` : '');
  const few = figures.filter((f) => f.fewestFrames);
  const long = figures.filter((f) => f.longestStep);
  const out = [
    `Most expensive frame ${worst.worst.toFixed(1)} ms at ${Math.round(worst.worstAt)} px${where(worst)}`,
  ];
  if (few.length) {
    const f = most(few, (x) => -present(x.fewestFrames).value);
    out.push(
      `fewest frames in range ${present(f.fewestFrames).value}${owner(present(f.fewestFrames).motion)}${where(f)}`,
    );
  }
  if (long.length) {
    const f = most(long, (x) => present(x.longestStep).value);
    out.push(
      `longest step ${Math.round(present(f.longestStep).value)} px${owner(present(f.longestStep).motion)}${where(f)}`,
    );
  }
  const found = Math.max(...figures.map((f) => f.findings.length));
  out.push(found === 0 ? 'nothing found' : found === 1 ? '1 finding' : `${found} findings`);
  return `${out.join('; ')}.`;
}
