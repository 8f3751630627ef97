import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: { chunkSizeWarningLimit: 1200, assetsInlineLimit: 0 },
  server: {
    proxy: { '/api': { target: 'http://127.0.0.1:7311', ws: true, changeOrigin: true } },
  },
  test: {
    css: false,
    // What needs no page is tested without one, which starts ten times as fast.
    projects: [
      {
        extends: true,
        test: { name: 'unit', environment: 'node', include: ['src/**/*.test.ts'] },
      },
      {
        extends: true,
        test: {
          name: 'page',
          environment: 'jsdom',
          include: ['src/**/*.test.tsx'],
          setupFiles: ['src/testSetup.ts'],
          // Machines that test are shared and slow.
          testTimeout: 60_000,
        },
      },
    ],
  },
});
