/** What a brought page may be, at most. Every refusal names its limit. */
export const LIMITS = {
  htmlBytes: 20e6,
  zipBytes: 100e6,
  unpackedBytes: 300e6,
  files: 2000,
  /** unpacked size of one entry against its packed size */
  ratio: 100,
  /** the same of all entries together, once they have become this large, bytes */
  ratioFrom: 10e6,
  pathLength: 200,
  /** for reading what a page moves, and for unpacking it */
  readSeconds: 20,
  readMegabytes: 1024,
  /** a picture to compare with, and how many of them a reference may have */
  pictureBytes: 20e6,
  pictures: 60,
} as const;

export const megabytes = (bytes: number): string => `${Math.round(bytes / 1e6)} MB`;
