import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { isImage, type Arguments, type SiteFrame } from '../../core/index.ts';
import { imageUrl } from '../page/addresses.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { Field } from '../ui/Field.tsx';
import { LanguageField } from '../ui/LanguageField.tsx';
import { line, quiet } from '../ui/theme.ts';
import { SystemMessages } from './SystemMessages.tsx';

/** px */
const SIGN = 64;

/** What holds for all of a site: what it is called, its language, its sign. */
export function SiteDetails({ site }: { site: SiteFrame }) {
  const dispatch = useAppDispatch();
  const [telling, setTelling] = useState(false);
  const change = (what: Arguments<'changeSite'>) => dispatch(edit('changeSite', what));
  const icon = site.assets.find(({ id }) => id === site.icon);
  return (
    <Box
      component="section"
      aria-label="Whole site"
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2, alignContent: 'start' }}
    >
      <Typography component="h2" sx={{ fontSize: 18, fontWeight: 700 }}>
        Whole site
      </Typography>
      <Field
        label="Name"
        help="Appears after page titles, and under the icon on home screens. The address stays the same."
        value={site.name}
        most={80}
        onDone={(name) => change({ name })}
      />
      <LanguageField value={site.lang} onChange={(lang) => change({ lang })} />
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
        <TextField
          select
          label="Site icon"
          size="small"
          value={site.icon ?? ''}
          onChange={({ target }) => change({ icon: target.value || null })}
          helperText="In the tabs of browsers and on home screens. Best a square of 512 px or more, or an SVG."
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ flex: 1 }}
        >
          <MenuItem value="">made from two colours of the site</MenuItem>
          {site.assets.filter(isImage).map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        {icon && (
          <img
            src={imageUrl(site.id, icon, 320)}
            alt={`The icon: ${icon.name}`}
            width={SIGN}
            height={SIGN}
            style={{
              objectFit: 'contain',
              border: `1px solid ${line}`,
              borderRadius: 12,
              background: 'white',
            }}
          />
        )}
      </Box>
      <Box>
        <Button size="small" variant="outlined" onClick={() => setTelling(true)}>
          System messages …
        </Button>
        <Typography sx={{ fontSize: 12, color: quiet, mt: 0.5 }}>
          What forms, sign-in and missing pages say automatically, in each language of the site.
        </Typography>
      </Box>
      {telling && <SystemMessages site={site} onClose={() => setTelling(false)} />}
      <Typography sx={{ fontSize: 12, color: quiet }}>
        Visitors see these changes with the next publication.
      </Typography>
    </Box>
  );
}
