/** A plugin for Vite: puts the pairing line into the pages of the development server, and into nothing that is built. */
import { loadEnv } from 'vite';
import type { HtmlTagDescriptor, Plugin } from 'vite';

export interface LyvekOptions {
  /** the address in the pairing line that Lyvek shows; else `LYVEK_CONNECT` of the environment or of `.env.local` */
  connect?: string;
}

const ADDRESS = /^https?:\/\/[^/]+\/connect\/[\w-]+\.js$/;

/** Of the address, or of the whole line as it was copied. */
const findAddress = (text: string): string => /src="([^"]*)"/.exec(text)?.[1] ?? text.trim();

/** Use it as `plugins: [lyvek()]`. Without an address it does nothing, so that it may stay for those who do not use Lyvek. */
export default function lyvek(options: LyvekOptions = {}): Plugin {
  let address = '';
  return {
    name: 'lyvek',
    apply: 'serve',
    configResolved({ mode, envDir, logger }) {
      const kept = envDir === false ? process.env : loadEnv(mode, envDir, 'LYVEK_');
      address = findAddress(options.connect ?? kept.LYVEK_CONNECT ?? '');
      if (address === '' || ADDRESS.test(address)) return;
      logger.warn(
        `lyvek: “${address}” is no pairing line: copy it from the Rundown, “Connect a dev server”.`,
      );
      address = '';
    },
    // Before scripts of the page: what they move is to be seen as it is without them.
    transformIndexHtml: {
      order: 'post',
      handler: (): HtmlTagDescriptor[] =>
        address === '' ? [] : [{ tag: 'script', attrs: { src: address }, injectTo: 'head-prepend' }],
    },
  };
}
