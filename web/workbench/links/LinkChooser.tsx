import {
  cleanLink,
  composed,
  goneOf,
  hasTrait,
  knownKind,
  linkTo,
  mailAddress,
  nodeId,
  type Page,
  sourceOrder,
  sure,
  targetOf,
} from '../../../core/index.ts';
import { Box, Divider, MenuItem, TextField } from '@mui/material';
import { useEffect, useState } from 'react';
import { load } from '../../state/edits.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { usePageNames } from '../../site/usePageNames.ts';
import { LineField, type FieldProps } from '../../ui/LineField.tsx';

/** What a link leads to besides pages, which are offered by name. */
const FORMS = [
  { id: 'place', label: 'a place on a page …' },
  { id: 'file', label: 'a file from the shelf …' },
  { id: 'mail', label: 'an email address …' },
  { id: 'telephone', label: 'a telephone number …' },
  { id: 'address', label: 'another address …' },
] as const;

/** Where a host lets visitors sign in and out. */
const VISITOR = [
  { link: 'visitor:in', label: 'where visitors sign in' },
  { link: 'visitor:out', label: 'where visitors sign out' },
] as const;
type Form = (typeof FORMS)[number]['id'];

const MAIL = 'mailto:';
const TELEPHONE = 'tel:';

const isForm = (choice: string): choice is Form => FORMS.some(({ id }) => id === choice);

/** What of the choices a link is: nothing, a page, or one of the forms. */
function choiceOf(link: string): string {
  const { place, file, page, visitor } = targetOf(link) ?? {};
  if (visitor !== undefined) return link;
  if (place !== undefined) return 'place';
  if (file !== undefined) return 'file';
  if (page !== undefined || link === '') return link;
  if (link.startsWith(MAIL)) return 'mail';
  return link.startsWith(TELEPHONE) ? 'telephone' : 'address';
}

const GONE = {
  page: 'The page it led to no longer exists.',
  place: 'The place it led to is no longer there; it leads to the top of the page.',
  file: 'The file it led to is no longer on the shelf.',
} as const;

/** A number as telephones take it: blanks become hyphens (RFC 3966, §3). */
const dialled = (text: string): string => text.trim().replace(/[\s\u00a0]+/g, '-');

/** An address as it was typed, with the scheme that goes without saying. */
function addressed(text: string): string {
  const typed = text.trim();
  if (typed === '' || cleanLink(typed) !== undefined) return typed;
  return /^[\w-]+(\.[\w-]+)+([/?#:].*)?$/.test(typed) ? `https://${typed}` : typed;
}

const select = { select: { displayEmpty: true }, inputLabel: { shrink: true } };

/** The elements of a page that links can lead to: what a person would look for there. */
const placesOn = (page: Page) =>
  sourceOrder(page).filter(({ kind, parent }) => parent !== null && knownKind(kind).destination);

/** A page, and a place on it. */
function PlaceFields({ value, onChange }: Omit<FieldProps<string>, 'label'>) {
  const dispatch = useAppDispatch();
  const { site, page: here } = useAppSelector((state) => sure(state.documents.open, 'open'));
  const target = targetOf(value) ?? {};
  const names = usePageNames();
  const [page, setPage] = useState(nodeId(target.page ?? here));
  const shown = site.pages[page] as Page | undefined;
  useEffect(() => {
    if (!shown) void dispatch(load([page]));
  }, [dispatch, page, shown]);
  const places = shown ? placesOn(composed(site.frame, shown)) : [];
  const chosen =
    places.some(({ id }) => id === target.place) && (target.page ?? here) === page ? target.place : '';
  return (
    <>
      <TextField
        select
        size="small"
        fullWidth
        label="On the page"
        value={site.frame.pages.some(({ id }) => id === page) ? page : ''}
        onChange={(event) => setPage(nodeId(event.target.value))}
        slotProps={select}
      >
        {[...names].map(([id, name]) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        size="small"
        fullWidth
        label="Place"
        value={chosen}
        onChange={(event) => onChange(linkTo({ page, place: event.target.value }))}
        slotProps={select}
      >
        <MenuItem value="" disabled>
          {shown ? 'Choose a place' : 'Loading the page …'}
        </MenuItem>
        {places.map(({ id, name, kind }) => (
          <MenuItem
            key={id}
            value={id}
            sx={{ pl: hasTrait({ kind }, 'section') ? 2 : 4 }}
            title={knownKind(kind).label}
          >
            {name}
          </MenuItem>
        ))}
      </TextField>
    </>
  );
}

/** Where a link leads: nowhere, a page, a place on one, a file, or an address of any kind. */
export function LinkChooser({ label, value, onChange }: FieldProps<string>) {
  const { site, page } = useAppSelector((state) => sure(state.documents.open, 'open'));
  const names = usePageNames();
  const [form, setForm] = useState<Form | null>(null);
  const choice = form ?? choiceOf(value);
  const gone = form === null ? goneOf(site, site.pages[page], value) : undefined;
  const known = choice === '' || isForm(choice) || gone === undefined;
  const put = (link: string) => {
    setForm(null);
    onChange(link);
  };
  const typed = (prefix: string) => (value.startsWith(prefix) ? value.slice(prefix.length) : '');
  return (
    <Box sx={{ display: 'grid', gap: 1, minWidth: 0 }}>
      <TextField
        select
        size="small"
        fullWidth
        label={label}
        value={known ? choice : ''}
        error={gone !== undefined}
        helperText={gone && GONE[gone]}
        onChange={({ target }) => {
          if (isForm(target.value)) setForm(target.value);
          else put(target.value);
        }}
        slotProps={select}
      >
        <MenuItem value="">nowhere</MenuItem>
        {[...names].map(([id, name]) => (
          <MenuItem key={id} value={linkTo({ page: id })}>
            {name}
          </MenuItem>
        ))}
        <Divider />
        {VISITOR.map(({ link, label: name }) => (
          <MenuItem key={link} value={link}>
            {name}
          </MenuItem>
        ))}
        {FORMS.map(({ id, label: name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {choice === 'place' && <PlaceFields value={value} onChange={put} />}
      {choice === 'file' && (
        <TextField
          select
          size="small"
          fullWidth
          label="File"
          value={gone ? '' : (targetOf(value)?.file ?? '')}
          onChange={({ target }) => put(linkTo({ file: target.value }))}
          slotProps={select}
        >
          <MenuItem value="" disabled>
            {site.frame.assets.length > 0 ? 'Choose a file' : 'The shelf is empty: import a file there'}
          </MenuItem>
          {site.frame.assets.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {choice === 'mail' && (
        <LineField
          label="Email address"
          value={typed(MAIL)}
          fault={(text) => sure(mailAddress.fault, 'fault')(text.trim(), site.frame)}
          onChange={(text) => put(text.trim() && `${MAIL}${text.trim()}`)}
        />
      )}
      {choice === 'telephone' && (
        <LineField
          label="Telephone number"
          value={typed(TELEPHONE)}
          fault={(text) =>
            /^\+?[\d\s().-]*$/.test(text.trim())
              ? undefined
              : 'A number has digits, and a + before the country.'
          }
          onChange={(text) => put(text.trim() && `${TELEPHONE}${dialled(text)}`)}
        />
      )}
      {choice === 'address' && (
        <LineField
          label="Address"
          value={choiceOf(value) === 'address' ? value : ''}
          fault={(text) =>
            text.trim() === '' || cleanLink(addressed(text))
              ? undefined
              : 'This is no address of the web; it begins like https://example.org.'
          }
          onChange={(text) => put(addressed(text))}
        />
      )}
    </Box>
  );
}
