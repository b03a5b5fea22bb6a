import {
  type Absence,
  ancestorsOf,
  type HandmadePair,
  handmadePairs,
  notShown,
  type Page,
  type Reason,
  type SiteFrame,
  sure,
  type ViewId,
  viewOf,
} from '../../../../core/index.ts';
import { Box, Button, Typography } from '@mui/material';
import { useEffect, useMemo, useRef } from 'react';
import { lookedFor, selected as select } from '../../../state/desk.ts';
import { edit } from '../../../state/edits.ts';
import { unite } from '../../../state/structure.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { coral, line, petrolTint, quiet } from '../../../ui/theme.ts';
import { KindIcon } from '../../../ui/KindIcon.tsx';
import { VirtualRows, type RowsHandle } from '../../../ui/VirtualRows.tsx';

/** px; two lines. */
const ROW = 46;

/** Why an element is not seen, in words. */
function reasonOf(page: Page, { reason, by }: Absence): string {
  const name = by && page.nodes[by]?.name;
  const said: Record<Reason, string> = {
    audience: name ? `for other visitors, with ${name}` : 'for other visitors',
    page: 'its page does not appear here',
    itself: 'hidden itself',
    alternates: name ? `${name} is shown instead` : 'another alternate is shown instead',
    parent: `hidden with ${name}`,
    empty: 'nothing visible in it',
    transparent: name ? `${name}, its container, is fully transparent` : 'is fully transparent',
    colour: 'its text has the same colour as its background',
    covered: `${name ?? 'something'} lies over it`,
    outside: 'outside the page, or without size',
    clipped: 'cut off by its container',
  };
  return said[reason];
}

interface NotShownProps {
  site: SiteFrame;
  page: Page;
  active: ViewId;
  text: string;
}

/** Everything that a visitor does not see in the active view, each with its reason, the way to it, and what would show it. */
export function NotShown({ site, page, active, text }: NotShownProps) {
  const dispatch = useAppDispatch();
  const lead = useAppSelector((state) => state.desk.selected.at(-1));
  const measured = useAppSelector((state) => state.desk.measured);
  const visitor = useAppSelector((state) => state.desk.visitor) ?? undefined;
  const rows: RowsHandle = useRef(null);
  // As long as the list is looked at, the sheet measures what lies where.
  useEffect(() => {
    dispatch(lookedFor(true));
    return () => void dispatch(lookedFor(false));
  }, [dispatch]);
  const { name } = viewOf(site.views, active);
  const all = useMemo(
    () => notShown(site, page, active, measured?.view === active ? measured.page : undefined, visitor),
    [site, page, active, measured, visitor],
  );
  const wanted = text.trim().toLowerCase();
  const shown = all.filter(
    (each) =>
      !wanted ||
      page.nodes[each.node].name.toLowerCase().includes(wanted) ||
      reasonOf(page, each).toLowerCase().includes(wanted),
  );
  const chainOf = ({ node }: Absence) =>
    ancestorsOf(page, node)
      .slice(0, -1)
      .reverse()
      .map((id) => page.nodes[id].name)
      .join(' › ');
  if (shown.length === 0)
    return (
      <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>
        {wanted
          ? `Nothing that is not shown in ${name} matches “${text.trim()}”.`
          : `Visitors see everything on this page in ${name}.`}
      </Typography>
    );
  const pairs = handmadePairs(site, page);
  const chosen = shown.find(({ node }) => node === lead);
  return (
    <>
      {pairs.map((pair) => (
        <Pair key={pair.nodes.join(' ')} site={site} page={page} pair={pair} />
      ))}
      <div data-scroller className="ledger-scroller">
        <VirtualRows
          role="list"
          aria-label={`Not shown in ${name}`}
          count={shown.length}
          sizeOf={() => ROW}
          keyOf={(index) => shown[index].node}
          overscan={6}
          handle={rows}
          draw={(index, offset) => {
            const each = shown[index];
            const node = page.nodes[each.node];
            return (
              <Box
                role="listitem"
                aria-label={`${node.name}: ${reasonOf(page, each)}`}
                style={{ transform: `translateY(${offset}px)` }}
                sx={{
                  position: 'absolute',
                  insetInline: 0,
                  top: 0,
                  px: 1.25,
                  py: 0.5,
                  borderBottom: `1px solid ${line}`,
                  bgcolor: each.node === lead ? petrolTint : undefined,
                  height: ROW,
                }}
              >
                <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minWidth: 0 }}>
                  <KindIcon kind={node.kind} />
                  <button
                    type="button"
                    className="difference-go"
                    style={{ fontSize: 13, fontWeight: 600 }}
                    onClick={() => dispatch(select(each.node))}
                  >
                    {node.name}
                  </button>
                  <Typography noWrap sx={{ fontSize: 12, color: quiet, flex: 1, textAlign: 'end' }}>
                    {reasonOf(page, each)}
                  </Typography>
                </Box>
                <Typography noWrap title={chainOf(each)} sx={{ fontSize: 11.5, color: quiet }}>
                  {chainOf(each)}
                </Typography>
              </Box>
            );
          }}
        />
      </div>
      {chosen && <Cures site={site} page={page} active={active} absence={chosen} />}
    </>
  );
}

