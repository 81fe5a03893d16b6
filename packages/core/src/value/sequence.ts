/**
 * Sequences of pictures, as files that are numbered: `frames/night-{001..120}.webp` stands for 120 addresses, with as many digits as the first
 * number has. The notation is that of a shell’s brace expansion.
 */

/** The custom property by which a motion says which picture is shown: 0 the first, 1 the last. */
export const SEQUENCE = '--sequence';

export interface Sequence {
  before: string;
  after: string;
  first: number;
  last: number;
  /** digits of each number, with zeros in front */
  digits: number;
}

/** More than this many pictures are a video. */
export const MAX_PICTURES = 2000;

/** Null where it is not written so, counts backwards, or has more than `MAX_PICTURES`. */
export function parseSequence(files: string): Sequence | null {
  const m = /^([^{}]*)\{(\d{1,8})\.\.(\d{1,8})\}([^{}]*)$/.exec(files);
  if (!m) return null;
  const [, before = '', from = '', to = '', after = ''] = m;
  const [first, last] = [Number(from), Number(to)];
  if (last < first || last - first >= MAX_PICTURES || /[\s"'<>]/.test(before + after)) return null;
  return { before, after, first, last, digits: from.length };
}

export const sequenceText = ({ before, after, first, last, digits }: Sequence): string =>
  `${before}{${padded(first, digits)}..${padded(last, digits)}}${after}`;

/** Address of one of its pictures, counted from 0. */
export const pictureAddress = ({ before, after, first, digits }: Sequence, i: number): string =>
  before + padded(first + i, digits) + after;

const padded = (n: number, digits: number) => String(n).padStart(digits, '0');

/** The sequence that begins with a picture: its last number counts; of one picture, until it is known how many there are. Null without a number. */
export function sequenceFrom(address: string): Sequence | null {
  const m = /^([^?#]*?)(\d{1,8})(\D*)$/.exec(address);
  if (!m) return null;
  const [, before = '', digits = '', after = ''] = m;
  const first = Number(digits);
  return (
    parseSequence(`${before}{${digits}..${digits}}${after}`) && {
      before,
      after,
      first,
      last: first,
      digits: digits.length,
    }
  );
}
