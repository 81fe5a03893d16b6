/** How many numbered pictures there are, and how large they are: asked by loading some of them. */
import { parseSequence, pictureAddress } from '@lyvek/core/sequence';

export interface Counted {
  /** pictures from the first on; 0: the first one cannot be loaded */
  count: number;
  /** px of the first */
  width: number;
  height: number;
}

const MAX = 2000;

/** Doubles until one is missing, then halves between. A gap in the numbers ends it, as far as it is met. */
export async function countPictures(files: string): Promise<Counted> {
  const sequence = parseSequence(files);
  const first = sequence && (await load(pictureAddress(sequence, 0)));
  if (!sequence || !first) return { count: 0, width: 0, height: 0 };
  let there = 0;
  let missing = 1;
  while (missing < MAX && (await load(pictureAddress(sequence, missing)))) {
    there = missing;
    missing *= 2;
  }
  missing = Math.min(missing, MAX);
  while (missing - there > 1) {
    const middle = (there + missing) >> 1;
    if (await load(pictureAddress(sequence, middle))) there = middle;
    else missing = middle;
  }
  return { count: there + 1, width: first.naturalWidth, height: first.naturalHeight };
}

const TIMEOUT_MS = 5000;

function load(src: string): Promise<HTMLImageElement | null> {
  return new Promise((done) => {
    const picture = new Image();
    picture.onload = () => done(picture);
    picture.onerror = () => done(null);
    setTimeout(() => done(null), TIMEOUT_MS);
    picture.src = src;
  });
}
