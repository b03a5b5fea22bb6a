import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  ToggleButton,
  ToggleButtonGroup,
  type CheckboxProps,
} from '@mui/material';
import type { SiteFrame, ViewId } from '../../../core/index.ts';
import { besideToggled, ghostsSet, sheetsChosen, viewsBeside, zoomChosen } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { line, paper } from '../../ui/theme.ts';

/** The bar below the sheets: which of them are shown, how large, and whether hidden things stand as ghosts. */
export function DeskBar({ site, active }: { site: SiteFrame; active: ViewId }) {
  const dispatch = useAppDispatch();
  const sheets = useAppSelector((state) => state.desk.sheets);
  const beside = useAppSelector((state) => state.desk.beside);
  const others = viewsBeside(site.views, active, beside);
  const ghosts = useAppSelector((state) => state.desk.ghosts);
  const zoom = useAppSelector((state) => state.desk.zoom);
  return (
    <Box
      sx={{
        flex: 'none',
        minHeight: 40,
        px: 1.5,
        display: 'flex',
        alignItems: 'center',
        gap: 1.5,
        flexWrap: 'wrap',
        bgcolor: paper,
        borderTop: `1px solid ${line}`,
      }}
    >
      <ToggleButtonGroup
        size="small"
        exclusive
        aria-label="Sheets shown"
        value={sheets}
        onChange={(_event, value: typeof sheets | null) => value && dispatch(sheetsChosen(value))}
        sx={{
          '& .MuiToggleButton-root': { py: 0.25, px: 1.25, textTransform: 'none', color: 'text.primary' },
        }}
      >
        <ToggleButton value="one">One sheet</ToggleButton>
        <ToggleButton value="side by side">Side by side</ToggleButton>
      </ToggleButtonGroup>
      {sheets === 'side by side' &&
        [...site.views.list]
          .reverse()
          .map((view) => (
            <Choice
              key={view.id}
              label={view.name}
              checked={view.id === active || others.includes(view.id)}
              disabled={view.id === active}
              onChange={() => dispatch(besideToggled({ view: view.id, views: site.views }))}
            />
          ))}
      <Box sx={{ flex: 1 }} />
      <Choice label="Show ghosts" checked={ghosts} onChange={(_event, on) => dispatch(ghostsSet(on))} />
      <Button
        size="small"
        variant="text"
        onClick={() => dispatch(zoomChosen(zoom === 'fit' ? 'full' : 'fit'))}
      >
        {zoom === 'fit' ? 'Show at 100 %' : 'Fit to the desk'}
      </Button>
    </Box>
  );
}

function Choice({ label, ...checkbox }: CheckboxProps & { label: string }) {
  return (
    <FormControlLabel
      label={label}
      slotProps={{ typography: { sx: { fontSize: 13 } } }}
      sx={{ m: 0 }}
      control={<Checkbox size="small" sx={{ p: 0.5 }} {...checkbox} />}
    />
  );
}
