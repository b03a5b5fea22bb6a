import { Box, Button, IconButton, Link, Tooltip, Typography } from '@mui/material';
import { Redo2, Undo2 } from 'lucide-react';
import { useContext } from 'react';
import { Link as RouterLink } from 'react-router';
import { plural, type SiteFrame } from '../../core/index.ts';
import { nextStep } from '../state/steps.ts';
import { retryNow } from '../state/edits.ts';
import { redo, undo } from '../state/traversal.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { useAfterPaint } from '../ui/afterpaint.ts';
import { darkGround, petrolFill, sun } from '../ui/theme.ts';
import { clock } from '../ui/time.ts';
import { Places } from './Places.tsx';
import { NotAppliedNotice } from './NotAppliedNotice.tsx';
import { addressOf, isOfPage, Screens, useScreen } from './screen.ts';
import { StepList } from './StepList.tsx';

/** What stands elsewhere too gives way where the bar is narrow. */
const WIDE_ONLY = { '@media (width < 1150px)': { display: 'none' } };

/** Whether what was done is kept, and since when. */
function SaveState() {
  const dispatch = useAppDispatch();
  const saveStatus = useAfterPaint(useAppSelector((state) => state.documents.saveStatus));
  const pending = useAfterPaint(useAppSelector((state) => state.documents.open?.pending.length ?? 0));
  const remembered = useAfterPaint(useAppSelector((state) => state.documents.remembered));
  if (saveStatus.state === 'failing') {
    return (
      <Box
        role="alert"
        sx={{
          display: 'flex',
          alignItems: 'center',
          gap: 1,
          bgcolor: '#ffd9cf',
          color: '#5c1406',
          borderRadius: 0.5,
          px: 1.25,
          py: 0.25,
          maxWidth: 520,
        }}
      >
        <Typography sx={{ fontSize: 13, lineHeight: 1.3 }}>
          <b>{pending === 1 ? '1 change is' : `${pending} changes are`} not saved.</b> {saveStatus.sentence}{' '}
          {remembered
            ? `This browser keeps ${plural(pending, 'it', 'them')} and tries again automatically.`
            : `This browser could not store ${plural(pending, 'it', 'them')} either: keep this window open until all is saved.`}
        </Typography>
        <Button size="small" color="inherit" variant="outlined" onClick={() => dispatch(retryNow())}>
          Try now
        </Button>
      </Box>
    );
  }
  return (
    <Typography
      role="status"
      aria-label="Save status"
      noWrap
      sx={{ fontSize: 13, color: '#cfc8ba', flex: 'none' }}
    >
      {saveStatus.state === 'saved' &&
        (saveStatus.at === null ? (
          'All changes saved'
        ) : (
          <>
            All changes saved
            <Box component="span" sx={WIDE_ONLY}>
              {' '}
              · {clock(saveStatus.at)}
            </Box>
          </>
        ))}
      {saveStatus.state === 'saving' && 'Saving …'}
    </Typography>
  );
}

function StepButton({ list }: { list: 'undo' | 'redo' }) {
  const dispatch = useAppDispatch();
  const last = useAfterPaint(useAppSelector((state) => nextStep(state, list)?.sentence));
  const name = list === 'undo' ? 'Undo' : 'Redo';
  const Sign = list === 'undo' ? Undo2 : Redo2;
  return (
    <Tooltip title={last ? `${name}: ${last}` : `Nothing to ${list}`}>
      <span>
        <IconButton
          aria-label={last ? `${name}: ${last}` : name}
          size="small"
          disabled={!last}
          color="inherit"
          onClick={() => dispatch(list === 'undo' ? undo() : redo())}
          sx={{ '&.Mui-disabled': { color: '#6f695d' } }}
        >
          <Sign size={17} />
        </IconButton>
      </span>
    </Tooltip>
  );
}

function ScreenLinks({ site, page }: { site: string; page: string }) {
  const current = useScreen();
  return (
    <Box component="nav" aria-label="Screens of the site" sx={{ display: 'flex', gap: 0.5, flex: 'none' }}>
      {useContext(Screens).map((screen) => (
        <Link
          key={screen.name}
          component={RouterLink}
          to={addressOf(screen, site, page)}
          aria-current={screen === current ? 'page' : undefined}
          underline="none"
          sx={{
            fontSize: 13,
            px: 1,
            py: 0.5,
            borderRadius: 0.75,
            color: screen === current ? 'white' : '#cfc8ba',
            bgcolor: screen === current ? petrolFill : 'transparent',
            '&:hover': { color: 'white' },
          }}
        >
          {screen.name}
          {screen.Count && <screen.Count site={site} />}
        </Link>
      ))}
    </Box>
  );
}

/** The bar on top: where one is, what is kept, steps back and forth, trying and publishing. */
export function TopBar(props: {
  site: SiteFrame;
  page: string;
  pageName: string;
  busy: boolean;
  onTry: () => void;
}) {
  const { site, page, pageName, busy, onTry } = props;
  const screen = useScreen();
  const publishing = useContext(Screens).find(({ isForPublishing }) => isForPublishing);
  return (
    <Box
      component="header"
      sx={{
        flex: 'none',
        minHeight: 44,
        bgcolor: darkGround,
        '--focus': 'white',
        color: 'white',
        display: 'flex',
        alignItems: 'center',
        gap: 1.5,
        px: 1.75,
        // Zoomed twice, a window is half as wide: nothing of the bar is out of reach there.
        '@media (width < 1000px)': { flexWrap: 'wrap', rowGap: 0.5, py: 0.5 },
      }}
    >
      <Link
        component={RouterLink}
        to="/"
        color="inherit"
        underline="none"
        sx={{ fontWeight: 700, fontSize: 16 }}
      >
        Dimorphe
      </Link>
      <Typography
        noWrap
        sx={{
          fontSize: 13,
          color: '#cfc8ba',
          minWidth: 0,
          // It takes what room is left beside the screens.
          '@media (width < 1000px)': { flex: '1 1 0' },
        }}
        title={site.name}
      >
        {site.name}
      </Typography>
      <ScreenLinks site={site.id} page={page} />
      {isOfPage(screen) && (
        <>
          <Typography sx={{ color: '#8d8577', ...WIDE_ONLY }} aria-hidden>
            /
          </Typography>
          <Typography noWrap sx={{ fontSize: 13, minWidth: 0, ...WIDE_ONLY }}>
            {pageName}
          </Typography>
        </>
      )}
      <Box sx={{ flex: 1 }} />
      <NotAppliedNotice />
      <SaveState />
      <Box sx={{ display: 'flex' }}>
        <StepButton list="undo" />
        <StepButton list="redo" />
        <StepList />
        <Places first={isOfPage(screen)} />
      </Box>
      <Button
        size="small"
        color="inherit"
        variant="outlined"
        disabled={busy}
        onClick={onTry}
        sx={{ borderColor: '#6f695d', whiteSpace: 'nowrap', flex: 'none' }}
      >
        Preview
      </Button>
      {publishing && screen !== publishing && (
        <Button
          size="small"
          variant="contained"
          color="secondary"
          component={RouterLink}
          to={addressOf(publishing, site.id, page)}
          sx={{ bgcolor: sun, whiteSpace: 'nowrap', flex: 'none' }}
        >
          Publish …
        </Button>
      )}
    </Box>
  );
}
