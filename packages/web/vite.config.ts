import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const api = (globalThis as { process?: { env: Record<string, string | undefined> } }).process?.env.LYVEK_API;

export default defineConfig({
  plugins: [react(), tailwindcss()],
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
