/** What was found, where nothing is selected. A finding about a motion leads to it; one about the page is shown and mended here. */
import { FindingSign } from '../../../ui/glyphs.tsx';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { useFixing } from '../../../state/use-fixing.ts';
import { nameOfThing } from '../model/things-on.ts';
import { FixButton } from './FixButton.tsx';
import { useRundown } from '../rundown-context.ts';
import { findingsDockText } from './text.ts';

const MAX_LISTED = 8;

export function FindingsList() {
  const { findings, select, document, stale } = useRundown();
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { fix, waiting } = useFixing(session, findings, stale);
  if (findings.length === 0) return null;
  return (
    <ul className="findings wide">
      {findings.slice(0, MAX_LISTED).map((f) => (
        <li key={`${f.check} ${f.about} ${f.element}`}>
          <FindingSign severity={f.severity} label={f.severity} />
          <button
            type="button"
            className="finding-name"
            onClick={() => (f.about ? select(f.about) : link.scrollTo(f.at))}
          >
            {f.about ? nameOfThing(f.about, document) : findingsDockText.thePage}
          </button>
          <span className="grow">{f.sentence}</span>
          {!f.about && <FixButton finding={f} waiting={waiting !== null} onFix={fix} />}
        </li>
      ))}
    </ul>
  );
}
