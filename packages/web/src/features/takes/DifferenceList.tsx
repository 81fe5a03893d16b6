/** Motions, pins and the rest that differ; each can be taken over from one take into the other. */
import { useState } from 'react';
import { useStore } from 'zustand';
import { takeOver } from '@lyvek/core';
import type { Difference, Motion } from '@lyvek/core';
import { beginDrag } from '../../ui/drag.ts';
import { DriverSign } from '../../editor/drivers/DriverSign.tsx';
import { notify } from '../../ui/notices.tsx';
import { useChosenPair } from './CurvesOver.tsx';
import { listChanges, changeWords, findName } from './model/difference-words.ts';
import { useTakes } from './takes-context.ts';
import type { Letter, Takes } from './takes-context.ts';
import { useChooseMotion } from './use-choose-motion.ts';
import { differenceListText } from './text.ts';

const CALLED: Record<Difference['list'], [string, string]> = {
  motions: ['motion differs', 'motions differ'],
  pins: ['pin differs', 'pins differ'],
  triggers: ['trigger differs', 'triggers differ'],
  cues: ['cue differs', 'cues differ'],
  adjustments: ['adjustment differs', 'adjustments differ'],
};

function toHead(differing: readonly Difference[]): string {
  const counts = new Map<Difference['list'], number>();
  for (const { list } of differing) counts.set(list, (counts.get(list) ?? 0) + 1);
  const words = [...counts].map(([list, n]) => `${n} ${CALLED[list][n === 1 ? 0 : 1]}`);
  return words.length ? words.join(', ') : 'Nothing differs';
}

/** Puts what `from` has into the other take, as an act that can be undone. */
function takeOverTo(takes: Takes, difference: Difference, from: Letter): void {
  const [source, target] = from === 'a' ? [takes.a, takes.b] : [takes.b, takes.a];
  if (source.kind !== 'take' || target.kind !== 'take') return;
  const { session } = target;
  if (!session) return notify(differenceListText.isAndStaysAs(target.name, target.note));
  const label = `${findName(difference)} as in ${source.name}`;
  const { message } = session.apply(takeOver(label, source.whole, difference, from));
  if (message) return notify(message, { wrong: true });
  notify(differenceListText.nowInToo(label, target.name), {
    action: { label: 'Undo', run: () => void session.undo() },
  });
}

export function DifferenceList() {
  const takes = useTakes();
  const { differences, looking } = takes;
  const { pair } = useChosenPair();
  const wanted = useStore(looking, (s) => s.motion);
  if (!differences)
    return (
      <section className="takes-differ">
        <p className="quiet">{differenceListText.theseAreDifferentPages}</p>
      </section>
    );
  const { differing, same } = differences;
  return (
    <section className="takes-differ" aria-label={differenceListText.whatDiffers}>
      <h2>
        {toHead(differing)};{' '}
        <small>{same === 1 ? differenceListText.oneIsTheSame : differenceListText.areTheSame(same)}</small>
      </h2>
      <ul>
        {differing.map((d) => (
          <Row key={d.list + d.id} difference={d} chosen={(wanted ?? pair?.id) === d.id} />
        ))}
      </ul>
      {differing.length > 0 && <p className="quiet">{differenceListText.takeOneOverBy}</p>}
    </section>
  );
}

function Row({ difference, chosen }: { difference: Difference; chosen: boolean }) {
  const takes = useTakes();
  const [first, ...more] = listChanges(difference).map(changeWords);
  const { list } = difference;
  const choose = useChooseMotion();
  const [dragged, setDragged] = useState<{ x: number; y: number } | null>(null);
  const stripUnder = (e: PointerEvent): Letter | null => {
    const strip = document
      .elementsFromPoint(e.clientX, e.clientY)
      .find((el) => el instanceof HTMLElement && el.dataset.strip);
    return ((strip as HTMLElement | undefined)?.dataset.strip as Letter | undefined) ?? null;
  };
  const canTo = (to: Letter) => {
    const side = takes[to];
    return side.kind === 'take' && side.session !== null;
  };
  return (
    <li className={chosen ? 'chosen' : ''}>
      <button
        type="button"
        aria-pressed={chosen}
        title={[first, ...more].join('; ')}
        onClick={() => choose(difference.id)}
        onPointerDown={(e) =>
          beginDrag(e, {
            move: (_by, event) => setDragged({ x: event.clientX, y: event.clientY }),
            drop: (_by, event) => {
              setDragged(null);
              const to = stripUnder(event);
              if (to) takeOverTo(takes, difference, to === 'a' ? 'b' : 'a');
            },
            putBack: () => setDragged(null),
          })
        }
      >
        <span className="row-sign">
          {list === 'motions' ? (
            <DriverSign kind={((difference.b ?? difference.a) as Motion).driver.kind} />
          ) : list === 'triggers' ? (
            <DriverSign kind="trigger" />
          ) : (
            <DriverSign kind="pin" />
          )}
        </span>
        <span className="row-name">{findName(difference)}</span>
        <i>
          {first}
          {more.length > 0 && ` +${more.length}`}
        </i>
      </button>
      {chosen && (
        <span className="row-over">
          {canTo('b') && (
            <button type="button" className="btn" onClick={() => takeOverTo(takes, difference, 'a')}>
              {differenceListText.asInA}
            </button>
          )}
          {canTo('a') && (
            <button type="button" className="btn" onClick={() => takeOverTo(takes, difference, 'b')}>
              {differenceListText.asInB}
            </button>
          )}
        </span>
      )}
      {dragged && (
        <span className="dragged-row" style={{ left: dragged.x + 10, top: dragged.y + 6 }}>
          {findName(difference)}
        </span>
      )}
    </li>
  );
}
