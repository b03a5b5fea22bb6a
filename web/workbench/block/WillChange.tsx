import { Box, Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';
import type { Page, SiteFrame, ViewId } from '../../../core/index.ts';
import { propertyInWords, valueInWords, type ValueOf } from '../../values/valuesentences.ts';

interface WillChangeProps {
  site: SiteFrame;
  page: Page;
  view: ViewId;
  changes: readonly (ValueOf & { now: unknown; then?: unknown })[];
}

/** What an edit would change in a view, each value as it is and as it would be, before it is made. */
export function WillChange({ site, page, view, changes }: WillChangeProps) {
  return (
    <Box sx={{ maxHeight: 320, overflow: 'auto' }}>
      <Table size="small" stickyHeader aria-label="What will change">
        <TableHead>
          <TableRow>
            <TableCell>Element</TableCell>
            <TableCell>Property</TableCell>
            <TableCell>Now</TableCell>
            <TableCell>After</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {changes.map((change) => (
            <TableRow key={`${change.node.id} ${change.part} ${change.property.name}`}>
              <TableCell>{change.node.name}</TableCell>
              <TableCell>{propertyInWords(change)}</TableCell>
              <TableCell>{valueInWords(site, page, change, view, change.now)}</TableCell>
              <TableCell sx={{ fontWeight: 600 }}>
                {valueInWords(site, page, change, view, change.then)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
