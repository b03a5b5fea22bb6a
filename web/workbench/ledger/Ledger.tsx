import { Box, Typography } from '@mui/material';
import { useMemo, type CSSProperties } from 'react';
import { Group, Panel, Separator } from 'react-resizable-panels';
import type { PageSummary } from '../../../api/responses.ts';
import { viewAt, type Page, type SiteFrame } from '../../../core/index.ts';
import { useAppSelector } from '../../state/store.ts';
import { line, quiet } from '../../ui/theme.ts';
import { useRowHeights } from './columns/density.ts';
import { Header } from './Header.tsx';
import { Outline } from './outline/Outline.tsx';
import type { Subject } from '../../values/rows.ts';
import { Values } from './table/Values.tsx';
import { NothingSelected } from './table/ValuesHead.tsx';
import './ledger.css';

/** The left side of the workbench: the outline above the values, under one header of views. */
export function Ledger({ site, counts, page }: { site: SiteFrame; counts: PageSummary[]; page: Page }) {
  const rows = useRowHeights();
  const selected = useAppSelector((state) => state.desk.selected);
  const active = useAppSelector((state) => viewAt(site.views, state.desk.width).id);
  const textStyle = useAppSelector((state) => state.desk.textStyle);
  const subject = useMemo((): Subject | null => {
    const style = site.textStyles.find(({ id }) => id === textStyle);
    if (style) return { of: 'text style', style };
    const nodes = selected.flatMap((id) => (page.nodes[id] ? [page.nodes[id]] : []));
    return nodes.length > 0 ? { of: 'elements', nodes } : null;
  }, [site, page, selected, textStyle]);
  return (
    <Box
      component="section"
      aria-label="Ledger"
      style={{ '--outline-row': `${rows.outline}px`, '--value-row': `${rows.values}px` } as CSSProperties}
      sx={{
        height: '100%',
        display: 'flex',
        flexDirection: 'column',
        borderRight: `1px solid ${line}`,
        bgcolor: 'background.paper',
      }}
    >
      <Header site={site} counts={counts} page={page} active={active} />
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <Group orientation="vertical" style={{ height: '100%' }}>
          <Panel defaultSize="46%" minSize="15%">
            <Outline site={site} page={page} active={active} />
          </Panel>
          <Separator aria-label="Height of the outline" style={{ height: 5, background: line }} />
          <Panel minSize="20%">
            {subject ? (
              <Values site={site} page={page} subject={subject} active={active} />
            ) : (
              <>
                <NothingSelected />
                <Typography sx={{ p: 3, color: quiet, textAlign: 'center' }}>
                  Select an element in the outline or in a sheet to see its values in every view. Hold Shift
                  or Ctrl to select several.
                </Typography>
              </>
            )}
          </Panel>
        </Group>
      </Box>
    </Box>
  );
}
