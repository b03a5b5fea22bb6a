import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControl,
  FormLabel,
  LinearProgress,
  Radio,
  RadioGroup,
  TextField,
  Typography,
} from '@mui/material';
import { useId, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { composed, LOOKS, newSite, pagesOf, preview, siteIdOf, viewOf } from '../../core/index.ts';
import { sheetAddresses } from '../page/addresses.ts';
import { PagePreview } from '../page/PagePreview.tsx';
import { lookPictureUrl } from '../state/lookpictures.ts';
import { begin } from '../state/sitechanges.ts';
import { useAppDispatch } from '../state/store.ts';
import { line, petrol, quiet, raised } from '../ui/theme.ts';
import { LanguageField } from '../ui/LanguageField.tsx';
import { ViewSetChoice } from '../ui/ViewSetChoice.tsx';

/** px on screen; how large a look is drawn, as a wide page and, beside it, as that of a phone. */
const WIDE = { width: 202, height: 128 };
const NARROW = { width: 58, height: 128 };

/** A site as it begins in a look, drawn in the widest of the views that are usual for desks and in the narrowest. */
function Sample({ look, views }: { look: string; views: string }) {
  const { site, content, wide, narrow } = useMemo(() => {
    const made = newSite({ id: 'sample', name: 'Your site', lang: 'en', look, views });
    const { frame } = made;
    const page = composed(frame, pagesOf(made)[0]);
    const addresses = { ...sheetAddresses(frame), picture: lookPictureUrl, file: lookPictureUrl };
    return {
      site: frame,
      content: preview(frame, page, { ...addresses, made: ({ id }) => lookPictureUrl(id) }),
      wide: viewOf(frame.views, frame.views.base).sheet.width,
      narrow: frame.views.list[0].sheet.width,
    };
  }, [look, views]);
  return (
    <Box sx={{ display: 'flex', gap: 0.75 }}>
      <PagePreview site={site} content={content} across={wide} {...WIDE} />
      <PagePreview site={site} content={content} across={narrow} {...NARROW} />
    </Box>
  );
}

interface LookChoiceProps {
  value: string;
  /** The set of views in which the looks are drawn. */
  views: string;
  onChange(id: string): void;
}

/** Looks to begin with, each as the page that one would get. */
function LookChoice({ value, views, onChange }: LookChoiceProps) {
  return (
    <FormControl>
      <FormLabel id="look-label" sx={{ fontSize: 13, fontWeight: 700, mb: 0.75 }}>
        Starting look
      </FormLabel>
      <RadioGroup
        aria-labelledby="look-label"
        value={value}
        onChange={(_event, id) => onChange(id)}
        sx={{
          display: 'grid',
          gridTemplateColumns: `repeat(auto-fill, minmax(${WIDE.width + NARROW.width + 22}px, 1fr))`,
          gap: 1,
        }}
      >
        {LOOKS.map((look) => (
          <Box
            key={look.id}
            component="label"
            sx={{
              cursor: 'pointer',
              p: 0.75,
              border: `2px solid ${value === look.id ? petrol : line}`,
              borderRadius: 1,
              bgcolor: raised,
            }}
          >
            <Sample look={look.id} views={views} />
            <Box sx={{ display: 'flex', alignItems: 'flex-start', mt: 0.25 }}>
              <Radio
                size="small"
                value={look.id}
                slotProps={{ input: { 'aria-label': `${look.name}: ${look.words}` } }}
                sx={{ p: 0.5, ml: -0.5 }}
              />
              <Box>
                <Typography sx={{ fontWeight: 700, fontSize: 14 }}>{look.name}</Typography>
                <Typography sx={{ fontSize: 12, color: quiet, lineHeight: 1.3 }}>{look.words}</Typography>
              </Box>
            </Box>
          </Box>
        ))}
      </RadioGroup>
    </FormControl>
  );
}

/** Makes a site to begin with: what it is called, how it looks, which views it has, and its language. */
export function NewSiteDialog({ onClose }: { onClose: () => void }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const title = useId();
  const [name, setName] = useState('');
  const [look, setLook] = useState(LOOKS[0].id);
  const [views, setViews] = useState('4');
  const [lang, setLang] = useState('en');
  const [missing, setMissing] = useState(false);
  const [making, setMaking] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);

  const make = async () => {
    const called = name.replace(/\s+/g, ' ').trim();
    if (called === '') return setMissing(true);
    setMaking(true);
    const made = await dispatch(begin({ id: siteIdOf(called), name: called, lang, look, views }));
    if (made.ok) return void navigate(`/sites/${made.site.id}/pages/${made.site.firstPage}`);
    setMaking(false);
    setTrouble(`The site was not created. ${made.trouble.sentence}`);
  };

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby={title}>
      <Box
        component="form"
        noValidate
        // What is chosen scrolls; how it ends stays in sight.
        sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <DialogTitle id={title} sx={{ pb: 0.5 }}>
          New site
        </DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <Box sx={{ display: 'grid', gridTemplateColumns: '2fr 1fr', gap: 2, pt: 1 }}>
            <TextField
              autoFocus
              required
              label="Name"
              size="small"
              value={name}
              error={missing}
              helperText={missing ? 'A site has a name; it can be changed at any time.' : ' '}
              onChange={({ target }) => {
                setName(target.value);
                setMissing(false);
              }}
              slotProps={{ htmlInput: { maxLength: 80 } }}
            />
            <LanguageField label="Language of its text" value={lang} onChange={setLang} />
          </Box>
          <LookChoice value={look} views={views} onChange={setLook} />
          <FormControl>
            <FormLabel id="views-label" sx={{ fontSize: 13, fontWeight: 700 }}>
              Views
            </FormLabel>
            <ViewSetChoice labelledBy="views-label" value={views} onChange={setViews} />
          </FormControl>
          {making && <LinearProgress aria-label="Creating the site" />}
          {trouble && <Alert severity="error">{trouble}</Alert>}
        </DialogContent>
        <DialogActions sx={{ px: 3, py: 2 }}>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={making}>
            Create site
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
