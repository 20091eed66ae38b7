import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { defineConfig } from 'vite';

const built = '../public/build';
const files = readdirSync(built, { recursive: true, withFileTypes: true })
  .filter((file) => file.isFile() && !/\/(\.vite|paper)$/.test(file.parentPath) && file.name !== 'index.html')
  .map((file) => `${file.parentPath.slice(built.length)}/${file.name}`);
const page = createHash('sha256')
  .update(readFileSync(`${built}/index.html`))
  .digest('hex');

/** The service worker, at the root so that it serves every address; made after the build, whose files it names. */
export default defineConfig({
  publicDir: false,
  define: {
    BUILT: JSON.stringify([
      { url: '/', revision: page },
      ...files.sort().map((file) => ({ url: `/build${file}`, revision: null })),
    ]),
    'process.env.NODE_ENV': JSON.stringify('production'),
  },
  build: {
    outDir: '../public',
    emptyOutDir: false,
    target: 'es2022',
    lib: { entry: 'src/worker/worker.ts', formats: ['iife'], name: 'worker', fileName: () => 'sw.js' },
  },
});
