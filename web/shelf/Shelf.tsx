import { Box, Button, InputAdornment, TextField, Typography } from '@mui/material';
import { ImagePlus, Search, Type } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { assetUses, type Font, type Site } from '../../core/index.ts';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { edit, editWhole } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { importFiles } from '../state/uploading.ts';
import { line, petrol, petrolTint, quiet } from '../ui/theme.ts';
import { AssetCard } from './AssetCard.tsx';
import { AssetDetails } from './AssetDetails.tsx';
import { DeleteAssetDialog } from './DeleteAssetDialog.tsx';
import { MakingState } from './MakingState.tsx';

/** Files that a paste brings, where it is not meant for a field. */
function usePastedFiles(take: (files: File[]) => Promise<void>) {
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const files = [...(event.clipboardData?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      void take(files);
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  }, [take]);
}

function Empty({ onChoose }: { onChoose: () => void }) {
  return (
    <Box sx={{ textAlign: 'center', py: 10, color: quiet }}>
      <ImagePlus size={40} aria-hidden />
      <Typography sx={{ fontSize: 16, mt: 1, color: 'text.primary' }}>The shelf is empty.</Typography>
      <Typography sx={{ mb: 2 }}>
        Drop images, videos, documents, captions and fonts here, paste them, or choose them.
      </Typography>
      <Button variant="contained" onClick={onChoose}>
        Choose files
      </Button>
    </Box>
  );
}

/** A font of the site's own: words take it by its name, in a text style or on themselves. */
function FontLine({ font: { id, name, weights, style } }: { font: Font }) {
  const dispatch = useAppDispatch();
  return (
    <Box
      component="li"
      sx={{ display: 'flex', alignItems: 'center', gap: 1, py: 0.75, borderTop: `1px solid ${line}` }}
    >
      <Type size={18} aria-hidden />
      <Typography noWrap sx={{ fontWeight: 700, fontSize: 13, flex: 1 }} title={name}>
        {name}
      </Typography>
      <Typography sx={{ fontSize: 12, color: quiet }}>
        {weights.replace(' ', '–')}
        {style === 'italic' && ', italic'}
      </Typography>
      <Button
        size="small"
        color="error"
        onClick={() => void dispatch(editWhole('removeFromTheme', { list: 'fonts', id }))}
      >
        Remove
      </Button>
    </Box>
  );
}

function ShelfOf({ site }: { site: Site }) {
  const dispatch = useAppDispatch();
  const [wanted, setWanted] = useState<string | null>(null);
  const [filter, setFilter] = useState('');
  const [deleting, setDeleting] = useState<string | null>(null);
  const uses = useMemo(() => assetUses(site), [site]);
  const take = useMemo(
    () => async (files: readonly File[]) => {
      const [first] = await dispatch(importFiles(files));
      if (first) setWanted(first);
    },
    [dispatch],
  );
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    onDrop: (files) => void take(files),
    noClick: true,
    noKeyboard: true,
  });
  usePastedFiles(take);
  const { assets, fonts } = site.frame;
  const typed = filter.trim().toLowerCase();
  const shown = assets.filter(({ name, alt = '' }) => `${name} ${alt}`.toLowerCase().includes(typed));
  const chosen = assets.find(({ id }) => id === wanted);
  const gone = assets.find(({ id }) => id === deleting);
  return (
    <Box {...getRootProps()} sx={{ position: 'relative', height: '100%', outline: 'none' }}>
      <input {...getInputProps()} aria-label="Files for the shelf" />
      <Box sx={{ display: 'grid', gridTemplateColumns: chosen ? '1fr 340px' : '1fr', height: '100%' }}>
        <Box sx={{ overflowY: 'auto', px: 3, pt: 3, pb: 14 }}>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 2 }}>
            <Typography component="h1" sx={{ fontSize: 22, fontWeight: 700 }}>
              Shelf
            </Typography>
            <MakingState site={site.frame} />
            <Box sx={{ flex: 1 }} />
            {assets.length > 0 && (
              <TextField
                size="small"
                placeholder="Name or text"
                value={filter}
                onChange={({ target }) => setFilter(target.value)}
                slotProps={{
                  htmlInput: { 'aria-label': 'Filter the shelf' },
                  input: {
                    startAdornment: (
                      <InputAdornment position="start">
                        <Search size={15} />
                      </InputAdornment>
                    ),
                  },
                }}
                sx={{ width: 200 }}
              />
            )}
            <Button variant="outlined" size="small" startIcon={<ImagePlus size={15} />} onClick={open}>
              Import …
            </Button>
          </Box>
          {assets.length + fonts.length === 0 ? (
            <Empty onChoose={open} />
          ) : (
            <Box
              component="ul"
              aria-label="Images, videos and files"
              sx={{
                m: 0,
                p: 0,
                listStyle: 'none',
                display: 'grid',
                gap: 2,
                gridTemplateColumns: 'repeat(auto-fill, minmax(168px, 1fr))',
              }}
            >
              {shown.map((asset) => (
                <AssetCard
                  key={asset.id}
                  site={site.frame.id}
                  asset={asset}
                  uses={uses.get(asset.id)?.length ?? 0}
                  chosen={asset.id === chosen?.id}
                  onChoose={() => setWanted(asset.id === wanted ? null : asset.id)}
                />
              ))}
            </Box>
          )}
          {fonts.length > 0 && (
            <Box component="section" aria-label="Fonts" sx={{ mt: 4 }}>
              <Typography component="h2" sx={{ fontSize: 15, fontWeight: 700, mb: 1 }}>
                Fonts
              </Typography>
              <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', maxWidth: 560 }}>
                {fonts.map((font) => (
                  <FontLine key={font.id} font={font} />
                ))}
              </Box>
            </Box>
          )}
          {assets.length > 0 && shown.length === 0 && (
            <Typography sx={{ color: quiet, py: 4 }}>
              Nothing on the shelf matches “{filter.trim()}”.
            </Typography>
          )}
        </Box>
        {chosen && (
          <AssetDetails
            key={chosen.id}
            site={site}
            asset={chosen}
            uses={uses.get(chosen.id) ?? []}
            onDelete={() => setDeleting(chosen.id)}
            onClose={() => setWanted(null)}
          />
        )}
      </Box>
      {isDragActive && (
        <Box
          sx={{
            position: 'absolute',
            inset: 12,
            border: `2px dashed ${petrol}`,
            borderRadius: 2,
            bgcolor: petrolTint,
            display: 'grid',
            placeItems: 'center',
            pointerEvents: 'none',
          }}
        >
          <Typography sx={{ fontSize: 20, fontWeight: 700, bgcolor: 'background.paper', px: 2, py: 1 }}>
            Drop to put them on the shelf
          </Typography>
        </Box>
      )}
      {gone && (
        <DeleteAssetDialog
          site={site}
          asset={gone}
          uses={uses.get(gone.id) ?? []}
          onDelete={() => {
            dispatch(edit('removeAsset', { asset: gone.id }));
            setDeleting(null);
          }}
          onClose={() => setDeleting(null)}
        />
      )}
    </Box>
  );
}

/** The images, videos, files and fonts of a site. */
export const Shelf = () => <WholeSiteScreen>{(site) => <ShelfOf site={site} />}</WholeSiteScreen>;
