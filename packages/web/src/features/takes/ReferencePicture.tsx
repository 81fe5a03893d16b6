/** The picture of a reference that stands nearest to an offset, as wide as the page. */
import type { ReferenceFacts } from '@lyvek/api';
import type { Px } from '@lyvek/core';
import { grouped } from '../../editor/strip/view.ts';
import { referencePictureText } from './text.ts';

export const nearestPicture = (set: ReferenceFacts, at: Px): ReferenceFacts['pictures'][number] | undefined =>
  set.pictures.reduce<ReferenceFacts['pictures'][number] | undefined>(
    (best, p) => (!best || Math.abs(p.at - at) < Math.abs(best.at - at) ? p : best),
    undefined,
  );

export function ReferencePicture({ set, at, width }: { set: ReferenceFacts; at: Px; width: number }) {
  const picture = nearestPicture(set, at);
  if (!picture) return <span className="seen-note">{referencePictureText.noPictureYet}</span>;
  const off = at - picture.at;
  return (
    <>
      <img
        src={`/api/pictures/${picture.id}`}
        alt={referencePictureText.atPx(set.name, grouped(picture.at))}
        width={width}
      />
      {Math.abs(off) >= 1 && (
        <span className="picture-off">{referencePictureText.ofPx(grouped(picture.at))}</span>
      )}
    </>
  );
}
