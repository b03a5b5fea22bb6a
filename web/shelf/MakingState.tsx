import { Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import type { SiteFrame } from '../../core/index.ts';
import { useMakingQuery } from '../state/server.ts';
import { quiet } from '../ui/theme.ts';

/** ms between questions while something is being made. */
const OFTEN = 1500;

/** How far the smaller images are that the site's pages need. */
export function MakingState({ site }: { site: SiteFrame }) {
  const [whole, setWhole] = useState(false);
  const { data, refetch } = useMakingQuery(site.id, {
    pollingInterval: whole ? 0 : OFTEN,
    refetchOnMountOrArgChange: true,
  });
  const made = data !== undefined && data.made >= data.wanted;
  if (made !== whole) setWhole(made);
  // What stands on the shelf has changed: once it is kept there may be more to make.
  useEffect(() => {
    const asked = setTimeout(() => void refetch(), OFTEN);
    return () => clearTimeout(asked);
  }, [refetch, site.assets]);
  if (!data || data.wanted === 0) return null;
  return (
    <Typography role="status" sx={{ fontSize: 13, color: quiet }}>
      {data.made < data.wanted
        ? `Smaller images for narrow screens: ${data.made} of ${data.wanted} made`
        : 'All sizes for all screens are ready'}
    </Typography>
  );
}
