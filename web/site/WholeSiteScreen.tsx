import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import type { NodeId, Site } from '../../core/index.ts';
import { Notice } from '../ui/Notice.tsx';
import { Opening, SiteScreen } from './SiteScreen.tsx';
import { useWholeSite } from './useWholeSite.ts';

interface WholeSiteScreenProps {
  /** The page it is about; where it is not there, the one that was open is, else the first. */
  wanted?: NodeId | null;
  /** `open` is the page that was open in the workbench. */
  children: (site: Site, page: NodeId, open: NodeId) => ReactNode;
}

/** A screen that is about all pages of a site: once they are all read, or why they cannot be. */
export function WholeSiteScreen({ wanted, children }: WholeSiteScreenProps) {
  const { site: siteId = '' } = useParams();
  const { open, whole, failure, retry } = useWholeSite(siteId);
  if (failure) {
    return (
      <Notice severity="error" action={{ label: 'Try again', run: retry }} wayBack>
        {failure}
      </Notice>
    );
  }
  if (!open || !whole) return <Opening />;
  const { site } = open;
  const page = [wanted, open.page].find((id) => id && site.pages[id]) ?? site.frame.pages[0].id;
  const { nodes, root } = site.pages[page];
  return (
    <SiteScreen site={site.frame} page={page} pageName={nodes[root].name}>
      {children(site, page, open.page)}
    </SiteScreen>
  );
}
