/** Scrollers that move sideways have an axis of their own. */
import { editWhole, withMotion } from '@lyvek/core';
import type { Motion, ScrollDriver, ViewDriver } from '@lyvek/core';
import { useOpenedPage } from '../../state/opened-page.ts';
import { axisChoiceText } from '../text.ts';

const AXES = [
  ['block', 'down the page'],
  ['inline', 'sideways'],
] as const;

export function AxisChoice({ motion, driver }: { motion: Motion; driver: ScrollDriver | ViewDriver }) {
  const { session } = useOpenedPage();
  return (
    <div
      className="mt-2 flex items-center gap-2 border-t border-(--line) px-2 pt-2"
      role="group"
      aria-label={axisChoiceText.axis}
    >
      {axisChoiceText.scrollAxis}
      {AXES.map(([axis, words]) => (
        <button
          key={axis}
          type="button"
          className="btn"
          aria-pressed={driver.axis === axis}
          onClick={() =>
            session.apply(
              editWhole(
                axisChoiceText.changeTheAxis,
                withMotion(motion.id, (m) => ({ ...m, driver: { ...driver, axis } })),
              ),
            )
          }
        >
          {words}
        </button>
      ))}
    </div>
  );
}
