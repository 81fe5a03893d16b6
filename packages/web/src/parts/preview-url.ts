/** Where a page is previewed: a host of its own, so that its root-absolute links work; the path form where that does not resolve. */
export const previewUrl = (
  token: string,
  form: 'host' | 'path' = 'host',
  at: Pick<Location, 'protocol' | 'port' | 'origin'> = location,
): string =>
  form === 'host'
    ? `${at.protocol}//${token}.localhost${at.port ? `:${at.port}` : ''}/`
    : `${at.origin}/preview/${token}/`;
