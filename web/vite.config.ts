import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

/** Letters that are printed with: not the ones of the screen, whose weight is adjustable, which no PDF keeps as letters. */
const letters = () => ({
  name: 'letters-of-the-paper',
  generateBundle(this: {
    emitFile: (file: { type: 'asset'; fileName: string; source: Uint8Array }) => void;
  }) {
    for (const family of ['source-serif-4', 'source-sans-3']) {
      const folder = `node_modules/@fontsource/${family}/files`;
      for (const file of readdirSync(folder)) {
        if (/-(?:latin|latin-ext|greek)-(?:400-normal|400-italic|600-normal)\.woff2$/.test(file)) {
          this.emitFile({
            type: 'asset',
            fileName: `paper/${file}`,
            source: readFileSync(`${folder}/${file}`),
          });
        }
      }
    }
  },
});

export default defineConfig({
  base: '/build/',
  // What was kept of another contract is not shown.
  define: {
    SHAPE: JSON.stringify(
      createHash('sha256').update(readFileSync('../contract/openapi.yaml')).digest('hex').slice(0, 16),
    ),
  },
  plugins: [react(), letters()],
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
