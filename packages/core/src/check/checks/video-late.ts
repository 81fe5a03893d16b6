import { itemAt } from '../../assert/index.ts';
import { VIDEO } from '../../value/index.ts';
import type { FileFacts } from '../../page/index.ts';
import type { CheckDefinition } from '../finding.ts';

const MB = 1e6;
/** Lyvek default: on a connection of 10 Mbit/s more than this takes over 8 s. */
const MAX_BYTES = 10 * MB;
const MBIT_PER_S = 10;

function listReasons({ bytes = 0, preload, poster }: FileFacts): string[] {
  const seconds = Math.round((bytes * 8) / MB / MBIT_PER_S);
  return [
    ...(bytes > MAX_BYTES
      ? [
          `It has ${(bytes / MB).toFixed(0)} MB, ${seconds} s at ${MBIT_PER_S} Mbit/s: make it smaller, shorter or coarser.`,
        ]
      : []),
    ...(preload === 'none' ? ['preload="none" keeps it from being loaded at all: use preload="auto".'] : []),
    ...(poster === false
      ? [
          'It has no poster: until it is there, and for readers who ask for reduced motion, its place may be empty.',
        ]
      : []),
  ];
}

export const videoLate: CheckDefinition = {
  id: 'video-late',
  name: 'Video that is not there in time',
  group: 'reach',
  why: 'A video that is scrubbed has to be there when its range begins. Until then readers scroll past an empty box.',
  checkMotion({ motion, element, placed }, { timeline: { layout } }) {
    if (!motion.keyframes[VIDEO]) return null;
    const { file } = itemAt(layout.elements, element);
    const reasons = file ? listReasons(file) : [];
    if (reasons.length === 0) return null;
    return {
      severity: file?.preload === 'none' || (file?.bytes ?? 0) > MAX_BYTES ? 'warning' : 'info',
      at: Math.max(0, placed.start),
      brief: 'not there in time',
      sentence: reasons.join(' '),
      fix: null,
    };
  },
};
