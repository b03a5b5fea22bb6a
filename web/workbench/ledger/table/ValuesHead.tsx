import { Box, MenuItem, Select, Tooltip, Typography } from '@mui/material';
import {
  knownKind,
  plural,
  textStyleOf,
  type Node,
  type Page,
  type SiteFrame,
  type ViewId,
} from '../../../../core/index.ts';
import { edit } from '../../../state/edits.ts';
import { useAppDispatch } from '../../../state/store.ts';
import { line, quiet, shade } from '../../../ui/theme.ts';
import { BlockMenuButton } from '../../block/BlockMenu.tsx';
import { followersOf } from '../../../values/followers.ts';
import { ReachChoice } from './ReachChoice.tsx';
import { type Subject } from '../../../values/rows.ts';

/** What the table's subject is called. */
export function subjectName(subject: Subject): string {
  if (subject.of === 'text style') return `the ${subject.style.name} style`;
  return subject.nodes.length === 1 ? subject.nodes[0].name : `${subject.nodes.length} elements`;
}

const BY_KIND = ' by kind';
const SEVERAL = ' several';

/** The text style that elements take; choosing another concerns every view. */
function TextStyleChoice({ site, nodes }: { site: SiteFrame; nodes: Node[] }) {
  const dispatch = useAppDispatch();
  const taken = new Set(nodes.map((node) => textStyleOf(node, site)?.id ?? BY_KIND));
  const value = taken.size === 1 ? [...taken][0] : SEVERAL;
  return (
    <Select
      variant="standard"
      disableUnderline
      size="small"
      value={value}
      inputProps={{ 'aria-label': 'Text style' }}
      onChange={({ target }) =>
        dispatch(
          edit('setTextStyle', {
            nodes: nodes.map(({ id }) => id),
            ...(target.value !== BY_KIND && { textStyle: target.value }),
          }),
        )
      }
      sx={{ fontSize: 12, color: quiet, minWidth: 0, '& .MuiSelect-select': { py: 0 } }}
    >
      {value === SEVERAL && <MenuItem value={SEVERAL}>several styles</MenuItem>}
      <MenuItem value={BY_KIND}>style of its kind</MenuItem>
      {site.textStyles.map(({ id, name }) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </Select>
  );
}

/** What the subject is: the text style an element takes, its kind, or who follows a text style. */
function Described({ site, page, subject }: { site: SiteFrame; page: Page; subject: Subject }) {
  if (subject.of === 'text style') {
    const { followers, apart } = followersOf(site, page, subject.style);
    const not = apart
      .filter(({ count }) => count > 0)
      .map(({ view, count }) => `${count} not in ${view.name}`)
      .join(', ');
    const words = `${followers} on this page ${plural(followers, 'follows', 'follow')} it${not && `; ${not}`}`;
    return (
      <Tooltip title={words}>
        <Typography
          sx={{
            fontSize: 12,
            lineHeight: 1.25,
            color: quiet,
            flex: 1,
            minWidth: 30,
            display: '-webkit-box',
            WebkitBoxOrient: 'vertical',
            WebkitLineClamp: 2,
            overflow: 'hidden',
          }}
        >
          {words}
        </Typography>
      </Tooltip>
    );
  }
  const { nodes } = subject;
  if (nodes.every((node) => knownKind(node.kind).textStyle !== undefined)) {
    return (
      <Box sx={{ flex: 1, minWidth: 30, display: 'flex' }}>
        <TextStyleChoice site={site} nodes={nodes} />
      </Box>
    );
  }
  const kinds = [...new Set(nodes.map((node) => knownKind(node.kind).label))];
  return (
    <Typography noWrap sx={{ fontSize: 12, color: quiet, flex: 1, minWidth: 30 }}>
      {kinds.join(', ')}
    </Typography>
  );
}

const BAR = {
  flex: 'none',
  display: 'flex',
  alignItems: 'center',
  gap: 1,
  px: 1.25,
  height: 40,
  bgcolor: shade,
  borderBottom: `1px solid ${line}`,
  borderTop: `1px solid ${line}`,
};

/** The reach of edits, where nothing is selected: it says how far what is added and dragged goes. */
export const NothingSelected = () => (
  <Box sx={BAR}>
    <Typography noWrap sx={{ fontSize: 13, color: quiet, flex: 1 }}>
      Nothing selected
    </Typography>
    <ReachChoice />
  </Box>
);

/** The name of what is selected, what it takes its text from, and the reach of edits. */
export function ValuesHead(props: { site: SiteFrame; page: Page; subject: Subject; active: ViewId }) {
  const { site, page, subject, active } = props;
  const name = subject.of === 'text style' ? subject.style.name : subjectName(subject);
  const title = subject.of === 'elements' ? subject.nodes.map((node) => node.name).join(', ') : name;
  return (
    <Box sx={BAR}>
      <Typography
        component="h2"
        noWrap
        sx={{ fontSize: 13, fontWeight: 700, minWidth: 0, flexShrink: 1 }}
        title={title}
      >
        {name}
      </Typography>
      <Described site={site} page={page} subject={subject} />
      <ReachChoice />
      {subject.of === 'elements' && (
        <BlockMenuButton site={site} page={page} nodes={subject.nodes} active={active} />
      )}
    </Box>
  );
}
