import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { defineConfig, type Plugin } from 'vite';
import { extensions } from './vite.extensions.ts';

/** Writes each text that is built in its compressed forms, too, so that the server need not compress it for each request. */
const compressed: Plugin = {
  name: 'compressed',
  apply: 'build',
  writeBundle({ dir: folder = join(import.meta.dirname, 'dist') }) {
    for (const file of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
      if (!/\.(js|css|html|svg)$/.test(file)) continue;
      const path = join(folder, file);
      const text = readFileSync(path);
      const params = { [constants.BROTLI_PARAM_SIZE_HINT]: text.length };
      writeFileSync(`${path}.br`, brotliCompressSync(text, { params }));
      writeFileSync(`${path}.gz`, gzipSync(text, { level: constants.Z_BEST_COMPRESSION }));
    }
  },
};

export default defineConfig({
  root: 'web',
  // The compiler remembers what each component draws, so that an edit draws again only what it changes.
  plugins: [extensions(), react(), babel({ presets: [reactCompilerPreset()] }), compressed],
  // Workers are built by themselves.
  worker: { plugins: () => [extensions()], rolldownOptions: { checks: { pluginTimings: false } } },
  build: {
    outDir: '../dist',
    emptyOutDir: true,
    chunkSizeWarningLimit: 2500,
    rolldownOptions: {
      input: ['web/index.html', 'web/sweep.html'],
      // How long the compiler takes is no news to who starts the program.
      checks: { pluginTimings: false },
    },
  },
});
