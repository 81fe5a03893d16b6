/**
 * Where a page is previewed: a host of its own, so that its root-absolute links work; the path form where that does not resolve.
 * `scripts: false`: none of its own run. In development another server hands out the interface, so the port comes from the build.
 */
export function previewUrl(
  token: string,
  form: 'host' | 'path' = 'host',
  at: Pick<Location, 'hostname' | 'port'> = location,
  port: string = (import.meta.env?.VITE_PREVIEW_PORT as string | undefined) ?? at.port,
  scripts = true,
): string {
  const suffix = port ? `:${port}` : '';
  const query = scripts ? '' : '?scripts=off';
  return form === 'host'
    ? `http://${token}.localhost${suffix}/${query}`
    : `http://${at.hostname}${suffix}/preview/${token}/${query}`;
}
