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
import { useEffect, useRef, useState } from 'react';
import { readElements, type KeptName } from '../../../core/index.ts';
import { bringAlong, bytesShown } from '../../state/bringing.ts';
import { documents } from '../../state/documents.ts';
import { edit, editWhole } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { newKeptName } from '../../state/structure.ts';
import { quiet } from '../../ui/theme.ts';
import { NameField } from '../../ui/NameField.tsx';
import { keptFile, type Offer } from './offers.ts';

const { refusedEdit } = documents.actions;

/** Brings in blocks that were taken out to files, of this site or another. */
export function KeptBar() {
  const dispatch = useAppDispatch();
  const input = useRef<HTMLInputElement>(null);
  const bringIn = async (files: FileList | null) => {
    for (const file of files ?? []) {
      const read = readElements(await file.text());
      if (!read.ok) {
        dispatch(
          refusedEdit(
            `${file.name} is no block that was taken out of a site, or is damaged; nothing was brought in.`,
          ),
        );
        continue;
      }
      const copied = await dispatch(bringAlong(read.value));
      const { name } = copied.nodes[copied.roots[0]];
      dispatch(edit('keepCopy', { copied, id: newKeptName(), name }));
    }
  };
  return (
    <Box sx={{ mb: 1.25 }}>
      <Button size="small" startIcon={<FolderInput size={14} />} onClick={() => input.current?.click()}>
        Bring in a block …
      </Button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        multiple
        hidden
        aria-label="Files of blocks"
        onChange={({ target }) => {
          void bringIn(target.files).then(() => (target.value = ''));
        }}
      />
    </Box>
  );
}

interface PlacedAsProps {
  linked: boolean;
  onLinked(linked: boolean): void;
}

/** Whether kept blocks are placed as copies or as linked. */
export function PlacedAs({ linked, onLinked }: PlacedAsProps) {
  return (
    <Box sx={{ mb: 1.25 }}>
      <ToggleButtonGroup
        exclusive
        fullWidth
        size="small"
        aria-label="Placed as"
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
          ? 'The block itself: what is changed on one page is changed on every page that links it.'
          : 'Changed by itself; the kept block and other copies stay as they are.'}
      </Typography>
    </Box>
  );
}

/** A kept block as a file to be taken out, once the bytes of what it shows are at hand. */
function TakeOut({ offer, onDone }: { offer: Offer; onDone(): void }) {
  const dispatch = useAppDispatch();
  const site = useAppSelector((state) => state.documents.open!.site.frame.id);
  const [address, setAddress] = useState<string>();
  const { copy } = offer;
  useEffect(() => {
    let made: string | undefined;
    let current = true;
    const copied = copy!();
    void bytesShown(site, copied).then((files) => {
      if (!current) return;
      if (!files.ok) return void dispatch(refusedEdit(`${files.sentence} Nothing was taken out.`));
      setAddress((made = URL.createObjectURL(keptFile(copied, files.value))));
    });
    return () => {
      current = false;
      // Whoever has chosen it just now is still served.
      if (made) setTimeout(URL.revokeObjectURL, 10_000, made);
    };
  }, [dispatch, site, copy]);
  return (
    <MenuItem
      dense
      component="a"
      href={address}
      disabled={!address}
      download={`${offer.label.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}.block.json`}
      onClick={onDone}
    >
      {address ? 'Take it out to a file' : 'Reading its pictures …'}
    </MenuItem>
  );
}

/** What can be done with a kept block besides placing it. */
export function KeptTools({ offer }: { offer: Offer }) {
  const dispatch = useAppDispatch();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [renaming, setRenaming] = useState(false);
  const id = offer.id as KeptName;
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
        {anchor && <TakeOut offer={offer} onDone={close} />}
        <MenuItem dense onClick={() => (close(), void dispatch(editWhole('dropKept', { id })))}>
          Keep it no longer
        </MenuItem>
      </Menu>
    </>
  );
}
