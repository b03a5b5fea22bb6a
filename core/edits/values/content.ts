import { schemaFaults } from '../../faults.ts';
import { contentOf } from '../../elements/kinds/kind.ts';
import { knownKind } from '../../elements/kinds/table.ts';
import type { NodeId } from '../../elements/nodeid.ts';
import { done, refused } from '../../outcome.ts';
import { same } from '../../layered/express.ts';
import type { Command } from '../command.ts';
import { keepContent } from './naming.ts';

export interface SetContent {
  node: NodeId;
  field: string;
  value: unknown;
}

/** Sets a field of an element's content, which is the same in every view. Text is cleaned on its way in. */
export const setContent: Command<SetContent> = {
  run(site, draft, { node: id, field: name, value }) {
    const node = draft.nodes[id];
    if (!node) return refused('The element is no longer on this page.');
    const before = node.name;
    const kind = knownKind(node.kind);
    const field = kind.content.find((candidate) => candidate.name === name);
    if (!field) return refused(`${node.name} has no “${name}”.`);
    const shape = schemaFaults(field.type.schema, value);
    if (shape.length > 0) return refused(`${field.label}: ${shape[0].sentence}`);
    const cleaned: unknown = field.type.clean(value);
    const fault = field.type.fault?.(cleaned, site);
    if (fault) return refused(`${field.label}: ${fault}`);
    if (!same(contentOf(kind, node, name), cleaned)) keepContent(node, name, cleaned);
    return done(`${before}: ${field.label.toLowerCase()} changed in every view`);
  },
};

export interface Rename {
  node: NodeId;
  name: string;
}

/** Gives an element another name; visitors never see it. */
export const rename: Command<Rename> = {
  run(_site, draft, { node: id, name }) {
    const node = draft.nodes[id];
    const wanted = name.replace(/\s+/g, ' ').trim();
    if (!node) return refused('The element is no longer on this page.');
    if (wanted === '') return refused('A name needs at least one character; the old name stays.');
    if (wanted.length > 120) return refused('A name has at most 120 characters; the old name stays.');
    const before = node.name;
    node.name = wanted;
    return done(`${before}: renamed to ${wanted}`);
  },
};
