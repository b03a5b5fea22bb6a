import { Box, LinearProgress } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'react-redux';
import { useHotkeys } from 'react-hotkeys-hook';
import type { SiteFrame } from '../../core/index.ts';
import { keep, retryNow } from '../state/edits.ts';
import { redo, undo } from '../state/traversal.ts';
import { sentenceOf } from '../state/request.ts';
import { usePreviewMutation } from '../state/server.ts';
import { useAppDispatch, useAppSelector, type State } from '../state/store.ts';
import { useAfterPaint } from '../ui/afterpaint.ts';
import { Notice } from '../ui/Notice.tsx';
import { useTitle } from '../ui/useTitle.ts';
import { OverwrittenNotice } from './OverwrittenNotice.tsx';
import { UploadList } from './UploadList.tsx';
import { isOfPage, useScreen } from './screen.ts';
import { TopBar } from './TopBar.tsx';

/** Says each refusal and what was undone; what was done is told by the screen itself. */
function useSayings() {
  const said = useAppSelector((state) => state.documents.announcement);
  const { enqueueSnackbar } = useSnackbar();
  useEffect(() => {
    if (said.count > 0 && said.refusal)
      enqueueSnackbar(said.sentence, { variant: 'error', autoHideDuration: 8000 });
  }, [said, enqueueSnackbar]);
  return said.sentence;
}

/** Warns before the window closes while something cannot be kept: until it is opened again, only this browser knows of it. */
function useStaying() {
  const store = useStore<State>();
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (store.getState().documents.saveStatus.state === 'failing') event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [store]);
}

/** Steps go back and forth from everywhere but where text is typed, which has steps of its own. */
const STEPPING: Parameters<typeof useHotkeys>[2] = {
  preventDefault: true,
  enableOnFormTags: ['slider', 'option', 'radio', 'menuitem'],
};

/** The keys of steps; apart from the screen, as it is drawn again with every edit. */
function StepKeys() {
  const dispatch = useAppDispatch();
  useHotkeys('mod+z', () => dispatch(undo()), STEPPING);
  useHotkeys('mod+shift+z, mod+y', () => dispatch(redo()), STEPPING);
  return null;
}

/** What was done last, for assistive technology; apart from the screen, too. */
function LastStep() {
  const said = useAfterPaint(useSayings());
  return (
    <Box
      role="status"
      aria-label="Last step"
      sx={{
        position: 'absolute',
        top: 0,
        width: '1px',
        height: '1px',
        overflow: 'hidden',
        clipPath: 'inset(50%)',
      }}
    >
      {said}
    </Box>
  );
}

/** ms; what is there by then needs no words. */
const LONG = 1000;

/** What is said only once it has been waited for. */
function Late({ children }: { children: ReactNode }) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), LONG);
    return () => clearTimeout(timer);
  }, []);
  return late ? children : null;
}

/** What stands in for a screen while a page is opened: first the edits of the last one have to be kept. Words come where that takes long. */
export function Opening() {
  const dispatch = useAppDispatch();
  const saveStatus = useAppSelector((state) => state.documents.saveStatus);
  if (saveStatus.state === 'failing')
    return (
      <Notice severity="error" action={{ label: 'Try now', run: () => dispatch(retryNow()) }}>
        The page opens once your last changes are saved; they are still here. {saveStatus.sentence}
      </Notice>
    );
  return (
    <>
      <LinearProgress aria-label="Opening the page" />
      <Late>
        <Notice severity="info" wayBack>
          {saveStatus.state === 'saving'
            ? 'Saving your last changes; then the page opens.'
            : 'Opening takes longer than usual. It continues as soon as everything has loaded.'}
        </Notice>
      </Late>
    </>
  );
}

interface SiteScreenProps {
  site: SiteFrame;
  /** The page that is open. */
  page: string;
  pageName: string;
  children: ReactNode;
}

/** What every screen of a site has: the bar on top, steps and their keys, and what is said of keeping and refusing. */
export function SiteScreen({ site, page, pageName, children }: SiteScreenProps) {
  const screen = useScreen();
  useTitle(isOfPage(screen) ? pageName : (screen?.name ?? ''), site.name);
  const dispatch = useAppDispatch();
  const [preview, { isLoading: trying }] = usePreviewMutation();
  const { enqueueSnackbar } = useSnackbar();
  useStaying();

  /** Opens the draft as it would be published; the tab is opened at once, so that no browser takes it for a pop-up. */
  const tryIt = async () => {
    const tab = window.open('', '_blank');
    await dispatch(keep());
    const result = await preview(site.id);
    if (result.data && tab) {
      tab.opener = null;
      tab.location.replace(result.data.url);
    } else {
      tab?.close();
      const why = result.error
        ? sentenceOf(result.error)
        : 'The browser did not open a new tab; allow pop-ups for this address.';
      enqueueSnackbar(`The draft could not be shown. ${why}`, { variant: 'error' });
    }
  };

  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', overflow: 'hidden' }}>
      <TopBar site={site} page={page} pageName={pageName} busy={trying} onTry={() => void tryIt()} />
      <Box component="main" sx={{ position: 'relative', flex: 1, minHeight: 0 }}>
        {children}
        <LastStep />
        <UploadList site={site.id} />
      </Box>
      <OverwrittenNotice />
      <StepKeys />
    </Box>
  );
}
