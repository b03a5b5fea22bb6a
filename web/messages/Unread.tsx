import { Box } from '@mui/material';
import { useUnreadMessagesQuery } from '../state/server.ts';
import { ink, paper } from '../ui/theme.ts';

/** ms; how often it is asked whether messages have come. */
const OFTEN = 60_000;

/** How many messages nobody has read. */
export function Unread({ site }: { site: string }) {
  const { data } = useUnreadMessagesQuery(site, { pollingInterval: OFTEN, skipPollingIfUnfocused: true });
  if (!data?.unread) return null;
  return (
    <Box
      component="span"
      role="img"
      aria-label={`${data.unread} not read`}
      sx={{ ml: 0.5, px: 0.75, borderRadius: 2, fontSize: 11.5, fontWeight: 700, color: ink, bgcolor: paper }}
    >
      {data.unread > 99 ? '99+' : data.unread}
    </Box>
  );
}
