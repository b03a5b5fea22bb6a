import { customAlphabet } from 'nanoid';
import type { ViewId } from '../../core/index.ts';

const letters = customAlphabet('abcdefghijklmnopqrstuvwxyz0123456789', 10);

/** An id for a view that no other has. */
export const newViewId = (): ViewId => `v${letters()}` as ViewId;
