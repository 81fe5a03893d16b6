/** What the checks find at sizes other than the one that is open. */
import { useNavigate } from 'react-router';
import { CHECK_GROUPS, checkById, mended } from '@lyvek/core';
import type { SweptFinding } from '@lyvek/core';
import { FindingSign } from '../../../parts/glyphs.tsx';
import { notify } from '../../../parts/notices.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { nameOf, SEVERITY_WORDS } from '../finding-words.ts';
import { useTrials } from '../trials-context.ts';
import { spanWords } from './model.ts';
import { useElsewhere } from './use-elsewhere.ts';

export function OtherSizes() {
  const { stale } = useTrials().sweep;
  const list = useElsewhere();
  if (list.length === 0) return null;
  return (
    <section className="other-sizes" aria-label="At other sizes" data-state={stale ? 'stale' : 'fresh'}>
      <h3>
        At other sizes <small>{list.length}</small>
      </h3>
      <ul>
        {list.map((f) => (
          <Row key={`${f.finding.check} ${f.finding.about} ${f.where}`} one={f} />
        ))}
      </ul>
    </section>
  );
}

function Row({ one }: { one: SweptFinding }) {
  const { page, take, session, setViewport, link } = useOpenedPage();
  const { document, sweep } = useTrials();
  const navigate = useNavigate();
  const { finding } = one;
  const { fix } = finding;
  const check = checkById(finding.check)!;
  const name = nameOf(document, finding.about);
  const sizes = sweep.swept!.sizes;
  const { viewport, how } = sizes[one.shown]!;
  const show = () => {
    setViewport(viewport);
    session.select(finding.about ? [finding.about] : []);
    link.scrollTo(finding.at);
    void navigate(`/pages/${page.id}?take=${take.id}`);
  };
  return (
    <li data-key={`${finding.check} ${finding.about}`}>
      <FindingSign severity={finding.severity} label={SEVERITY_WORDS[finding.severity]} />
      <div>
        <h3 title={`${CHECK_GROUPS[check.group]}: ${check.why}`}>
          {name ? `${name}: ${finding.brief}` : check.name}
        </h3>
        <p>{finding.sentence}</p>
        <footer>
          <span>{spanWords(sweep.swept!, one.at)}</span>
          <span className="grow" />
          <button
            type="button"
            className="btn"
            title={`Opens the page at ${viewport.width} × ${viewport.height}${how === 'between' ? ', which was reckoned and will be measured' : ''}`}
            onClick={show}
          >
            Show
          </button>
          {fix && (
            <button
              type="button"
              className="btn"
              title={`${fix.label}. It helps at all of these sizes`}
              disabled={sweep.stale}
              onClick={() => {
                session.actOnWhole(fix.label.toLowerCase(), (d) => mended(d, one));
                notify(`${fix.label}: done.`, { action: { label: 'Undo', run: () => void session.undo() } });
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
