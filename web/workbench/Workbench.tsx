import { Box, LinearProgress } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useEffect, useMemo, useState } from 'react';
import { useStore } from 'react-redux';
import { useHotkeys } from 'react-hotkeys-hook';
import { useParams } from 'react-router';
import { Group, Panel, Separator } from 'react-resizable-panels';
import { selected as select } from '../state/desk.ts';
import type { OpenPage } from '../state/documents.ts';
import { keep, redo, retryNow, undo } from '../state/edits.ts';
import { troubleOf, usePreviewMutation } from '../state/server.ts';
import { useAppDispatch, useAppSelector, type State } from '../state/store.ts';
import { useAfterPaint } from '../ui/afterpaint.ts';
import { line } from '../ui/theme.ts';
import { Boundary } from '../ui/Boundary.tsx';
import { Notice } from '../ui/Notice.tsx';
import { Fault } from './Fault.tsx';
import { OverwrittenNotice } from './OverwrittenNotice.tsx';
import { Desk } from './desk/Desk.tsx';
import { ledgerWidth } from './values/columns.ts';
import { Ledger } from './ledger/Ledger.tsx';
import { PublishDialog } from './PublishDialog.tsx';
import { TopBar } from './TopBar.tsx';
import { useOpenPage } from './useOpenPage.ts';

/** Says each refusal and what was taken back; what was done is told by the screen itself. */
function useSayings() {
  const said = useAppSelector((state) => state.documents.said);
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
      if (store.getState().documents.keeping.state === 'failing') event.preventDefault();
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

/** The keys that are heard everywhere in the workbench; apart from it, as it is drawn anew with every edit. */
function Keys({ deselecting }: { deselecting: boolean }) {
  const dispatch = useAppDispatch();
  useHotkeys('mod+z', () => dispatch(undo()), STEPPING);
  useHotkeys('mod+shift+z, mod+y', () => dispatch(redo()), STEPPING);
  useHotkeys('escape', () => dispatch(select(null)), { enabled: deselecting });
  return null;
}

/** What stands in for the workbench while another page is opened: first the edits of the last one have to be kept. */
function Opening() {
  const dispatch = useAppDispatch();
  const keeping = useAppSelector((state) => state.documents.keeping);
  if (keeping.state !== 'failing') return <LinearProgress aria-label="Opening the page" />;
  return (
    <Notice severity="error" action={{ label: 'Try now', run: () => dispatch(retryNow()) }}>
      The page opens once your last changes are kept; they are still here. {keeping.sentence}
    </Notice>
  );
}

/** What the two places of work show: the desk the page as it is now, the ledger as it was last tabled. */
interface Places {
  open: OpenPage;
  tabled: OpenPage;
}

/** The ledger on the left, the desk on the right. */
const work = ({ open: { site, page }, tabled }: Places) => (
  <Group orientation="horizontal" style={{ height: '100%' }}>
    <Panel
      defaultSize={ledgerWidth(site) + 14}
      minSize={ledgerWidth(site) - 60}
      groupResizeBehavior="preserve-pixel-size"
    >
      <Ledger site={tabled.site} counts={tabled.counts} page={tabled.page} />
    </Panel>
    <Separator aria-label="Width of the ledger" style={{ width: 4, background: line }} />
    <Panel minSize={320}>
      <Desk site={site} page={page} />
    </Panel>
  </Group>
);

/** The editing screen: the ledger on the left, the desk on the right. */
export function Workbench() {
  const { site: siteId = '', page: pageId = '' } = useParams();
  const dispatch = useAppDispatch();
  const { open, failure, retry } = useOpenPage(siteId, pageId);
  const [publishing, setPublishing] = useState(false);
  const [preview, { isLoading: trying }] = usePreviewMutation();
  const { enqueueSnackbar } = useSnackbar();
  const sentence = useSayings();
  // The sheets show an edit in the very next frame; the table of numbers, and what is said of it, follow after that.
  const drawn = useAfterPaint(useMemo(() => ({ open, sentence }), [open, sentence]));
  // What is selected has to be there: a new element is not waited for.
  const missing = useAppSelector((state) =>
    state.desk.selected.some((id) => !drawn.open?.page.nodes[id] && open?.page.nodes[id]),
  );
  const tabled = missing ? open : drawn.open;
  const places = useMemo(() => open && tabled && { open, tabled }, [open, tabled]);
  useStaying();

  /** Opens the draft as it would be published; the tab is opened at once, so that no browser takes it for a pop-up. */
  const tryIt = async () => {
    const tab = window.open('', '_blank');
    await dispatch(keep());
    const result = await preview(siteId);
    if (result.data && tab) {
      tab.opener = null;
      tab.location.replace(result.data.url);
    } else {
      tab?.close();
      const why = result.error
        ? troubleOf(result.error).sentence
        : 'The browser did not open a new tab; allow pop-ups for this address.';
      enqueueSnackbar(`The draft could not be shown. ${why}`, { variant: 'error' });
    }
  };

  if (failure) {
    return (
      <Notice severity="error" action={{ label: 'Try again', run: retry }} wayBack>
        {failure}
      </Notice>
    );
  }
  if (!open || !places || tabled?.page.id !== open.page.id) return <Opening />;
  const { site, page } = open;

  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', overflow: 'hidden' }}>
      <TopBar
        site={site}
        pageName={page.nodes[page.root].name}
        busy={trying}
        onTry={() => void tryIt()}
        onPublish={() => setPublishing(true)}
      />
      <Box component="main" sx={{ position: 'relative', flex: 1, minHeight: 0 }}>
        <Boundary
          of={places}
          notice={(before, again) => (
            <Fault
              site={site.id}
              again={again}
              before={
                before && (
                  <Boundary of={before} notice={() => null}>
                    {work}
                  </Boundary>
                )
              }
            />
          )}
        >
          {work}
        </Boundary>
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
          {drawn.sentence}
        </Box>
      </Box>
      {publishing && <PublishDialog site={site.id} onClose={() => setPublishing(false)} />}
      <OverwrittenNotice />
      <Keys deselecting={!publishing} />
    </Box>
  );
}
