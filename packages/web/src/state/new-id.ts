/** An id for something new. */
export const newId = (kind: string): string =>
  `${kind}_${crypto.randomUUID().replaceAll('-', '').slice(0, 12)}`;
