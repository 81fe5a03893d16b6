import { SEQUENCE, sequenceFrom, sequenceText } from '../value/index.ts';
import { between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';

/** Which picture is shown is a number that a motion writes; the script loads the pictures and shows the one that is due. */
export const pictureSequence: EffectDefinition = {
  id: 'picture-sequence',
  name: 'Picture sequence',
  needsElement: true,
  what: 'Numbered pictures go on and back with the scroll.',
  words: 'frames canvas image flipbook video stills scrub',
  group: 'draw',
  driver: 'view',
  unfit: (c) =>
    ['img', 'canvas'].includes(factsAt(c).tag)
      ? null
      : 'Pictures are shown in an image or a canvas: choose one.',
  compose(c) {
    const { selector, file } = factsAt(c);
    const sequence = sequenceFrom(file?.src ?? '');
    return fragment({
      motions: [
        motionOn(c, selector, `${nameAt(c)} pictures`, {
          keyframes: { [SEQUENCE]: between('0', '1') },
          reducedMotion: 'drop',
          ...(sequence ? { files: sequenceText(sequence) } : {}),
        }),
      ],
    });
  },
};
