import {
  type Finding,
  lookup,
  type SiteFrame,
  type Stretch,
  sure,
  viewAt,
  widthsOf,
} from '../../../core/index.ts';
import { Box, ButtonBase } from '@mui/material';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { united } from '../../checks/trouble.ts';
import { viewChosen, widthSet } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { draw } from '../../ui/draw.ts';
import { useMeasuredWidth } from '../../ui/measuredwidth.ts';
import { darkGround, ink, line, petrolFill, quiet, shade, tile } from '../../ui/theme.ts';
import { AddView } from './AddView.tsx';
import { ViewLimits } from './ViewLimits.tsx';

/** px; the widths that the ruler shows. */
export const NARROWEST = 280;
const WIDEST = 1920;

const share = (width: number): number =>
  (Math.min(WIDEST, Math.max(NARROWEST, width)) - NARROWEST) / (WIDEST - NARROWEST);
const percent = (width: number): string => `${share(width) * 100}%`;

/** The widths at which something is wrong: what keeps somebody out in full, what is advised more quietly. */
function Trouble() {
  const list = useAppSelector((state) => state.findings.list);
  const stretches = useMemo(() => {
    const of = (some: readonly Finding[]) =>
      united(some.flatMap(({ widths }) => widths)).filter(({ from, to }) => from < WIDEST && to > NARROWEST);
    return { all: of(list), barriers: of(list.filter(({ severity }) => severity === 'barrier')) };
  }, [list]);
  if (stretches.all.length === 0) return null;
  const said = stretches.all.map(({ from, to }) => `${from} to ${Math.min(to, WIDEST)}`).join(', ');
  const drawn = (some: readonly Stretch[], look: string) =>
    some.map(({ from, to }) => (
      <span
        key={`${look} ${from}`}
        className={look}
        style={{ left: percent(from), width: `max(3px, ${(share(to) - share(from)) * 100}%)` }}
      />
    ));
  return (
    <div role="img" aria-label={`Problem from ${said} px`} title={`Problem from ${said} px`}>
      {drawn(stretches.all, 'trouble')}
      {drawn(stretches.barriers, 'trouble barrier')}
    </div>
  );
}

/** px; what the number of a limit takes on the ruler, with some room beside it. */
const NUMBER = 32;

/** px; what the marker’s own number takes. */
const MARKED = 56;

/** The limits whose numbers have room on a ruler so long, the narrower ones first; what the marker covers gives way to it. */
function numbered(limits: readonly number[], room: number, width: number): number[] {
  const marker = share(width) * room;
  const shown: number[] = [];
  let taken = 0;
  for (const limit of [NARROWEST, ...limits, WIDEST]) {
    // That of an end stands on one side of it alone.
    const before = limit === NARROWEST ? 0 : limit === WIDEST ? NUMBER : NUMBER / 2;
    const from = share(limit) * room - before;
    const to = from + NUMBER;
    if (from < taken || (limit !== WIDEST && to > room - NUMBER)) continue;
    taken = to;
    if (to <= marker - MARKED / 2 || from >= marker + MARKED / 2) shown.push(limit);
  }
  return shown;
}

