import { Type } from '@sinclair/typebox';

declare const nodeBrand: unique symbol;
export type NodeId = string & { readonly [nodeBrand]: true };

export const NodeIdSchema = Type.Unsafe<NodeId>(Type.String({ pattern: '^[A-Za-z][A-Za-z0-9_-]{0,39}$' }));
