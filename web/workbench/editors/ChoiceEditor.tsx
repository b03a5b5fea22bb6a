import { lookup, same, sure } from '../../../core/index.ts';
import { ListItemIcon, MenuItem, MenuList } from '@mui/material';
import { AlignCenter, AlignJustify, AlignLeft, AlignRight, Check, type LucideIcon } from 'lucide-react';
import { reachOf } from '../../values/reach.ts';
import { propertyOfRow } from '../../values/rows.ts';
import type { EditorProps } from './editor.ts';

/** Signs for values that have a common one. */
const SIGNS: Record<string, Record<string, LucideIcon>> = {
  align: { start: AlignLeft, center: AlignCenter, end: AlignRight, justify: AlignJustify },
};

/** One of a list. */
export function ChoiceEditor({ row, cell, context, reach, onSet, onClose }: EditorProps) {
  const options = sure(propertyOfRow(row).type.options)(context);
  return (
    <MenuList
      dense
      autoFocusItem
      aria-label={`${row.label} in ${cell.view.name}`}
      sx={{ py: 0, minWidth: 150 }}
    >
      {options.map((option) => {
        const Sign = lookup(lookup(SIGNS, propertyOfRow(row).name), String(option.value));
        const chosen = same(option.value, cell.value);
        return (
          <MenuItem
            key={option.label}
            selected={chosen}
            onClick={(event) => onSet(option.value, reachOf(event, reach)) && onClose()}
          >
            <ListItemIcon sx={{ minWidth: '26px !important' }}>
              {Sign ? <Sign size={16} /> : chosen && <Check size={14} />}
            </ListItemIcon>
            {option.label}
          </MenuItem>
        );
      })}
    </MenuList>
  );
}
