import { itemAt } from '../../assert/index.ts';
import { VIDEO } from '../../value/index.ts';
import type { CheckDefinition } from '../finding.ts';

/**
 * Pictures from one key frame to the next. Measured in Chromium with a video of 96 pictures: a step takes as long at 6 as at 12, 1.4 times as long
 * at 24 and over 4 times as long at 96 (decision 86).
 */
const MAX_PICTURES = 24;
const SLOW_PICTURES = 96;

export const videoKeyFrames: CheckDefinition = {
  id: 'video-key-frames',
  name: 'Video scrubbed in jumps',
  group: 'smoothness',
  why: 'To show one picture, a browser decodes all from the key frame before it on. Where key frames are rare, the video lags behind the scroll and goes on in jumps.',
  checkMotion({ motion, element, placed }, { timeline: { layout } }) {
    if (!motion.keyframes[VIDEO]) return null;
    const { file } = itemAt(layout.elements, element);
    if (file?.keyFrames === undefined || file.keyFrames <= MAX_PICTURES) return null;
    return {
      severity: file.keyFrames >= SLOW_PICTURES ? 'error' : 'warning',
      at: Math.max(0, placed.start),
      brief: `${file.keyFrames} pictures a key frame`,
      sentence: `In ${file.src} up to ${file.keyFrames} pictures lie between two key frames, so that many are decoded for a single one. Encode it again with a key frame every 6 to 12 pictures, without pictures that refer ahead (B-frames) and without sound.`,
      fix: null,
    };
  },
};
