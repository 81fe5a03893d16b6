/** Findings about what is selected, one at a time, under the sheet: whatever comes and goes here, nothing above it moves. */
import { useState } from 'react';
import { isTriggered, itemAt } from '@lyvek/core';
import { Chevron, FindingSign } from '../../../ui/glyphs.tsx';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useFixing } from '../../../state/use-fixing.ts';
import { FixButton } from './FixButton.tsx';
import { useRundown } from '../rundown-context.ts';
import { findingsDockText } from './text.ts';

export function FindingsDock() {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { findings, selection, stale, document } = useRundown();
  const [at, setAt] = useState({ id: '', index: 0 });
  const id = selection.length === 1 ? itemAt(selection, 0) : '';
  // The sheet of a part is its trigger’s, too.
  const driver = document.motions.find((m) => m.id === id)?.driver;
  const about = driver && isTriggered(driver) ? [id, driver.trigger] : [id];
  const own = findings.filter((f) => about.includes(f.about));
  const index = at.id === id ? Math.min(at.index, own.length - 1) : 0;
  const { fix, waiting } = useFixing(session, findings, stale);
  const finding = own[index];
  if (!id || !finding) return null;
  const step = (by: number) => setAt({ id, index: (index + by + own.length) % own.length });
  return (
    <ul className="findings findings-dock" aria-label={findingsDockText.findingsAboutThis}>
      <li>
        <FindingSign severity={finding.severity} label={finding.severity} />
        <span className="grow" title={finding.sentence}>
          {finding.sentence}
        </span>
        {own.length > 1 && (
          <span className="findings-pages">
            <button
              type="button"
              className="btn square"
              aria-label={findingsDockText.previousFinding}
              onClick={() => step(-1)}
            >
              <Chevron to="left" />
            </button>
            {findingsDockText.ofWord(index + 1, own.length)}
            <button
              type="button"
              className="btn square"
              aria-label={findingsDockText.nextFinding}
              onClick={() => step(1)}
            >
              <Chevron to="right" />
            </button>
          </span>
        )}
        <button type="button" className="btn" onClick={() => link.scrollTo(finding.at)}>
          {findingsDockText.show}
        </button>
        <FixButton finding={finding} waiting={waiting !== null} onFix={fix} />
      </li>
    </ul>
  );
}
