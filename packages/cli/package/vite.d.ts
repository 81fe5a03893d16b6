import type { Plugin } from 'vite';

export interface LyvekOptions {
  /** the address in the pairing line that Lyvek shows; else `LYVEK_CONNECT` of the environment or of `.env.local` */
  connect?: string;
}

/** Puts the pairing line into the pages of the development server, and into nothing that is built. Use it as `plugins: [lyvek()]`. */
export default function lyvek(options?: LyvekOptions): Plugin;
