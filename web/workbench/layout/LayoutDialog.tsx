import { Box, ButtonBase, IconButton, MenuItem, Select, Typography } from '@mui/material';
import { Pencil, Trash2 } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import {
  counted,
  layoutOf,
  mainRegion,
  type NodeId,
  type Page,
  regionNamed,
  regionsOf,
  sectionsOnPage,
  type SiteFrame,
  withoutPlace,
} from '../../../core/index.ts';
import { edit, editWhole } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { takeLayout } from '../../state/structure.ts';
import { FormDialog } from '../../ui/FormDialog.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { line, petrol, quiet } from '../../ui/theme.ts';
import { type LayoutChoice, layoutChoices } from './choices.ts';
import { LayoutSketches } from './LayoutSketch.tsx';

interface LayoutDialogProps {
  site: SiteFrame;
  page: Page;
  onClose(): void;
}

/** Which layout a page takes, seen in several views, and where its sections go then. */
export function LayoutDialog({ site, page, onClose }: LayoutDialogProps) {
  const dispatch = useAppDispatch();
  const choices = useMemo(() => layoutChoices(site), [site]);
  const [chosen, setChosen] = useState<string | null>(null);
  const [to, setTo] = useState<Record<NodeId, string>>({});
  const choice = choices.find(({ id }) => id === chosen);
  const none = !layoutOf(page);
  return (
    <FormDialog
      title={`Layout of ${page.nodes[page.root].name}`}
      verb="Use this layout"
      disabled={!choice || (none && choice.copy === null)}
      onDone={() => choice && dispatch(takeLayout(choice.copy, to)) && onClose()}
      width="md"
      wide
      onClose={onClose}
    >
      <Box
        role="group"
        aria-label="Layouts"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(184px, 1fr))', gap: 1, mb: 2 }}
      >
        {choices.map((each) => (
          <Card
            key={each.id}
            site={site}
            choice={each}
            chosen={each.id === chosen}
            onChoose={() => setChosen(each.id)}
          />
        ))}
      </Box>
      {choice ? (
        <WhatGoesWhere page={page} choice={choice} to={to} onTo={setTo} />
      ) : (
        <Typography sx={{ fontSize: 13, color: quiet }}>
          Choose a layout to see which section stands in which region. Widths, order and visibility of regions
          can be changed per view afterwards.
        </Typography>
      )}
    </FormDialog>
  );
}

interface CardProps {
  site: SiteFrame;
  choice: LayoutChoice;
  chosen: boolean;
  onChoose(): void;
}

/** A layout to choose; one of the site's own can be renamed and removed. */
function Card({ site, choice, chosen, onChoose }: CardProps) {
  const dispatch = useAppDispatch();
  const [renaming, setRenaming] = useState(false);
  const { label, words, copy, saved } = choice;
  return (
    <Box sx={{ position: 'relative', display: 'flex', flexDirection: 'column' }}>
      <ButtonBase
        aria-pressed={chosen}
        onClick={onChoose}
        sx={{
          flex: 1,
          display: 'flex',
          flexDirection: 'column',
          alignItems: 'flex-start',
          justifyContent: 'flex-start',
          textAlign: 'left',
          gap: 0.75,
          p: 1.25,
          borderRadius: 1,
          border: `2px solid ${chosen ? petrol : line}`,
        }}
      >
        <LayoutSketches site={site} copy={copy} />
        <Box>
          <Typography sx={{ fontSize: 13, fontWeight: 700, overflowWrap: 'anywhere' }}>{label}</Typography>
          <Typography sx={{ fontSize: 12, color: quiet }}>{words}</Typography>
        </Box>
      </ButtonBase>
      {saved && !renaming && (
        <Box sx={{ position: 'absolute', right: 4, bottom: 4 }}>
          <IconButton size="small" aria-label={`Rename ${label}`} onClick={() => setRenaming(true)}>
            <Pencil size={14} />
          </IconButton>
          <IconButton
            size="small"
            aria-label={`Remove ${label} from the layouts of the site`}
            onClick={() => void dispatch(editWhole('dropKept', { id: saved }))}
          >
            <Trash2 size={14} />
          </IconButton>
        </Box>
      )}
      {saved && renaming && (
        <NameField
          name={label}
          most={120}
          onDone={(name) => {
            setRenaming(false);
            if (name !== null) dispatch(edit('renameKept', { id: saved, name }));
          }}
        />
      )}
    </Box>
  );
}

interface WhatGoesWhereProps {
  page: Page;
  choice: LayoutChoice;
  to: Readonly<Record<NodeId, string>>;
  onTo(to: Record<NodeId, string>): void;
}

/** Where the sections of a page come to stand; for what has no region of its name, which one is asked. */
function WhatGoesWhere({ page, choice, to, onTo }: WhatGoesWhereProps) {
  const { copy } = choice;
  const layout = layoutOf(page);
  const regions = copy ? regionsOf(copy, copy.nodes[copy.roots[0]]) : [];
  const main = copy && mainRegion(regions).name;
  const strays = copy ? withoutPlace(page, copy).map(({ id }) => id) : [];
  const from = layout
    ? regionsOf(page, layout).map(({ id, name, children }) => ({ id, name, children }))
    : [{ id: page.root, name: 'Page', children: sectionsOnPage(page).map(({ id }) => id) }];
  return (
    <Box
      component="table"
      aria-label="What goes where"
      sx={{ width: '100%', fontSize: 13, borderSpacing: 0 }}
    >
      <thead>
        <tr>
          {['Now in', 'Sections', 'Then in'].map((heading) => (
            <Cell key={heading} head>
              {heading}
            </Cell>
          ))}
        </tr>
      </thead>
      <tbody>
        {from.map(({ id, name, children }) => (
          <tr key={id}>
            <Cell>{name}</Cell>
            <Cell>
              {children.length === 0
                ? 'none'
                : `${counted(children.length, 'section')}: ${children.map((each) => page.nodes[each].name).join(', ')}`}
            </Cell>
            <Cell>
              {strays.includes(id) ? (
                <Select
                  size="small"
                  value={to[id] ?? main ?? ''}
                  onChange={({ target }) => onTo({ ...to, [id]: target.value })}
                  inputProps={{ 'aria-label': `Region for what is in ${name}` }}
                  sx={{ fontSize: 13, minWidth: 120 }}
                >
                  {regions.map((region) => (
                    <MenuItem key={region.id} value={region.name} dense>
                      {region.name}
                    </MenuItem>
                  ))}
                </Select>
              ) : (
                (copy && (layout ? (regionNamed(regions, name)?.name ?? 'not in this layout') : main)) ||
                'the page itself'
              )}
            </Cell>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}

function Cell({ head, children }: { head?: boolean; children: ReactNode }) {
  return (
    <Box
      component={head ? 'th' : 'td'}
      scope={head ? 'col' : undefined}
      sx={{
        textAlign: 'left',
        verticalAlign: 'top',
        py: 0.75,
        pr: 2,
        borderBottom: `1px solid ${line}`,
        ...(head && { fontSize: 12, fontWeight: 600, color: quiet }),
      }}
    >
      {children}
    </Box>
  );
}
