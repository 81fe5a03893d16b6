/**
 * The way into a page under development: one script tag. Does nothing but in a frame of the workbench that knows the same code; the server
 * puts the code and the workbench’s addresses in front of it.
 */
import { begin, speak } from './probe.ts';
import { PAIRING, freshNonce, isNonce, isSame, makeProof } from './pairing.ts';
import type { Hello, Paired, Welcome } from './pairing.ts';

declare const LYVEK_PAIRING: { code: string; origins: string[] };
const { code, origins } = LYVEK_PAIRING;
const mark = '__lyvekPaired';
const here = window as unknown as Record<string, unknown>;

function isWelcome(data: unknown): data is Welcome {
  const said = data as Partial<Welcome> | null;
  return (
    said?.lyvek === PAIRING &&
    said.type === 'welcome' &&
    isNonce(said.nonce) &&
    typeof said.proof === 'string'
  );
}

function pair(): void {
  const nonce = freshNonce();
  const welcome = async (e: MessageEvent) => {
    const { source, origin, data, ports } = e;
    const [port] = ports;
    if (source !== top || !origins.includes(origin) || !isWelcome(data) || !port) return;
    e.stopImmediatePropagation();
    const prove = (who: 'workbench' | 'page') => makeProof(who, code, nonce, data.nonce, location.origin);
    if (!isSame(await prove('workbench'), data.proof)) return;
    removeEventListener('message', hear);
    begin({ live: true });
    port.postMessage({ type: 'paired', proof: await prove('page') } satisfies Paired);
    speak(port, { live: true });
  };
  const hear = (e: MessageEvent) => void welcome(e);
  addEventListener('message', hear);
  // Only a window of the workbench’s own address hears it.
  for (const origin of origins)
    top?.postMessage({ lyvek: PAIRING, type: 'hello', nonce } satisfies Hello, origin);
}

// Frameworks may run a script twice; one probe is enough.
if (top !== window && !here[mark]) {
  here[mark] = true;
  pair();
}
