import { MAX_PAGE_BYTES, MAX_PATH } from '@lyvek/api';

/** What a brought page may be, at most. Every refusal names its limit. */
export const LIMITS = {
  htmlBytes: 20e6,
  zipBytes: MAX_PAGE_BYTES,
  unpackedBytes: 300e6,
  files: 2000,
  /** unpacked size of one entry against its packed size */
  ratio: 100,
  /** the same of all entries together, once they have become this large, bytes */
  ratioFrom: 10e6,
  pathLength: MAX_PATH,
  /** for reading what a page moves, and for unpacking it */
  readSeconds: 20,
  readMegabytes: 1024,
  /** pictures that a reference may have */
  pictures: 60,
} as const;

export const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;
