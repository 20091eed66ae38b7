import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  base: '/build/',
  plugins: [react()],
  html: { cspNonce: 'footnote-nonce-placeholder' },
  build: { outDir: '../public/build', emptyOutDir: true, manifest: true, target: 'es2022' },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
  test: {
    environment: 'jsdom',
    include: ['src/**/*.test.{ts,tsx}'],
    setupFiles: 'src/tests/afterEach.ts',
    // A slow machine is no fault of what is tested.
    testTimeout: 30_000,
  },
});
