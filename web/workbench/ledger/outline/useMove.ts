import { useState } from 'react';
import { held, type NodeId, type Page, type SiteFrame } from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';
import type { TreePlace } from '../../../state/structure.ts';

/** A move that concerns views with an order of their own: whether these follow has to be said. */
export interface Question {
  nodes: NodeId[];
  place: TreePlace;
  views: string[];
}

/** Moves elements in source order, in every view; asks once where views have an order of their own. */
export function useMove(site: SiteFrame, page: Page) {
  const dispatch = useAppDispatch();
  const [question, setQuestion] = useState<Question | null>(null);
  const move = (nodes: NodeId[], place: TreePlace, inOrders?: true) =>
    dispatch(edit('moveElements', { nodes, ...place, inOrders }));
  return {
    question,
    /** `refused`: it cannot be made; then it says why at once. */
    request(nodes: NodeId[], place: TreePlace, refused = false) {
      const { order } = page.nodes[place.parent].style.self ?? {};
      const within = nodes.every((each) => page.nodes[each].parent === place.parent);
      const views = site.views.list.filter(
        (view) => within && order && held(order, site.views, view.id) !== undefined,
      );
      if (views.length > 0 && !refused)
        setQuestion({ nodes, place, views: views.map(({ name }) => name).reverse() });
      else move(nodes, place);
    },
    /** Answers the question: whether views with an order of their own follow; undefined: nothing is moved. */
    answer(follow: boolean | undefined) {
      if (question && follow !== undefined) move(question.nodes, question.place, follow ? true : undefined);
      setQuestion(null);
    },
  };
}
