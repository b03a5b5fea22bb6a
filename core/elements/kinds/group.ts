import { Group } from 'lucide';
import { type Kind } from './kind.ts';
import { column } from './column.ts';

/** Blocks that belong together, so that they go, and are laid out, as one. */
export const group: Kind = { ...column, name: 'group', label: 'Group', icon: Group, offered: undefined };
