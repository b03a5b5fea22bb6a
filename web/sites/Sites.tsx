import { Box, Button, LinearProgress, Link, Paper, Typography } from '@mui/material';
import { ExternalLink } from 'lucide-react';
import { Link as RouterLink } from 'react-router';
import { paths } from '../../api/paths.ts';
import type { SiteSummary } from '../../api/responses.ts';
import { troubleOf, useSitesQuery } from '../state/server.ts';
import { Notice } from '../ui/Notice.tsx';
import { ink, line, quiet } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';

function SiteCard({ site }: { site: SiteSummary }) {
  return (
    <Paper
      component="li"
      variant="outlined"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 2.5,
        p: 1.5,
        pr: 2.5,
        listStyle: 'none',
        borderColor: line,
        bgcolor: 'white',
      }}
    >
      {site.cover && (
        <img
          src={paths.asset(site.id, site.cover)}
          alt=""
          width={120}
          height={84}
          style={{ objectFit: 'cover', borderRadius: 3, flex: 'none' }}
        />
      )}
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography component="h2" noWrap sx={{ fontSize: 18, fontWeight: 700 }} title={site.name}>
          {site.name}
        </Typography>
        <Typography sx={{ color: quiet, mt: 0.25 }}>
          {site.pages} {site.pages === 1 ? 'page' : 'pages'} · changed {moment(new Date(site.changedAt))}
        </Typography>
      </Box>
      <Box sx={{ textAlign: 'right' }}>
        {site.live ? (
          <Link
            href={site.live.url}
            target="_blank"
            rel="noreferrer"
            sx={{ display: 'inline-flex', alignItems: 'center', gap: 0.5 }}
          >
            Publication {site.live.number} is live <ExternalLink size={14} aria-hidden />
          </Link>
        ) : (
          <Typography sx={{ color: quiet }}>Not published yet</Typography>
        )}
      </Box>
      <Button
        variant="contained"
        component={RouterLink}
        to={`/sites/${site.id}/pages/${site.firstPage}`}
        aria-label={`Open ${site.name} in the workbench`}
      >
        Open
      </Button>
    </Paper>
  );
}

/** The list of sites: where a session begins. */
export function Sites() {
  const { data, error, refetch } = useSitesQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <Box sx={{ minHeight: '100%' }}>
      <Box
        component="header"
        sx={{ bgcolor: ink, color: 'white', minHeight: 44, display: 'flex', alignItems: 'center', px: 1.75 }}
      >
        <Typography sx={{ fontWeight: 700, fontSize: 16 }}>Dimorphe</Typography>
      </Box>
      <Box component="main" sx={{ maxWidth: 860, mx: 'auto', px: 3, py: 6 }}>
        <Typography component="h1" sx={{ fontSize: 28, fontWeight: 700, mb: 0.5 }}>
          Your sites
        </Typography>
        <Typography sx={{ color: quiet, mb: 3 }}>Open one to adapt its pages to every view.</Typography>
        {error && (
          <Notice severity="error" action={{ label: 'Try again', run: () => void refetch() }}>
            The list could not be loaded. {troubleOf(error).sentence}
          </Notice>
        )}
        {!data && !error && <LinearProgress aria-label="Loading the list of sites" />}
        {data?.length === 0 && (
          <Notice severity="info">
            There is no site here yet. Start Dimorphe with an empty data folder to get the demo site.
          </Notice>
        )}
        <Box component="ul" sx={{ m: 0, p: 0, display: 'grid', gap: 1.5 }}>
          {data?.map((site) => (
            <SiteCard key={site.id} site={site} />
          ))}
        </Box>
      </Box>
    </Box>
  );
}