/** What can be done about an element that is not seen: the way to the cause, and what shows it. */
function Cures({
  site,
  page,
  active,
  absence: { node: id, reason, by },
}: Omit<NotShownProps, 'text'> & { absence: Absence }) {
  const dispatch = useAppDispatch();
  const { name } = viewOf(site.views, active);
  const node = page.nodes[id];
  const cause = by && page.nodes[by] ? by : id;
  const hidden = reason === 'parent' ? cause : id;
  const show = (only?: true) =>
    dispatch(edit('showInViews', { nodes: [hidden], shown: true, views: [active], only }));
  const alternate = () =>
    dispatch(
      edit('setValue', {
        nodes: [sure(node.parent, 'parent')],
        property: 'alternate',
        view: active,
        value: id,
        reach: 'here',
      }),
    );
  return (
    <Box
      role="group"
      aria-label={`What can be done about ${node.name}`}
      sx={{ flex: 'none', display: 'flex', gap: 0.5, px: 1, py: 0.5, borderTop: `1px solid ${line}` }}
    >
      {cause !== id && (
        <Button size="small" sx={{ minWidth: 0 }} onClick={() => dispatch(select(cause))}>
          <Typography noWrap sx={{ fontSize: 13 }}>
            Go to {page.nodes[cause].name}
          </Typography>
        </Button>
      )}
      {(reason === 'itself' || reason === 'parent') && (
        <>
          <Button size="small" sx={{ whiteSpace: 'nowrap' }} onClick={() => show()}>
            Show in {name}
          </Button>
          <Button size="small" sx={{ whiteSpace: 'nowrap' }} onClick={() => show(true)}>
            Show only there
          </Button>
        </>
      )}
      {reason === 'alternates' && (
        <Button size="small" sx={{ whiteSpace: 'nowrap' }} onClick={alternate}>
          Show this one in {name}
        </Button>
      )}
    </Box>
  );
}

/** Two blocks that stand in for one another by hand: where that goes wrong, and what makes it right by construction. */
function Pair({ site, page, pair }: { site: SiteFrame; page: Page; pair: HandmadePair }) {
  const dispatch = useAppDispatch();
  const [one, other] = pair.nodes.map((id) => page.nodes[id].name);
  const names = (views: readonly ViewId[]) => views.map((id) => viewOf(site.views, id).name).join(', ');
  const wrong = [
    ...(pair.both.length > 0 ? [`both show in ${names(pair.both)}`] : []),
    ...(pair.none.length > 0 ? [`none shows in ${names(pair.none)}`] : []),
  ];
  return (
    <Box
      role="note"
      sx={{
        flex: 'none',
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        px: 1.25,
        py: 0.5,
        borderBottom: `1px solid ${line}`,
      }}
    >
      <Typography sx={{ fontSize: 12, flex: 1, color: wrong.length > 0 ? coral : quiet }}>
        {one} and {other} are alternates made by hand
        {wrong.length > 0 ? `: ${wrong.join('; ')}.` : '.'}
      </Typography>
      {pair.both.length > 0 ? (
        <Button size="small" onClick={() => dispatch(select(pair.nodes[1]))}>
          Go to it
        </Button>
      ) : (
        <Button size="small" sx={{ whiteSpace: 'nowrap' }} onClick={() => dispatch(unite(pair.nodes))}>
          Make alternates
        </Button>
      )}
    </Box>
  );
}
