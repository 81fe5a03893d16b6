/** The page goes along with the selection: where the element of what is selected is not in sight, it is scrolled to, unless that is locked. */
import { useEffect, useRef, useState } from 'react';
import { drawnAt, findMatches, isAtLoad, itemAt } from '@lyvek/core';
import { useShownPage } from '../../preview/shown-page.ts';
import { findOwnAxis } from '../../editor/model/own-axis.ts';
import { placeFlags } from './model/flags.ts';
import type { Rundown } from './rundown-context.ts';

const KEY = 'lyvek-page-stays';
const readStays = () => localStorage.getItem(KEY) === 'yes';

/** Part of the viewport’s height that something must reach into to be in sight. */
const MARGIN = 0.04;

type Needed = Pick<Rundown, 'selection' | 'layout' | 'document' | 'bars' | 'max' | 'measured'>;

/** Where the page would be scrolled to for one thing, and the element that is to be seen; null for nothing of this page. */
function findPlace(id: string, { layout, document, bars }: Needed): { element: number; at: number } | null {
  const bar = bars.find((b) => b.motion.id === id);
  if (bar) {
    const own = findOwnAxis(bar.placed, layout);
    const middle = (bar.placed.start + bar.placed.end) / 2;
    // Of what is scrolled inside of the page its scroller is to be seen: in the middle of the stretch where it is in sight.
    return own ? { element: -1, at: (own.from + own.to) / 2 } : { element: bar.element, at: middle };
  }
  const span = layout.pinnedSpans.find((s) => s.id === id);
  if (span) return { element: -1, at: (span.start + span.end) / 2 };
  const motion = document.motions.find((m) => m.id === id);
  if (motion && isAtLoad(motion.driver))
    return { element: findMatches(layout, motion.targets.selector)[0] ?? -1, at: 0 };
  const flag = placeFlags(document, layout).flags.find(
    (f) => f.trigger.id === id || f.parts.some((p) => p.id === id),
  );
  if (!flag) return null;
  return { element: findMatches(layout, flag.trigger.subject)[0] ?? -1, at: flag.down + 20 };
}

export function useFollowing(rundown: Needed): { stays: boolean; setStays(on: boolean): void } {
  const { link, viewport } = useShownPage();
  const [stays, setStays] = useState(readStays);
  const { selection, measured } = rundown;
  const now = useRef(rundown);
  now.current = rundown;
  const id = selection.length === 1 ? itemAt(selection, 0) : null;
  useEffect(() => {
    if (!id || stays || !measured) return;
    const { layout, max } = now.current;
    const place = findPlace(id, now.current);
    if (!place) return;
    const { y } = link.store.getState().offset;
    const element = layout.elements[place.element];
    if (element) {
      const top = drawnAt(element, y);
      const margin = viewport.height * MARGIN;
      if (top < viewport.height - margin && top + element.box.height > margin) return;
    } else if (Math.abs(place.at - y) < viewport.height / 2) return;
    link.scrollTo(Math.min(max, Math.max(0, Math.round(place.at))));
    // Only when something else is selected: afterwards the page is in the hand of whoever works.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, measured, link]);
  return {
    stays,
    setStays(on) {
      localStorage.setItem(KEY, on ? 'yes' : 'no');
      setStays(on);
    },
  };
}