/** The ruler of widths with the views as bands, and the marker that can be drawn through all of them. */
export function WidthBar({ site, width }: { site: SiteFrame; width: number }) {
  const dispatch = useAppDispatch();
  const track = useRef<HTMLDivElement>(null);
  const { ref: measured, width: room } = useMeasuredWidth();
  const { views } = site;
  const view = viewAt(views, width);
  const breakpoints = views.list.slice(1).map((candidate) => candidate.from);

  const set = (next: number) => dispatch(widthSet(Math.round(Math.min(WIDEST, Math.max(NARROWEST, next)))));
  const widthAt = (clientX: number) => {
    const { left, width: length } = sure(track.current, 'current').getBoundingClientRect();
    return NARROWEST + ((clientX - left) / length) * (WIDEST - NARROWEST);
  };
  const follow = ({ clientX }: { clientX: number }) => set(widthAt(clientX));
  const down = (press: PointerEvent<HTMLElement>) => {
    press.currentTarget.focus();
    draw(press, { move: follow, cancel: () => set(width) });
    follow(press);
  };
  const keys = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 10 : 1;
    const moves: Record<string, number | undefined> = {
      ArrowLeft: width - step,
      ArrowDown: width - step,
      ArrowRight: width + step,
      ArrowUp: width + step,
      Home: NARROWEST,
      End: WIDEST,
      PageUp: breakpoints.find((at) => at > width) ?? WIDEST,
      PageDown: breakpoints.findLast((at) => at < width) ?? NARROWEST,
    };
    const next = lookup(moves, event.key);
    if (next === undefined) return;
    event.preventDefault();
    set(next);
  };

  return (
    <Box
      sx={{
        display: 'flex',
        gap: 2,
        px: 2,
        pt: 1,
        height: 58,
        flex: 'none',
        bgcolor: shade,
        borderBottom: `1px solid ${line}`,
      }}
    >
      <Box
        ref={(element: HTMLDivElement | null) => {
          track.current = element;
          return measured(element);
        }}
        sx={{ position: 'relative', flex: 1, minWidth: 0, height: 48 }}
      >
        {views.list.map((candidate) => {
          const { from = NARROWEST, below = WIDEST } = widthsOf(views, candidate.id);
          const active = candidate.id === view.id;
          return (
            <ButtonBase
              key={candidate.id}
              tabIndex={-1}
              onClick={() => dispatch(viewChosen(site.views, candidate.id))}
              style={{ left: percent(from), width: `calc(${(share(below) - share(from)) * 100}% - 2px)` }}
              sx={{
                position: 'absolute',
                top: 0,
                height: 24,
                borderRadius: 0.5,
                fontSize: 12,
                fontWeight: 700,
                overflow: 'hidden',
                whiteSpace: 'nowrap',
                bgcolor: active ? petrolFill : tile,
                color: active ? 'white' : quiet,
              }}
            >
              <Box
                component="span"
                sx={{ minWidth: 0, px: 0.25, overflow: 'hidden', textOverflow: 'ellipsis' }}
              >
                {candidate.name}
                {candidate.id === views.base && ' · base'}
              </Box>
            </ButtonBase>
          );
        })}
        <Trouble />
        {numbered(breakpoints, room, width).map((at) => (
          <Box
            key={at}
            component="span"
            className="ruler-number"
            style={{ left: percent(at) }}
            sx={{
              position: 'absolute',
              top: 30,
              fontSize: 11,
              color: quiet,
              transform: at === NARROWEST ? 'none' : at === WIDEST ? 'translateX(-100%)' : 'translateX(-50%)',
            }}
          >
            {at}
          </Box>
        ))}
        <ViewLimits site={site} width={width} percent={percent} widthAt={widthAt} />
        <Box
          role="slider"
          tabIndex={0}
          aria-label="Width of the sheet"
          aria-valuemin={NARROWEST}
          aria-valuemax={WIDEST}
          aria-valuenow={Math.min(WIDEST, width)}
          aria-valuetext={`${width} px, ${view.name}`}
          onPointerDown={down}
          onKeyDown={keys}
          style={{ left: percent(width) }}
          sx={{
            position: 'absolute',
            top: -6,
            bottom: 0,
            width: 64,
            ml: '-32px',
            cursor: 'ew-resize',
            touchAction: 'none',
            borderRadius: 0.5,
          }}
        >
          <Box sx={{ position: 'absolute', left: 31, top: 0, width: 2, height: 36, bgcolor: ink }} />
          <Box
            sx={{
              position: 'absolute',
              bottom: 0,
              left: 4,
              right: 4,
              bgcolor: darkGround,
              color: 'white',
              borderRadius: 0.5,
              fontSize: 12,
              fontWeight: 700,
              lineHeight: '19px',
              textAlign: 'center',
            }}
          >
            {width} px
          </Box>
        </Box>
      </Box>
      <AddView views={views} width={width} />
    </Box>
  );
}
