import { inEveryView } from '../../state/everyview.ts';
import { Box, IconButton } from '@mui/material';
import { ArrowDown, ArrowUp, ArrowUpRight, Copy, EyeOff, Trash2 } from 'lucide-react';
import type { PointerEvent, ReactNode } from 'react';
import { isOnAllPages, type NodeId, type Page, type View } from '../../../core/index.ts';
import { sheetsChosen } from '../../state/desk.ts';
import { useAppDispatch } from '../../state/store.ts';
import { duplicate, hideIn } from '../../state/structure.ts';
import { coral, ink, petrol, petrolTint, quiet, raised } from '../../ui/theme.ts';

/** px; a line of the names beside sections. */
const LINE = 14;

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
  /** px on screen to its left for its name. */
  beside: number;
  selected: boolean;
  onPress(press: PointerEvent<HTMLElement>): void;
  onChoose(): void;
  children: ReactNode;
}

/** A section's name and height beside its image; one that takes many screens stands out. */
export function SectionMark({
  name,
  view,
  top,
  height,
  tall,
  beside,
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
          '&:hover': { bgcolor: petrolTint },
        }}
      />
      {height > LINE && (
        <Box
          aria-hidden
          sx={{
            position: 'absolute',
            top: 0,
            right: '100%',
            overflow: 'hidden',
            pr: 0.75,
            fontSize: 11,
            lineHeight: `${LINE}px`,
            textAlign: 'end',
            overflowWrap: 'anywhere',
            pointerEvents: 'none',
            fontWeight: selected ? 700 : 400,
            color: selected ? petrol : ink,
          }}
          style={{ width: beside, height }}
        >
          <Box
            component="span"
            sx={{
              display: '-webkit-box',
              WebkitBoxOrient: 'vertical',
              overflow: 'hidden',
              lineHeight: `${LINE}px`,
            }}
            style={{ WebkitLineClamp: Math.max(1, Math.floor(height / LINE) - 1) }}
          >
            {name}
          </Box>
          {height >= 2 * LINE && (
            <span style={{ color: long ? coral : quiet, fontWeight: 400 }}>{long ? many : size}</span>
          )}
        </Box>
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
  /** In which views the arrows move it. */
  where: string;
  /** The sections that show in the view, from the top. */
  shown: readonly NodeId[];
  onMove(id: NodeId, place: { after: NodeId | null }): void;
}

/** What can be done with a selected section. */
export function Tools({ page, id, view, where, shown, inside, onMove }: ToolsProps) {
  const dispatch = useAppDispatch();
  const { name } = page.nodes[id];
  const siblings = shown.filter((each) => !isOnAllPages(each));
  const at = siblings.indexOf(id);
  const own = at >= 0;
  const behind = (place: number) => ({ after: shown[shown.indexOf(siblings[place]) - 1] ?? null });
  const tools: { label: string; icon: ReactNode; disabled?: boolean; run(): unknown }[] = [
    {
      label: `Move ${name} up ${where}`,
      icon: <ArrowUp size={13} />,
      disabled: !own || at === 0,
      run: () => onMove(id, behind(at - 1)),
    },
    {
      label: `Move ${name} down ${where}`,
      icon: <ArrowDown size={13} />,
      disabled: !own || at === siblings.length - 1,
      run: () => onMove(id, { after: siblings[at + 1] }),
    },
    {
      label: `Hide ${name} in ${view.name}`,
      icon: <EyeOff size={13} />,
      run: () => dispatch(hideIn([id], view.id)),
    },
    {
      label: `Duplicate ${name}`,
      icon: <Copy size={13} />,
      disabled: !own,
      run: () => dispatch(duplicate([id])),
    },
    {
      label: `Delete ${name}`,
      icon: <Trash2 size={13} />,
      run: () => dispatch(inEveryView('delete', [id], view.id)),
    },
    { label: `Go to ${name}`, icon: <ArrowUpRight size={13} />, run: () => dispatch(sheetsChosen('one')) },
  ];
  return (
    <Box
      role="toolbar"
      aria-label={`${name} in ${view.name}`}
      sx={{
        position: 'absolute',
        zIndex: 2,
        right: 2,
        ...(inside ? { bottom: 2 } : { top: '100%' }),
        display: 'flex',
        bgcolor: raised,
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
