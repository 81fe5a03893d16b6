import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import type { Plugin } from 'vite';

const api = (globalThis as { process?: { env: Record<string, string | undefined> } }).process?.env.LYVEK_API;

/** The probe is built by itself (`npm run dev`); pages that are previewed are opened again with the new one. */
const probe = fileURLToPath(new URL('../../dist/probe.js', import.meta.url));
const previewAgain: Plugin = {
  name: 'preview-again',
  apply: 'serve',
  configureServer({ watcher, hot }) {
    watcher.add(probe);
    watcher.on('change', (file) => file === probe && hot.send('probe-changed'));
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), previewAgain],
  build: {
    outDir: '../../dist/web',
    manifest: true,
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
  },
  server: {
    proxy: api ? { '/api': { target: api }, '/preview': { target: api }, '/live': { target: api } } : {},
  },
});
