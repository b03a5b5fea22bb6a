import { Box, ButtonBase, Typography } from '@mui/material';
import { useMemo } from 'react';
import { counted, preview, type SiteFrame, type View } from '../../../core/index.ts';
import { sheetAddresses } from '../../page/addresses.ts';
import { PagePreview } from '../../page/PagePreview.tsx';
import { line, petrol, quiet } from '../../ui/theme.ts';
import type { Proposal } from './proposals.ts';

export const WAYS: Record<Proposal['way'], string> = {
  now: 'Now',
  tidy: 'Tidied',
  stacked: 'Stacked',
  'two across': 'Two across',
  'images first': 'Images first',
};

/** px on screen; how large layouts are drawn at most. */
const DRAWN = { width: 190, height: 2400 };

interface LayoutsProps {
  site: SiteFrame;
  view: View;
  proposals: readonly Proposal[];
  chosen: number;
  onChoose(index: number): void;
}

/** Layouts drawn beside one another, the first of which is there already. */
export function Layouts({ site, view, proposals, chosen, onChoose }: LayoutsProps) {
  return (
    <Box
      role="group"
      aria-label="Layouts"
      tabIndex={0}
      sx={{
        display: 'flex',
        alignItems: 'flex-start',
        gap: 1.5,
        mb: 2,
        maxHeight: 380,
        overflowY: 'auto',
      }}
    >
      {proposals.map((each, index) => (
        <Drawn
          key={each.way}
          site={site}
          proposal={each}
          view={view}
          chosen={index === chosen}
          onChoose={index === 0 ? undefined : () => onChoose(index)}
        />
      ))}
    </Box>
  );
}

interface DrawnProps {
  site: SiteFrame;
  proposal: Proposal;
  view: View;
  chosen: boolean;
  /** Absent: it is there already. */
  onChoose?: () => void;
}

/** A layout as the section would look, with its height. */
function Drawn({ site, proposal, view, chosen, onChoose }: DrawnProps) {
  const { way, page, height, laid } = proposal;
  const content = useMemo(() => preview(site, page, sheetAddresses(site)), [site, page]);
  const words = (
    <>
      <Typography sx={{ fontSize: 13, fontWeight: 700 }}>{WAYS[way]}</Typography>
      <Typography sx={{ fontSize: 12, color: quiet }}>
        {Math.round(height)} px high
        {laid.length > 0 && `, ${counted(laid.length, 'element')} placed`}
      </Typography>
      <Box sx={{ mt: 0.75 }}>
        <PagePreview site={site} content={content} across={view.sheet.width} {...DRAWN} fit />
      </Box>
    </>
  );
  const frame = {
    display: 'flex',
    flexDirection: 'column',
    alignItems: 'flex-start',
    justifyContent: 'flex-start',
    textAlign: 'left',
    p: 1,
    borderRadius: 1,
    border: '2px solid transparent',
  } as const;
  if (!onChoose)
    return <Box sx={{ ...frame, borderRight: `1px solid ${line}`, borderRadius: 0 }}>{words}</Box>;
  return (
    <ButtonBase
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        ...frame,
        ...(chosen && { borderColor: petrol }),
        '&:focus-visible': { outline: `2px solid ${petrol}` },
      }}
    >
      {words}
    </ButtonBase>
  );
}
