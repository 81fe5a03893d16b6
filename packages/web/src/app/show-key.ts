/** The address that was printed at the start may have a key in it: shown once, it becomes a cookie and leaves the address. */
export async function showKey(): Promise<void> {
  const url = new URL(location.href);
  const key = url.searchParams.get('key');
  if (key === null) return;
  url.searchParams.delete('key');
  history.replaceState(null, '', url);
  // Without an answer the screens say what is wrong.
  await fetch('/api/key', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ key }),
  }).catch(() => undefined);
}
