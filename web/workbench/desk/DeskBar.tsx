import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  ListSubheader,
  Menu,
  MenuItem,
  Select,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
  type CheckboxProps,
} from '@mui/material';
import { ChevronDown } from 'lucide-react';
import { useId, useState } from 'react';
import {
  DEVICES,
  hasAudiences,
  type Page,
  type SiteFrame,
  type ViewId,
  type Visitor,
} from '../../../core/index.ts';
import {
  besideToggled,
  densityChosen,
  ghostsSet,
  screenChosen,
  sheetsChosen,
  viewsBeside,
  visitorChosen,
  zoomChosen,
} from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { line, paper, quiet } from '../../ui/theme.ts';
import { StatusLine } from './StatusLine.tsx';

/** The bar below the sheets: which of them are shown, how large, and whether hidden things stand as ghosts. */
export function DeskBar({ site, page, active }: { site: SiteFrame; page: Page; active: ViewId }) {
  const audiences = hasAudiences(page);
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
        gap: 1,
        flexWrap: 'wrap',
        bgcolor: paper,
        borderTop: `1px solid ${line}`,
      }}
    >
      <StatusLine site={site} active={active} />
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
        <ToggleButton value="overview">Overview</ToggleButton>
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
      {sheets !== 'overview' && <Screens />}
      {sheets !== 'overview' && audiences && <Visitors />}
      {sheets !== 'overview' && (
        <Choice label="Show ghosts" checked={ghosts} onChange={(_event, on) => dispatch(ghostsSet(on))} />
      )}
      {sheets !== 'overview' && (
        <Button
          size="small"
          variant="text"
          aria-label={zoom === 'fit' ? 'Show at 100 %' : 'Fit to the desk'}
          title={zoom === 'fit' ? 'Show at 100 %' : 'Fit to the desk'}
          sx={{ minWidth: 0 }}
          onClick={() => dispatch(zoomChosen(zoom === 'fit' ? 'full' : 'fit'))}
        >
          {zoom === 'fit' ? '100 %' : 'Fit'}
        </Button>
      )}
    </Box>
  );
}

/** px of the screen for one px of the page. */
const DENSITIES = [1, 2, 3];

/** The screens of common devices for the sheet, upright or turned, and for which density of px it fetches its images. */
function Screens() {
  const dispatch = useAppDispatch();
  const screen = useAppSelector((state) => state.desk.screen);
  const density = useAppSelector((state) => state.desk.density);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const choose = (run: () => void) => () => {
    run();
    setAnchor(null);
  };
  const menu = useId();
  const turned = screen && { width: screen.height, height: screen.width };
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        endIcon={<ChevronDown size={13} />}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ whiteSpace: 'nowrap' }}
      >
        {screen ? `Screen ${screen.width} × ${screen.height}` : 'Screens'}
        {density !== null && `, ${density}×`}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {turned && (
          <MenuItem dense onClick={choose(() => dispatch(screenChosen(turned)))}>
            Turn it to {turned.width} × {turned.height}
          </MenuItem>
        )}
        <ListSubheader id={`${menu}devices`}>Common devices</ListSubheader>
        {DEVICES.map(({ name, ...size }) => (
          <MenuItem
            key={name}
            dense
            aria-describedby={`${menu}devices`}
            selected={size.width === screen?.width && size.height === screen.height}
            onClick={choose(() => dispatch(screenChosen(size)))}
          >
            <span style={{ flex: 1 }}>{name}</span>
            <Typography component="span" sx={{ fontSize: 12, color: quiet, ml: 3 }}>
              {size.width} × {size.height}
            </Typography>
          </MenuItem>
        ))}
        <ListSubheader id={`${menu}images`}>Images loaded for</ListSubheader>
        <MenuItem
          dense
          aria-describedby={`${menu}images`}
          selected={density === null}
          onClick={choose(() => dispatch(densityChosen(null)))}
        >
          this screen
        </MenuItem>
        {DENSITIES.map((each) => (
          <MenuItem
            key={each}
            dense
            aria-describedby={`${menu}images`}
            selected={density === each}
            onClick={choose(() => dispatch(densityChosen(each)))}
          >
            screens of {each}×
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** For which visitors the sheets show the page. */
function Visitors() {
  const dispatch = useAppDispatch();
  const visitor = useAppSelector((state) => state.desk.visitor);
  return (
    <Select
      variant="standard"
      disableUnderline
      value={visitor ?? 'all'}
      onChange={({ target }) =>
        dispatch(visitorChosen(target.value === 'all' ? null : (target.value as Visitor)))
      }
      inputProps={{ 'aria-label': 'Seen by' }}
      sx={{ fontSize: 13 }}
    >
      <MenuItem value="all">All visitors</MenuItem>
      <MenuItem value="signed-in">Signed in</MenuItem>
      <MenuItem value="signed-out">Signed out</MenuItem>
    </Select>
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
