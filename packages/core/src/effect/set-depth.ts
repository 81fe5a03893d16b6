/** Parallax as two numbers: reading them from a motion that has that form, and writing them back. */
import { itemAt } from '../assert/index.ts';
import { asScroll, asView } from '../drivers/index.ts';
import { edit } from '../edit/index.ts';
import type { Operation } from '../edit/index.ts';
import type { Adjustment, Motion } from '../motion/index.ts';
import { distantly } from '../timeline/index.ts';

/** How a layer moves against the page. */
export interface DepthFacts {
  /** 1 moves with the page, 0.5 half as fast, 1.75 faster; never 0, which is a pin */
  factor: number;
  /** the line of the viewport at which it stands where the page has it, from the top; null for a layer that starts at the page’s top */
  line: number | null;
}

interface Read extends DepthFacts {
  /** the subject’s height as CSS */
  height: string;
  frame: boolean;
}

const NUMBER = String.raw`(-?\d+(?:\.\d+)?)`;
const MIDDLE = new RegExp(String.raw`^0 calc\(${NUMBER} \* \(100vh \+ (.+)\)\)$`);
const PLACED = new RegExp(String.raw`^0 calc\(${NUMBER} \* 100vh \+ ${NUMBER} \* (.+)\)$`);
const FROM_TOP = new RegExp(String.raw`^0 ${NUMBER}px$`);
const PX = new RegExp(String.raw`^${NUMBER}px$`);
const COVER = new RegExp(String.raw`^cover ${NUMBER}%$`);

const round = (x: number) => Number(x.toFixed(3));
const matchNumber = (text: unknown, pattern: RegExp): number =>
  typeof text === 'string' ? Number(pattern.exec(text)?.[1] ?? NaN) : NaN;

/** Null for a motion that is no plain parallax. */
function readDepth({ driver, range, keyframes, easing }: Motion): Read | null {
  const list = keyframes.translate;
  if (list?.length !== 2 || easing !== 'linear' || list.some((k) => k.easing && k.easing !== 'linear'))
    return null;
  const [from, to] = [itemAt(list, 0), itemAt(list, 1)];
  if (from.at !== '0%' || to.at !== '100%') return null;
  if (asScroll(driver)) {
    const [until, way] = [matchNumber(range.end, PX), matchNumber(to.value, FROM_TOP)];
    if (range.start !== '0px' || from.value !== '0 0' || !(until > 0) || Number.isNaN(way)) return null;
    // Both were rounded to px.
    return { factor: Number((1 - way / until).toFixed(2)), line: null, height: '', frame: false };
  }
  const view = asView(driver);
  if (!view) return null;
  const frame = view.subject !== 'self';
  const half = matchNumber(range.end, COVER) - 50;
  const middle = MIDDLE.exec(to.value);
  if (middle && half > 0) {
    const factor = 50 / half;
    const way = Number(middle[1]);
    const isBack = Math.abs(way - (1 + factor) / (2 * factor)) < Math.abs(way - (1 - factor) / (2 * factor));
    return { factor: round(isBack ? -factor : factor), line: 0.5, height: itemAt(middle, 2), frame };
  }
  const [a, b] = [PLACED.exec(from.value), PLACED.exec(to.value)];
  if (!a || !b || range.start !== 'cover 0%' || range.end !== 'cover 100%') return null;
  const against = Number(b[1]) - Number(a[1]);
  if (against === 0 || a[3] !== b[3]) return null;
  return {
    ...{ factor: round(1 - against), line: round(Number(b[1]) / against) },
    ...{ height: itemAt(b, 3), frame },
  };
}

/** The two numbers of a parallax, or null for any other motion. */
export function findDepth(m: Motion): DepthFacts | null {
  const read = readDepth(m);
  return read && { factor: read.factor, line: read.line };
}

const OVERSCAN = /^calc\(100% \+ 2 \* (.+)\)$/;

/** Gives a parallax another speed, or another line. A layer in a frame stays as much larger than it as it needs to be. */
export function setDepth(motion: Motion, { factor, line }: DepthFacts): Operation {
  const read = readDepth(motion);
  return edit('change the parallax', (d) => {
    if (!read || factor === 0) return d;
    const put = (change: Partial<Motion>) =>
      d.motions.map((m) => (m.id === motion.id ? { ...m, ...change } : m));
    const translate = (from: string, to: string) => ({
      ...motion.keyframes,
      translate: [
        { at: '0%', value: from },
        { at: '100%', value: to },
      ],
    });
    if (line === null) {
      const until = matchNumber(motion.range.end, PX);
      const seen = Math.round((until * read.factor) / factor);
      return {
        ...d,
        motions: put({
          range: { start: '0px', end: `${seen}px` },
          keyframes: translate('0 0', `0 ${Math.round((1 - factor) * seen)}px`),
        }),
      };
    }
    const made = distantly({ factor, line, height: read.height, frame: read.frame });
    const widen = (a: Adjustment): Adjustment =>
      a.for.includes(motion.id) && OVERSCAN.test(a.declarations.height ?? '')
        ? {
            ...a,
            declarations: {
              ...a.declarations,
              top: `calc(-1 * ${made.overscan})`,
              height: `calc(100% + 2 * ${made.overscan})`,
            },
          }
        : a;
    return {
      ...d,
      motions: put({ range: made.range, keyframes: translate(`0 ${made.from}`, `0 ${made.to}`) }),
      adjustments: read.frame ? d.adjustments.map(widen) : d.adjustments,
    };
  });
}
