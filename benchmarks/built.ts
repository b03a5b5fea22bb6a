import { mkdtemp, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { build } from 'vite';

const root = join(import.meta.dirname, '..');

/**
 * Core built, as people run it. What runs TypeScript as it is written gives each function its name whenever it is made: that is no part of
 * the work, and makes a compilation a fifth longer.
 */
export async function builtCore(): Promise<typeof import('../core/index.ts')> {
  // Beside the dependencies, as they are found from there.
  const outDir = await mkdtemp(join(root, 'node_modules', '.benchmarks-'));
  try {
    await build({
      ...{ root, configFile: false, publicDir: false, logLevel: 'error' },
      build: { ssr: 'core/index.ts', outDir, minify: false },
    });
    return (await import(join(outDir, 'index.js'))) as typeof import('../core/index.ts');
  } finally {
    await rm(outDir, { recursive: true, force: true });
  }
}
