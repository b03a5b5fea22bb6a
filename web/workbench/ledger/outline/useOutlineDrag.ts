import { misplaced, type NodeId, type Page, perform, type SiteFrame, sure } from '../../../../core/index.ts';
import { useState, type PointerEvent } from 'react';
import { useAppSelector } from '../../../state/store.ts';
import type { TreePlace } from '../../../state/structure.ts';
import { draw, DRAGGED } from '../../../ui/draw.ts';
import { useMove } from './useMove.ts';
import { placeAt, placedIn, type Drop } from './outlineplace.ts';

/** Dragging rows of the outline: to another place or parent in source order, in every view. */
export function useOutlineDrag(site: SiteFrame, page: Page) {
  const whole = useAppSelector((state) => sure(state.documents.open, 'open').site);
  const open = useAppSelector((state) => sure(state.documents.open, 'open').page);
  const selected = useAppSelector((state) => state.desk.selected);
  const [drop, setDrop] = useState<Drop | null>(null);
  const moving = useMove(site, page);

  const describe = (nodes: NodeId[], place: TreePlace) =>
    placedIn(site, page, place, nodes[0], perform(whole, open, 'moveElements', { nodes, ...place }));

  const down = (press: PointerEvent<HTMLElement>, id: NodeId) => {
    const node = page.nodes[id];
    if (press.button !== 0 || node?.parent === null) return;
    const nodes = selected.includes(id) ? selected.filter((each) => page.nodes[each]?.parent) : [id];
    let goal: Drop | null = null;
    draw(press, {
      after: DRAGGED,
      move(event) {
        const meant = placeAt(page, event);
        if (!meant) return setDrop((goal = null));
        const same =
          goal && goal.place.parent === meant.place.parent && goal.place.after === meant.place.after;
        const fault = misplaced(
          page,
          nodes.map((each) => page.nodes[each]),
          page.nodes[meant.place.parent],
        );
        goal = {
          place: meant.place,
          line: meant.line,
          into: meant.into,
          sentence: same ? sure(goal, 'goal').sentence : (fault ?? describe(nodes, meant.place)),
          refused: fault !== undefined,
        };
        setDrop(goal);
      },
      end() {
        setDrop(null);
        if (!goal) return;
        moving.request(nodes, goal.place, goal.refused);
      },
      cancel: () => setDrop(null),
    });
  };

  return { drop, down, question: moving.question, answer: moving.answer };
}
