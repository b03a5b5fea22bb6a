import { Type } from '@sinclair/typebox';
import { NOT_OF_EVERY_OBJECT } from '../lookup.ts';

declare const nodeBrand: unique symbol;
export type NodeId = string & { readonly [nodeBrand]: true };

export const NodeIdSchema = Type.Unsafe<NodeId>(
  Type.String({ pattern: `^${NOT_OF_EVERY_OBJECT}[A-Za-z][A-Za-z0-9_-]{0,39}$` }),
);
