import {
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  IconButton,
  Paper,
  Tab,
  Tabs,
  ToggleButton,
  ToggleButtonGroup,
  Tooltip,
  Typography,
} from '@mui/material';
import { CircleHelp } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { lazily } from '../ui/lazily.tsx';
import { characterKeysSet, rowDensitySet } from '../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import {
  preferCharacterKeys,
  preferDensity,
  rememberPlaces,
  ROW_DENSITIES,
  toldPlaces,
  type RowDensity,
} from '../state/preferences.ts';
import { line, paper, petrol, quiet, shade } from '../ui/theme.ts';

const GuideTexts = lazily(async () => (await import('./GuideTexts.tsx')).GuideTexts);

/** The six places of the workbench, and the area each has in the little map of it. */
const PLACES = [
  {
    area: 'bar',
    name: 'Top bar',
    words: 'The screens of the site, the save status, undo and redo, preview and publishing.',
  },
  { area: 'views', name: 'Views', words: 'A column for each. Click one to look at the page in it.' },
  {
    area: 'tree',
    name: 'Outline',
    words: 'Every element, with a tile for each view: how much differs there, and whether it is shown.',
  },
  {
    area: 'values',
    name: 'Values',
    words: 'What is selected, each property in each view. Type in a cell; its bar shows how far it reaches.',
  },
  {
    area: 'ruler',
    name: 'Width bar',
    words: 'Drag the marker through all widths, and the edges of the views to change their limits.',
  },
  {
    area: 'sheets',
    name: 'Sheets',
    words: 'The real page. Click what you want to adapt, double-click text to edit it.',
  },
] as const;

/** What keys do, by where the focus is. */
const KEYS: readonly { where: string; keys: readonly [string, string][] }[] = [
  {
    where: 'Everywhere',
    keys: [
      ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
      ['Esc', 'select nothing; give up'],
      ['?', 'this'],
    ],
  },
  {
    where: 'In the values',
    keys: [
      ['Arrows, Page, Home, End', 'go from cell to cell'],
      ['Enter, F2, or type', 'set a value'],
      ['Enter · Shift Enter · Alt Enter', 'save with the chosen reach · here only · everywhere'],
      ['Alt ← →', 'reach here, or onward'],
      ['Ctrl ↑ ↓', 'one step more or less'],
      ['Del', 'clear'],
      ['Ctrl C, Ctrl V', 'copy and paste; with Shift a row in all views'],
    ],
  },
  {
    where: 'In the outline',
    keys: [
      ['Arrows', 'move, collapse and expand'],
      ['Space', 'show or hide in the view of the tile'],
      ['F2', 'rename'],
      ['/ · Insert', 'add sections and elements'],
      ['+ −', 'a column more or less of its row'],
      ['Del', 'delete'],
    ],
  },
];

function PlacesMap() {
  return (
    <Box
      aria-hidden
      sx={{
        display: 'grid',
        gap: '3px',
        height: 150,
        gridTemplateColumns: '36% 1fr',
        gridTemplateRows: '18px 22px 1fr 1.2fr',
        gridTemplateAreas: '"bar bar" "views ruler" "tree sheets" "values sheets"',
        fontSize: 12,
        fontWeight: 700,
        '& > *': {
          bgcolor: shade,
          border: `1px solid ${line}`,
          borderRadius: 0.5,
          display: 'grid',
          placeItems: 'center',
        },
      }}
    >
      {PLACES.map(({ area }, index) => (
        <Box key={area} sx={{ gridArea: area, color: petrol }}>
          {index + 1}
        </Box>
      ))}
    </Box>
  );
}

/** Lets a person turn off single-key shortcuts (WCAG 2.2, 2.1.4). */
function CharacterKeys() {
  const dispatch = useAppDispatch();
  const on = useAppSelector((state) => state.desk.characterKeys);
  return (
    <FormControlLabel
      label="Use single-key shortcuts (H, +, −, /, ?)"
      slotProps={{ typography: { sx: { fontSize: 13 } } }}
      sx={{ mb: 1 }}
      control={
        <Checkbox
          size="small"
          checked={on}
          onChange={(_event, checked) => {
            preferCharacterKeys(checked);
            dispatch(characterKeysSet(checked));
          }}
        />
      }
    />
  );
}

const DENSITY_LABELS: Readonly<Record<RowDensity, string>> = {
  compact: 'Compact',
  standard: 'Standard',
  comfortable: 'Comfortable',
};

