import { nodeId, type NodeId, NodeIdSchema } from '../nodeid.ts';
import { letterOf, shownOf } from '../../layout/alternates.ts';
import { done, refused } from '../../outcome.ts';
import type { ValueType } from './valuetype.ts';

/** Which of a set of alternates shows in a view: always one of them, read and written as its letter. */
export const alternateType: ValueType<NodeId> = {
  editor: 'alternate',
  schema: NodeIdSchema,
  parse(text, { siblings }) {
    const source = siblings?.source ?? [];
    const letter = text.trim().toUpperCase();
    const chosen = source.find((_id, place) => letterOf(place) === letter);
    return chosen === undefined
      ? refused(
          `“${text.trim()}” isn’t one of the alternates; they are ${source.map((_id, place) => letterOf(place)).join(', ')}.`,
        )
      : done(chosen);
  },
  format(value, { siblings }) {
    const source = siblings?.source ?? [];
    const shown = shownOf(source, value);
    return shown === undefined ? 'none' : letterOf(source.indexOf(shown));
  },
  mentions: (value) => [{ of: 'nodes', id: value }],
  renamed: (value, names) => nodeId(names.get(value) ?? value),
};
