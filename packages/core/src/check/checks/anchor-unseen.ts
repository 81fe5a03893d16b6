import { itemAt } from '../../assert/index.ts';
import { elementsThat, unseenAt } from '../shown-at.ts';
import type { CheckDefinition } from '../finding.ts';

const anchors = elementsThat((e) => e.anchor === true);

export const anchorUnseen: CheckDefinition = {
  id: 'anchor-unseen',
  name: 'Link to something invisible',
  group: 'structure',
  why: 'Whoever follows the link arrives at an empty screen and takes the page for broken.',
  checkMotion(instance, { timeline }) {
    // A browser brings what a link leads to under the upper edge of the window.
    const unseen = unseenAt(instance, timeline, anchors, ({ box }) => box.y);
    return (
      unseen && {
        severity: 'error',
        at: unseen.at,
        brief: 'empty on arrival',
        sentence: `A link of the page leads to ${itemAt(timeline.layout.elements, unseen.target).selector}, where it is ${Math.round(100 * unseen.opacity)} % opaque on arrival.`,
        fix: unseen.fix,
      }
    );
  },
};
