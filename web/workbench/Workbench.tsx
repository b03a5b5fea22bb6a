import { useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useParams } from 'react-router';
import { Group, Panel, Separator } from 'react-resizable-panels';
import { selected as select } from '../state/desk.ts';
import type { OpenPage } from '../state/documents.ts';
import { openAdd } from '../state/structure.ts';
import { useSiteQuery } from '../state/server.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { Opening, SiteScreen } from '../site/SiteScreen.tsx';
import { useOpenPage } from '../site/useOpenPage.ts';
import { useAfterPaint } from '../ui/afterpaint.ts';
import { line } from '../ui/theme.ts';
import { useChecking } from '../checks/useChecking.ts';
import { useSweeping } from '../checks/useSweeping.ts';
import { Boundary } from '../ui/Boundary.tsx';
import { Notice } from '../ui/Notice.tsx';
import { Fault } from './Fault.tsx';
import { viewAt } from '../../core/index.ts';
import { useAddKey } from './add/useAddKey.ts';
import { BlockKeys } from './block/BlockKeys.tsx';
import { BlockContextMenu } from './block/BlockMenu.tsx';
import { EveryViewDialog } from './block/EveryViewDialog.tsx';
import { Desk } from './desk/Desk.tsx';
import { ledgerWidth } from '../values/columns.ts';
import { Ledger } from './ledger/Ledger.tsx';
import { lazily } from '../ui/lazily.tsx';

const AddPanel = lazily(async () => (await import('./add/AddPanel.tsx')).AddPanel);

/** Escape selects nothing; apart from the workbench, as that is drawn again with every edit. */
function Deselecting() {
  const dispatch = useAppDispatch();
  useHotkeys('escape', () => dispatch(select(null)), {
    // What is open in front is closed first, wherever the keyboard is.
    ignoreEventWhen: () => document.querySelector('.MuiModal-root') !== null,
  });
  return null;
}

/** `/` opens the panel of what can be added; open, it hears the key itself. */
function AddKey({ enabled }: { enabled: boolean }) {
  const dispatch = useAppDispatch();
  useAddKey(() => void dispatch(openAdd()), enabled);
  return null;
}

/** What the two places of work show: the desk the page as it is now, the ledger as it was last tabled. */
interface Places {
  open: OpenPage;
  tabled: OpenPage;
  /** The panel of what can be added is open. */
  adding: boolean;
  /** The ledger is folded away. */
  folded: boolean;
}

/** px; less than this of the desk, or of the height of both, is no use. */
const LEAST_DESK = 320;
const LEAST_HEIGHT = 480;

/** px; from here on all stands beside one another, however many views there are. */
const WHOLE = 1024;

/** The ledger on the left, the desk on the right. In a window that has no room for both, as when it is zoomed, they are scrolled. */
const work = ({ open: { site, page }, tabled, adding, folded }: Places) => (
  <div style={{ height: '100%', overflow: 'auto' }}>
    <div
      style={{
        height: '100%',
        minWidth: Math.min(WHOLE, ledgerWidth(site) + 14 + LEAST_DESK),
        minHeight: LEAST_HEIGHT,
      }}
    >
      <Group orientation="horizontal" style={{ height: '100%' }}>
        {!folded && (
          <>
            <Panel
              id="ledger"
              defaultSize={ledgerWidth(site) + 14}
              minSize={ledgerWidth(site) - 60}
              groupResizeBehavior="preserve-pixel-size"
            >
              <Ledger site={tabled.site} counts={tabled.counts} page={tabled.page} />
            </Panel>
            <Separator aria-label="Width of the values panel" style={{ width: 4, background: line }} />
          </>
        )}
        <Panel id="desk" minSize={LEAST_DESK}>
          <div style={{ display: 'flex', height: '100%' }}>
            {adding && <AddPanel site={site} page={page} />}
            <div style={{ flex: 1, minWidth: 0, height: '100%' }}>
              <Desk site={site} page={page} />
            </div>
          </div>
        </Panel>
      </Group>
    </div>
  </div>
);

/** The editing screen: the ledger on the left, the desk on the right. */
export function Workbench() {
  const { site: siteId = '', page: pageId = '' } = useParams();
  const { open, failure, retry } = useOpenPage(siteId, pageId);
  const { data: there } = useSiteQuery(siteId, { skip: failure === null });
  // The sheets show an edit in the very next frame; the table of numbers follows after that.
  const drawn = useAfterPaint(open);
  // What is selected has to be there: a new element is not waited for.
  const missing = useAppSelector((state) =>
    state.desk.selected.some((id) => !drawn?.page.nodes[id] && open?.page.nodes[id]),
  );
  const active = useAppSelector((state) => open && viewAt(open.site.views, state.desk.width).id);
  const tabled = missing ? open : drawn;
  useChecking(drawn?.site, drawn?.page);
  useSweeping(drawn?.site, drawn?.page);
  const adding = useAppSelector((state) => state.desk.adding !== null);
  const folded = useAppSelector((state) => state.desk.folded);
  const places = useMemo(
    () => open && tabled && { open, tabled, adding, folded },
    [open, tabled, adding, folded],
  );

  if (failure) {
    const ways = there ? [{ label: 'To the pages of the site', to: `/sites/${siteId}/pages` }] : [];
    return (
      <Notice severity="error" action={{ label: 'Try again', run: retry }} ways={ways} wayBack>
        {failure}
      </Notice>
    );
  }
  if (!open || !places || !active || tabled?.page.id !== open.page.id) return <Opening />;
  const { site, page } = open;

  return (
    <SiteScreen site={site} page={page.id} pageName={page.nodes[page.root].name}>
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
      <Deselecting />
      <AddKey enabled={!adding} />
      <BlockKeys site={site} page={page} active={active} />
      <BlockContextMenu site={site} page={page} active={active} />
      <EveryViewDialog site={site} page={page} />
    </SiteScreen>
  );
}
