import { join } from 'node:path';
import { Router } from 'express';
import type { BackupResponse } from '../../api/responses.ts';
import { nameOf } from '../store/backup.ts';
import type { Store } from '../store/open.ts';

/** Backups that are asked for while the program runs, under `/api/backups`: made beside the data, for whoever asked to take away. */
export function backupRoutes(store: Pick<Store, 'backup' | 'folder'>): Router {
  const router = Router();
  router.post('/', async (_request, response) => {
    const folder = join(store.folder, 'backups', `asked-${nameOf(new Date())}`);
    await store.backup(folder);
    response.status(201).json({ folder } satisfies BackupResponse);
  });
  return router;
}
