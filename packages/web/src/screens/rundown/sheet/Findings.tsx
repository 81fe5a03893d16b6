/** Findings in the sheet. */
import { withFix } from '@lyvek/core';
import type { Finding } from '@lyvek/core';
import { FindingSign } from '../../../parts/glyphs.tsx';
import { useOpenedPage } from '../../page-context.ts';
import { useRundown, useSingle } from '../rundown-context.ts';

/** What the checks say of this motion, each with a fix that can be tried before it is applied. */
export function Findings() {
  const { findings } = useRundown();
  const { motion } = useSingle()!;
  const own = findings.filter((f) => f.about === motion.id);
  if (own.length === 0) return null;
  return (
    <ul className="findings">
      {own.map((f) => (
        <FindingRow key={f.check} finding={f} />
      ))}
    </ul>
  );
}

function FindingRow({ finding }: { finding: Finding }) {
  const { session, link } = useOpenedPage();
  const { stale } = useRundown();
  const { fix } = finding;
  return (
    <li>
      <FindingSign severity={finding.severity} label={finding.severity} />
      <span className="grow">{finding.sentence}</span>
      <button type="button" className="btn" onClick={() => link.scrollTo(finding.at)}>
        Show
      </button>
      {fix && (
        <button
          type="button"
          className="btn"
          disabled={stale}
          onPointerEnter={() => session.try((d) => withFix(d, fix))}
          onPointerLeave={() => session.try(null)}
          onClick={() => session.act(fix.label.toLowerCase(), (d) => withFix(d, fix))}
        >
          {fix.label}
        </button>
      )}
    </li>
  );
}
