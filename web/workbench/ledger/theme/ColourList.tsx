import { Box, Button, ButtonBase, Popover, TextField } from '@mui/material';
import { formatHex } from 'culori';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { cssColour, type Colour, type SiteFrame } from '../../../../core/index.ts';
import { edit, editWhole } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { quiet } from '../../../ui/theme.ts';

interface CardProps {
  /** Absent: a new colour. */
  colour?: Colour;
  anchor: HTMLElement;
  onClose(): void;
}

/** A colour's name and value. */
function ColourCard({ colour, anchor, onClose }: CardProps) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState(colour?.name ?? '');
  const [value, setValue] = useState(colour?.value ?? '#336699');
  const valid = cssColour(value) !== undefined;
  const keep = () => dispatch(edit('setColour', { id: colour?.id, name, value })) && onClose();
  const remove = () => {
    if (!colour) return;
    void dispatch(editWhole('removeFromTheme', { list: 'colours', id: colour.id })).then(
      (gone) => gone && onClose(),
    );
  };
  const label = colour ? `Colour ${colour.name}` : 'New colour';
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': label } as object }}
    >
      <Box
        component="form"
        sx={{ p: 1.5, width: 240, display: 'grid', gap: 1.5 }}
        onSubmit={(event) => (event.preventDefault(), keep())}
      >
        <HexColorPicker
          color={formatHex(cssColour(value)) ?? '#000000'}
          onChange={setValue}
          style={{ width: '100%', height: 130 }}
        />
        <TextField
          size="small"
          label="Name"
          autoFocus
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <TextField
          size="small"
          label="Colour"
          value={value}
          error={!valid}
          helperText={valid ? undefined : 'No CSS colour such as #1b2a49 or oklch(70% 0.1 80).'}
          onChange={(event) => setValue(event.target.value)}
        />
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button type="submit" variant="outlined" disabled={!valid || name.trim() === ''} sx={{ flex: 1 }}>
            {colour ? 'Change everywhere' : 'Add colour'}
          </Button>
          {colour && <Button onClick={remove}>Remove</Button>}
        </Box>
      </Box>
    </Popover>
  );
}

/** The colours of the site. Everything that takes one follows it. */
export function ColourList({ site }: { site: SiteFrame }) {
  const [open, setOpen] = useState<{ colour?: Colour; anchor: HTMLElement } | null>(null);
  return (
    <Box
      sx={{
        px: 1,
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(130px, 1fr))',
        position: 'relative',
      }}
    >
      {site.colours.map((colour) => (
        <ButtonBase
          key={colour.id}
          aria-label={`Colour ${colour.name}, ${colour.value}`}
          onClick={(event) => setOpen({ colour, anchor: event.currentTarget })}
          sx={{
            justifyContent: 'flex-start',
            gap: 0.75,
            px: 0.5,
            py: 0.25,
            fontSize: 13,
            borderRadius: 0.5,
            '&:hover': { bgcolor: 'rgba(13,106,110,.11)' },
          }}
        >
          <span className="value-swatch" style={{ width: 16, height: 16, background: colour.value }} />
          {colour.name}
          <Box component="span" sx={{ fontSize: 11, color: quiet }}>
            {colour.value}
          </Box>
        </ButtonBase>
      ))}
      <Button
        size="small"
        startIcon={<Plus size={14} />}
        sx={{ justifySelf: 'start' }}
        onClick={(event) => setOpen({ anchor: event.currentTarget })}
      >
        Add a colour
      </Button>
      {open && <ColourCard {...open} onClose={() => setOpen(null)} />}
    </Box>
  );
}
