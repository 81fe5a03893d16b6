/** Trying and adding effects: what each would be for, and what is on the page while the pointer rests on one. */
import { asOnPage } from '../../../editor/model/own-axis.ts';
import { useEffect, useRef } from 'react';
import {
  addFragment,
  aim,
  composeEffect,
  isTimed,
  itemAt,
  openedAround,
  triggerLines,
  withPins,
} from '@lyvek/core';
import type { EffectDefinition, Fragment, PinnedLayout } from '@lyvek/core';
import { findBar, isPlaced } from '../../../editor/model/bars.ts';
import { useShownPage } from '../../../preview/shown-page.ts';
import { newId } from '../../../state/new-id.ts';
import { useOpenedPage } from '../../../state/opened-page.ts';
import { findSettled } from '../../../state/take-session.ts';
import { useLease } from '../../../state/use-lease.ts';
import type { Rundown } from '../rundown-context.ts';

/** ms that the pointer rests before an effect is tried */
const HOVER = 120;

/** Scroll offset in the middle of what an effect does, px; null where it has no place. */
function findMiddle(
  { motions: [motion], pins, triggers: [trigger] }: Fragment,
  layout: PinnedLayout,
): number | null {
  const bar = motion && !isTimed(motion.driver) && findBar(motion, layout);
  const lines = trigger && triggerLines(trigger, layout);
  const span =
    bar && isPlaced(bar)
      ? asOnPage(bar.placed, layout)
      : lines && 'down' in lines
        ? { start: lines.down, end: lines.down + 120 }
        : layout.pinnedSpans.find((h) => h.id === pins[0]?.id);
  if (!span) return null;
  return Math.min(itemAt(layout.scrollers, 0).max.block, Math.max(0, (span.start + span.end) / 2));
}

export function useTrying({ layout, chosen, setAdding }: Pick<Rundown, 'layout' | 'chosen' | 'setAdding'>) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const element = layout.elements[chosen];
  const settled = findSettled(session.store.getState());
  const context = { layout: withPins(layout, settled.pins), element: chosen, document: settled, newId };
  const aimed = (effect: EffectDefinition) =>
    element ? aim(effect, context) : { element: -1, reason: 'Choose an element first.' };
  const compose = (effect: EffectDefinition) =>
    composeEffect(effect, { ...context, element: aimed(effect).element });

  const lease = useLease(session);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const forget = () => {
    if (timer.current) clearTimeout(timer.current);
  };
  const attempt = (effect: EffectDefinition | undefined) => {
    forget();
    if (!effect || aimed(effect).reason) return lease.end();
    timer.current = setTimeout(() => {
      const made = compose(effect);
      lease.show(addFragment(effect.name, made));
      const at = findMiddle(
        made,
        openedAround(withPins(layout, [...settled.pins, ...made.pins]), chosen).layout,
      );
      if (at !== null) link.scrollTo(at);
    }, HOVER);
  };
  const leave = () => {
    forget();
    lease.end();
  };
  const add = (effect: EffectDefinition) => {
    if (aimed(effect).reason) return;
    forget();
    session.apply(addFragment(effect.name, compose(effect)));
    setAdding(false);
  };
  useEffect(() => forget, []);
  return { aimed, attempt, leave, add };
}
