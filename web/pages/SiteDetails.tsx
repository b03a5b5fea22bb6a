import { Box, Button, MenuItem, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { isPicture, type Arguments, type SiteFrame } from '../../core/index.ts';
import { pictureUrl } from '../page/addresses.ts';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { Field } from '../ui/Field.tsx';
import { LanguageField } from '../ui/LanguageField.tsx';
import { line, quiet } from '../ui/theme.ts';
import { VisitorWords } from './VisitorWords.tsx';

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
      aria-label="All of the site"
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 2, alignContent: 'start' }}
    >
      <Typography component="h2" sx={{ fontSize: 18, fontWeight: 700 }}>
        All of the site
      </Typography>
      <Field
        label="Name"
        help="Stands behind the titles of pages, and under the sign on home screens. The address stays."
        value={site.name}
        most={80}
        onDone={(name) => change({ name })}
      />
      <LanguageField value={site.lang} onChange={(lang) => change({ lang })} />
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
        <TextField
          select
          label="Sign of the site"
          size="small"
          value={site.icon ?? ''}
          onChange={({ target }) => change({ icon: target.value || null })}
          helperText="In the tabs of browsers and on home screens. Best a square of 512 px or more, or a drawing."
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ flex: 1 }}
        >
          <MenuItem value="">drawn in two colours of the site</MenuItem>
          {site.assets.filter(isPicture).map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        {icon && (
          <img
            src={pictureUrl(site.id, icon, 320)}
            alt={`The sign: ${icon.name}`}
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
          What visitors are told …
        </Button>
        <Typography sx={{ fontSize: 12, color: quiet, mt: 0.5 }}>
          What forms, signing in and missing pages say by themselves, in each language of the site.
        </Typography>
      </Box>
      {telling && <VisitorWords site={site} onClose={() => setTelling(false)} />}
      <Typography sx={{ fontSize: 12, color: quiet }}>
        What is chosen here is seen by visitors with the next publication.
      </Typography>
    </Box>
  );
}
