import { Typography } from '@mui/material';
import { createPortal } from 'react-dom';
import { darkGround } from '../../ui/theme.ts';

/** The name of what is carried, at the pointer, where nothing takes it. */
export function Carried({ label, left, top }: { label: string; left: number; top: number }) {
  return createPortal(
    <Typography
      sx={{
        position: 'fixed',
        zIndex: 'tooltip',
        pointerEvents: 'none',
        px: 1,
        py: 0.25,
        fontSize: 12,
        color: 'white',
        bgcolor: darkGround,
        borderRadius: 0.5,
        opacity: 0.85,
      }}
      style={{ left: left + 10, top: top + 10 }}
    >
      {label}
    </Typography>,
    document.body,
  );
}
