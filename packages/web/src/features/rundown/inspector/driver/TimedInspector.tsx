/** The sheet of a trigger, or of what plays at page load: its sentence, its parts on a time ruler, the values of the chosen part. */
import { useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import { isAtLoad, findMatches, refersTo, computeTimes, changeTrigger, removeThings } from '@lyvek/core';
import type { Trigger, Motion } from '@lyvek/core';
import { DriverSign } from '../../../../editor/drivers/DriverSign.tsx';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { TimePlayer } from '../../model/time-player.ts';
import { useRundown } from '../../rundown-context.ts';
import { MotionCurves } from '../keyframes/Curves.tsx';
import { DriverHead } from './DriverHead.tsx';
import { InspectorHead } from '../InspectorHead.tsx';
import { PartSentence } from './PartSentence.tsx';
import { TimeRuler } from './TimeRuler.tsx';
import { TriggerSentence } from './TriggerSentence.tsx';
import { timedInspectorText } from './text.ts';

export function TimedInspector({ trigger, part }: { trigger: Trigger | null; part: Motion | null }) {
  const { link } = useShownPage();
  const { document, layout } = useRundown();
  const parts = useMemo(
    () => document.motions.filter((m) => (trigger ? refersTo(m.driver, trigger.id) : isAtLoad(m.driver))),
    [document, trigger],
  );
  const times = computeTimes(document.motions);
  const length = Math.max(1, ...parts.map((p) => times.get(p.id)?.end ?? 0));
  const ids = parts.map((p) => p.id).join(' ');
  const player = useMemo(() => new TimePlayer(link), [link]);
  useEffect(() => player.of(ids ? ids.split(' ') : []), [player, ids]);
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      const inField = (e.target as Element).closest('input, textarea, select');
      if (e.key.toLowerCase() === 'r' && !e.ctrlKey && !e.metaKey && !inField) player.play(length);
    };
    addEventListener('keydown', hear);
    return () => removeEventListener('keydown', hear);
  }, [player, length]);
  const now = useStore(player.store, (s) => s.at);
  const shown = part ?? parts[0] ?? null;
  const element = shown ? (findMatches(layout, shown.targets.selector)[0] ?? -1) : -1;
  const own = shown && times.get(shown.id);
  return (
    <section
      className="inspector"
      aria-label={trigger ? timedInspectorText.trigger(trigger.name) : timedInspectorText.atPageLoad}
    >
      {part ? <InspectorHead motion={part} /> : trigger && <TriggerHead trigger={trigger} />}
      <div className="inspector-columns timed-columns">
        <div className="inspector-middle">
          {trigger && <TriggerSentence trigger={trigger} />}
          {shown && element >= 0 && <PartSentence part={shown} element={element} parts={parts} />}
          {shown && element < 0 && (
            <p className="inspector-note wrong" role="status">
              {timedInspectorText.noElementMatchesGive(shown.targets.selector)}
            </p>
          )}
        </div>
        <TimeRuler parts={parts} times={times} length={length} chosen={shown?.id ?? null} player={player} />
        {shown && element >= 0 && own && (
          <MotionCurves
            motion={shown}
            element={element}
            progress={now === null ? 1 : Math.min(1, Math.max(0, (now - own.start) / (own.end - own.start)))}
            ends={[
              `${Math.round(own.start)}`,
              now === null ? '' : `${Math.round(now)}`,
              `${Math.round(own.end)} ms`,
            ]}
          />
        )}
      </div>
    </section>
  );
}

function TriggerHead({ trigger }: { trigger: Trigger }) {
  const { session } = useOpenedPage();
  const change = (label: string, part: Partial<Trigger>) =>
    session.apply(changeTrigger(trigger.id, label, (g) => ({ ...g, ...part })));
  return (
    <DriverHead
      driver={trigger}
      kind="trigger"
      words="trigger"
      sign={<DriverSign kind="trigger" />}
      change={change}
    >
      <button
        type="button"
        className="btn"
        onClick={() => session.apply(removeThings([trigger.id], timedInspectorText.deleteTheTrigger))}
      >
        {timedInspectorText.deleteIt}
      </button>
    </DriverHead>
  );
}
