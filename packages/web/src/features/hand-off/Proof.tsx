/** Proof: the finished hand-off runs in this browser, or in one on the server’s machine, and is held against the prediction. */
import type * as z from 'zod';
import type { HandOffQuery } from '@lyvek/api';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useStore } from 'zustand';
import {
  PROOF_LIMIT,
  activeMedia,
  judge,
  lookedWords,
  scheduleProof,
  underMedia,
  withPins,
  findWorst,
} from '@lyvek/core';
import type {
  EngineName,
  Layout,
  MotionDocument,
  MotionProof,
  ProofSchedule,
  ProofResult,
} from '@lyvek/core';
import { api } from '../../state/api.ts';
import { previewUrl } from '../../preview/preview-url.ts';
import { useLayout, useShownPage } from '../../preview/shown-page.ts';
import { useLabEngines } from '../../state/lab-engines.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { ProofLink } from './proof-link.ts';
import { ProofWindow } from './ProofWindow.tsx';
import { keepProof } from './proved-before.ts';
import { proofText } from './text.ts';

type Query = z.output<typeof HandOffQuery>;
/** this browser, or one on the server’s machine */
type Where = 'here' | EngineName;
interface Run {
  where: Where;
  token: string | null;
  schedule: ProofSchedule;
  document: MotionDocument;
  layout: ReturnType<typeof withPins>;
}
interface Proved extends ProofResult {
  where: Where;
  /** the browser, as it calls itself; empty for this one */
  version: string;
  /** which document was proved, and as what */
  mark: string;
  seconds: number;
}

const PLACES = 120;
/** Which document was proved, and as what. */
export const proofMark = (revision: number, query: Query): string => `${revision} ${JSON.stringify(query)}`;

export interface ProofState {
  running: Where | null;
  done: number;
  result: Proved | null;
  error: string | null;
}

/** A proof that is run, or has been run. */
function useProof(query: Query) {
  const { take, session } = useOpenedPage();
  const { viewport } = useShownPage();
  const { layout: bare } = useLayout();
  const document = useStore(session.store, (s) => s.document);
  const revision = useStore(session.store, (s) => s.save.revision);
  const [run, setRun] = useState<Run | null>(null);
  const [done, setDone] = useState(0);
  const [results, setResults] = useState<readonly Proved[]>([]);
  const [error, setError] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const mark = proofMark(revision, query);
  useEffect(() => () => stop.current?.abort(), []);

  const begin = async (where: Where) => {
    stop.current?.abort();
    const abort = new AbortController();
    stop.current = abort;
    setError(null);
    setDone(0);
    const seen = underMedia(document, activeMedia(document, { viewport, reducedMotion: false }));
    const layout = withPins(bare as Layout, seen.pins);
    const schedule = scheduleProof(seen, layout, PLACES);
    const from = performance.now();
    const finish = (r: ProofResult & { version?: string }) => {
      const seconds = (performance.now() - from) / 1000;
      const proved: Proved = { version: '', ...r, where, mark, seconds };
      setResults((known) => [proved, ...known.filter((k) => k.where !== where)]);
      keepProof(take.id, {
        where,
        version: proved.version,
        worst: r.values === 0 ? null : Math.max(0, ...r.motions.map(findWorst)),
        motions: r.motions.length,
        of: r.of.motions,
        mark,
        at: Date.now(),
      });
      setRun(null);
    };
    const next: Run = { where, token: null, schedule, document: seen, layout };
    setRun(next);
    try {
      if (where !== 'here')
        finish(await api.labProof({ id: take.id, ...query, engine: where }, { signal: abort.signal }));
      else {
        const { token } = await api.startProof({ id: take.id, ...query });
        if (abort.signal.aborted) return;
        setRun({ ...next, token });
        const link = await ProofLink.opened(previewUrl(token), viewport, abort.signal);
        const looks = await link.looks(schedule, setDone);
        finish(judge(seen, layout, schedule, looks));
      }
    } catch (e) {
      if (abort.signal.aborted) return;
      setRun(null);
      setError(e instanceof Error ? e.message : String(e));
    }
  };
  const cancel = () => {
    stop.current?.abort();
    setRun(null);
  };
  return { run, done, results, error, begin, cancel, document, viewport, mark };
}

interface ProofProps {
  query: Query;
  saved: boolean;
  onShow(motion: string): void;
}

