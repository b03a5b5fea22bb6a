import { findings as findingsOf, type NodeId, type Site, TEXT_RULES, theOne } from '../../core/index.ts';
import { Box, Button, Typography } from '@mui/material';
import { Ruler, Scaling } from 'lucide-react';
import { useMemo, useState } from 'react';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { quiet } from '../ui/theme.ts';
import { Curves } from './Curves.tsx';
import { Findings } from './Findings.tsx';
import { LineLengths } from './LineLengths.tsx';
import { ScaleStylesDialog } from './ScaleStylesDialog.tsx';
import { Specimen } from './Specimen.tsx';
import { StyleTable } from './StyleTable.tsx';
import { ViewSizesDialog } from './ViewSizesDialog.tsx';
import './type.css';

function TypeOf({ site: { frame, pages }, page }: { site: Site; page: NodeId }) {
  const [chosen, setChosen] = useState(frame.textStyles[0]?.id ?? '');
  const [width, setWidth] = useState(
    () => theOne(frame.views.list, ({ id }) => id === frame.views.base).sheet.width,
  );
  const [dialog, setDialog] = useState<'scale' | 'view' | null>(null);
  const shown = pages[page];
  const findings = useMemo(() => findingsOf(frame, shown, { rules: TEXT_RULES }), [frame, shown]);
  return (
    <Box sx={{ height: '100%', overflow: 'auto' }}>
      <Box sx={{ px: 3, pt: 3, pb: 8, maxWidth: 1560, mx: 'auto' }}>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 0.5 }}>
          <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700, flex: 1 }}>
            Type
          </Typography>
          <Button
            variant="outlined"
            size="small"
            startIcon={<Scaling size={15} />}
            disabled={frame.textStyles.length === 0}
            onClick={() => setDialog('view')}
          >
            Sizes for a view …
          </Button>
          <Button
            variant="outlined"
            size="small"
            startIcon={<Ruler size={15} />}
            disabled={frame.textStyles.length === 0}
            onClick={() => setDialog('scale')}
          >
            Sizes from a scale …
          </Button>
        </Box>
        <Typography sx={{ color: quiet, mb: 2 }}>
          The text styles of all pages: their sizes in each view, and at every width between.
        </Typography>
        {frame.textStyles.length === 0 ? (
          <Typography>This site has no text styles; its texts have sizes of their own.</Typography>
        ) : (
          <>
            <div className="type-halves">
              <StyleTable
                site={frame}
                chosen={chosen}
                findings={findings}
                width={width}
                onChoose={setChosen}
              />
              <Curves
                site={frame}
                page={shown}
                chosen={chosen}
                findings={findings}
                width={width}
                onChoose={setChosen}
                onWidth={setWidth}
              />
            </div>
            <Findings site={frame} page={shown} findings={findings} onGo={setChosen} />
            <LineLengths site={frame} page={shown} width={width} onWidth={setWidth} />
            <Specimen site={frame} width={width} />
          </>
        )}
      </Box>
      {dialog === 'scale' && <ScaleStylesDialog site={frame} onClose={() => setDialog(null)} />}
      {dialog === 'view' && <ViewSizesDialog site={frame} onClose={() => setDialog(null)} />}
    </Box>
  );
}

/** The text styles of a site: their sizes by view and by width, where they are wrong, and how they look. */
export const TypeLab = () => (
  <WholeSiteScreen>{(site, page) => <TypeOf site={site} page={page} />}</WholeSiteScreen>
);
