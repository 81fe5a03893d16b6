/** Which browsers play it by themselves, from open compatibility data, and what the others show. */
import type { Assembled } from '@lyvek/core';
import support from './support.json';

type Feature = 'scroll timelines' | 'triggers' | 'animations';

export function Support({ how, fallback }: { how: Assembled['how']; fallback: boolean }) {
  const needed = [...new Set(how.map((h) => h.needs))].filter((n): n is Feature => n !== 'script');
  if (needed.length === 0) return null;
  return (
    <details className="support">
      <summary>Browsers that play it natively</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">since version</th>
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
                <td key={n}>{(b.since as Record<Feature, string | null>)[n] ?? 'not yet'}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        {fallback
          ? 'The others play it by the fallback script.'
          : needed.includes('triggers')
            ? 'Without scroll timelines the page is static and complete; without triggers, their motions are shown at their end.'
            : 'The others show the page static and complete.'}
      </p>
      <p className="small">
        {support.source}, {support.date}
      </p>
    </details>
  );
}
