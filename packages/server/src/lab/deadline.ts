/** Work with a time limit. Node loses timeouts that are joined by `AbortSignal.any` to its garbage collector, so this holds a timer of its own. */

/** `work` gets a signal that is aborted after `ms`, with a `TimeoutError`, or as soon as `outer` is, with its reason. */
export async function within<T>(
  ms: number,
  outer: AbortSignal,
  work: (signal: AbortSignal) => Promise<T>,
): Promise<T> {
  outer.throwIfAborted();
  const inner = new AbortController();
  const timer = setTimeout(() => inner.abort(new DOMException(`more than ${ms} ms`, 'TimeoutError')), ms);
  const pass = () => inner.abort(outer.reason);
  outer.addEventListener('abort', pass);
  try {
    return await work(inner.signal);
  } finally {
    clearTimeout(timer);
    outer.removeEventListener('abort', pass);
  }
}

/** Whether it ended by that limit; the browser’s driver has timeouts of the same name for single steps. */
export const isLate = (error: unknown): boolean =>
  error instanceof DOMException && error.name === 'TimeoutError';
