/** Values that refer to what moves as well: `2em` beside a moving `font-size`, `translate: -50%` of a box that grows. */
import type { Layout } from '../page/index.ts';
import type { CompiledTimeline } from './compile.ts';

/** What a value refers to, by how it is written; `inherited`: ancestors count, too. */
const REFERENCES: readonly { written: RegExp; of?: RegExp; moved: RegExp; inherited: boolean }[] = [
  {
    written: /\d(em|ex|ch|cap|ic|lh)\b/i,
    moved: /^(font(-.*)?|line-height)$/,
    inherited: true,
  },
  { written: /currentcolor/i, moved: /^color$/, inherited: true },
  {
    written: /%/,
    of: /^(translate|transform)$/,
    moved:
      /^(width|height|(inline|block|min|max)-.*|padding.*|border.*(width|radius)|font.*|line-height|inset.*|aspect-ratio)$/,
    inherited: false,
  },
];

/** Whether a track’s values are the same however far the motions around it are. */
export function isSteady(
  {
    tracks,
    instances,
    writers,
    layout,
  }: Pick<CompiledTimeline, 'tracks' | 'instances' | 'writers'> & { layout: Layout },
  track: number,
): boolean {
  const { property, instance } = tracks[track]!;
  const { element, motion } = instances[instance]!;
  const values = motion.keyframes[property]!.map((k) => k.value).join(' ');
  return !REFERENCES.some(({ written, of, moved, inherited }) => {
    if (!written.test(values) || (of && !of.test(property))) return false;
    for (let e = element; e >= 0; e = inherited ? (layout.elements[e]?.parent ?? -1) : -1)
      for (const name of writers.get(e)?.keys() ?? []) if (moved.test(name) && name !== property) return true;
    return false;
  });
}
