/** Lets a page under development in: it has to know the pairing code, and it is told that we know it (see probe/pairing.ts). */
import { PAIRING, freshNonce, isNonce, isSame, makeProof } from '@lyvek/probe';
import type { Welcome } from '@lyvek/probe';

export interface LivePairing {
  url: string;
  code: string;
}

export type Refusal = 'wrong code' | 'other origin' | 'replay';

/** ms in which a page has to answer for itself */
const TIMEOUT_MS = 5000;

const helloNonce = (data: unknown): string | null => {
  const hello = data as { lyvek?: unknown; type?: unknown; nonce?: unknown } | null;
  return typeof data === 'object' &&
    hello?.lyvek === PAIRING &&
    hello.type === 'hello' &&
    isNonce(hello.nonce)
    ? hello.nonce
    : null;
};

/**
 * `paired` gets a port only after its other end has proved that it knows the code. Fresh numbers are good for once. Returns what stops the
 * listening.
 */
export function greetLive(
  frame: HTMLIFrameElement,
  { url, code }: LivePairing,
  paired: (port: MessagePort) => void,
  refused: (why: Refusal) => void,
): () => void {
  const origin = new URL(url).origin;
  const seen = new Set<string>();
  // It stands in a document of ours that lets this one address in (server/preview/live-frame.ts).
  const inner = () => frame.contentWindow?.frames[0];
  const greet = async (e: MessageEvent) => {
    const nonce = helloNonce(e.data);
    if (nonce === null || e.source !== inner()) return;
    if (e.origin !== origin) return refused('other origin');
    if (seen.has(nonce)) return refused('replay');
    seen.add(nonce);
    const own = freshNonce();
    const channel = new MessageChannel();
    const expected = await makeProof('page', code, nonce, own, origin);
    const late = setTimeout(() => {
      channel.port1.close();
      refused('wrong code');
    }, TIMEOUT_MS);
    channel.port1.onmessage = ({ data }: MessageEvent<{ type?: unknown; proof?: unknown }>) => {
      clearTimeout(late);
      if (data.type === 'paired' && typeof data.proof === 'string' && isSame(data.proof, expected))
        return paired(channel.port1);
      channel.port1.close();
      refused('wrong code');
    };
    const proof = await makeProof('workbench', code, nonce, own, origin);
    const welcome: Welcome = { lyvek: PAIRING, type: 'welcome', nonce: own, proof };
    inner()?.postMessage(welcome, origin, [channel.port2]);
  };
  const listener = (e: MessageEvent) => void greet(e);
  addEventListener('message', listener);
  return () => removeEventListener('message', listener);
}
