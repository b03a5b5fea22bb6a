import {
  Box,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  TableSortLabel,
  Typography,
} from '@mui/material';
import { useMemo, useState } from 'react';
import {
  differences,
  viewOf,
  type Difference,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { valueAimed } from '../../../state/desk.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';
import { propertyInWords, valueInWords } from '../../../values/valuesentences.ts';

type Column = 'element' | 'property' | 'value' | 'instead';
const COLUMNS: { id: Column; label: string }[] = [
  { id: 'element', label: 'Element' },
  { id: 'property', label: 'Property' },
  { id: 'value', label: 'Here' },
  { id: 'instead', label: 'Instead of' },
];

interface Line extends Record<Column, string> {
  difference: Difference;
}

function linesOf(site: SiteFrame, page: Page, list: readonly Difference[], view: ViewId): Line[] {
  return list.map((difference) => ({
    difference,
    element: difference.node.name,
    property: propertyInWords(difference),
    value: valueInWords(site, page, difference, view, difference.value),
    instead: valueInWords(site, page, difference, view, difference.instead),
  }));
}

/** Every override of the active view in reading order, with what it stands instead of. Choosing one leads to its cell. */
export function Differences({
  site,
  page,
  active,
  text,
}: {
  site: SiteFrame;
  page: Page;
  active: ViewId;
  text: string;
}) {
  const dispatch = useAppDispatch();
  const [sorting, setSorting] = useState<Column | null>(null);
  const lines = useMemo(
    () => linesOf(site, page, differences(site, page, active), active),
    [site, page, active],
  );
  const wanted = text.trim().toLowerCase();
  const shown = lines.filter(
    (entry) => !wanted || COLUMNS.some(({ id }) => entry[id].toLowerCase().includes(wanted)),
  );
  if (sorting)
    shown.sort((one, other) => one[sorting].localeCompare(other[sorting], 'en', { numeric: true }));
  const { name } = viewOf(site.views, active);
  const empty =
    active === site.views.base
      ? `${name} is the base view: its values are the defaults, and nothing overrides them.`
      : wanted
        ? `No override in ${name} matches “${text.trim()}”.`
        : `Nothing differs in ${name}: it shows the base values.`;
  if (shown.length === 0)
    return <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>{empty}</Typography>;
  return (
    // What takes the focus comes into sight below the heading that stays.
    <Box sx={{ flex: 1, overflow: 'auto', minHeight: 0, scrollPaddingTop: 32 }}>
      <Table
        size="small"
        stickyHeader
        aria-label={`What differs in ${name}`}
        sx={{ '& td, & th': { fontSize: 12, py: 0.375, px: 1 } }}
      >
        <TableHead>
          <TableRow>
            {COLUMNS.map(({ id, label }) => (
              <TableCell key={id} sortDirection={sorting === id ? 'asc' : false}>
                <TableSortLabel
                  active={sorting === id}
                  direction="asc"
                  onClick={() => setSorting(sorting === id ? null : id)}
                >
                  {label}
                </TableSortLabel>
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {shown.map(({ difference, element, property, value, instead }) => {
            const go = () =>
              dispatch(
                valueAimed({
                  node: difference.node.id,
                  part: difference.part,
                  property: difference.property.name,
                  view: active,
                }),
              );
            return (
              <TableRow
                key={`${difference.node.id} ${difference.part} ${difference.property.name}`}
                hover
                onClick={go}
                sx={{ cursor: 'pointer' }}
              >
                <TableCell
                  sx={{ maxWidth: 150, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
                  title={element}
                >
                  {/* What keys and screen readers reach; its click is heard by the row. */}
                  <button type="button" className="difference-go">
                    {element}
                  </button>
                </TableCell>
                <TableCell>{property}</TableCell>
                <TableCell sx={{ fontWeight: 600 }}>{value}</TableCell>
                <TableCell sx={{ color: quiet }}>{instead}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
    </Box>
  );
}
