/** What the checks found, the worst first, each with its place and what would mend it. */
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useStore } from 'zustand';
import { SEVERITIES, applyFix, unacceptFinding } from '@lyvek/core';
import type { Finding, MotionDocument } from '@lyvek/core';
import { FindingSign } from '../../ui/glyphs.tsx';
import { grouped } from '../../editor/strip/view.ts';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useSettings } from '../../state/settings.ts';
import { findName, severityCount } from './finding-words.ts';
import { FindingRow } from './FindingRow.tsx';
import { Limits } from './Limits.tsx';
import { OtherSizes } from './sizes/OtherSizes.tsx';
import { useTrials } from './trials-context.ts';
import { findingsText } from './text.ts';

export function Findings() {
  const { prediction, stale, document } = useTrials();
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
    <section
      className="trial-findings"
      aria-label={findingsText.findings}
      data-state={stale ? 'stale' : 'fresh'}
    >
      <h2>
        {findingsText.findings}{' '}
        <small>
          {counts.length === 0 ? findingsText.none : counts.map(([s, n]) => severityCount(s, n)).join(' · ')}
        </small>
        <span className="grow" />
        <Limits />
      </h2>
      <div className="findings-scroll">
        <MeasuredNote />
        {sorted.length === 0 ? (
          <p className="quiet">{passedWords(document)}</p>
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

/** Nothing looked at is nothing passed. */
function passedWords({ motions }: MotionDocument): string {
  const on = motions.filter((m) => m.on).length;
  if (on === 0) return 'Nothing was checked: no motion is on.';
  return `Every check passes for ${on === 1 ? 'the one motion' : `all ${on} motions`}, as predicted under this gesture, on this screen and at this size.`;
}

/** The checks are of the prediction; where the newest measured trial of this take says otherwise, it is said here. */
function MeasuredNote() {
  const { take } = useOpenedPage();
  const { settings } = useSettings();
  const { measured } = useTrials();
  const save = useStore(useOpenedPage().session.store, (s) => s.save);
  const newest = measured.history.find((t) => t.takeId === take.id && t.state === 'done' && t.summary);
  const limit = settings.limits.onTime;
  if (!newest?.summary || 100 * newest.summary.onTime >= limit) return null;
  const share = (100 * newest.summary.onTime).toFixed(1);
  const old = newest.revision < save.revision ? `, of revision ${newest.revision},` : '';
  return (
    <p className="measured-note" role="note">
      <FindingSign severity="error" label={findingsText.error} />{' '}
      {findingsText.theNewestMeasuredTrial(old, share, limit)}
    </p>
  );
}

function Row({ finding }: { finding: Finding }) {
  const { page, take, session } = useOpenedPage();
  const { link } = useShownPage();
  const { document, layout, stale } = useTrials();
  const navigate = useNavigate();
  const { fix } = finding;
  return (
    <FindingRow
      finding={finding}
      rowKey={`${finding.check} ${finding.about} ${finding.element}`}
      place={findingsText.px(grouped(finding.at))}
      isHere
      stale={stale}
      showTitle={findingsText.opensItInThe}
      show={() => {
        session.select(finding.about ? [finding.about] : []);
        link.scrollTo(finding.at);
        void navigate(`/pages/${page.id}?take=${take.id}`);
      }}
      seen={document}
      selector={layout.elements[finding.element]?.selector ?? ''}
      applyFix={fix && (() => session.apply(applyFix(fix)))}
    />
  );
}

function AcceptedList() {
  const { session } = useOpenedPage();
  const { prediction, document, stale } = useTrials();
  const { accepted } = prediction.answer;
  if (accepted.length === 0) return null;
  return (
    <details className="accepted">
      <summary>{findingsText.accepted(accepted.length)}</summary>
      <ul>
        {accepted.map(({ finding, accepted: one }) => (
          <li key={`${one.check} ${one.where}`}>
            <FindingSign severity="info" label={findingsText.acceptedMark} />
            <div>
              <h3>
                {findName(document, finding.about)} {finding.brief}
              </h3>
              <p>“{one.reason}”</p>
            </div>
            <button
              type="button"
              className="btn"
              disabled={stale}
              onClick={() => session.apply(unacceptFinding(one))}
            >
              {findingsText.withdraw}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
