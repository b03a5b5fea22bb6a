import { Box } from '@mui/material';
import { type KeyboardEvent, type PointerEvent } from 'react';
import { VIEW_LIMITS, type SiteFrame, type View } from '../../../core/index.ts';
import { limitLeft, limitMoved } from '../../state/desk.ts';
import { editWhole } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import { ink, paper } from '../../ui/theme.ts';

interface ViewLimitsProps {
  site: SiteFrame;
  /** px; of the sheet. */
  width: number;
  /** Where a width stands on the ruler, and the width below the pointer. */
  percent(width: number): string;
  widthAt(clientX: number): number;
}

/** Where a view can begin between its neighbours: none is narrower than 40 px, nor the narrowest than the narrowest sheet. */
function room({ list }: SiteFrame['views'], index: number): { least: number; most: number } {
  const { apart, widest } = VIEW_LIMITS;
  return {
    least: Math.max(list[index - 1].from + apart, index === 1 ? 201 : 0),
    most: (list[index + 1]?.from ?? widest + apart) - apart,
  };
}

/** The limits between the views on the ruler: drawn, or moved by the arrow keys, they change where a view begins. */
export function ViewLimits({ site, width, percent, widthAt }: ViewLimitsProps) {
  const dispatch = useAppDispatch();
  const { list } = site.views;

  const down = (view: View, index: number) => (press: PointerEvent<HTMLElement>) => {
    press.stopPropagation();
    press.currentTarget.focus();
    const { least, most } = room(site.views, index);
    const before = { from: view.from, width };
    const meant = (event: { clientX: number }) =>
      Math.round(Math.min(most, Math.max(least, widthAt(event.clientX))));
    draw(press, {
      move: (event, travel) => {
        if (travel !== 0) dispatch(limitMoved({ view: view.id, from: meant(event) }));
      },
      end: (event, travel) => {
        const from = meant(event);
        dispatch(limitLeft(travel === 0 ? { width: before.width } : {}));
        if (travel !== 0 && from !== before.from)
          void dispatch(editWhole('changeView', { view: view.id, from }));
      },
      cancel: () => dispatch(limitLeft({ width: before.width })),
    });
  };
  const keys = (view: View, index: number) => (event: KeyboardEvent) => {
    const step = event.shiftKey ? 10 : 1;
    const by = { ArrowLeft: -step, ArrowDown: -step, ArrowRight: step, ArrowUp: step }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    const { least, most } = room(site.views, index);
    const from = Math.min(most, Math.max(least, view.from + by));
    if (from !== view.from) void dispatch(editWhole('changeView', { view: view.id, from }));
  };

  return list.slice(1).map((view, before) => {
    const index = before + 1;
    const { least, most } = room(site.views, index);
    return (
      <Box
        key={view.id}
        role="slider"
        tabIndex={0}
        aria-label={`Where ${view.name} begins`}
        aria-valuemin={least}
        aria-valuemax={most}
        aria-valuenow={view.from}
        aria-valuetext={`${view.from} px`}
        title={`${view.name} begins at ${view.from} px`}
        onPointerDown={down(view, index)}
        onKeyDown={keys(view, index)}
        style={{ left: percent(view.from) }}
        sx={{
          position: 'absolute',
          top: 0,
          width: 9,
          ml: '-5.5px',
          height: 24,
          zIndex: 1,
          cursor: 'col-resize',
          touchAction: 'none',
          '&::after': {
            content: '""',
            position: 'absolute',
            left: 3,
            top: 5,
            bottom: 5,
            width: 3,
            borderRadius: 2,
            bgcolor: paper,
            border: `0.5px solid ${ink}`,
          },
        }}
      />
    );
  });
}
