/** Both takes in figures, and which of them is better. */
import { figureRows } from './model/figures.ts';
import type { FigureRow } from './model/figures.ts';
import { useFigures } from './use-figures.ts';
import { figuresText } from './text.ts';

const BAR = 15;

export function Figures() {
  const { a, b, working } = useFigures();
  if (!a || !b)
    return (
      <section className="takes-figures" aria-label={figuresText.figures}>
        <p className="quiet" role="status">
          {figuresText.measuringThePage}
        </p>
      </section>
    );
  return (
    <section className="takes-figures" aria-label={figuresText.figures} aria-busy={working}>
      <table>
        <thead>
          <tr>
            <th>{figuresText.figures}</th>
            <th>A</th>
            <th>B</th>
            <th colSpan={2}>{figuresText.difference}</th>
          </tr>
        </thead>
        <tbody>
          {figureRows(a, b).map((r) => (
            <Row key={r.name} row={r} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Row({ row }: { row: FigureRow }) {
  const length = Math.abs(row.share) * (BAR - 2);
  return (
    <tr>
      <th scope="row">{row.name}</th>
      <td>{row.a}</td>
      <td className="b">{row.b}</td>
      <td>
        {row.share !== 0 && (
          <svg width={2 * BAR} height={12} aria-hidden="true" className={`difference ${row.verdict ?? ''}`}>
            <rect x={row.share < 0 ? BAR - length : BAR} y={3} width={length} height={6} />
            <path d={`M${BAR} 0v12`} />
          </svg>
        )}
      </td>
      <td className={row.verdict ?? ''}>
        {row.difference} {row.verdict && <i>{row.verdict}</i>}
      </td>
    </tr>
  );
}
