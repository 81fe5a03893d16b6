import { VIDEO } from '../value/index.ts';
import { between, factsAt, fragment, motionOn, nameAt } from './effect-definition.ts';
import type { EffectDefinition } from './effect-definition.ts';

/** The time of a video is a number that a motion writes; the script brings the video there. */
export const scrubVideo: EffectDefinition = {
  id: 'scrub-video',
  name: 'Scrub a video',
  needsElement: true,
  what: 'A video goes on and back with the scroll.',
  words: 'film movie frames currentTime media',
  group: 'draw',
  driver: 'view',
  unfit: (c) => (factsAt(c).tag === 'video' ? null : 'Only a video has a time: choose one.'),
  compose: (c) =>
    fragment({
      motions: [
        motionOn(c, factsAt(c).selector, `${nameAt(c)} is scrubbed`, {
          keyframes: { [VIDEO]: between('0', '1') },
          reducedMotion: 'drop',
        }),
      ],
    }),
};
