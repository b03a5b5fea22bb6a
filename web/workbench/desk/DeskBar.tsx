import {
  Box,
  Button,
  Checkbox,
  Divider,
  FormControlLabel,
  IconButton,
  ListSubheader,
  Menu,
  MenuItem,
  Select,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
  type CheckboxProps,
} from '@mui/material';
import { ChevronDown, PanelLeftClose, PanelLeftOpen } from 'lucide-react';
import { useId, useState } from 'react';
import { DEVICES, hasAudiences, type Page, type SiteFrame, type ViewId } from '../../../core/index.ts';
import {
  besideToggled,
  comparingChosen,
  ledgerFolded,
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
      <Fold />
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
      {sheets === 'side by side' && <Compared site={site} active={active} />}
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

/** Folds the values panel away, so that the sheets have all of the window, and back. */
function Fold() {
  const dispatch = useAppDispatch();
  const folded = useAppSelector((state) => state.desk.folded);
  const label = folded ? 'Show the values panel' : 'Fold the values panel';
  const Sign = folded ? PanelLeftOpen : PanelLeftClose;
  return (
    <IconButton
      size="small"
      aria-label={label}
      title={label}
      sx={{ ml: -0.75 }}
      onClick={() => dispatch(ledgerFolded(!folded))}
    >
      <Sign size={15} />
    </IconButton>
  );
}

/** Which views stand side by side, and how much of them. */
function Compared({ site, active }: { site: SiteFrame; active: ViewId }) {
  const dispatch = useAppDispatch();
  const beside = useAppSelector((state) => state.desk.beside);
  const { whole, section } = useAppSelector((state) => state.desk.comparing);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const others = viewsBeside(site.views, active, beside);
  const entry = (label: string, checked: boolean, onClick: () => void, disabled = false) => (
    <MenuItem
      key={label}
      dense
      role="menuitemcheckbox"
      aria-checked={checked}
      disabled={disabled}
      onClick={onClick}
    >
      <Checkbox size="small" checked={checked} tabIndex={-1} aria-hidden sx={{ p: 0, mr: 1 }} />
      {label}
    </MenuItem>
  );
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        endIcon={<ChevronDown size={13} />}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ whiteSpace: 'nowrap' }}
      >
        {others.length + 1} of {site.views.list.length} views
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        <ListSubheader>Side by side</ListSubheader>
        {site.views.list
          .toReversed()
          .map((view) =>
            entry(
              view.name,
              view.id === active || others.includes(view.id),
              () => dispatch(besideToggled({ view: view.id, views: site.views })),
              view.id === active,
            ),
          )}
        <Divider />
        {entry('Only the selected section', section, () => dispatch(comparingChosen({ section: !section })))}
        {entry('Fit all in the window', whole, () => dispatch(comparingChosen({ whole: !whole })))}
      </Menu>
    </>
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
      onChange={({ target }) => dispatch(visitorChosen(target.value === 'all' ? null : target.value))}
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