export function Proof({ query, saved, onShow }: ProofProps) {
  const { run, done, results, error, begin, cancel, document, viewport, mark } = useProof(query);
  const [result, ...others] = results;
  return (
    <div className="proof">
      <header className="hand-head">
        <b>{proofText.proof}</b>
        <span>{result && !run ? proofText.where(result.version, result.seconds) : ''}</span>
        <span className="grow" />
        {!run && (
          <button type="button" className="btn small" disabled={!saved} onClick={() => void begin('here')}>
            {result ? proofText.proveAgain : proofText.proveIt}
          </button>
        )}
      </header>
      {run && (
        <div className="proof-run" role="status">
          <p>
            {run.where === 'here'
              ? proofText.theFinishedPageIs(done, run.schedule.looks.length)
              : proofText.scrollsTheFinished(run.where)}
          </p>
          <progress
            className="progress w-full"
            {...(run.where === 'here' ? { value: done, max: run.schedule.looks.length } : {})}
          />
          {run.where === 'here' && <ProofWindow width={232} viewport={viewport} />}
          <button type="button" className="btn small" onClick={cancel}>
            {proofText.cancel}
          </button>
        </div>
      )}
      {error !== null && (
        <p role="alert" className="proof-error">
          {error}
        </p>
      )}
      {!run && result && (
        <Result result={result} stale={result.mark !== mark} document={document} onShow={onShow} />
      )}
      {!run && others.length > 0 && (
        <ul className="proof-others">
          {others.map((r) => (
            <li key={r.where}>
              {proofText.also(r.version, Math.max(0, ...r.motions.map(findWorst)), r.mark !== mark)}
            </li>
          ))}
        </ul>
      )}
      {!run && !result && error === null && (
        <p className="proof-empty">{proofText.runsTheFinishedPage(PLACES)}</p>
      )}
      {!run && <LabEngines saved={saved} onProve={(engine) => void begin(engine)} />}
    </div>
  );
}

function LabEngines({ saved, onProve }: { saved: boolean; onProve(engine: EngineName): void }) {
  const engines = useLabEngines();
  if (engines.length === 0) return null;
  return (
    <p className="proof-lab">
      {proofText.proveOnTheServer}
      {engines.map((e) => (
        <button
          key={e.name}
          type="button"
          className="link"
          disabled={!saved || e.missing !== null}
          title={e.missing ?? undefined}
          onClick={() => onProve(e.name)}
        >
          {e.label}
        </button>
      ))}
    </p>
  );
}

function Result({
  result,
  stale,
  document,
  onShow,
}: {
  result: Proved;
  stale: boolean;
  document: MotionDocument;
  onShow(motion: string): void;
}) {
  const name = (id: string) => document.motions.find((m) => m.id === id)?.name ?? id;
  const sorted = useMemo(
    () => [...result.motions].sort((a, b) => findWorst(b) - findWorst(a)),
    [result.motions],
  );
  const worst = sorted[0];
  const off = sorted.filter((m) => findWorst(m) > PROOF_LIMIT);
  const scale = Math.max(0.02, ...sorted.map(findWorst));
  return (
    <>
      <p className="proof-sentence">
        {off.length === 0 ? (
          <>
            {lookedWords(result)}
            {worst && (
              <>
                {' '}
                {proofText.everythingMatchesThe} <b>{findWorst(worst).toFixed(3)}</b>.
              </>
            )}
          </>
        ) : (
          <>
            <b>{off.length === 1 ? proofText.oneMotionDiffers : proofText.motionsDiffer(off.length)}</b>{' '}
            {proofText.fromWhatWasPredicted(PROOF_LIMIT)}
          </>
        )}
        {stale && proofText.theTakeHasChanged}
      </p>
      <p className="proof-key">
        <span>{proofText.largestDifferencePxOr}</span>
        <span>
          <i className="bar down" /> {proofText.down} <i className="bar up" /> {proofText.up}
        </span>
      </p>
      <ol className="proof-bars">
        {sorted.slice(0, 40).map((m) => (
          <li key={m.motion} className={findWorst(m) > PROOF_LIMIT ? 'off' : ''}>
            <button type="button" title={placeWords(m)} onClick={() => onShow(m.motion)}>
              <span className="name">{name(m.motion)}</span>
              <span className="bars">
                <i className="bar down" style={{ width: `${(100 * Math.min(m.down, scale)) / scale}%` }} />
                <i className="bar up" style={{ width: `${(100 * Math.min(m.up, scale)) / scale}%` }} />
              </span>
              <b>{findWorst(m) >= 99 ? proofText.other : findWorst(m).toFixed(3)}</b>
            </button>
            {findWorst(m) > PROOF_LIMIT && <p>{placeWords(m)}</p>}
          </li>
        ))}
      </ol>
      {result.skipped.length > 0 && (
        <details className="proof-skipped">
          <summary>{proofText.ofNotProved(result.skipped.length, result.of.motions)}</summary>
          {result.skipped.map((s) => (
            <p key={s.motion}>
              <b>{name(s.motion)}</b>: {s.reason}.
            </p>
          ))}
        </details>
      )}
    </>
  );
}

const placeWords = (m: MotionProof): string =>
  m.shown === ''
    ? 'the same everywhere'
    : `at ${Math.round(m.at)} px ${m.property} is ${m.shown}, predicted ${m.predicted}`;
