import { nodeId } from '../../elements/nodeid.ts';
import { contentOf } from '../../elements/kinds/kind.ts';
import { kindOf, knownKind } from '../../elements/kinds/table.ts';
import type { Node } from '../../site/node.ts';
import { linkedAt } from '../../site/shared.ts';
import type { Change } from './changed.ts';
import { both, ofValue, formatted, type State } from './changedvalues.ts';
import type { Operation } from '../log/operation.ts';
import { lookup } from '../../lookup.ts';

/** A change in a tree of elements, by the keys below it; nothing where another one tells it. */
export function inTree(
  operation: Operation,
  [, id, field, ...rest]: string[],
  states: [State, State],
): Omit<Change, 'page'> | undefined {
  const [was, is] = states.map(({ tree }) => lookup(tree?.nodes, id));
  const some = is ?? was;
  if (!some) return undefined;
  const on = { node: some.id, name: some.name };
  if (field === undefined) {
    // What stands in something that came or went comes or goes with it.
    const [from, to] = [states[0].tree, states[1].tree];
    const { parent } = some;
    if (parent !== null && (was ? !to?.nodes[parent] : !from?.nodes[parent])) return undefined;
    return { ...on, what: was ? 'removed' : 'added' };
  }
  switch (field) {
    case 'style':
      return { ...on, ...ofValue(rest, [was, is], states) };
    case 'content': {
      const label =
        kindOf(some.kind)
          ?.content.find(({ name }) => name === rest[0])
          ?.label.toLowerCase() ?? rest[0];
      const value = (node: Node | undefined) =>
        node && formatted(contentOf<unknown>(knownKind(node.kind), node, rest[0]));
      return { ...on, what: label, ...both(value(was), value(is)) };
    }
    case 'children': {
      // Where it stands now is told of what was there before: what is new or gone is told as that.
      const moved = 'id' in operation ? nodeId(operation.id) : undefined;
      const block = moved && (linkedAt(states[1].frame, moved) ?? linkedAt(states[0].frame, moved));
      if (block) {
        const stood = was?.children.includes(moved) && is?.children.includes(moved);
        const what = stood
          ? `moved in ${some.name}`
          : operation.op === 'put'
            ? `linked in ${some.name}`
            : 'removed';
        return { node: moved, name: block.nodes[moved].name, what };
      }
      const child = moved && states[1].tree?.nodes[moved];
      if (operation.op !== 'put' || !child || !states[0].tree?.nodes[moved]) return undefined;
      return { node: child.id, name: child.name, what: `moved in ${some.name}` };
    }
    case 'name':
      return { ...on, what: 'name', ...both(was?.name, is?.name) };
    case 'textStyle': {
      const style = (at: 0 | 1) =>
        states[at].frame.textStyles.find((each) => each.id === [was, is][at]?.textStyle)?.name ??
        'default of its kind';
      return { ...on, what: 'text style', ...both(style(0), style(1)) };
    }
    case 'audience':
      return { ...on, what: 'audience', ...both(was?.audience ?? 'everyone', is?.audience ?? 'everyone') };
    default:
      // What is dismissed, and what was found fine, only those who edit see.
      return undefined;
  }
}
