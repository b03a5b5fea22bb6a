import { Box, Button, Popover, TextField } from '@mui/material';
import type { ReactNode } from 'react';
import type { Arguments } from '../../../../core/index.ts';
import { editWhole } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';

interface ThemeCardProps {
  label: string;
  anchor: HTMLElement;
  name: string;
  onName(name: string): void;
  /** What keeping does, in words. */
  keep: string;
  /** It cannot be kept as it is. */
  odd?: boolean;
  /** Answers whether it was kept. */
  onKeep(): boolean;
  /** What is removed; absent: something new. */
  of?: Arguments<'removeFromTheme'>;
  onClose(): void;
  /** What stands above the name, and below it. */
  above?: ReactNode;
  children?: ReactNode;
}

/** What something of the theme is called, and what it is; kept, or removed where nothing takes it. */
export function ThemeCard(props: ThemeCardProps) {
  const { label, anchor, name, onName, keep, odd = false, onKeep, of, onClose, above, children } = props;
  const dispatch = useAppDispatch();
  const remove = async (what: Arguments<'removeFromTheme'>) => {
    if (await dispatch(editWhole('removeFromTheme', what))) onClose();
  };
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
        sx={{ p: 1.5, width: 284, display: 'grid', gap: 1.5 }}
        onSubmit={(event) => {
          event.preventDefault();
          if (onKeep()) onClose();
        }}
      >
        {above}
        <TextField
          size="small"
          label="Name"
          autoFocus
          value={name}
          onChange={(event) => onName(event.target.value)}
        />
        {children}
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button type="submit" variant="outlined" disabled={odd || name.trim() === ''} sx={{ flex: 1 }}>
            {keep}
          </Button>
          {of && <Button onClick={() => void remove(of)}>Remove</Button>}
        </Box>
      </Box>
    </Popover>
  );
}