/** How close the rows of the outline and of the values are. */
function Density() {
  const dispatch = useAppDispatch();
  const density = useAppSelector((state) => state.desk.rowDensity);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 1 }}>
      <Typography id="row-density" sx={{ fontSize: 13 }}>
        Density of rows
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-labelledby="row-density"
        value={density}
        onChange={(_event, chosen: RowDensity | null) => {
          if (chosen === null) return;
          preferDensity(chosen);
          dispatch(rowDensitySet(chosen));
        }}
      >
        {ROW_DENSITIES.map((each) => (
          <ToggleButton key={each} value={each} sx={{ py: 0.25 }}>
            {DENSITY_LABELS[each]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}

/** Tells what is where and what the keys do: once by itself in the workbench, and whenever it is asked for. */
export function Places({ first }: { first: boolean }) {
  const [open, setOpen] = useState(() => first && !toldPlaces());
  const [tab, setTab] = useState<'places' | 'keys' | 'guide'>('places');
  const characters = useAppSelector((state) => state.desk.characterKeys);
  const button = useRef<HTMLButtonElement>(null);
  const close = () => {
    rememberPlaces();
    setOpen(false);
    button.current?.focus();
  };
  useEffect(() => {
    const ask = (event: KeyboardEvent) => {
      const { target } = event;
      const typing =
        target instanceof HTMLElement &&
        target.matches('input, textarea, select, [contenteditable], [role=gridcell]');
      if (event.key !== '?' || typing || !characters || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', ask);
    return () => window.removeEventListener('keydown', ask);
  }, [characters]);
  return (
    <>
      <Tooltip title="Guide and shortcuts (?)">
        <IconButton
          ref={button}
          size="small"
          color="inherit"
          aria-label="Guide and shortcuts"
          aria-expanded={open}
          onClick={() => (open ? close() : setOpen(true))}
        >
          <CircleHelp size={17} />
        </IconButton>
      </Tooltip>
      {open && (
        <Paper
          component="section"
          role="dialog"
          aria-label="Guide and shortcuts"
          elevation={8}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            event.stopPropagation();
            close();
          }}
          sx={{
            position: 'fixed',
            right: 20,
            bottom: 56,
            zIndex: 'modal',
            width: 430,
            maxHeight: 'calc(100vh - 120px)',
            overflowY: 'auto',
            p: 2,
            bgcolor: paper,
            color: 'text.primary',
          }}
        >
          <Tabs
            value={tab}
            onChange={(_event, next: typeof tab) => setTab(next)}
            sx={{ minHeight: 32, mb: 1.5 }}
          >
            <Tab value="places" label="Overview" sx={{ minHeight: 32, py: 0, textTransform: 'none' }} />
            <Tab value="keys" label="Shortcuts" sx={{ minHeight: 32, py: 0, textTransform: 'none' }} />
            <Tab value="guide" label="Guide by task" sx={{ minHeight: 32, py: 0, textTransform: 'none' }} />
          </Tabs>
          {tab === 'guide' && <GuideTexts />}
          {tab === 'places' && (
            <>
              <PlacesMap />
              <Box component="ol" sx={{ m: 0, mt: 1.5, pl: 2.5, display: 'grid', gap: 0.5, fontSize: 13 }}>
                {PLACES.map(({ area, name, words }) => (
                  <li key={area}>
                    <b>{name}.</b> {words}
                  </li>
                ))}
              </Box>
              <Density />
            </>
          )}
          {tab === 'keys' && <CharacterKeys />}
          {tab === 'keys' &&
            KEYS.map(({ where, keys }) => (
              <Box key={where} sx={{ mb: 1 }}>
                <Typography sx={{ fontSize: 12, fontWeight: 700, color: quiet }}>{where}</Typography>
                <Box
                  component="dl"
                  sx={{ m: 0, display: 'grid', gridTemplateColumns: '190px 1fr', fontSize: 13, rowGap: 0.25 }}
                >
                  {keys.map(([key, does]) => (
                    <Box key={key} sx={{ display: 'contents', '& dd': { m: 0 } }}>
                      <dt>{key}</dt>
                      <dd>{does}</dd>
                    </Box>
                  ))}
                </Box>
              </Box>
            ))}
          <Box sx={{ display: 'flex', justifyContent: 'flex-end', mt: 1.5 }}>
            <Button variant="contained" size="small" onClick={close}>
              Got it
            </Button>
          </Box>
        </Paper>
      )}
    </>
  );
}
