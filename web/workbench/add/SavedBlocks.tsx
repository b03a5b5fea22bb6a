import { readElements, type SavedBlockName, sure } from '../../../core/index.ts';
import {
  Box,
  Button,
  IconButton,
  Menu,
  MenuItem,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { FolderInput, MoreVertical } from 'lucide-react';
import { useRef, useState } from 'react';
import { bringAlong, bytesShown } from '../../state/uploading.ts';
import { documents } from '../../state/documents.ts';
import { edit, editWhole } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { newSavedBlockName } from '../../state/structure.ts';
import { quiet } from '../../ui/theme.ts';
import { saveFile } from '../../ui/saveFile.ts';
import { NameField } from '../../ui/NameField.tsx';
import { keptFile, type Offer } from './offers.ts';

const { refusedEdit } = documents.actions;

/** Imports blocks that were taken out to files, of this site or another. */
export function KeptBar() {
  const dispatch = useAppDispatch();
  const input = useRef<HTMLInputElement>(null);
  const importBlock = async (files: FileList | null) => {
    for (const file of files ?? []) {
      const read = readElements(await file.text());
      if (!read.ok) {
        dispatch(
          refusedEdit(`${file.name} isn’t an exported block, or it is damaged; nothing was imported.`),
        );
        continue;
      }
      const copied = await dispatch(bringAlong(read.value));
      const { name } = copied.nodes[copied.roots[0]];
      dispatch(edit('keepCopy', { copied, id: newSavedBlockName(), name }));
    }
  };
  return (
    <Box sx={{ mb: 1.25 }}>
      <Button size="small" startIcon={<FolderInput size={14} />} onClick={() => input.current?.click()}>
        Import a block …
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        multiple
        hidden
        aria-label="Files of blocks"
        onChange={({ target }) => {
          void importBlock(target.files).then(() => (target.value = ''));
        }}
      />
    </Box>
  );
}

interface PlacedAsProps {
  linked: boolean;
  onLinked(linked: boolean): void;
}

/** Whether saved blocks are placed as copies or as linked. */
export function PlacedAs({ linked, onLinked }: PlacedAsProps) {
  return (
    <Box sx={{ mb: 1.25 }}>
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        aria-label="Place as"
        value={linked}
        onChange={(_event, next: boolean | null) => next !== null && onLinked(next)}
        sx={{
          '& .MuiToggleButton-root': {
            textTransform: 'none',
            py: 0.125,
            fontSize: 12.5,
            color: 'text.primary',
          },
        }}
      >
        <ToggleButton value={false}>A copy</ToggleButton>
        <ToggleButton value>Linked</ToggleButton>
      </ToggleButtonGroup>
      <Typography sx={{ fontSize: 12, color: quiet, mt: 0.5 }}>
        {linked
          ? 'The block itself: a change on one page changes it on every page that links it.'
          : 'Independent: its changes leave the saved block and other copies as they are.'}
      </Typography>
    </Box>
  );
}

/** Takes a saved block out to a file, with the bytes of what it shows; says so while they are read. */
function TakeOut({ offer, onDone }: { offer: Offer; onDone(): void }) {
  const dispatch = useAppDispatch();
  const site = useAppSelector((state) => sure(state.documents.open, 'open').site.frame.id);
  const [reading, setReading] = useState(false);
  const takeOut = async () => {
    setReading(true);
    const copied = sure(offer.copy, 'copy')();
    const files = await bytesShown(site, copied);
    const name = `${offer.label.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.block.json`;
    if (files.ok) saveFile(name, keptFile(copied, files.value));
    else dispatch(refusedEdit(`${files.sentence} Nothing was exported.`));
    onDone();
  };
  return (
    <MenuItem dense disabled={reading} onClick={() => void takeOut()}>
      {reading ? 'Loading its images …' : 'Export to a file'}
    </MenuItem>
  );
}

/** What can be done with a saved block besides placing it. */
export function KeptTools({ offer }: { offer: Offer }) {
  const dispatch = useAppDispatch();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [renaming, setRenaming] = useState(false);
  const id = offer.id as SavedBlockName;
  const close = () => setAnchor(null);
  return (
    <>
      <IconButton
        size="small"
        aria-label={`More for ${offer.label}`}
        aria-haspopup="menu"
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{
          position: 'absolute',
          right: 2,
          bottom: 1,
          p: 0.375,
          borderRadius: 0.5,
          ...(renaming && { display: 'none' }),
        }}
      >
        <MoreVertical size={15} />
      </IconButton>
      {renaming && (
        <Box sx={{ display: 'flex', mt: 0.75 }}>
          <NameField
            name={offer.label}
            most={120}
            onDone={(name) => {
              setRenaming(false);
              if (name !== null) dispatch(edit('renameKept', { id, name }));
            }}
          />
        </Box>
      )}
      <Menu open={anchor !== null} anchorEl={anchor} onClose={close}>
        <MenuItem dense onClick={() => (close(), setRenaming(true))}>
          Rename
        </MenuItem>
        <TakeOut offer={offer} onDone={close} />
        <MenuItem dense onClick={() => (close(), void dispatch(editWhole('dropKept', { id })))}>
          Remove from the saved blocks
        </MenuItem>
      </Menu>
    </>
  );
}
