/** Choosing an element by name: it is brought into sight, and its sheet is opened. */
import { useCallback } from 'react';
import { itemAt, pageBox } from '@lyvek/core';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { listThingsOn, onlyThing } from './model/things-on.ts';
import type { Rundown } from './rundown-context.ts';

type Needed = Pick<Rundown, 'layout' | 'document' | 'bars' | 'choose' | 'max'>;

export function useShowElement({ layout, document, bars, choose, max }: Needed): (element: number) => void {
  const { session } = useOpenedPage();
  const { link, viewport } = useShownPage();
  return useCallback(
    (element) => {
      choose(element);
      const own = onlyThing(listThingsOn(element, document, layout, { bars, findings: [] }));
      session.select(own ? [own.id] : []);
      const facts = itemAt(layout.elements, element);
      if (facts.fixed) return;
      const box = pageBox(layout, element);
      const { y } = link.store.getState().offset;
      if (box.y >= y && box.y + Math.min(box.height, viewport.height) <= y + viewport.height) return;
      const room = Math.max(0, viewport.height - box.height) / 2;
      link.scrollTo(Math.min(max, Math.max(0, Math.round(box.y - room))));
    },
    [layout, document, bars, choose, max, session, link, viewport],
  );
}
