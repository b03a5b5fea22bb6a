import { join } from 'node:path';
import { nameOf } from '../store/backup.ts';
import type { Store } from '../store/open.ts';
import type { Handlers } from './router.ts';

/** Backups that are asked for while the program runs: made beside the data, for whoever asked to take away. */
export const backupHandlers = (store: Pick<Store, 'backup' | 'folder'>): Handlers<'backUp'> => ({
  async backUp() {
    const folder = join(store.folder, 'backups', `asked-${nameOf(new Date())}`);
    await store.backup(folder);
    return { folder };
  },
});
