/** Which browsers play it by themselves, from open compatibility data, and what the others show. */
import type { Assembled, Feature } from '@lyvek/core';
import { useProvedBefore } from './proved-before.ts';
import support from './support.json';
import { supportText } from './text.ts';

const at = (ms: number): string =>
  new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short', hour12: false }).format(
    new Date(ms),
  );

interface SupportProps {
  needed: readonly Feature[];
  fallback: boolean;
  deviations: Assembled['deviations'];
  /** of a motion */
  findName(id: string): string;
  takeId: string;
  /** of what is handed off now */
  mark: string;
}

export function Support({ needed, fallback, deviations, findName, takeId, mark }: SupportProps) {
  const proved = useProvedBefore(takeId);
  if (needed.length === 0) return null;
  return (
    <details className="support">
      <summary>{supportText.browsersThatPlayIt}</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">{supportText.sinceVersion}</th>
            {needed.map((n) => (
              <th key={n} scope="col">
                {n}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {support.browsers.map((b) => (
            <tr key={b.name}>
              <th scope="row">{b.name}</th>
              {needed.map((n) => (
                <td key={n}>{(b.since as Record<Feature, string | null>)[n] ?? supportText.notYet}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        {fallback
          ? supportText.theOthersPlayIt
          : needed.includes('triggers')
            ? supportText.withoutScrollTimelinesThe
            : supportText.theOthersShowThe}
      </p>
      {deviations.length > 0 && (
        <>
          <p>{supportText.knownDifferences}</p>
          <ul>
            {deviations.map((d, i) => (
              <li key={i}>
                {supportText.differs(d.browser, d.motion === null ? null : findName(d.motion), d.note)}
              </li>
            ))}
          </ul>
        </>
      )}
      {proved.length > 0 && (
        <>
          <p>{supportText.provedHere}</p>
          <ul>
            {proved.map((p) => (
              <li key={p.where}>{supportText.proved(p, at(p.at), p.mark !== mark)}</li>
            ))}
          </ul>
        </>
      )}
      <p className="small">{supportText.fromOpenData(support.source, support.date, proved.length > 0)}</p>
    </details>
  );
}
