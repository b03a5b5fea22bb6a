import {
  keysOf,
  languageName,
  languagesOf,
  lookup,
  type MessagePlace,
  type SiteFrame,
  SYSTEM_MESSAGES,
  systemMessage,
  type SystemMessage,
  wordIn,
} from '../../core/index.ts';
import { Button, Box, Typography } from '@mui/material';
import { useState } from 'react';
import { edit } from '../state/edits.ts';
import { useAppDispatch } from '../state/store.ts';
import { Field } from '../ui/Field.tsx';
import { LanguageField } from '../ui/LanguageField.tsx';
import { marigold, quiet } from '../ui/theme.ts';
import { FormDialog } from '../ui/FormDialog.tsx';

const GROUPS: Record<MessagePlace, string> = {
  letters: 'When a message is sent',
  'signing in': 'When visitors sign in',
  pages: 'Where a page does not appear',
};

const ids = keysOf(SYSTEM_MESSAGES);

/** One sentence: what it says, and the words for it. */
function Told({ site, lang, id }: { site: SiteFrame; lang: string; id: SystemMessage }) {
  const dispatch = useAppDispatch();
  const own = lookup(site.words, lang)?.[id];
  const said = wordIn(lang, id, site.words);
  const meaning = SYSTEM_MESSAGES[id].says;
  const tell = (says: string | null) => dispatch(edit('tellVisitors', { lang, word: id, says }));
  const instead = said ?? systemMessage(id, [site.lang], site.words);
  return (
    <>
      <Typography sx={{ fontSize: 13, color: quiet, alignSelf: 'start', pt: 1, lineHeight: 1.45 }}>
        {meaning}
      </Typography>
      <Box
        sx={{
          ...{ display: 'flex', alignItems: 'flex-start', gap: 1, pl: 1, mb: 1.25 },
          borderLeft: `3px solid ${own === undefined ? 'transparent' : marigold}`,
        }}
      >
        <Field
          key={lang}
          name={meaning}
          value={said ?? ''}
          most={300}
          wraps
          help={said === undefined && instead !== meaning ? `“${instead}” until then.` : undefined}
          onDone={(says) => tell(says.trim() === '' ? null : says)}
        />
        {own !== undefined && (
          <Button
            size="small"
            aria-label={`Reset to default: ${meaning}`}
            onClick={() => tell(null)}
            sx={{ flex: 'none', mt: 0.5 }}
          >
            Reset to default
          </Button>
        )}
      </Box>
    </>
  );
}

/** What visitors are told by itself, in each language of the site: what it says, and the words for it. */
export function SystemMessages({ site, onClose }: { site: SiteFrame; onClose(): void }) {
  const languages = languagesOf(site);
  const [chosen, setChosen] = useState(site.lang);
  // A page of the language can have gone meanwhile.
  const lang = languages.includes(chosen) ? chosen : site.lang;
  const until = languageName(wordIn(site.lang, 'needed') === undefined ? 'en' : site.lang);
  const none = ids.filter((id) => wordIn(lang, id, site.words) === undefined).length;
  return (
    <FormDialog title="System messages" width="md" wide onClose={onClose}>
      <Typography sx={{ fontSize: 13, mb: 2 }}>
        Published pages show these texts in the language of the page. The meaning is on the left, the text on
        the right; where the text is empty, pages use the default.
      </Typography>
      {languages.length > 1 && (
        <Box sx={{ display: 'grid', width: 220, mb: 2 }}>
          <LanguageField value={lang} among={languages} onChange={setChosen} />
        </Box>
      )}
      {none > 0 && (
        <Typography role="status" sx={{ fontSize: 13, mb: 2, fontWeight: 700 }}>
          {none === ids.length ? 'There are no texts' : `${none} of these are not available`} in{' '}
          {languageName(lang)} yet. Until they are written here, visitors see them in {until}.
        </Typography>
      )}
      {keysOf(GROUPS).map((where) => (
        <Box
          key={where}
          component="section"
          aria-label={GROUPS[where]}
          sx={{ display: 'grid', gridTemplateColumns: '2fr 3fr', columnGap: 2, mb: 2 }}
        >
          <Typography component="h3" sx={{ gridColumn: '1 / -1', fontSize: 14, fontWeight: 700, mb: 1 }}>
            {GROUPS[where]}
          </Typography>
          {ids
            .filter((id) => SYSTEM_MESSAGES[id].where === where)
            .map((id) => (
              <Told key={id} site={site} lang={lang} id={id} />
            ))}
        </Box>
      ))}
    </FormDialog>
  );
}
