import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  // The content policy allows no data: fonts, so nothing is inlined.
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 1500, modulePreload: { polyfill: false } },
  server: { proxy: { '/api': 'http://127.0.0.1:8600' } },
});
