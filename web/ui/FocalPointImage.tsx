import { Box } from '@mui/material';
import type { KeyboardEvent } from 'react';
import { lookup, type Point } from '../../core/index.ts';

const hundredth = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 100);

/** An image on which the point is chosen that stays in sight: clicked, or moved by the arrow keys. */
export function FocalPointImage({
  src,
  point,
  onChange,
}: {
  src?: string;
  point: Point;
  onChange: (point: Point) => void;
}) {
  const keys = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 10 : 1;
    const moves: Record<string, [number, number] | undefined> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const move = lookup(moves, event.key);
    if (!move) return;
    event.preventDefault();
    onChange({ x: hundredth((point.x + move[0]) / 100), y: hundredth((point.y + move[1]) / 100) });
  };
  return (
    <Box
      role="slider"
      tabIndex={0}
      aria-label="Focal point"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={point.x}
      aria-valuetext={`${point.x} % from the left, ${point.y} % from the top`}
      onKeyDown={keys}
      sx={{ position: 'relative', cursor: 'crosshair', lineHeight: 0 }}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        onChange({
          x: hundredth((event.clientX - box.left) / box.width),
          y: hundredth((event.clientY - box.top) / box.height),
        });
      }}
    >
      <img src={src} alt="" style={{ width: '100%', borderRadius: 3 }} />
      <Box
        aria-hidden
        style={{ left: `${point.x}%`, top: `${point.y}%` }}
        sx={{
          position: 'absolute',
          width: 16,
          height: 16,
          m: '-8px',
          borderRadius: '50%',
          border: '2px solid white',
          boxShadow: '0 0 0 2px #0d6a6e',
        }}
      />
    </Box>
  );
}
