import { itemAt } from '../../assert/index.ts';
import { elementsThat, unseenAt } from '../shown-at.ts';
import type { CheckDefinition } from '../finding.ts';

const focusable = elementsThat((e) => e.focus === true);

export const focusUnseen: CheckDefinition = {
  id: 'focus-unseen',
  name: 'Focus on something invisible',
  group: 'structure',
  why: 'Whoever goes through the page with the keyboard lands on a link that cannot be seen, and does not know where they are.',
  checkMotion(instance, { timeline }) {
    const { elements, viewport } = timeline.layout;
    // A browser brings what gets the focus to the middle of the window, as far as the page reaches.
    const unseen = unseenAt(
      instance,
      timeline,
      focusable,
      ({ box }) => box.y + box.height / 2 - viewport.height / 2,
    );
    return (
      unseen && {
        severity: 'error',
        at: unseen.at,
        brief: 'focus unseen',
        sentence: `The keyboard gets to ${itemAt(elements, unseen.target).text || 'something in it'} in the middle of the screen, where it is ${Math.round(100 * unseen.opacity)} % opaque.`,
        fix: unseen.fix,
      }
    );
  },
};
