/** The keyframes of a bar. They are chosen across motions and moved together; those at the height of the ruler’s pointer light up. */
import { replaceMotions, present } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import type { PointerEvent } from 'react';
import { useStore } from 'zustand';
import { dragOperation } from '../../../state/drag-operation.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import type { Bar } from '../../../editor/model/bars.ts';
import {
  keyframeRow,
  listKeyframes,
  keyframeStore,
  choose,
  followShare,
  isInner,
  isChosen,
  movedKeyframes,
} from '../../../editor/model/keyframes.ts';
import { grouped, toRow } from '../../../editor/strip/view.ts';
import type { View } from '../../../editor/strip/view.ts';
import { useRundown } from '../rundown-context.ts';
import { keyframesText } from './text.ts';

/** Rows within which the ruler’s pointer lights a keyframe. */
const LIT = 5;

/** Rows from an end of a bar to the keyframe that stands there, so that both it and the handle can be taken hold of. */
const INSET = 9;

/** `view`: along the bar’s own axis. `ends`: those at the ends too, where there is room for them. */
export function Keyframes({ bar, x, view, ends }: { bar: Bar; x: number; view: View; ends: boolean }) {
  const { session } = useOpenedPage();
  const { bars, select, selection, view: ofPage } = useRundown();
  const all = listKeyframes(bar.motion);
  const roomy = (bar.placed.end - bar.placed.start) / view.per > 4 * INSET;
  const toPlace = (p: number) => toRow(keyframeRow(bar, p), view) + (p === 0 ? INSET : p === 1 ? -INSET : 0);
  const shares = ends && roomy ? all : all.filter(isInner);
  // As texts, so that a bar is drawn again only when its own keyframes change their state.
  const chosen = useStore(keyframeStore, (s) =>
    shares.map((p) => (isChosen(s.chosen, bar.motion.id, p) ? 1 : 0)).join(''),
  );
  const lit = useStore(keyframeStore, (s) =>
    shares
      .map((p) => (s.hover !== null && Math.abs(toPlace(p) - toRow(s.hover, ofPage)) < LIT ? 1 : 0))
      .join(''),
  );
  const press = (e: PointerEvent<SVGCircleElement>, share: number) => {
    const keyframe = { motion: bar.motion.id, share };
    const how = { ctrl: e.ctrlKey || e.metaKey, shift: e.shiftKey };
    const already = isChosen(keyframeStore.getState().chosen, keyframe.motion, share);
    if (!how.ctrl && !how.shift && !selection.includes(bar.motion.id)) select(bar.motion.id);
    if (how.ctrl || how.shift || !already) choose(keyframe, how, bars);
    // A plain press on one of several means this one, unless it becomes a drag of all.
    const alone = () => !how.ctrl && !how.shift && choose(keyframe, how, bars);
    const { chosen: moving } = keyframeStore.getState();
    const mine = bars.filter((b) => moving.some((m) => m.motion === b.motion.id));
    const label = moving.length === 1 ? 'move a keyframe' : `move ${moving.length} keyframes`;
    let motions: Motion[] = [];
    dragOperation(e, session, {
      operation(by) {
        motions = mine.map((b) => movedKeyframes(b, moving, by * view.per));
        return replaceMotions(label, motions);
      },
      ended(how) {
        if (how === 'pressed') return alone();
        if (how !== 'dropped') return;
        // They are chosen where they now lie.
        keyframeStore.setState({
          chosen: moving.map((b) => {
            const was = present(mine.find((m) => m.motion.id === b.motion));
            const now = present(motions.find((m) => m.id === b.motion));
            return { ...b, share: followShare(was.motion, now, b) };
          }),
        });
      },
    });
  };
  return shares.map((p, i) => {
    const y = toPlace(p);
    return (
      <g key={i} className={`keyframes${chosen[i] === '1' ? ' chosen' : ''}${lit[i] === '1' ? ' lit' : ''}`}>
        <circle className="bar-keyframe" cx={x} cy={y} r={chosen[i] === '1' || lit[i] === '1' ? 3.6 : 2.4} />
        <circle className="keyframe-area" cx={x} cy={y} r={6} onPointerDown={(e) => press(e, p)}>
          <title>
            {keyframesText.atPx(bar.motion.name, Number((p * 100).toFixed(1)), grouped(keyframeRow(bar, p)))}
          </title>
        </circle>
      </g>
    );
  });
}
