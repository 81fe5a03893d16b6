/**
 * How the workbench and a page under development make sure of each other. Both know the code; neither ever sends it. Each side answers the
 * other’s fresh number with a keyed hash (HMAC-SHA-256, RFC 2104), so that what was overheard once is of no use again.
 */
export const PAIRING = 'lyvek-pairing-1';

/** From the page: it is there, and this is its fresh number. */
export interface Hello {
  lyvek: typeof PAIRING;
  type: 'hello';
  nonce: string;
}
/** From the workbench: its own fresh number, and proof that it knows the code. The port comes with it. */
export interface Welcome {
  lyvek: typeof PAIRING;
  type: 'welcome';
  nonce: string;
  proof: string;
}
/** From the page, over the port: proof that it knows the code too. */
export interface Paired {
  type: 'paired';
  proof: string;
}

const HEX = /^[0-9a-f]{32}$/;
export const isNonce = (text: unknown): text is string => typeof text === 'string' && HEX.test(text);

const hex = (bytes: Uint8Array): string => [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
export const freshNonce = (): string => hex(crypto.getRandomValues(new Uint8Array(16)));

/** `who` says it to whom it is said, so that neither side’s proof can be given back as the other’s. */
export async function makeProof(
  who: 'workbench' | 'page',
  code: string,
  pageNonce: string,
  workbenchNonce: string,
  pageOrigin: string,
): Promise<string> {
  const text = new TextEncoder();
  const key = await crypto.subtle.importKey(
    'raw',
    text.encode(code),
    { name: 'HMAC', hash: 'SHA-256' },
    false,
    ['sign'],
  );
  const said = text.encode([PAIRING, who, pageNonce, workbenchNonce, pageOrigin].join(' '));
  return hex(new Uint8Array(await crypto.subtle.sign('HMAC', key, said)));
}

/** In the same time for every difference. */
export function isSame(a: string, b: string): boolean {
  let differs = a.length ^ b.length;
  for (let i = 0; i < Math.min(a.length, b.length); i++) differs |= a.charCodeAt(i) ^ b.charCodeAt(i);
  return differs === 0;
}
