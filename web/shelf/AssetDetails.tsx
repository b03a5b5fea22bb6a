import {
  type Asset,
  type Arguments,
  type AssetUse,
  composed,
  isCaptions,
  isImage,
  isSavedBlock,
  isVideo,
  sharedPlaceOf,
  type Site,
  sure,
  viewOf,
} from '../../core/index.ts';
import { Box, Button, IconButton, Link, Tooltip, Typography } from '@mui/material';
import { Replace, Trash2, X } from 'lucide-react';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { paths } from '../../api/paths.ts';
import { imageUrl } from '../page/addresses.ts';
import { selected } from '../state/desk.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { replaceFile } from '../state/uploading.ts';
import { Field } from '../ui/Field.tsx';
import { FocalPointImage } from '../ui/FocalPointImage.tsx';
import { line, paper, quiet } from '../ui/theme.ts';
import { TYPES } from './types.ts';

const NOWHERE = {
  media: 'Not used yet. Choose it for an element in the workbench.',
  captions: 'Not used yet. Choose them for a video in the workbench.',
  document: 'Not used yet. A link can lead to it: choose “a file from the shelf” as its target.',
} as const;

const kindOf = (asset: Asset): keyof typeof NOWHERE => {
  if (isCaptions(asset)) return 'captions';
  return isImage(asset) || isVideo(asset) ? 'media' : 'document';
};

/** What of a site a use is in: the element or page by name. */
const nameOf = (site: Site, { page: id, node }: AssetUse): string => {
  const kept = node && sharedPlaceOf(node);
  if (isSavedBlock(kept)) return sure(sure(site.frame.shared, 'shared')[kept]).nodes[sure(node, 'node')].name;
  const page = composed(site.frame, site.pages[id]);
  return page.nodes[node ?? page.root].name;
};

