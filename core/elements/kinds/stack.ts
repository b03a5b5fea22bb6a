import type { Seed } from './kind.ts';

/** A new container is not empty: there is something in it to be seen and to begin with. */
export const words = (): Seed => ({ children: [{ kind: 'heading' }, { kind: 'text' }] });

/** What containers have in common whose parts stand one below another. */
export const STACK = {
  accepts: ['block'],
  display: 'grid',
  structure: {
    display: 'grid',
    'grid-template-columns': 'minmax(0, 1fr)',
    'grid-auto-columns': 'minmax(0, 1fr)',
    'align-content': 'start',
  },
  content: [],
  seed: words,
} as const;
