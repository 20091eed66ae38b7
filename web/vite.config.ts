import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  base: '/build/',
  // What was kept of another contract is not shown.
  define: {
    SHAPE: JSON.stringify(
      createHash('sha256').update(readFileSync('../contract/openapi.yaml')).digest('hex').slice(0, 16),
    ),
  },
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
