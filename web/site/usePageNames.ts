import { type NodeId, sure } from '../../core/index.ts';
import { useMemo } from 'react';
import { useAppSelector } from '../state/store.ts';

/** What the pages of the open site are called in the workbench, by id; a page that was never read goes by its title. */
export function usePageNames(): ReadonlyMap<NodeId, string> {
  const site = useAppSelector((state) => sure(state.documents.open, 'open').site);
  const counts = useAppSelector((state) => sure(state.documents.open, 'open').counts);
  return useMemo(
    () =>
      new Map(
        site.frame.pages.map(({ id, title }) => {
          const page = site.pages[id] as (typeof site.pages)[NodeId] | undefined;
          return [id, page?.nodes[page.root].name ?? counts.find((each) => each.id === id)?.name ?? title];
        }),
      ),
    [site, counts],
  );
}
