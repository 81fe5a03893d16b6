/** What the page moved by its own CSS: mistakes in it, with what was meant, and what was left as it is. */
import { useStore } from 'zustand';
import { isOpenMistake, importWithCorrection, present } from '@lyvek/core';
import type { Correction } from '@lyvek/core';
import { notify } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useOpenedPage } from '../../state/opened-page.ts';
import { useImport } from '../../state/use-import.ts';
import { importPopoverText } from './text.ts';

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
export function ImportPopover() {
  const { session } = useOpenedPage();
  const document = useStore(session.store, (s) => s.document);
  const { importedRules } = document;
  const imported = useImport();
  if (!imported) return null;
  const { document: plain, unsupported } = imported;
  // What has been read as it was meant is no longer in the page.
  const mistakes = imported.mistakes.filter((m) => isOpenMistake(m, document));
  if (unsupported.length + mistakes.length === 0) return null;
  const words = [
    mistakes.length ? count(mistakes.length, 'mistake', 'mistakes') : '',
    unsupported.length ? `${unsupported.length} not imported` : '',
  ]
    .filter(Boolean)
    .join(', ');
  const correct = (correction: Correction, close: () => void) => {
    session.apply(importWithCorrection(correction));
    notify(importPopoverText.importedWithTheCorrection);
    close();
  };
  return (
    <Popover className="btn small" trigger={words} label={words}>
      {(close) => (
        <div className="read-pop">
          {imported.proof ? (
            <p>{imported.proof.message}</p>
          ) : (
            plain.motions.length > 0 && (
              <p>
                {importPopoverText.importedFromThePages(
                  count(plain.motions.length, 'motion was', 'motions were'),
                  plain.motions.length,
                )}
              </p>
            )
          )}
          {mistakes.length > 0 && <h3>{importPopoverText.mistakesInThePage}</h3>}
          {mistakes.map((m) => (
            <div key={m.key} className="read-row">
              <p>
                <code>
                  {m.place.path}:{m.place.line}
                </code>{' '}
                <b>{m.what}.</b> {m.why} {m.advice}
              </p>
              {m.correction && (
                <button
                  type="button"
                  className="btn small"
                  onClick={() => correct(present(m.correction), close)}
                >
                  {importPopoverText.importWithCorrection}
                </button>
              )}
            </div>
          ))}
          {unsupported.length > 0 && <h3>{importPopoverText.notImported}</h3>}
          {unsupported.slice(0, 60).map((u) => (
            <div key={`${u.place.path}${u.place.from}${u.reason}`} className="read-row">
              <p>
                <code>
                  {u.place.path}:{u.place.line}:{u.place.column}
                </code>{' '}
                <b>{u.what}</b> {u.reason}.
              </p>
            </div>
          ))}
          {unsupported.length > 60 && <p>{importPopoverText.andMore(unsupported.length - 60)}</p>}
          {importedRules.length > 0 && <p className="small">{importPopoverText.everythingElseInThe}</p>}
        </div>
      )}
    </Popover>
  );
}
