import { Box, IconButton, InputBase, MenuItem, Select, ToggleButton, ToggleButtonGroup } from '@mui/material';
import { Plus, Search } from 'lucide-react';
import { line, paper, quiet } from '../../../ui/theme.ts';
import type { OutlineMode } from '../../../state/desk.ts';
import type { OutlineFilter } from './filter.ts';

interface OutlineBarProps {
  mode: OutlineMode;
  filter: OutlineFilter;
  viewName: string;
  /** How many elements are not shown in the active view. */
  hidden: number;
  onMode(mode: OutlineMode): void;
  onFilter(filter: OutlineFilter): void;
  /** Whether the panel of what can be added is open. */
  adding: boolean;
  onAdd(): void;
}

/** Narrows the outline, and changes between the tree, the list of what differs in the active view and the theme. */
export function OutlineBar({
  mode,
  filter,
  viewName,
  hidden,
  onMode,
  onFilter,
  adding,
  onAdd,
}: OutlineBarProps) {
  return (
    <Box
      role="search"
      aria-label="Outline"
      sx={{
        flex: 'none',
        height: 32,
        display: 'flex',
        alignItems: 'center',
        gap: 0.75,
        px: 1,
        bgcolor: paper,
        borderBottom: `1px solid ${line}`,
      }}
    >
      {mode === 'tree' && (
        <IconButton
          size="small"
          color="primary"
          aria-label="Add an element"
          title="Add an element ( / )"
          aria-expanded={adding}
          onClick={onAdd}
          sx={{ p: 0.25, ml: -0.25 }}
        >
          <Plus size={17} />
        </IconButton>
      )}
      <Search size={14} aria-hidden style={{ flex: 'none', opacity: 0.6 }} />
      <InputBase
        value={filter.text}
        placeholder={mode === 'tree' ? 'Find' : 'Name or kind'}
        inputProps={{ 'aria-label': 'Find in the outline', spellCheck: false }}
        onChange={(event) => onFilter({ ...filter, text: event.target.value })}
        onKeyDown={(event) => {
          if (event.key !== 'Escape' || filter.text === '') return;
          event.stopPropagation();
          onFilter({ ...filter, text: '' });
        }}
        sx={{ flex: 1, minWidth: 40, fontSize: 13, '& input::placeholder': { opacity: 0.75 } }}
      />
      {mode === 'tree' && (
        <Select
          variant="standard"
          disableUnderline
          value={filter.only}
          onChange={(event) => onFilter({ ...filter, only: event.target.value })}
          inputProps={{ 'aria-label': 'Elements listed' }}
          renderValue={(only) => (only === 'all' ? 'All' : 'Overrides')}
          sx={{ fontSize: 12, maxWidth: 84 }}
        >
          <MenuItem value="all">All elements</MenuItem>
          <MenuItem value="overrides">With overrides in {viewName}</MenuItem>
        </Select>
      )}
      <ToggleButtonGroup
        size="small"
        exclusive
        aria-label="Outline shows"
        value={mode}
        onChange={(_event, next: OutlineMode | null) => next && onMode(next)}
        sx={{
          '& .MuiToggleButton-root': {
            py: 0,
            px: 0.625,
            fontSize: 12,
            textTransform: 'none',
            color: 'text.primary',
            whiteSpace: 'nowrap',
          },
        }}
      >
        <ToggleButton value="tree">Tree</ToggleButton>
        <ToggleButton value="differences">What differs</ToggleButton>
        <ToggleButton value="not shown">
          Not shown{' '}
          {hidden > 0 && (
            <Box component="span" sx={{ ml: 0.5, color: quiet, fontWeight: 400 }}>
              {hidden}
            </Box>
          )}
        </ToggleButton>
        <ToggleButton value="findings">Findings</ToggleButton>
        <ToggleButton value="theme">Theme</ToggleButton>
      </ToggleButtonGroup>
    </Box>
  );
}
