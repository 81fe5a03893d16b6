/** What the checks find at sizes other than the one that is open. */
import { useNavigate } from 'react-router';
import { useStore } from 'zustand';
import { corrected, underMedia, editWhole, itemAt, present } from '@lyvek/core';
import type { SweptFinding } from '@lyvek/core';
import { useShownPage } from '../../../preview/shown-page.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { FindingRow } from '../FindingRow.tsx';
import { useTrials } from '../trials-context.ts';
import { spanWords } from './model.ts';
import { useElsewhere } from './use-elsewhere.ts';
import { otherSizesText } from '../text.ts';

export function OtherSizes() {
  const { stale } = useTrials().sweep;
  const list = useElsewhere();
  if (list.length === 0) return null;
  return (
    <section
      className="other-sizes"
      aria-label={otherSizesText.atOtherSizes}
      data-state={stale ? 'stale' : 'fresh'}
    >
      <h3>
        {otherSizesText.atOtherSizes} <small>{list.length}</small>
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
  const { page, take, session } = useOpenedPage();
  const { setViewport, link } = useShownPage();
  const { swept, stale } = useTrials().sweep;
  const whole = useStore(session.store, (s) => s.document);
  const navigate = useNavigate();
  const { finding } = one;
  const { fix } = finding;
  const { viewport, how } = itemAt(present(swept).sizes, one.shown);
  return (
    <FindingRow
      finding={finding}
      rowKey={`${finding.check} ${finding.about}`}
      place={spanWords(present(swept), one.at)}
      isHere={false}
      stale={stale}
      showTitle={otherSizesText.opensThePageAt(viewport.width, viewport.height, how)}
      show={() => {
        setViewport(viewport);
        session.select(finding.about ? [finding.about] : []);
        link.scrollTo(finding.at);
        void navigate(`/pages/${page.id}?take=${take.id}`);
      }}
      seen={underMedia(whole, one.active)}
      selector={one.where}
      applyFix={fix && (() => session.apply(editWhole(fix.label.toLowerCase(), (d) => corrected(d, one))))}
    />
  );
}
