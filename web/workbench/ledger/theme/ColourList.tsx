import { Box, Button, ButtonBase, TextField } from '@mui/material';
import { formatHex } from 'culori';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { cssColour, type Colour, type SiteFrame } from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { petrolTint, quiet } from '../../../ui/theme.ts';
import { ThemeCard } from './ThemeCard.tsx';

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
  return (
    <ThemeCard
      label={colour ? `Colour ${colour.name}` : 'New colour'}
      anchor={anchor}
      name={name}
      onName={setName}
      keep={colour ? 'Change everywhere' : 'Add colour'}
      odd={!valid}
      onKeep={() => dispatch(edit('setColour', { id: colour?.id, name, value }))}
      {...(colour && { of: { list: 'colours', id: colour.id } as const })}
      onClose={onClose}
      above={
        <HexColorPicker
          color={formatHex(cssColour(value)) ?? '#000000'}
          onChange={setValue}
          style={{ width: '100%', height: 130 }}
        />
      }
    >
      <TextField
        size="small"
        label="Colour"
        value={value}
        error={!valid}
        helperText={valid ? undefined : 'Not a CSS colour such as #1b2a49 or oklch(70% 0.1 80).'}
        onChange={(event) => setValue(event.target.value)}
      />
    </ThemeCard>
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
            '&:hover': { bgcolor: petrolTint },
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
