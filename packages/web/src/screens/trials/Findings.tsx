/** What the checks found, the worst first, each with its place and what would mend it. */
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import {
  acceptance,
  CHECK_GROUPS,
  checkById,
  SEVERITIES,
  withAccepted,
  withFix,
  withoutAccepted,
} from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import { FindingSign } from '../../parts/glyphs.tsx';
import { notify } from '../../parts/notices.tsx';
import { Pop } from '../../parts/Pop.tsx';
import { grouped } from '../../parts/strip/view.ts';
import { useOpenedPage } from '../page-context.ts';
import { nameOf, SEVERITY_WORDS } from './finding-words.ts';
import { Limits } from './Limits.tsx';
import { OtherSizes } from './sizes/OtherSizes.tsx';
import { pointAt, pointAtMotion, useTrials } from './trials-context.ts';

export function Findings() {
  const { prediction, stale } = useTrials();
  const { findings } = prediction.answer;
  const sorted = useMemo(
    () =>
      [...findings].sort(
        (a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) || a.at - b.at,
      ),
    [findings],
  );
  const counts = SEVERITIES.map((s) => [s, findings.filter((f) => f.severity === s).length] as const).filter(
    ([, n]) => n > 0,
  );
  return (
    <section className="trial-findings" aria-label="Findings" data-state={stale ? 'stale' : 'fresh'}>
      <h2>
        Findings{' '}
        <small>
          {counts.length === 0 ? 'none' : counts.map(([s, n]) => `${n} ${SEVERITY_WORDS[s]}`).join(' · ')}
        </small>
        <span className="grow" />
        <Limits />
      </h2>
      <div className="findings-scroll">
        {sorted.length === 0 ? (
          <p className="quiet">Every check passes under this gesture, on this screen and at this size.</p>
        ) : (
          <ul>
            {sorted.map((f) => (
              <Row key={`${f.check} ${f.about} ${f.element} ${f.at}`} finding={f} />
            ))}
          </ul>
        )}
        <AcceptedList />
        <OtherSizes />
      </div>
    </section>
  );
}

function Row({ finding }: { finding: Finding }) {
  const { page, take, session, link } = useOpenedPage();
  const { document, stale } = useTrials();
  const navigate = useNavigate();
  const { fix } = finding;
  const check = checkById(finding.check)!;
  const name = nameOf(document, finding.about);
  const show = () => {
    session.select(finding.about ? [finding.about] : []);
    link.scrollTo(finding.at);
    void navigate(`/pages/${page.id}?take=${take.id}`);
  };
  return (
    <li
      data-key={`${finding.check} ${finding.about} ${finding.element}`}
      onPointerEnter={() => {
        pointAt(finding.at);
        pointAtMotion(finding.about || null);
      }}
      onPointerLeave={() => {
        pointAt(null);
        pointAtMotion(null);
      }}
    >
      <FindingSign severity={finding.severity} label={SEVERITY_WORDS[finding.severity]} />
      <div>
        <h3 title={`${CHECK_GROUPS[check.group]}: ${check.why}`}>
          {name ? `${name}: ${finding.brief}` : check.name}
        </h3>
        <p>{finding.sentence}</p>
        <footer>
          <span>{grouped(finding.at)} px</span>
          <span className="grow" />
          <button type="button" className="btn" onClick={show}>
            Show
          </button>
          <Accept finding={finding} />
          {fix && (
            <button
              type="button"
              className="btn"
              title={fix.label}
              disabled={stale}
              onClick={() => {
                session.act(fix.label.toLowerCase(), (d) => withFix(d, fix));
                notify(`${fix.label}: done.`, {
                  action: { label: 'Undo', run: () => void session.undo() },
                });
              }}
            >
              Fix
            </button>
          )}
        </footer>
      </div>
    </li>
  );
}

/** Keeps a finding as it is, with the reason; it comes back when what it is about is changed. */
function Accept({ finding }: { finding: Finding }) {
  const { session } = useOpenedPage();
  const { document, layout, stale } = useTrials();
  const [reason, setReason] = useState('');
  return (
    <Pop className="btn" label="Accept" placement="bottom-end" disabled={stale} face="Accept">
      {(close) => (
        <form
          className="accept"
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim() === '') return;
            const one = acceptance(document, finding, layout, reason);
            session.actOnWhole('accept a finding', (d) => withAccepted(d, one));
            close();
          }}
        >
          <label>
            Why it may stay
            <input
              className="field"
              maxLength={400}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </label>
          <p>It comes back when what it is about is changed.</p>
          <button type="submit" className="btn main" disabled={reason.trim() === ''}>
            Accept it
          </button>
        </form>
      )}
    </Pop>
  );
}

function AcceptedList() {
  const { session } = useOpenedPage();
  const { prediction, document, stale } = useTrials();
  const { accepted } = prediction.answer;
  if (accepted.length === 0) return null;
  return (
    <details className="accepted">
      <summary>{accepted.length} accepted</summary>
      <ul>
        {accepted.map(({ finding, accepted: one }) => (
          <li key={`${one.check} ${one.where}`}>
            <FindingSign severity="note" label="accepted" />
            <div>
              <h3>
                {nameOf(document, finding.about)} {finding.brief}
              </h3>
              <p>“{one.reason}”</p>
            </div>
            <button
              type="button"
              className="btn"
              disabled={stale}
              onClick={() => session.actOnWhole('no longer accept a finding', (d) => withoutAccepted(d, one))}
            >
              Take back
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
