import { Box, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import {
  knownKind,
  wouldReach,
  type EditReach,
  type Node,
  type SiteFrame,
  type View,
} from '../../../core/index.ts';
import { useAppSelector } from '../../state/store.ts';
import { line, paper, quiet, raised } from '../../ui/theme.ts';

interface WhereItGoesProps {
  site: SiteFrame;
  /** What the place is seen from. */
  from: Node;
  view: View;
  wanted: 'inside' | 'below';
  onWanted(wanted: 'inside' | 'below'): void;
}

/** The views that show what is added in one of them, in words. */
function shownIn({ views }: SiteFrame, view: View, reach: EditReach): string {
  const reached = wouldReach({ base: false }, views, view.id, reach);
  if (reached.length === views.list.length) return 'Shows in every view';
  const names = views.list.filter(({ id }) => reached.includes(id)).map(({ name }) => name);
  return `Shows only in ${names.reverse().join(', ')}`;
}

/** Where what is added goes, and in which views it shows. */
export function WhereItGoes({ site, from, view, wanted, onWanted }: WhereItGoesProps) {
  const reach = useAppSelector((state) => state.desk.reach);
  const holds = knownKind(from.kind).accepts.length > 0;
  return (
    <Box sx={{ px: 1.5, py: 1, mt: 1, flex: 'none', borderBottom: `1px solid ${line}`, bgcolor: paper }}>
      {holds && from.parent !== null ? (
        <ToggleButtonGroup
          exclusive
          fullWidth
          size="small"
          aria-label="Position"
          value={wanted}
          onChange={(_event, next: typeof wanted | null) => next && onWanted(next)}
          sx={{
            '& .MuiToggleButton-root': { textTransform: 'none', py: 0.125, minWidth: 0, bgcolor: raised },
          }}
        >
          {(['inside', 'below'] as const).map((each) => {
            const name = `${each === 'inside' ? 'Inside' : 'Below'} ${from.name}`;
            return (
              <ToggleButton key={each} value={each} title={name}>
                <Typography noWrap sx={{ fontSize: 12 }}>
                  {name}
                </Typography>
              </ToggleButton>
            );
          })}
        </ToggleButtonGroup>
      ) : (
        <Typography noWrap sx={{ fontSize: 12, color: quiet }}>
          Goes {holds ? 'to the end of' : 'below'} {from.name}, or where you drag it
        </Typography>
      )}
      {(view.id !== site.views.base || reach === 'here') && (
        <Typography sx={{ fontSize: 12, color: quiet, mt: 0.5 }}>{shownIn(site, view, reach)}</Typography>
      )}
    </Box>
  );
}
