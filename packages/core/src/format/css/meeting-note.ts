/** What insets and crossings mean in words: `view(75% 0px)` with `exit-crossing 50%` says nothing to who did not write it. */
import { splitRange } from './split-range.ts';

const EDGES: Record<string, string> = { '0': 'its top', '50': 'its middle', '100': 'its bottom' };

const readPercent = (css: string): number | null => {
  const number = /^(-?[\d.]+)%$/.exec(css)?.[1];
  return number === undefined ? null : Number(number);
};

const sentence = (edge: number, line: number): string =>
  `${EDGES[String(edge)] ?? `${edge} % of it`} meets ${Number(line.toFixed(4))} % of the viewport`;

/** A comment behind a timeline with insets, for ranges that count in crossings of its ends; empty where there is nothing to say. Counted from the top of the viewport. */
export function meetingNote(timeline: string, range: string): string {
  const [upper = '', lower = ''] = (/^view\((?!inline)([^()]*)\)$/.exec(timeline)?.[1] ?? '').split(' ');
  const [start = '', end = ''] = splitRange(range);
  const crossing = (point: string, phase: string): number | null => {
    const [name, at = '', more] = point.split(' ');
    return name === phase && more === undefined ? readPercent(at) : null;
  };
  const [first, last] = [crossing(start, 'entry-crossing'), crossing(end, 'exit-crossing')];
  const [top, bottom] = [readPercent(upper), readPercent(lower)];
  const said = [
    ...(first !== null && bottom !== null && bottom !== 0 ? [sentence(first, 100 - bottom)] : []),
    ...(last !== null && top !== null && top !== 0 ? [sentence(last, top)] : []),
  ];
  return said.length ? ` /* ${said.join(', then ')} */` : '';
}
