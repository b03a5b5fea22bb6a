import { Box, IconButton, Radio, Tooltip, Typography } from '@mui/material';
import { Trash2 } from 'lucide-react';
import { useId, useMemo, type ReactNode } from 'react';
import {
  counted,
  describeWidths,
  valuesInView,
  type Grid,
  type NodeId,
  type Site,
  type View,
  type ViewId,
} from '../../core/index.ts';
import { usePreviewOf } from '../page/usePreview.ts';
import { PagePreview } from '../page/PagePreview.tsx';
import { useMeasuredWidth } from '../ui/measuredwidth.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { Field } from '../ui/Field.tsx';
import { marigoldPale, petrolTint, quiet } from '../ui/theme.ts';
import { ContentField, GridFields, Measure, SheetFields } from './Measures.tsx';
import './views.css';

interface RowProps {
  label: ReactNode;
  views: readonly View[];
  base: ViewId;
  children(view: View): ReactNode;
}

function Row({ label, views, base, children }: RowProps) {
  return (
    <tr>
      <th scope="row">{label}</th>
      {views.map((view) => (
        <td key={view.id} style={view.id === base ? { background: petrolTint } : undefined}>
          {children(view)}
        </td>
      ))}
    </tr>
  );
}

interface ViewTableProps {
  site: Site;
  /** The page that is shown in each view. */
  page: NodeId;
  onDelete(view: ViewId): void;
}

/** px; what the names of the rows take, and the least that a view needs for the fields of its grid. */
const LABELS = 128;
const LEAST_COLUMN = 208;

/** px; what stands beside the image of a view in its column, and the widest picture. */
const BESIDE_PICTURE = 30;
const WIDEST_PICTURE = 300;

/** The views as columns, wide to narrow as in the ledger, with what each says of itself. */
export function ViewTable({ site, page, onDelete }: ViewTableProps) {
  const dispatch = useAppDispatch();
  const group = useId();
  const { frame } = site;
  const { base } = frame.views;
  const content = usePreviewOf(frame, site.pages[page]);
  const views = [...frame.views.list].reverse();
  const counts = useMemo(
    () => new Map(frame.views.list.map(({ id }) => [id, valuesInView(site, id).length])),
    [site, frame],
  );
  const change = (view: View, what: { name?: string; from?: number; sheet?: View['sheet']; grid?: Grid }) =>
    dispatch(edit('changeView', { view: view.id, ...what }));
  const row = { views, base };
  const { ref, width: room } = useMeasuredWidth();
  const column = Math.max(LEAST_COLUMN, Math.floor((room - LABELS) / views.length));
  const picture = Math.min(WIDEST_PICTURE, column - BESIDE_PICTURE);
  return (
    <div ref={ref} style={{ overflowX: 'auto', scrollPaddingLeft: LABELS }}>
      <table className="views" aria-label="Views" style={{ minWidth: LABELS + LEAST_COLUMN * views.length }}>
        <thead>
          <tr>
            <td />
            {views.map((view) => (
              <th key={view.id} scope="col" style={view.id === base ? { background: petrolTint } : undefined}>
                <Typography noWrap sx={{ fontWeight: 700 }} title={view.name}>
                  {view.name}
                </Typography>
                <Typography noWrap sx={{ fontSize: 12, color: quiet }}>
                  {describeWidths(frame.views, view.id)} px
                </Typography>
                <Box sx={{ mt: 1 }}>
                  <PagePreview
                    site={frame}
                    content={content}
                    across={view.sheet.width}
                    width={picture}
                    height={Math.round(picture * 0.72)}
                  />
                </Box>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Row label="Name" {...row}>
            {(view) => (
              <Field
                name={`Name, ${view.name}`}
                value={view.name}
                most={40}
                onDone={(name) => change(view, { name })}
              />
            )}
          </Row>
          <Row label={<Labelled label="Starts at" help="px" />} {...row}>
            {(view) => (
              <Measure
                label="From"
                alone
                view={view}
                value={view.from}
                disabled={view.from === 0}
                onDone={(from) => change(view, { from })}
              />
            )}
          </Row>
          <Row label={<Labelled label="Sheet" help="px; how it is first shown" />} {...row}>
            {(view) => <SheetFields site={frame} view={view} onTake={(sheet) => change(view, { sheet })} />}
          </Row>
          <Row label={<Labelled label="Grid" help="columns; gutter and margin in px" />} {...row}>
            {(view) => <GridFields view={view} onChange={(grid) => change(view, { grid })} />}
          </Row>
          <Row label={<Labelled label="Content" help="px at most, or fluid" />} {...row}>
            {(view) => <ContentField view={view} onChange={(grid) => change(view, { grid })} />}
          </Row>
          <Row label="Base" {...row}>
            {(view) => (
              <Box component="label" sx={{ display: 'flex', alignItems: 'center', gap: 0.5, fontSize: 13 }}>
                <Radio
                  size="small"
                  name={group}
                  checked={view.id === base}
                  onChange={() => dispatch(edit('setBase', { view: view.id }))}
                  slotProps={{ input: { 'aria-label': `${view.name} is the base` } }}
                  sx={{ p: 0.25 }}
                />
                {view.id === base && 'holds the defaults'}
              </Box>
            )}
          </Row>
          <Row label="Set in it" {...row}>
            {(view) => {
              const count = counts.get(view.id) ?? 0;
              if (view.id === base) return <Typography sx={{ fontSize: 13, color: quiet }}>–</Typography>;
              return (
                <Box sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between' }}>
                  <Typography
                    noWrap
                    sx={{
                      fontSize: 13,
                      px: 0.75,
                      borderRadius: 0.5,
                      bgcolor: count > 0 ? marigoldPale : 'transparent',
                    }}
                  >
                    {counted(count, 'value')}
                  </Typography>
                  <Tooltip title={`Delete ${view.name} …`}>
                    <IconButton
                      size="small"
                      aria-label={`Delete ${view.name} …`}
                      onClick={() => onDelete(view.id)}
                    >
                      <Trash2 size={15} />
                    </IconButton>
                  </Tooltip>
                </Box>
              );
            }}
          </Row>
        </tbody>
      </table>
    </div>
  );
}

function Labelled({ label, help }: { label: string; help: string }) {
  return (
    <>
      {label}
      <Typography sx={{ fontSize: 12, color: quiet, fontWeight: 400, lineHeight: 1.25 }}>{help}</Typography>
    </>
  );
}
