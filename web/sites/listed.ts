import type { SiteSummary } from '../../api/responses.ts';

export type SiteOrder = 'changed' | 'name' | 'published';

export const ORDERS: readonly { id: SiteOrder; label: string }[] = [
  { id: 'changed', label: 'Changed last' },
  { id: 'name', label: 'By name' },
  { id: 'published', label: 'Published last' },
];

const inOrder: Record<SiteOrder, (one: SiteSummary, other: SiteSummary) => number> = {
  changed: (one, other) => other.changedAt.localeCompare(one.changedAt),
  name: (one, other) => one.name.localeCompare(other.name, 'en', { numeric: true }),
  published: (one, other) => (other.live?.publishedAt ?? '').localeCompare(one.live?.publishedAt ?? ''),
};

/** The sites whose name or address holds a text, in an order; equal ones as they were made. */
export function listed(sites: readonly SiteSummary[], text: string, order: SiteOrder): SiteSummary[] {
  const wanted = text.trim().toLowerCase();
  return sites.filter(({ name, id }) => `${name} ${id}`.toLowerCase().includes(wanted)).sort(inOrder[order]);
}
