import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { Plugin } from 'vite';

const root = import.meta.dirname;

/** The files that are empty in the sources, and what of a folder of extensions takes their place. */
const PLACES: Readonly<Record<string, string>> = {
  'core/elements/kinds/own.ts': 'kinds.ts',
  'core/elements/properties/own.ts': 'properties.ts',
  'core/checks/own.ts': 'checks.ts',
  'server/targets/own.ts': 'targets.ts',
};

/** What extensions import of the program, by the name under which they do. */
const OFFERED: Readonly<Record<string, string>> = {
  dimorphe: 'core/extending.ts',
  'dimorphe/checks': 'core/extendingchecks.ts',
};

/** Builds the kinds, properties, checks and targets of the folder that `EXTENSIONS` names into the program (docs/extending.md). */
export function extensions(folder = process.env.EXTENSIONS): Plugin {
  const places = new Map(
    Object.entries(PLACES).flatMap(([place, file]) => {
      const own = folder && join(resolve(folder), file);
      return own && existsSync(own) ? [[join(root, place), own]] : [];
    }),
  );
  return {
    name: 'extensions',
    enforce: 'pre',
    buildStart() {
      if (folder && places.size === 0)
        this.error(
          `EXTENSIONS names ${resolve(folder)}, which has none of ${Object.values(PLACES).join(', ')}.`,
        );
    },
    resolveId: {
      filter: { id: /^dimorphe(?:\/|$)|\/own\.ts$/ },
      async handler(source, importer, options) {
        if (Object.hasOwn(OFFERED, source)) return join(root, OFFERED[source]);
        const found = await this.resolve(source, importer, { ...options, skipSelf: true });
        return places.get(found?.id ?? '') ?? null;
      },
    },
  };
}
