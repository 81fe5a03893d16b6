/** All gestures of scrolling at every rate: how many frames would be late, and what the checks find, to choose the one to look at. */
import { useState } from 'react';
import { useStore } from 'zustand';
import { CLOCKS, GESTURES } from '@lyvek/core';
import type { WayFigures } from '@lyvek/core';
import { FindingSign } from '../../../ui/glyphs.tsx';
import { Choices, Popover } from '../../../ui/Popover.tsx';
import { traceKey } from '../../../state/workers/trial-work.ts';
import { useLayout, useShownPage } from '../../../preview/shown-page.ts';
import { useChoice } from '../../../state/choice.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useSettings } from '../../../state/settings.ts';
import { useWork } from '../../../state/work.ts';
import type { Answered } from '../../../state/worker-task.ts';
import { useQuestion } from '../../../preview/use-simulation.ts';
import { useTrials } from '../trials-context.ts';
import { findWorst } from '../sizes/model.ts';
import { wayAt, wayWords } from './model.ts';
import type { Way } from './model.ts';
import { waysText } from '../text.ts';

export function Ways() {
  const { session } = useOpenedPage();
  const { reducedMotion } = useShownPage();
  const { settings } = useSettings();
  const { ways } = useWork();
  const { layout, others } = useLayout();
  const { question } = useQuestion();
  const document = useStore(session.store, (s) => s.document);
  const { last, running, failed } = useStore(ways.store);
  const [everySize, setEverySize] = useState(false);
  const [pointed, point] = useState<Way | null>(null);
  const layouts = everySize ? [layout.made.from, ...others] : [layout.made.from];
  const begin = () =>
    ways.ask({ document, layouts, question, traces: settings.traces, reducedMotion: reducedMotion });
  const isFresh = last !== null && answersTo(last, { document, question, traces: settings.traces, layouts });
  const rows = [
    ...GESTURES.map((g) => ({ key: g.id, name: g.name })),
    ...settings.traces.map((t) => ({ key: traceKey(t), name: t.name })),
  ];
  const sizes = 1 + others.length;
  return (
    <div className="ways" data-state={isFresh ? 'fresh' : 'stale'}>
      <WaysTable rows={rows} answer={last?.answer ?? null} point={point} />
      <footer>
        <p role="status">
          {pointed ? (
            <Said way={pointed} many={last !== null && last.layouts.length > 1} />
          ) : failed ? (
            waysText.itFailed(failed)
          ) : last && !isFresh ? (
            waysText.outdated
          ) : last ? (
            waysText.clickOneToUse
          ) : (
            waysText.predictedTrialsOfThe(rows.length * CLOCKS.length)
          )}
        </p>
        {sizes > 1 && <SizesChoice sizes={sizes} everySize={everySize} onChoose={setEverySize} />}
        {running !== null ? (
          <span className="trial-running">
            <progress max={1} value={running} aria-label={waysText.allGestures} />
            <button type="button" className="btn" onClick={() => ways.end()}>
              {waysText.stop}
            </button>
          </span>
        ) : (
          <button type="button" className={last && isFresh ? 'btn' : 'btn main'} onClick={begin}>
            {last ? waysText.runAgain : waysText.runAll}
          </button>
        )}
      </footer>
    </div>
  );
}

type Asked = Answered<'ways'>;

interface TableProps {
  rows: readonly { key: string; name: string }[];
  answer: Asked['answer'] | null;
  point(way: Way | null): void;
}

function WaysTable({ rows, answer, point }: TableProps) {
  return (
    <table>
      <thead>
        <tr>
          <th>{waysText.lateFrames}</th>
          {CLOCKS.map((c) => (
            <th key={c.id} scope="col">
              {c.name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, name }) => (
          <tr key={key}>
            <th scope="row">{name}</th>
            {CLOCKS.map((c) => (
              <td key={c.id}>
                <Cell way={answer && wayAt(answer, key, c.id)} gesture={key} clock={c.id} point={point} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Whether what was run is what is asked now; the gesture and the rate do not matter. */
const answersTo = (last: Asked, now: Pick<Asked, 'document' | 'question' | 'traces' | 'layouts'>): boolean =>
  last.document === now.document &&
  (['limits', 'values', 'device', 'direction', 'unitCosts'] as const).every(
    (k) => last.question[k] === now.question[k],
  ) &&
  last.traces === now.traces &&
  last.layouts.length === now.layouts.length &&
  last.layouts[0] === now.layouts[0];

interface SizesProps {
  sizes: number;
  everySize: boolean;
  onChoose(everySize: boolean): void;
}

function SizesChoice({ sizes, everySize, onChoose }: SizesProps) {
  return (
    <Popover
      className="word"
      label={waysText.sizesToRun}
      placement="bottom-end"
      trigger={everySize ? waysText.atSizes(sizes) : waysText.atThisSize}
    >
      {(close) => (
        <Choices
          options={[
            { value: 'this', text: 'At this size' },
            {
              value: 'every',
              text: `At the ${sizes} sizes it was opened at`,
              note: 'the worst of them is shown',
            },
          ]}
          value={everySize ? 'every' : 'this'}
          onChoose={(v) => {
            onChoose(v === 'every');
            close();
          }}
        />
      )}
    </Popover>
  );
}

interface CellProps {
  way: Way | null;
  gesture: string;
  clock: string;
  point(way: Way | null): void;
}
function Cell({ way, gesture, clock, point }: CellProps) {
  const { choice, choose } = useChoice();
  const severity = way && findWorst(way.figures.flatMap((f) => f.findings));
  return (
    <button
      type="button"
      aria-pressed={choice.gesture === gesture && choice.clock === clock}
      aria-label={way ? wayWords(way, () => '') : waysText.notRunYet}
      onPointerEnter={() => point(way)}
      onPointerLeave={() => point(null)}
      onFocus={() => point(way)}
      onBlur={() => point(null)}
      onClick={() => choose({ gesture, clock })}
    >
      {way ? (
        <>
          <span className={way.late > 0 ? 'bad' : ''}>
            {way.late === 0 ? '0' : `${(100 * way.late).toFixed(1)} %`}
          </span>
          {severity ? <FindingSign severity={severity} /> : <span className="no-sign" />}
        </>
      ) : (
        <i>–</i>
      )}
    </button>
  );
}

function Said({ way, many }: { way: Way; many: boolean }) {
  const { document } = useTrials();
  const name = (id: string) => document.motions.find((m) => m.id === id)?.name ?? '';
  const where = (f: WayFigures) => (many ? ` (${f.viewport.width} × ${f.viewport.height})` : '');
  return <>{wayWords(way, name, where)}</>;
}