/** The places in which something of the shelf stands, a line each; `onGo` leads there. */
export function UseList({
  site,
  uses,
  onGo,
}: {
  site: Site;
  uses: readonly AssetUse[];
  onGo?(use: AssetUse): void;
}) {
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {uses.map((use) => (
        <Box
          component="li"
          key={`${use.page} ${use.node} ${use.as}`}
          sx={{ py: 0.5, borderTop: `1px solid ${line}`, fontSize: 13 }}
        >
          {onGo ? (
            <Link
              component="button"
              type="button"
              sx={{ fontSize: 13, textAlign: 'left' }}
              onClick={() => onGo(use)}
            >
              {nameOf(site, use)}
            </Link>
          ) : (
            nameOf(site, use)
          )}
          <Box component="span" sx={{ color: quiet }}>
            {' '}
            {whereOf(site, use)}
            {describeUse(site, use) !== 'image' && `, ${describeUse(site, use)}`}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** Where a use is: on a page, on all, or in a saved block to be placed. */
function whereOf(site: Site, use: AssetUse): string {
  const tree = use.node && sharedPlaceOf(use.node);
  if (isSavedBlock(tree)) return 'in a saved block';
  return `on ${tree ? 'all pages' : nameOf(site, { ...use, node: undefined })}`;
}

/** A use in words: "image, in Tablet and Mobile". */
function describeUse(site: Site, { as, views }: AssetUse): string {
  const { views: all } = site.frame;
  const others = (views ?? []).filter((id) => id !== all.base);
  if (others.length === 0 || others.length !== views?.length) return as;
  return `${as}, in ${others.map((id) => viewOf(all, id).name).join(' and ')}`;
}

interface AssetDetailsProps {
  site: Site;
  asset: Asset;
  uses: readonly AssetUse[];
  onDelete(): void;
  onClose(): void;
}

/** What is said of one thing of the shelf, where it stands, and what can be done with it. */
export function AssetDetails({ site, asset, uses, onDelete, onClose }: AssetDetailsProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const picture = isImage(asset);
  const change = (what: Omit<Arguments<'changeAsset'>, 'asset'>) =>
    dispatch(edit('changeAsset', { asset: asset.id, ...what }));
  const go = async ({ page, node }: AssetUse) => {
    await navigate(`/sites/${site.frame.id}/pages/${page}`);
    if (node) dispatch(selected(node));
  };
  return (
    <Box
      component="section"
      aria-label={`About ${asset.name}`}
      sx={{
        borderLeft: `1px solid ${line}`,
        bgcolor: paper,
        overflowY: 'auto',
        p: 2,
        display: 'grid',
        gap: 2,
        alignContent: 'start',
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography component="h2" noWrap sx={{ fontSize: 16, fontWeight: 700, flex: 1 }} title={asset.name}>
          {asset.name}
        </Typography>
        <IconButton size="small" aria-label="Close" onClick={onClose}>
          <X size={16} />
        </IconButton>
      </Box>
      {isVideo(asset) && (
        <video
          src={paths.asset(site.frame.id, asset.hash)}
          controls
          style={{ width: '100%', borderRadius: 3 }}
        />
      )}
      {!picture && !isVideo(asset) && (
        <Link href={paths.asset(site.frame.id, asset.hash)} download sx={{ fontSize: 13 }}>
          Download
        </Link>
      )}
      {picture && (
        <Box>
          <FocalPointImage
            src={imageUrl(site.frame.id, asset, 640)}
            point={asset.focus ?? { x: 50, y: 50 }}
            onChange={(focus) => change({ focus })}
          />
          <Box sx={{ display: 'flex', alignItems: 'center', mt: 0.5 }}>
            <Typography sx={{ fontSize: 12, color: quiet, flex: 1 }}>
              {asset.focus
                ? `Focal point: ${asset.focus.x} % from the left, ${asset.focus.y} % from the top`
                : 'Click the part that stays visible when the image is cropped.'}
            </Typography>
            {asset.focus && (
              <Button size="small" onClick={() => change({ focus: null })}>
                Middle
              </Button>
            )}
          </Box>
        </Box>
      )}
      <Typography sx={{ fontSize: 12, color: quiet }}>
        {TYPES[asset.type]}
        {asset.width !== undefined && `, ${asset.width} × ${asset.height} px`}
      </Typography>
      <Field label="Name" value={asset.name} most={80} onDone={(name) => change({ name })} />
      {picture && (
        <Field
          label="Text alternative"
          help="Used wherever the image appears, unless another one is set there."
          value={asset.alt ?? ''}
          most={400}
          multiline
          onDone={(alt) => change({ alt })}
        />
      )}
      {picture && (
        <Field
          label="Height of its smallest text (px)"
          help={`In the file, which is ${asset.height} px high. Text that would be shown smaller than 9 px is a finding. Leave empty if there is no text.`}
          value={asset.smallestText === undefined ? '' : String(asset.smallestText)}
          most={6}
          numeric
          onDone={(text) =>
            change({ smallestText: text.trim() === '' ? null : Number(text.replace(',', '.')) })
          }
        />
      )}
      <Box>
        <Typography component="h3" sx={{ fontSize: 13, fontWeight: 700, mb: 0.5 }}>
          Where it is used
        </Typography>
        {uses.length === 0 && (
          <Typography sx={{ fontSize: 13, color: quiet }}>{NOWHERE[kindOf(asset)]}</Typography>
        )}
        <UseList site={site} uses={uses} onGo={(use) => void go(use)} />
      </Box>
      <Box sx={{ display: 'flex', gap: 1, borderTop: `1px solid ${line}`, pt: 1.5 }}>
        <input
          ref={file}
          type="file"
          hidden
          aria-label={`Replace the file of ${asset.name}`}
          onChange={({ target }) => {
            const [chosen] = target.files ?? [];
            if (chosen) void dispatch(replaceFile(asset.id, chosen));
            target.value = '';
          }}
        />
        <Tooltip describeChild title="Replace it with another file, wherever it is used">
          <Button size="small" startIcon={<Replace size={15} />} onClick={() => file.current?.click()}>
            Replace …
          </Button>
        </Tooltip>
        <Button size="small" color="error" startIcon={<Trash2 size={15} />} onClick={onDelete}>
          Delete …
        </Button>
      </Box>
    </Box>
  );
}
