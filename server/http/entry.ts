import type { LogEntry } from '../../api/responses.ts';
import type { LoggedEdit } from '../store/history.ts';

/** An edit of the store as it is answered. */
export const entryFrom = (edit: LoggedEdit): LogEntry => ({ ...edit, madeAt: edit.madeAt.toISOString() });
