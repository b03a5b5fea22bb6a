import { viewId, type ViewId } from '../../core/index.ts';
import { customAlphabet } from 'nanoid';

const letters = customAlphabet('abcdefghijklmnopqrstuvwxyz0123456789', 10);

/** An id for a view that no other has. */
export const newViewId = (): ViewId => viewId(`v${letters()}`);
