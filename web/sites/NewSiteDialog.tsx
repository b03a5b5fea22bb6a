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
import { useId, useState } from 'react';
import { useNavigate } from 'react-router';
import { FAMILIES, LOOKS, printFontFaces, siteIdOf, type Look } from '../../core/index.ts';
import { paths } from '../../api/paths.ts';
import { begin } from '../state/sitechanges.ts';
import { useAppDispatch } from '../state/store.ts';
import { line, petrol, quiet, raised } from '../ui/theme.ts';
import { LanguageField } from '../ui/LanguageField.tsx';
import { ViewSetChoice } from '../ui/ViewSetChoice.tsx';

const FACES = printFontFaces(FAMILIES, (_family, { file }) => paths.font(file));

/** A look in little: its letters on its paper, its band and its accent. */
function Sample({ look: { colours, heading, headingWeight, radius } }: { look: Look }) {
  return (
    <Box
      aria-hidden
      sx={{
        display: 'grid',
        gridTemplateColumns: '1fr 44px',
        height: 56,
        border: `1px solid ${line}`,
        bgcolor: colours.paper,
        color: colours.ink,
        fontFamily: heading,
        fontWeight: headingWeight,
        fontSize: 26,
        alignItems: 'center',
        pl: 1.5,
      }}
    >
      Aa
      <Box
        sx={{
          alignSelf: 'stretch',
          bgcolor: colours.band,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        <Box
          sx={{ width: 22, height: 14, bgcolor: colours.accent, borderRadius: `${Math.min(radius, 7)}px` }}
        />
      </Box>
    </Box>
  );
}

function LookChoice({ value, onChange }: { value: string; onChange: (id: string) => void }) {
  return (
    <FormControl>
      <FormLabel id="look-label" sx={{ fontSize: 13, fontWeight: 700, mb: 0.75 }}>
        Starting look
      </FormLabel>
      <RadioGroup
        aria-labelledby="look-label"
        value={value}
        onChange={(_event, id) => onChange(id)}
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1.25 }}
      >
        {LOOKS.map((look) => (
          <Box
            key={look.id}
            component="label"
            sx={{
              cursor: 'pointer',
              p: 1,
              border: `1px solid ${value === look.id ? petrol : line}`,
              outline: value === look.id ? `1px solid ${petrol}` : 'none',
              borderRadius: 1,
              bgcolor: raised,
            }}
          >
            <Sample look={look} />
            <Box sx={{ display: 'flex', alignItems: 'flex-start', mt: 0.5 }}>
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
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby={title}>
      <style>{FACES}</style>
      <Box
        component="form"
        noValidate
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
          <LookChoice value={look} onChange={setLook} />
          <FormControl>
            <FormLabel id="views-label" sx={{ fontSize: 13, fontWeight: 700 }}>
              Views
            </FormLabel>
            <ViewSetChoice labelledBy="views-label" value={views} onChange={setViews} />
          </FormControl>
          {making && <LinearProgress aria-label="Creating the site" />}
          {trouble && <Alert severity="error">{trouble}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={making}>
            Create site
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
