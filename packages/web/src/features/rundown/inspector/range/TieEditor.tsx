/** What an end hangs on: a cue, or an end of another motion, a length away. */
import { cueSuits, measuresAlike, changeMotion } from '@lyvek/core';
import type { Motion, MotionDocument, Tie } from '@lyvek/core';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import type { Side } from '../../model/moves.ts';
import { untied } from '../../model/moves.ts';
import { useRundown } from '../../rundown-context.ts';
import { CssField } from '../../../../editor/fields/CssField.tsx';
import { tieEditorText } from '../text.ts';

const isZero = (css: string) => /^[+-]?0(px|%|vh)?$/.test(css.trim());

/** “dusk ends + 40px”, or null where the end hangs on nothing. */
export function tieWords(m: Motion, side: Side, d: MotionDocument): string | null {
  const tie = m.ties?.[side];
  if (!tie) return null;
  const name =
    tie.to === 'cue'
      ? `the cue ${d.cues.find((c) => c.id === tie.cue)?.name ?? ''}`
      : `the ${tie.side} of ${d.motions.find((o) => o.id === tie.motion)?.name ?? ''}`;
  return isZero(tie.offset) ? name : `${name} + ${tie.offset}`;
}

const toChoice = (tie: Tie | undefined): string =>
  !tie ? '' : tie.to === 'cue' ? `cue ${tie.cue}` : `${tie.side} ${tie.motion}`;

export function TieEditor({ motion, side }: { motion: Motion; side: Side }) {
  const { session } = useOpenedPage();
  const { document } = useRundown();
  const tie = motion.ties?.[side];
  const cues = document.cues.filter((c) => cueSuits(c, motion.driver));
  const others = document.motions.filter((o) => o.id !== motion.id && measuresAlike(o, motion)).slice(0, 60);
  if (cues.length + others.length === 0) return null;
  const put = (next: Tie | undefined) =>
    session.apply(
      changeMotion(motion.id, next ? tieEditorText.attachThe(side) : tieEditorText.detachThe(side), (m) => {
        const free = untied(m, side);
        return next ? { ...free, ties: { ...free.ties, [side]: next } } : free;
      }),
    );
  const choose = (value: string) => {
    const [kind, id] = value.split(' ') as [string, string];
    if (value === '') return put(undefined);
    const offset = tie?.offset ?? '0px';
    put(
      kind === 'cue'
        ? { to: 'cue', cue: id, offset }
        : { to: 'motion', motion: id, side: kind as Side, offset },
    );
  };
  // An end cannot hang on what hangs on it.
  const circular = (o: Motion, at: Side) => {
    const t = o.ties?.[at];
    return t?.to === 'motion' && t.motion === motion.id && t.side === side;
  };
  return (
    <fieldset className={`tie${tie ? ' stored' : ''}`}>
      <legend>{tieEditorText.attachedTo}</legend>
      <div className="point-row">
        <select
          className="field"
          aria-label={tieEditorText.whatTheIsAttached(side)}
          value={toChoice(tie)}
          onChange={(e) => choose(e.target.value)}
        >
          <option value="">{tieEditorText.nothing}</option>
          {cues.map((c) => (
            <option key={c.id} value={`cue ${c.id}`}>
              {tieEditorText.theCue(c.name)}
            </option>
          ))}
          {others.flatMap((o) =>
            (['start', 'end'] as const)
              .filter((at) => !circular(o, at))
              .map((at) => (
                <option key={at + o.id} value={`${at} ${o.id}`}>
                  {tieEditorText.theOf(at, o.name)}
                </option>
              )),
          )}
        </select>
        {tie && (
          <>
            {' '}
            {tieEditorText.and}
            <CssField
              label={tieEditorText.offsetFromIt}
              property="length"
              className="w-16"
              value={tie.offset}
              onPut={(offset) => put({ ...tie, offset: /^-?[\d.]+$/.test(offset) ? `${offset}px` : offset })}
            />
          </>
        )}
      </div>
    </fieldset>
  );
}
