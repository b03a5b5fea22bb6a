import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'web',
  // The compiler remembers what each component draws, so that an edit draws anew only what it changes.
  plugins: [react(), babel({ presets: [reactCompilerPreset()] })],
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
