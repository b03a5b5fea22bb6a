import { type Page, perform, type SiteFrame, sure } from '../../../core/index.ts';
import { useState, type PointerEvent } from 'react';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { add, link, newId, onlyHere, placeCopy, takesMore, type TreePlace } from '../../state/structure.ts';
import { draw, DRAGGED } from '../../ui/draw.ts';
import { placeInSheet } from '../desk/sheetplace.ts';
import { placeAt, placedIn, type Drop } from '../ledger/outline/outlineplace.ts';
import type { Offer } from './offers.ts';

/** Dragging what can be added to a place in a sheet or in the outline. */
export function useAddDrag(site: SiteFrame, page: Page) {
  const dispatch = useAppDispatch();
  const whole = useAppSelector((state) => sure(state.documents.open, 'open').site);
  const open = useAppSelector((state) => sure(state.documents.open, 'open').page);
  const view = useAppSelector((state) => onlyHere(state).view);
  const reach = useAppSelector((state) => state.desk.reach);
  const only = { view, reach };
  const [drop, setDrop] = useState<Drop | null>(null);
  /** Where the pointer is, while something is carried and nothing there takes it. */
  const [carried, setCarried] = useState<{ label: string; left: number; top: number } | null>(null);

  const put = (offer: Offer, place: TreePlace): void => {
    if (offer.linked) dispatch(link(offer.linked, place));
    else if (offer.copy) dispatch(placeCopy(offer.copy(), place, 'added to'));
    else dispatch(add(offer.kind, place));
  };

  const describe = (offer: Offer, place: TreePlace): string => {
    const { linked } = offer;
    const id = linked ? sure(sure(site.shared, 'shared')[linked]).root : newId(place.parent);
    if (linked)
      return placedIn(site, page, place, id, perform(whole, open, 'linkBlock', { block: linked, ...place }));
    const tried = offer.copy
      ? perform(whole, open, 'pasteElements', { copied: offer.copy(), id, ...place, only })
      : perform(whole, open, 'addElement', { kind: offer.kind, id, ...place, only });
    return placedIn(site, page, place, id, tried);
  };

  const down = (press: PointerEvent<HTMLElement>, offer: Offer) => {
    if (press.button !== 0) return;
    let goal: Drop | null = null;
    const show = (next: Drop | null, at?: { clientX: number; clientY: number }) => {
      goal = next;
      setDrop(next);
      setCarried(!next && at ? { label: offer.label, left: at.clientX, top: at.clientY } : null);
    };
    draw(press, {
      after: DRAGGED,
      move(event) {
        const linked = offer.linked !== undefined;
        const meant = placeAt(page, event) ?? placeInSheet(site, page, offer.kind, event, linked);
        if (!meant) return show(null, event);
        const { place, line, into } = meant;
        const same = goal && goal.place.parent === place.parent && goal.place.after === place.after;
        const refused = !takesMore(page, place.parent, offer.kind, linked);
        const sentence = refused
          ? `${page.nodes[place.parent].name} takes no ${linked ? 'linked block' : offer.label.toLowerCase()}.`
          : undefined;
        show({
          place,
          line,
          into,
          refused,
          sentence: sentence ?? (same ? sure(goal, 'goal').sentence : describe(offer, place)),
        });
      },
      end() {
        if (goal && !goal.refused) put(offer, goal.place);
        show(null);
      },
      cancel: () => show(null),
    });
  };

  return { drop, carried, down, put };
}
