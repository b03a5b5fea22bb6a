import { dirname, relative } from 'node:path';
import { defineConfig, type Plugin } from 'vite';

const root = import.meta.dirname;

/** A module that asks where it lies is told where its source lies, so that what stands beside that is found: pictures, threads, migrations. */
const liesWhereItsSourceLies: Plugin = {
  name: 'lies-where-its-source-lies',
  transform(code, id) {
    if (!id.startsWith(root) || !code.includes('import.meta.url')) return null;
    const path = relative(root, id);
    const up = relative(dirname(`/built/${path}`), '/');
    return {
      code: code.replaceAll(
        'import.meta.url',
        `new URL(${JSON.stringify(`${up}/${path}`)}, import.meta.url).href`,
      ),
      map: null,
    };
  },
};

/** The server and the command line as JavaScript, a file a module: what is begun as TypeScript takes twice as long. */
export default defineConfig({
  root,
  plugins: [liesWhereItsSourceLies],
  publicDir: false,
  build: {
    ssr: true,
    minify: false,
    emptyOutDir: true,
    rolldownOptions: {
      input: ['server/main.ts', 'server/start.ts', 'server/store/lock.ts', 'cli/main.ts'],
      output: { preserveModules: true, preserveModulesRoot: root, entryFileNames: '[name].js' },
    },
  },
});
