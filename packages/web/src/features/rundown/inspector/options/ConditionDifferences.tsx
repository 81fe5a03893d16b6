/** What a motion or a pin has of its own for media conditions, each part with the way back to what holds elsewhere. */
import { overridden, removeOverride } from '@lyvek/core';
import type { Motion, Pin } from '@lyvek/core';
import { Popover } from '../../../../ui/Popover.tsx';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { useRundown } from '../../rundown-context.ts';
import { conditionDifferencesText } from '../text.ts';

export function ConditionDifferences({ of }: { of: Motion | Pin }) {
  const { session } = useOpenedPage();
  const { document } = useRundown();
  const own = document.media.flatMap((media) => {
    const c = of.conditions?.find((x) => x.media === media.id);
    return c ? [{ media, parts: overridden(c) }] : [];
  });
  if (own.length === 0) return null;
  return (
    <p>
      {own.map(({ media, parts }, i) => (
        <span key={media.id}>
          {conditionDifferencesText.forItsOwn(i, media.name)}{' '}
          <Popover
            className="word differs"
            label={conditionDifferencesText.overridesFor(media.name)}
            trigger={parts.join(', ')}
          >
            {() => (
              <div className="popover-list">
                {parts.map((part) => (
                  <button
                    key={part}
                    type="button"
                    onClick={() => session.apply(removeOverride(of.id, media, part))}
                  >
                    <span className="grow">{part}</span>
                    <i>{conditionDifferencesText.removeTheOverride}</i>
                  </button>
                ))}
              </div>
            )}
          </Popover>
        </span>
      ))}
    </p>
  );
}
