import { Alert, Checkbox, FormControlLabel, FormGroup, FormLabel, Typography } from '@mui/material';
import type { NodeId } from '../../core/index.ts';
import { quiet } from '../ui/theme.ts';

/** A page that is another than visitors have it. */
export interface ChangedPage {
  id: NodeId;
  name: string;
  /** What of it: that it is new, that it goes, or how many changes there are. */
  what: string;
}

interface HoldingBackProps {
  pages: readonly ChangedPage[];
  /** Something that all pages share has changed, too. */
  shared: boolean;
  held: ReadonlySet<NodeId>;
  onHold(page: NodeId, held: boolean): void;
  /** Why what is chosen cannot go live like this. */
  trouble?: string;
}

/** Which of the pages that have changed go live; the others stay as visitors have them. */
export function HoldingBack({ pages, shared, held, onHold, trouble }: HoldingBackProps) {
  if (pages.length === 0 || (pages.length === 1 && !shared)) return null;
  return (
    <FormGroup role="group" aria-labelledby="going-live">
      <FormLabel id="going-live" sx={{ fontSize: 13, fontWeight: 700 }}>
        Publish
      </FormLabel>
      {pages.map(({ id, name, what }) => (
        <FormControlLabel
          key={id}
          control={
            <Checkbox
              size="small"
              checked={!held.has(id)}
              onChange={({ target }) => onHold(id, !target.checked)}
              sx={{ py: 0.25 }}
            />
          }
          label={
            <span>
              {name} <span style={{ color: quiet }}>· {what}</span>
            </span>
          }
          slotProps={{ typography: { sx: { fontSize: 13, overflowWrap: 'anywhere' } } }}
        />
      ))}
      <Typography sx={{ fontSize: 12, color: quiet }}>
        {shared && 'What all pages share is published in any case. '}
        {held.size > 0 && 'Pages that are not ticked stay as they are published now.'}
      </Typography>
      {trouble && <Alert severity="warning">{trouble}</Alert>}
    </FormGroup>
  );
}
