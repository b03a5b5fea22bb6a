import { lookup } from '../../core/index.ts';
import { folderPublishing } from './folder.ts';
import { targets } from './own.ts';
import type { PublishTarget } from './target.ts';

/** Every place to which publications can go besides the host. */
export const PUBLISH_TARGETS: readonly PublishTarget[] = [folderPublishing, ...targets];

/** Where publications go, by the name of the target. */
export type PublishTo = Readonly<Record<string, string>>;

/** Where the environment of the program wants them to go. */
export const publishToOf = (environment: Readonly<Record<string, string | undefined>>): PublishTo =>
  Object.fromEntries(
    PUBLISH_TARGETS.flatMap(({ name, variable }) => {
      const setting = lookup(environment, variable);
      return setting ? [[name, setting]] : [];
    }),
  );
