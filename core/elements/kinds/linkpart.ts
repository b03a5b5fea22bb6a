import { type KindPart } from './kind.ts';

export const links: KindPart = { label: 'Links', selector: 'a', defaults: { decoration: 'underline' } };
