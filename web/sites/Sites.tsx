import {
  Box,
  Button,
  LinearProgress,
  MenuItem,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { FilePlus2, FolderInput } from 'lucide-react';
import { useSnackbar } from 'notistack';
import { useCallback, useMemo, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { useNavigate } from 'react-router';
import type { SiteSummary } from '../../api/responses.ts';
import { sentenceOf } from '../state/request.ts';
import { useAddDemoMutation, useSitesQuery } from '../state/server.ts';
import { lazily } from '../ui/lazily.tsx';
import { useTitle } from '../ui/useTitle.ts';
import { Notice } from '../ui/Notice.tsx';
import { VirtualRows, type RowsHandle } from '../ui/VirtualRows.tsx';
import { darkGround, petrol, petrolTint, quiet, raised } from '../ui/theme.ts';
import { StartScreen } from './StartScreen.tsx';
import { listed, ORDERS, type SiteOrder } from './listed.ts';
import { RefusedDialog } from './RefusedDialog.tsx';
import { RemoveDialog } from './RemoveDialog.tsx';
import { PutAwayLine, SiteLine } from './SiteLine.tsx';
import { useSiteImport } from './useSiteImport.ts';
import { useSiteActions, type SiteActions } from './useSiteActions.ts';

const NewSiteDialog = lazily(async () => (await import('./NewSiteDialog.tsx')).NewSiteDialog);

/** px; a line of the list with the room below it. */
const LINE = 132;

/** From so many sites on they are sorted and filtered. */
const MANY = 10;

function Lines({
  sites,
  actions,
  away,
}: {
  sites: readonly SiteSummary[];
  actions: SiteActions;
  away: boolean;
}) {
  const handle: RowsHandle = useRef(null);
  const draw = (index: number, start: number) => (
    <Box
      role="listitem"
      aria-setsize={sites.length}
      aria-posinset={index + 1}
      sx={{ position: 'absolute', insetInline: 0, top: 0, height: LINE }}
      style={{ transform: `translateY(${start}px)` }}
    >
      {away ? (
        <PutAwayLine site={sites[index]} actions={actions} />
      ) : (
        <SiteLine site={sites[index]} actions={actions} />
      )}
    </Box>
  );
  return (
    <VirtualRows
      role="list"
      aria-label={away ? 'Archived sites' : 'Sites'}
      count={sites.length}
      sizeOf={() => LINE}
      keyOf={(index) => sites[index].id}
      overscan={2}
      handle={handle}
      draw={draw}
    />
  );
}

/** The list of sites: where a session begins. */
export function Sites() {
  useTitle('Sites');
  const { data, error, refetch } = useSitesQuery(undefined, {
    refetchOnMountOrArgChange: true,
    refetchOnFocus: true,
  });
  const [addDemo, { isLoading: adding }] = useAddDemoMutation();
  const { enqueueSnackbar } = useSnackbar();
  const navigate = useNavigate();
  const [making, setMaking] = useState(false);
  const [removing, setRemoving] = useState<SiteSummary | null>(null);
  const [filter, setFilter] = useState('');
  const [order, setOrder] = useState<SiteOrder>('changed');
  const [away, setAway] = useState(false);
  const actions = useSiteActions(setRemoving);
  const { bring, busy, refused, forget } = useSiteImport();

  const onDrop = useCallback((files: File[]) => void (files[0] && bring(files[0])), [bring]);
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop,
    noClick: true,
    noKeyboard: true,
    multiple: false,
  });

  const tryDemo = async () => {
    const { data: made, error: failed } = await addDemo();
    if (made) return void navigate(`/sites/${made.id}/pages/${made.firstPage}`);
    enqueueSnackbar(`The observatory was not set up. ${sentenceOf(failed)}`, { variant: 'error' });
  };

  const present = useMemo(() => data?.filter((site) => site.putAwayAt === null) ?? [], [data]);
  const archived = useMemo(() => data?.filter((site) => site.putAwayAt !== null) ?? [], [data]);
  const shelf = away && archived.length > 0;
  const all = shelf ? archived : present;
  const shown = useMemo(() => listed(all, all.length >= MANY ? filter : '', order), [all, filter, order]);
  const empty = data !== undefined && present.length === 0 && !shelf;

  return (
    <Box {...getRootProps()} sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <Box
        component="header"
        sx={{
          bgcolor: darkGround,
          '--focus': 'white',
          color: 'white',
          minHeight: 44,
          display: 'flex',
          alignItems: 'center',
          px: 1.75,
          flex: 'none',
        }}
      >
        <Typography sx={{ fontWeight: 700, fontSize: 16 }}>Dimorphe</Typography>
      </Box>
      <Box component="main" sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
        <input {...getInputProps({ accept: '.json,application/json', 'aria-label': 'Site file' })} />
        <Box sx={{ width: '100%', maxWidth: 940, mx: 'auto', px: 3, pt: 4 }}>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.25, mb: 0.5, flexWrap: 'wrap' }}>
            <Typography component="h1" sx={{ fontSize: 28, fontWeight: 700, flex: 1 }}>
              {empty ? 'Welcome' : 'Your sites'}
            </Typography>
            {!empty && data && (
              <>
                <Button variant="outlined" startIcon={<FolderInput size={16} />} onClick={open}>
                  Import a site file
                </Button>
                <Button
                  variant="contained"
                  startIcon={<FilePlus2 size={16} />}
                  onClick={() => setMaking(true)}
                >
                  New site
                </Button>
              </>
            )}
          </Box>
          <Typography sx={{ color: quiet, mb: 2.5 }}>
            {empty
              ? 'Lay out a page once, and make it right in every view before you publish it.'
              : 'Open a site to adapt its pages to every view.'}
          </Typography>
          {(busy !== null || adding) && (
            <Box sx={{ mb: 2 }}>
              <Typography role="status" sx={{ fontSize: 13, mb: 0.5, overflowWrap: 'anywhere' }}>
                {busy === null ? 'Setting up the observatory …' : `Importing ${busy} …`}
              </Typography>
              <LinearProgress
                aria-label={busy === null ? 'Setting up the observatory' : 'Importing a site file'}
              />
            </Box>
          )}
          {error && (
            <Notice severity="error" action={{ label: 'Try again', run: () => void refetch() }}>
              The list could not be loaded. {sentenceOf(error)}
            </Notice>
          )}
          {!data && !error && <LinearProgress aria-label="Loading the list of sites" />}
          {(archived.length > 0 || all.length >= MANY) && (
            <Box sx={{ display: 'flex', gap: 1.5, mb: 1.5, mt: empty ? 3 : 0 }}>
              {archived.length > 0 && (
                <ToggleButtonGroup
                  exclusive
                  size="small"
                  aria-label="Which sites"
                  value={shelf}
                  onChange={(_event, next: boolean | null) => next !== null && setAway(next)}
                  sx={{ '& .MuiToggleButton-root': { textTransform: 'none', py: 0.5, fontSize: 13 } }}
                >
                  <ToggleButton value={false}>Sites ({present.length})</ToggleButton>
                  <ToggleButton value={true}>Archived ({archived.length})</ToggleButton>
                </ToggleButtonGroup>
              )}
              {all.length >= MANY && (
                <>
                  <TextField
                    size="small"
                    placeholder="Filter by name"
                    value={filter}
                    onChange={({ target }) => setFilter(target.value)}
                    slotProps={{ htmlInput: { 'aria-label': 'Filter by name' } }}
                    sx={{ flex: 1 }}
                  />
                  <TextField
                    select
                    size="small"
                    value={order}
                    onChange={({ target }) => setOrder(target.value as SiteOrder)}
                    slotProps={{ select: { SelectDisplayProps: { 'aria-label': 'Order' } } }}
                    sx={{ minWidth: 150 }}
                  >
                    {ORDERS.map(({ id, label }) => (
                      <MenuItem key={id} value={id}>
                        {label}
                      </MenuItem>
                    ))}
                  </TextField>
                </>
              )}
            </Box>
          )}
          {all.length > 0 && shown.length === 0 && (
            <Typography sx={{ color: quiet, py: 2 }}>No site name contains “{filter.trim()}”.</Typography>
          )}
        </Box>
        <Box data-scroller sx={{ flex: 1, minHeight: 0, overflowY: 'auto' }}>
          <Box sx={{ maxWidth: 940, mx: 'auto', px: 3, pb: 4 }}>
            {empty && (
              <StartScreen
                busy={adding || busy !== null}
                onTry={() => void tryDemo()}
                onNew={() => setMaking(true)}
                onBring={open}
              />
            )}
            <Lines sites={shown} actions={actions} away={shelf} />
          </Box>
        </Box>
      </Box>
      {isDragActive && (
        <Box
          sx={{
            position: 'fixed',
            inset: 8,
            border: `2px dashed ${petrol}`,
            bgcolor: petrolTint,
            borderRadius: 1,
            display: 'flex',
            alignItems: 'center',
            justifyContent: 'center',
            pointerEvents: 'none',
          }}
        >
          <Typography sx={{ fontSize: 18, fontWeight: 700, bgcolor: raised, px: 2, py: 1, borderRadius: 1 }}>
            Drop a site file to import it
          </Typography>
        </Box>
      )}
      {making && <NewSiteDialog onClose={() => setMaking(false)} />}
      {removing && <RemoveDialog site={removing} onClose={() => setRemoving(null)} />}
      {refused && <RefusedDialog refused={refused} onClose={forget} />}
    </Box>
  );
}
