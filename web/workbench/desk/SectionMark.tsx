import { Box, IconButton, Typography } from '@mui/material';
import { ArrowDown, ArrowUp, ArrowUpRight, Copy, EyeOff, Trash2 } from 'lucide-react';
import type { PointerEvent, ReactNode } from 'react';
import { isOnAllPages, type NodeId, type Page, type View } from '../../../core/index.ts';
import { sheetsChosen } from '../../state/desk.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { duplicate, remove } from '../../state/structure.ts';
import { coral, petrol } from '../../ui/theme.ts';

/** Screens that a section takes from which on it is long: people stop scrolling (common practice). */
const LONG = 3;

interface SectionMarkProps {
  name: string;
  view: View;
  /** px on screen. */
  top: number;
  height: number;
  /** px of the page. */
  tall: number;
  selected: boolean;
  onPress(press: PointerEvent<HTMLElement>): void;
  onChoose(): void;
  children: ReactNode;
}

/** A section's name and height over its image; one that takes many screens stands out. */
export function SectionMark({
  name,
  view,
  top,
  height,
  tall,
  selected,
  onPress,
  onChoose,
  children,
}: SectionMarkProps) {
  const screens = tall / view.sheet.height;
  const long = screens > LONG;
  const size = `${Math.round(tall).toLocaleString('en-GB')} px`;
  const many = `${screens.toFixed(1)} screens`;
  return (
    <Box
      sx={{
        position: 'absolute',
        insetInline: 0,
        outline: selected ? `2px solid ${petrol}` : undefined,
        outlineOffset: -2,
        borderTop: '1px solid rgb(35 33 28 / .25)',
        ...(long && { borderLeft: `4px solid ${coral}` }),
      }}
      style={{ top, height }}
    >
      <Box
        component="button"
        type="button"
        aria-label={`${name}, ${size} in ${view.name}${long ? `, ${many}` : ''}`}
        aria-pressed={selected}
        title={`${name}: ${size}${long ? `, ${many}` : ''}`}
        onPointerDown={onPress}
        onClick={onChoose}
        sx={{
          position: 'absolute',
          inset: 0,
          width: '100%',
          border: 0,
          p: 0,
          bgcolor: 'transparent',
          cursor: 'grab',
          touchAction: 'none',
          '&:hover': { bgcolor: 'rgb(13 106 110 / .08)' },
        }}
      />
      {height > 15 && (
        <Typography
          noWrap
          aria-hidden
          sx={{
            position: 'absolute',
            display: 'flex',
            top: 0,
            left: 0,
            maxWidth: '100%',
            px: 0.5,
            fontSize: 10.5,
            lineHeight: '15px',
            fontWeight: 600,
            pointerEvents: 'none',
            color: 'white',
            bgcolor: long ? coral : selected ? petrol : 'rgb(35 33 28 / .72)',
          }}
        >
          <span style={{ overflow: 'hidden', textOverflow: 'ellipsis' }}>{name}</span>
          <span style={{ flex: 'none' }}>&nbsp;· {long ? many : size}</span>
        </Typography>
      )}
      {children}
    </Box>
  );
}

interface ToolsProps {
  page: Page;
  id: NodeId;
  view: View;
  /** Whether they stand in the mark of the section, for which there is room. */
  inside: boolean;
  onMove(id: NodeId, after: NodeId | null): void;
}

/** What can be done with a selected section. */
export function Tools({ page, id, view, inside, onMove }: ToolsProps) {
  const dispatch = useAppDispatch();
  const { name } = page.nodes[id];
  const siblings = page.nodes[page.root].children.filter((each) => !isOnAllPages(each));
  const at = siblings.indexOf(id);
  const own = at >= 0;
  const before = page.nodes[page.root].children;
  const behind = (place: number) => before[before.indexOf(siblings[place]) - 1] ?? null;
  const tools: { label: string; icon: ReactNode; disabled?: boolean; run(): unknown }[] = [
    {
      label: `Move ${name} up`,
      icon: <ArrowUp size={13} />,
      disabled: !own || at === 0,
      run: () => onMove(id, behind(at - 1)),
    },
    {
      label: `Move ${name} down`,
      icon: <ArrowDown size={13} />,
      disabled: !own || at === siblings.length - 1,
      run: () => onMove(id, siblings[at + 1]),
    },
    {
      label: `Hide ${name} in ${view.name}`,
      icon: <EyeOff size={13} />,
      run: () => dispatch(edit('showInViews', { nodes: [id], shown: false, views: [view.id] })),
    },
    {
      label: `Duplicate ${name}`,
      icon: <Copy size={13} />,
      disabled: !own,
      run: () => dispatch(duplicate([id])),
    },
    { label: `Delete ${name}`, icon: <Trash2 size={13} />, run: () => dispatch(remove([id])) },
    { label: `Go to ${name}`, icon: <ArrowUpRight size={13} />, run: () => dispatch(sheetsChosen('one')) },
  ];
  return (
    <Box
      role="toolbar"
      aria-label={`${name} in ${view.name}`}
      sx={{
        position: 'absolute',
        zIndex: 2,
        left: 2,
        ...(inside ? { top: 18 } : { top: '100%' }),
        display: 'flex',
        flexWrap: 'wrap',
        bgcolor: 'white',
        borderRadius: 0.5,
        boxShadow: '0 1px 5px rgb(35 33 28 / .35)',
      }}
    >
      {tools.map(({ label, icon, disabled, run }) => (
        <IconButton
          key={label}
          size="small"
          aria-label={label}
          title={label}
          disabled={disabled}
          onClick={() => run()}
          sx={{ p: 0.5, borderRadius: 0.5 }}
        >
          {icon}
        </IconButton>
      ))}
    </Box>
  );
}
