import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle, Typography } from '@mui/material';
import { createPortal } from 'react-dom';
import type { Page } from '../../../../core/index.ts';
import { coral, darkGround, petrol } from '../../../ui/theme.ts';
import { useRowHeights } from '../columns/density.ts';
import type { Drop } from './outlineplace.ts';
import type { Question } from './useMove.ts';

/** px; the thickness of a line. */
const THICK = 3;

/** Where what is dragged would go: a line between rows or a frame around one, and in words what each view gets. */
export function DropMark({ drop }: { drop: Drop }) {
  const { line, into, sentence, refused } = drop;
  const { outline: row } = useRowHeights();
  const colour = refused ? coral : petrol;
  return createPortal(
    <>
      <Box
        sx={{
          position: 'fixed',
          zIndex: 'tooltip',
          pointerEvents: 'none',
          ...(into ? { border: `2px solid ${colour}`, borderRadius: 0.5 } : { bgcolor: colour }),
        }}
        style={{
          left: line.left,
          top: into || line.height ? line.top : line.top - 1,
          width: line.right - line.left,
          height: line.height ?? (into ? row : THICK),
        }}
      />
      <Typography
        role="status"
        sx={{
          position: 'fixed',
          zIndex: 'tooltip',
          pointerEvents: 'none',
          maxWidth: 420,
          px: 1,
          py: 0.5,
          fontSize: 12,
          color: 'white',
          bgcolor: darkGround,
          borderRadius: 0.5,
        }}
        style={{ left: line.left + 12, top: line.top + (line.height ?? (into ? row : 4)) + 4 }}
      >
        {sentence}
      </Typography>
    </>,
    document.body,
  );
}

/** Asks once whether views with an order of their own follow a move in the source. */
export function OrderQuestion({
  page,
  question,
  onAnswer,
}: {
  page: Page;
  question: Question;
  onAnswer(follow: boolean | undefined): void;
}) {
  const { place, views } = question;
  const { name } = page.nodes[place.parent];
  const where = views.join(', ');
  const many = views.length > 1;
  return (
    <Dialog open onClose={() => onAnswer(undefined)} aria-labelledby="order-question">
      <DialogTitle id="order-question">
        {where} {many ? 'have orders' : 'has an order'} of {many ? 'their' : 'its'} own
      </DialogTitle>
      <DialogContent>
        <Typography>
          The source order of {name} changes in any case: it is the reading and keyboard order in all views.
          In {where} its parts are in another order.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => onAnswer(undefined)}>Cancel</Button>
        <Button onClick={() => onAnswer(true)}>Move in {where} too</Button>
        <Button variant="contained" onClick={() => onAnswer(false)}>
          Leave {where} as {many ? 'they are' : 'it is'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
