import { useMemo } from 'react';
import { sectionsIn, type Page, type SiteFrame, type ViewId } from '../../../core/index.ts';
import { stopsIn } from './walking.ts';

/** How many sections of a view were found fine, of how many; nothing where nobody has begun. */
export function useProgress(
  site: SiteFrame,
  page: Page,
  view: ViewId,
): { fine: number; of: number } | undefined {
  return useMemo(() => {
    const sections = sectionsIn(site, page, view);
    if (!sections.some((id) => page.nodes[id].reviewed?.[view] !== undefined)) return undefined;
    const stops = stopsIn(site, page, view);
    return { fine: stops.filter(({ reviewed }) => reviewed === 'fine').length, of: stops.length };
  }, [site, page, view]);
}

/** How far the walk through a view is, as a ring that closes. */
export function Ring({ fine, of }: { fine: number; of: number }) {
  const length = 2 * Math.PI * 4;
  return (
    <svg width={12} height={12} viewBox="0 0 12 12" aria-hidden style={{ flex: 'none' }}>
      <circle cx={6} cy={6} r={4} fill="none" stroke="currentColor" strokeOpacity={0.3} strokeWidth={2.5} />
      <circle
        cx={6}
        cy={6}
        r={4}
        fill="none"
        stroke="currentColor"
        strokeWidth={2.5}
        strokeDasharray={`${(length * fine) / Math.max(1, of)} ${length}`}
        transform="rotate(-90 6 6)"
      />
    </svg>
  );
}
