/** Triggers as CSS: the standard’s triggers (CSS Animations 2, §5). A jump over the whole page still passes a trigger, since it never ends. */
import { present } from '../../assert/index.ts';
import type { Trigger } from '../../motion/index.ts';
import type { PinnedLayout } from '../../page/index.ts';
import { isMeeting, parseMeeting } from '../../timeline/index.ts';
import type { RangePoint } from '../../timeline/index.ts';
import { decimal } from '../../value/index.ts';
import { writtenSelector } from '../selectors/marks.ts';
import { joinSelectors, overlaps } from './overlaps.ts';
import { toPiece } from './piece.ts';
import type { Piece } from './piece.ts';

export const triggerName = (name: string): string => `--${name}-passed`;

/** What entering and leaving do. Going back on a trigger that plays once is never heeded. */
export function triggerActions({ plays, back }: Trigger): string {
  if (plays === 'once') return 'play-once';
  return { 'keeps-end': 'replay none', 'plays-back': 'play-forwards play-backwards', returns: 'play reset' }[
    back
  ];
}

/** Further down than any page reaches. */
const NEVER = 'cover 1000%';
const pct = (n: number) => `${decimal(n * 100)}%`;

const isMeetingOrNone = (p: RangePoint | null | undefined) => !p || isMeeting(p);

/**
 * All lines on one view timeline. Meetings take an end inset that makes the first exact in any scroller; others, at further lines,
 * are counted from there in viewport units. Beside a phase, or insets, which would shift with it, a meeting is in viewport units altogether.
 */
function lines(trigger: Trigger): { inset: string; down: string; up: string; past: string } {
  const [before, behind] = trigger.insets ?? ['0px', '0px'];
  const isInset = [before, behind].some((css) => css !== 'auto' && Number.parseFloat(css) !== 0);
  const alike = !isInset && isMeetingOrNone(trigger.up) && isMeetingOrNone(trigger.past);
  const first = alike && isMeeting(trigger.down) ? parseMeeting(trigger.down) : null;
  const base = first?.ok ? 1 - first.value.line : 0;
  const text = (p: RangePoint): string => {
    if (!isMeeting(p)) return p;
    const m = parseMeeting(p);
    if (!m.ok) throw new SyntaxError(m.error);
    const further = 1 - m.value.line - base;
    const less = isInset && behind !== '0px' ? ` - ${behind}` : '';
    if (Math.abs(further) < 1e-9 && !less) return `entry-crossing ${pct(m.value.edge)}`;
    return `entry-crossing calc(${pct(m.value.edge)} ${further < 0 ? '-' : '+'} ${decimal(Math.abs(further))} * 100vh${less})`;
  };
  const inset = isInset ? `${before} ${behind}` : base === 0 ? '' : `0px ${pct(base)}`;
  return {
    inset,
    down: text(trigger.down),
    up: trigger.up === null ? '' : text(trigger.up),
    past: trigger.past ? text(trigger.past) : NEVER,
  };
}

/** One piece per trigger that is on and has its element. */
export function triggerPieces(
  triggers: readonly Trigger[],
  names: ReadonlyMap<string, string>,
  parts: ReadonlyMap<string, readonly string[]>,
  layout: PinnedLayout,
): Piece[] {
  // CSS keeps triggers as lists per element.
  const bySubject = new Map<string, Trigger[]>();
  for (const g of triggers)
    if (g.on && parts.get(g.id)?.length) bySubject.set(g.subject, [...(bySubject.get(g.subject) ?? []), g]);
  const makePiece = (selector: string, list: readonly Trigger[]): Piece =>
    toPiece({
      id: `trigger:${list.map((g) => g.id).join('+')}`,
      motions: list.flatMap((g) => parts.get(g.id) ?? []),
      styles: [
        {
          selector,
          set: {
            'timeline-trigger': list
              .map((g) => {
                const { inset, down, up, past } = lines(g);
                const leave = up === '' ? '' : ` / ${up} ${past}`;
                return `${triggerName(present(names.get(g.id)))} view(${inset}) ${down} ${past}${leave}`;
              })
              .join(', '),
          },
        },
      ],
    });
  return [
    ...[...bySubject].map(([subject, list]) => makePiece(writtenSelector(subject, layout), list)),
    ...overlaps([...bySubject.keys()], layout).map((group) =>
      makePiece(
        joinSelectors(group, layout),
        group.flatMap((subject) => present(bySubject.get(subject))),
      ),
    ),
  ];
}
