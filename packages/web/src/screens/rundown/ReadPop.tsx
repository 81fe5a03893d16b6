/** What the page moved by its own CSS: mistakes in it, with what was meant, and what was left as it is. */
import { useQuery } from '@tanstack/react-query';
import { useStore } from 'zustand';
import { addRead } from '@lyvek/core';
import { api } from '../../data/api.ts';
import { notify, notifyError } from '../../parts/notices.tsx';
import { Pop } from '../../parts/Pop.tsx';
import { useOpenedPage } from '../page-context.ts';

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
/** Mistakes that are mended where the page is read; the others are the document’s, whose checks find them. */
const READ_AGAIN = new Set(['shorthand-order', 'zero-duration']);

export function ReadPop() {
  const { page, session } = useOpenedPage();
  const taken = useStore(session.store, (s) => s.document.taken);
  const reading = useQuery({
    queryKey: ['reading', page.id, page.contentHash],
    queryFn: () => api.reading(page.id),
    staleTime: Infinity,
  });
  if (!reading.data) return null;
  const { document: plain } = reading.data;
  // What has been read as it was meant is no longer in the page.
  const mistakes = reading.data.mistakes.filter((m) => !READ_AGAIN.has(m.kind) || !taken.includes(m.rule));
  const unread = reading.data.unread;
  if (unread.length + mistakes.length === 0) return null;
  const face = [
    mistakes.length ? count(mistakes.length, 'mistake', 'mistakes') : '',
    unread.length ? `${unread.length} left in the page` : '',
  ]
    .filter(Boolean)
    .join(', ');
  const mend = async (key: string, close: () => void) => {
    try {
      const { document: mended } = await api.reading(page.id, key);
      session.act('Read as meant', (d) => addRead(d, mended, plain));
      notify('It is read as it was meant. Undo puts it back.');
      close();
    } catch (e) {
      notifyError(e);
    }
  };
  return (
    <Pop className="btn small" face={face} label={face}>
      {(close) => (
        <div className="read-pop">
          {plain.motions.length > 0 && (
            <p>
              {count(plain.motions.length, 'motion was', 'motions were')} read from the page’s own CSS, and{' '}
              {plain.motions.length === 1 ? 'is' : 'are'} taken out of it at hand-off.
            </p>
          )}
          {mistakes.length > 0 && <h3>Mistakes in the page</h3>}
          {mistakes.map((m) => (
            <div key={m.key} className="read-row">
              <p>
                <code>
                  {m.place.path}:{m.place.line}
                </code>{' '}
                <b>{m.what}.</b> {m.why} {m.fix}
              </p>
              {READ_AGAIN.has(m.kind) && (
                <button type="button" className="btn small" onClick={() => void mend(m.key, close)}>
                  Read it as meant
                </button>
              )}
            </div>
          ))}
          {unread.length > 0 && <h3>Left as it is</h3>}
          {unread.slice(0, 60).map((u) => (
            <div key={`${u.place.path}${u.place.from}${u.reason}`} className="read-row">
              <p>
                <code>
                  {u.place.path}:{u.place.line}:{u.place.column}
                </code>{' '}
                <b>{u.what}</b> {u.reason}.
              </p>
            </div>
          ))}
          {unread.length > 60 && <p>and {unread.length - 60} more</p>}
          {taken.length > 0 && <p className="small">Everything else of the page stays as you brought it.</p>}
        </div>
      )}
    </Pop>
  );
}
