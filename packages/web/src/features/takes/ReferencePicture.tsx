/** The picture of a reference that stands nearest to an offset, as wide as the page. */
import type { ReferenceFacts } from '@lyvek/api';
import type { Px } from '@lyvek/core';
import { grouped } from '../../editor/strip/view.ts';

export const nearestPicture = (set: ReferenceFacts, at: Px): ReferenceFacts['pictures'][number] | undefined =>
  set.pictures.reduce<ReferenceFacts['pictures'][number] | undefined>(
    (best, p) => (!best || Math.abs(p.at - at) < Math.abs(best.at - at) ? p : best),
    undefined,
  );

export function ReferencePicture({ set, at, width }: { set: ReferenceFacts; at: Px; width: number }) {
  const picture = nearestPicture(set, at);
  if (!picture) return <span className="seen-note">no picture yet</span>;
  const off = at - picture.at;
  return (
    <>
      <img
        src={`/api/pictures/${picture.id}`}
        alt={`${set.name} at ${grouped(picture.at)} px`}
        width={width}
      />
      {Math.abs(off) >= 1 && <span className="picture-off">of {grouped(picture.at)} px</span>}
    </>
  );
}
