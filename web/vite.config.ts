import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: { chunkSizeWarningLimit: 1200, assetsInlineLimit: 0 },
  server: {
    proxy: { '/api': { target: 'http://127.0.0.1:7311', ws: true, changeOrigin: true } },
  },
  test: { environment: 'jsdom', setupFiles: ['src/testSetup.ts'], css: false },
});
