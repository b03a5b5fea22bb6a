import { relative } from 'node:path';
import { defineConfig, type Plugin } from 'vite';
import { extensions } from './vite.extensions.ts';

const root = import.meta.dirname;

/**
 * A module that asks where it lies is told where its source lies, so that what stands beside that is found: images, threads, migrations.
 * What is built lies in folders of `built/`, two below the root.
 */
const liesWhereItsSourceLies: Plugin = {
  name: 'lies-where-its-source-lies',
  transform(code, id) {
    const path = relative(root, id);
    if (/^(\.\.|node_modules)/.test(path) || !code.includes('import.meta.url')) return null;
    const source = JSON.stringify(`../../${path}`);
    return {
      code: code.replaceAll('import.meta.url', `new URL(${source}, import.meta.url).href`),
      map: null,
    };
  },
};

/** Packages of many modules that are joined with ours, as reading each from its own file takes longer than running it. */
const JOINED = [
  '@sinclair/typebox',
  'culori',
  'css-tree',
  'drizzle-orm',
  'parse5',
  'entities',
  'source-map-js',
];

/** The server and the command line as JavaScript in few files: what is begun as TypeScript, or from a thousand files, takes twice as long. */
export default defineConfig({
  root,
  plugins: [extensions(), liesWhereItsSourceLies],
  publicDir: false,
  define: { 'process.env.DIMORPHE_BUILT': JSON.stringify('yes') },
  ssr: { noExternal: JOINED },
  build: {
    ssr: true,
    minify: false,
    emptyOutDir: true,
    rolldownOptions: {
      input: {
        'server/main': 'server/main.ts',
        'server/start': 'server/start.ts',
        'server/lock': 'server/store/lock.ts',
        'server/sitefileworker': 'server/media/sitefileworker.ts',
        'cli/main': 'cli/main.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: 'joined/[name].js' },
    },
  },
});
