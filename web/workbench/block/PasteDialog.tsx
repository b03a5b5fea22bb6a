import { Box, Checkbox, FormControlLabel, Typography } from '@mui/material';
import { useState } from 'react';
import {
  applies,
  chosenValues,
  counted,
  knownKind,
  PROPERTY_GROUPS,
  type Node,
  type Page,
  type Part,
  type Property,
  type SiteFrame,
} from '../../../core/index.ts';
import { edit } from '../../state/edits.ts';
import { useAppDispatch } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';
import type { Copied } from '../../values/clipboard.ts';
import { FormDialog } from '../../ui/FormDialog.tsx';

interface PasteDialogProps {
  site: SiteFrame;
  page: Page;
  nodes: Node[];
  copied: Extract<Copied, { of: 'element' | 'row' }>;
  onClose(): void;
}

const keyOf = (part: Part, property: Property): string => `${part} ${property.name}`;

/** Which of the copied values are pasted: all, some groups, or single rows; overrides and reach come along. */
export function PasteDialog({ site, page, nodes, copied, onClose }: PasteDialogProps) {
  const dispatch = useAppDispatch();
  const values = chosenValues(copied.style, {});
  const suits = ({ part, property }: (typeof values)[number]) =>
    nodes.some((node) =>
      applies(property, node.kind, node.parent === null ? undefined : page.nodes[node.parent].kind, part),
    );
  const suiting = values.filter(suits);
  const left = values.filter((value) => !suits(value));
  const [off, setOff] = useState<ReadonlySet<string>>(new Set());
  const turn = (list: typeof values, on: boolean) => {
    const next = new Set(off);
    for (const { part, property } of list) {
      if (on) next.delete(keyOf(part, property));
      else next.add(keyOf(part, property));
    }
    setOff(next);
  };
  const isOn = ({ part, property }: (typeof values)[number]) => !off.has(keyOf(part, property));
  const chosen = suiting.filter(isOn);
  const partLabel = (part: Part) =>
    nodes.map((node) => knownKind(node.kind).parts?.[part]?.label).find(Boolean) ?? part;
  const paste = () => {
    const only = chosen.map(({ part, property }) => ({ part, property: property.name }));
    if (dispatch(edit('pasteValues', { nodes: nodes.map(({ id }) => id), style: copied.style, only })))
      onClose();
  };
  return (
    <FormDialog
      title={`Paste values of ${copied.name}`}
      verb={`Paste ${counted(chosen.length, 'value')}`}
      disabled={chosen.length === 0}
      onDone={paste}
      width="xs"
      wide
      onClose={onClose}
    >
      <Typography sx={{ color: quiet, mb: 1 }}>
        On {nodes.length === 1 ? nodes[0].name : `${nodes.length} elements`} in {site.name}, with their
        overrides and reach.
      </Typography>
      {suiting.length === 0 && <Typography>None of these values applies there.</Typography>}
      {PROPERTY_GROUPS.map((group) => {
        const inGroup = suiting.filter(({ property }) => property.group === group.id);
        if (inGroup.length === 0) return null;
        const on = inGroup.filter(isOn).length;
        return (
          <Box key={group.id} role="group" aria-label={group.label}>
            <FormControlLabel
              label={<b>{group.label}</b>}
              control={
                <Checkbox
                  size="small"
                  sx={{ p: 0.5 }}
                  checked={on === inGroup.length}
                  indeterminate={on > 0 && on < inGroup.length}
                  onChange={(_event, checked) => turn(inGroup, checked)}
                />
              }
            />
            <Box sx={{ pl: 3, display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
              {inGroup.map((value) => (
                <FormControlLabel
                  key={keyOf(value.part, value.property)}
                  label={
                    value.part === 'self'
                      ? value.property.label
                      : `${partLabel(value.part)}: ${value.property.label.toLowerCase()}`
                  }
                  slotProps={{ typography: { sx: { fontSize: 13 } } }}
                  control={
                    <Checkbox
                      size="small"
                      sx={{ p: 0.5 }}
                      checked={isOn(value)}
                      onChange={(_event, checked) => turn([value], checked)}
                    />
                  }
                />
              ))}
            </Box>
          </Box>
        );
      })}
      {left.length > 0 && (
        <Typography sx={{ color: quiet, mt: 1, fontSize: 12 }}>
          Left out because they do not apply:{' '}
          {left.map(({ property }) => property.label.toLowerCase()).join(', ')}.
        </Typography>
      )}
    </FormDialog>
  );
}
