/** Who else writes to the element of this motion, and what comes of it. */
import { findMatches } from '@lyvek/core';
import type { Motion } from '@lyvek/core';
import { DriverSign } from '../../../../editor/drivers/DriverSign.tsx';
import { useRundown } from '../../rundown-context.ts';
import { alsoMovedText } from '../text.ts';

export function AlsoMoved({ motion, element }: { motion: Motion; element: number }) {
  const { document, layout, select } = useRundown();
  const others = document.motions.filter(
    (m) => m.id !== motion.id && m.on && findMatches(layout, m.targets.selector).includes(element),
  );
  if (others.length === 0) return null;
  const index = (m: Motion) => document.motions.findIndex((x) => x.id === m.id);
  return (
    <div className="also">
      <h4>{alsoMovedText.thisElementIsAlso}</h4>
      <ul>
        {others.map((m) => {
          const shared = Object.keys(m.keyframes).filter((p) => p in motion.keyframes);
          const later = index(m) > index(motion) ? m : motion;
          return (
            <li key={m.id}>
              <button type="button" onClick={() => select(m.id)}>
                <DriverSign kind={m.driver.kind} /> <b>{m.name}</b>{' '}
                <i>{Object.keys(m.keyframes).join(', ')}</i>
              </button>
              {motion.on && shared.length > 0 && (
                <p>{alsoMovedText.bothWrite(shared.join(', '), later.composite, later === m)}</p>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
