import { sure } from '../../core/index.ts';
import { Box, Button, Link, Typography } from '@mui/material';
import { ArrowLeft } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import Markdown from 'react-markdown';
import gfm from 'remark-gfm';
import findings from '../../docs/guide/findings.md?raw';
import messages from '../../docs/guide/messages.md?raw';
import publishing from '../../docs/guide/publishing.md?raw';
import running from '../../docs/guide/running.md?raw';
import sites from '../../docs/guide/sites.md?raw';
import type from '../../docs/guide/type.md?raw';
import workbench from '../../docs/guide/workbench.md?raw';
import workingTogether from '../../docs/guide/working-together.md?raw';
import { line } from '../ui/theme.ts';

/** The chapters of the guide, as they are in `docs/guide`, in the order of the job. */
const CHAPTERS = [workbench, type, findings, workingTogether, publishing, messages, sites, running].map(
  (text) => ({
    title: sure(/^# (.+)$/m.exec(text))[1],
    text: text.replace(/^# .+$/m, ''),
  }),
);

/** The guide by task: a list of chapters, and the chapter that was chosen. */
export function GuideTexts() {
  const [chosen, setChosen] = useState<(typeof CHAPTERS)[number] | null>(null);
  const list = useRef<HTMLUListElement>(null);
  const title = useRef<HTMLHeadingElement>(null);
  const isFirst = useRef(true);
  // What was pressed is gone: focus goes to the start of what replaces it.
  useEffect(() => {
    if (!isFirst.current) (title.current ?? list.current)?.focus();
    isFirst.current = false;
  }, [chosen]);
  if (!chosen)
    return (
      <Box component="ul" ref={list} tabIndex={-1} aria-label="Chapters" sx={{ m: 0, pl: 2.5 }}>
        {CHAPTERS.map((chapter) => (
          <li key={chapter.title}>
            <Link
              component="button"
              type="button"
              onClick={() => setChosen(chapter)}
              sx={{ fontSize: 14, py: 0.5 }}
            >
              {chapter.title}
            </Link>
          </li>
        ))}
      </Box>
    );
  return (
    <>
      <Button size="small" startIcon={<ArrowLeft size={14} />} onClick={() => setChosen(null)}>
        All chapters
      </Button>
      <Typography component="h2" ref={title} tabIndex={-1} sx={{ fontSize: 17, fontWeight: 700, mt: 1 }}>
        {chosen.title}
      </Typography>
      <Box
        sx={{
          fontSize: 14,
          lineHeight: 1.5,
          overflowWrap: 'anywhere',
          '& h2': { fontSize: 15, mt: 2, mb: 0.5 },
          '& ul': { pl: 2.5 },
          '& table': { borderCollapse: 'collapse', fontSize: 13 },
          '& td, & th': {
            borderTop: `1px solid ${line}`,
            py: 0.5,
            pr: 1.5,
            textAlign: 'start',
            verticalAlign: 'top',
          },
          '& pre': { overflowX: 'auto', fontSize: 12 },
        }}
      >
        <Markdown remarkPlugins={[gfm]} disallowedElements={['img']} components={{ h2: 'h3' }}>
          {chosen.text}
        </Markdown>
      </Box>
    </>
  );
}
