/** After the page has changed: motions whose elements are gone, what they may be now, and the word of the person who knows. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useStore } from 'zustand';
import { lostSelectors, replaceSelector, present } from '@lyvek/core';
import { api } from '../../state/api.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { lostPopoverText } from './text.ts';

export function LostPopover() {
  const { page, session } = useOpenedPage();
  const { link } = useShownPage();
  const client = useQueryClient();
  const document = useStore(session.store, (s) => s.document);
  const live = useStore(link.store, (s) => s.layout);
  const key = ['former', page.id, page.contentHash];
  const former = useQuery({ queryKey: key, queryFn: () => api.former({ id: page.id }), staleTime: Infinity });
  const before = former.data?.layout ?? null;
  const lost = useMemo(
    () => (before && live ? lostSelectors(document, before, live) : []),
    [document, before, live],
  );
  if (!before || lost.length === 0) return null;
  const name = (id: string) =>
    [...document.motions, ...document.pins, ...document.triggers].find((x) => x.id === id)?.name ??
    'an adjustment';
  const settle = (close: () => void) =>
    void api.settleFormer({ id: page.id }).then(() => {
      client.setQueryData(key, { layout: null });
      notify(lostPopoverText.lostMotionsStayIn);
      close();
    }, notifyError);
  const words = `${lost.length} lost in the new page`;
  return (
    <Popover className="btn small" trigger={words} label={words}>
      {(close) => (
        <div className="read-pop">
          <p>{lostPopoverText.thePageHasChanged}</p>
          {lost.map((l) => (
            <div key={l.selector} className="read-row">
              <p>
                <code>{l.selector}</code> {l.text && <b>“{l.text}”</b>}{' '}
                {lostPopoverText.movedBy(l.usedBy.map(name).join(', '))}
              </p>
              {l.proposal ? (
                <>
                  <p>
                    {lostPopoverText.probablyNow} <code>{l.proposal.selector}</code>
                    {lostPopoverText.alike(Math.round(l.proposal.likeness * 100))}
                  </p>
                  <button
                    type="button"
                    className="btn small"
                    onClick={() => session.apply(replaceSelector(l.selector, present(l.proposal).selector))}
                  >
                    {lostPopoverText.itIsThisOne}
                  </button>
                </>
              ) : (
                <p>{lostPopoverText.nothingInThePage}</p>
              )}
            </div>
          ))}
          <div className="read-row">
            <button type="button" className="btn small" onClick={() => settle(close)}>
              {lostPopoverText.leaveTheOthersAs}
            </button>
          </div>
        </div>
      )}
    </Popover>
  );
}
