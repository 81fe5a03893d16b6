/** One finding in a list: what is wrong, where, and what can be done about it. */
import { useState } from 'react';
import { acceptance, CHECK_GROUPS, checkById, acceptFinding, present } from '@lyvek/core';
import type { Finding, MotionDocument } from '@lyvek/core';
import { FindingSign } from '../../ui/glyphs.tsx';
import { notify } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { findName, SEVERITY_WORDS } from './finding-words.ts';
import { pointAt, pointAtMotion, useTrials } from './trials-context.ts';
import { findingRowText } from './text.ts';

interface FindingRowProps {
  finding: Finding;
  rowKey: string;
  /** where it is, in words */
  place: string;
  /** its own place lies on this page at this size, so that it can be pointed at */
  isHere: boolean;
  stale: boolean;
  showTitle: string;
  show(): void;
  /** the document as it is seen where it was found, and the selector of its element */
  seen: MotionDocument;
  selector: string;
  /** null: it has no fix */
  applyFix: (() => { done: boolean }) | null;
}

export function FindingRow(props: FindingRowProps) {
  const { finding, rowKey, place, isHere, stale, showTitle, show, seen, selector, applyFix } = props;
  const { session } = useOpenedPage();
  const { document } = useTrials();
  const check = present(checkById(finding.check));
  const name = findName(document, finding.about);
  const label = finding.fix?.label ?? '';
  return (
    <li
      data-key={rowKey}
      onPointerEnter={() => {
        pointAt(isHere ? finding.at : null);
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
          <span>{place}</span>
          <span className="grow" />
          <button type="button" className="btn" title={showTitle} onClick={show}>
            {findingRowText.show}
          </button>
          <Accept finding={finding} seen={seen} selector={selector} stale={stale} />
          {applyFix && (
            <button
              type="button"
              className="btn"
              title={label}
              disabled={stale}
              onClick={() => {
                if (!applyFix().done) return;
                notify(findingRowText.done(label), {
                  action: { label: 'Undo', run: () => void session.undo() },
                });
              }}
            >
              {findingRowText.fix}
            </button>
          )}
        </footer>
      </div>
    </li>
  );
}

/** Keeps a finding as it is, with the reason; it comes back when what it is about is changed. */
type AcceptProps = Pick<FindingRowProps, 'finding' | 'seen' | 'selector' | 'stale'>;
function Accept({ finding, seen, selector, stale }: AcceptProps) {
  const { session } = useOpenedPage();
  const [reason, setReason] = useState('');
  return (
    <Popover
      className="btn"
      label={findingRowText.accept}
      placement="bottom-end"
      disabled={stale}
      trigger={findingRowText.accept}
    >
      {(close) => (
        <form
          className="accept"
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim() === '') return;
            const one = acceptance(seen, finding, selector, reason);
            session.apply(acceptFinding(one));
            close();
          }}
        >
          <label>
            {findingRowText.whyThisIsAcceptable}
            <input
              className="field"
              maxLength={400}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </label>
          <p>{findingRowText.itComesBackWhen}</p>
          <button type="submit" className="btn main" disabled={reason.trim() === ''}>
            {findingRowText.acceptIt}
          </button>
        </form>
      )}
    </Popover>
  );
}
