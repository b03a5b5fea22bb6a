import { formsSentToHost, type Site, sure } from '../../core/index.ts';
import { Alert, Box, Button, Checkbox, LinearProgress, Typography } from '@mui/material';
import { useMemo, useState } from 'react';
import type { FormMessage } from '../../api/responses.ts';
import { WholeSiteScreen } from '../site/WholeSiteScreen.tsx';
import { sentenceOf } from '../state/request.ts';
import {
  useRemoveMessagesMutation,
  useMessagesInfiniteQuery,
  useMarkMessagesMutation,
} from '../state/server.ts';
import { ConfirmDialog } from '../ui/ConfirmDialog.tsx';
import { line, quiet } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';
import { MessageBoxes, type Box as Letterbox } from './MessageBoxes.tsx';
import { MessageView } from './MessageView.tsx';

/** How often it is looked whether messages have come: ms. */
const OFTEN = 20_000;

const written = ({ lines }: FormMessage): string[] =>
  lines.map(({ value }) => value.replace(/\s+/g, ' ')).filter((value) => !['', 'yes', 'no'].includes(value));

const listed = (names: string[]): string => names.map((name) => `“${name}”`).join(' and ');

/** What is said where no message is. */
function None({ site, ever }: { site: Site; ever: boolean }) {
  const forms = useMemo(() => formsSentToHost(site), [site]);
  const words =
    forms.length > 0
      ? `No messages yet. What visitors of the published site send with ${listed(forms)} arrives here.`
      : 'No form of this site sends messages here. Add a form to a page; a form with an email address sends mail instead.';
  return (
    <Typography sx={{ color: quiet, textAlign: 'center', mt: 12, px: 4 }}>
      {ever ? 'There are no messages here.' : words}
    </Typography>
  );
}

interface LineProps {
  message: FormMessage;
  open: boolean;
  chosen: boolean;
  onOpen(): void;
  onChoose(): void;
}

function MessageLine({ message, open, chosen, onOpen, onChoose }: LineProps) {
  const [from = 'No text', ...more] = written(message);
  return (
    <li className="letter-line" data-chosen={open} data-unread={!message.read}>
      <Checkbox
        size="small"
        checked={chosen}
        onChange={onChoose}
        slotProps={{ input: { 'aria-label': `Choose the message: ${from}` } }}
      />
      <button type="button" className="letter-open" aria-current={open ? 'true' : undefined} onClick={onOpen}>
        <span className="letter-from">
          {!message.read && <span className="letter-new" role="img" aria-label="Not read" />}
          {from}
        </span>
        <span className="letter-more">{more.join(' · ') || '–'}</span>
        <span className="letter-more">
          {moment(new Date(message.arrivedAt))} · {message.formName}
        </span>
      </button>
    </li>
  );
}

function MessagesOf({ site }: { site: Site }) {
  const { id } = site.frame;
  const [box, setBox] = useState<Letterbox>('all');
  const [openId, setOpen] = useState<string | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [asked, setAsked] = useState<readonly string[] | null>(null);
  const asks = {
    ...(typeof box === 'object' && { form: box.form }),
    ...(box === 'doubtful' && { doubtful: 'yes' as const }),
  };
  const { data, currentData, error, isFetchingNextPage, hasNextPage, fetchNextPage } =
    useMessagesInfiniteQuery(
      { site: id, ...asks },
      { pollingInterval: OFTEN, skipPollingIfUnfocused: true, refetchOnMountOrArgChange: true },
    );
  const [mark, { error: notMarked }] = useMarkMessagesMutation();
  const [remove, { error: notDeleted }] = useRemoveMessagesMutation();
  const trouble = error ?? notMarked ?? notDeleted;
  const first = data?.pages.at(0);
  const letters = currentData?.pages.flatMap((page) => page.letters) ?? [];
  const isEmpty = letters.length === 0;
  const open = letters.find((each) => each.id === openId);
  const several = letters.filter((each) => chosen.has(each.id)).map((each) => each.id);
  const choose = (which: Letterbox) => {
    setBox(which);
    setOpen(null);
    setChosen(new Set());
  };
  const markAll = (ids: string[], marks: { read?: boolean; doubtful?: boolean }) =>
    void mark({ site: id, letters: ids, ...marks });
  const read = (message: FormMessage) => {
    setOpen(message.id);
    if (!message.read) markAll([message.id], { read: true });
  };
  return (
    <Box sx={{ height: '100%', display: 'flex' }}>
      <Box sx={{ width: 250, flex: 'none', overflow: 'auto', p: 2.5, borderRight: `1px solid ${line}` }}>
        {first && <MessageBoxes site={id} found={first} box={box} onChoose={choose} />}
        {!first && !error && <LinearProgress aria-label="Loading the messages" />}
      </Box>
      <Box
        component="section"
        aria-label="Messages"
        sx={{
          ...(isEmpty
            ? { flex: 1 }
            : { width: 'clamp(250px, 29%, 380px)', flex: 'none', borderRight: `1px solid ${line}` }),
          overflow: 'auto',
        }}
      >
        {trouble && <Alert severity="error">{sentenceOf(trouble)}</Alert>}
        {several.length > 0 && (
          <Box
            role="group"
            aria-label="Chosen messages"
            sx={{ display: 'flex', gap: 0.5, p: 1, flexWrap: 'wrap' }}
          >
            <Button size="small" onClick={() => markAll(several, { read: true })}>
              Mark {several.length} as read
            </Button>
            <Button size="small" onClick={() => markAll(several, { read: false })}>
              Not read
            </Button>
            <Button size="small" color="error" onClick={() => setAsked(several)}>
              Delete …
            </Button>
          </Box>
        )}
        <ol className="letter-list" role="list">
          {letters.map((message) => (
            <MessageLine
              key={message.id}
              message={message}
              open={message.id === openId}
              chosen={chosen.has(message.id)}
              onOpen={() => read(message)}
              onChoose={() => {
                const next = new Set(chosen);
                if (!next.delete(message.id)) next.add(message.id);
                setChosen(next);
              }}
            />
          ))}
        </ol>
        {currentData && isEmpty && (
          <None site={site} ever={box !== 'all' || sure(first, 'first').doubtful > 0} />
        )}
        {hasNextPage && (
          <Button fullWidth disabled={isFetchingNextPage} onClick={() => void fetchNextPage()} sx={{ my: 1 }}>
            Earlier messages
          </Button>
        )}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0, overflow: 'auto', p: 3, display: isEmpty ? 'none' : 'block' }}>
        {open ? (
          <MessageView
            message={open}
            doubtful={box === 'doubtful'}
            onMark={(marks) => markAll([open.id], marks)}
            onDelete={() => setAsked([open.id])}
          />
        ) : (
          letters.length > 0 && (
            <Typography sx={{ color: quiet, mt: 12, textAlign: 'center' }}>
              Choose a message to read it.
            </Typography>
          )
        )}
      </Box>
      {asked && (
        <ConfirmDialog
          title={asked.length === 1 ? 'Delete this message?' : `Delete ${asked.length} messages?`}
          words="They are deleted for good and cannot be restored."
          verb="Delete"
          onYes={() => {
            void remove({ site: id, letters: [...asked] });
            setChosen(new Set());
          }}
          onClose={() => setAsked(null)}
        />
      )}
    </Box>
  );
}

/** What visitors sent with the forms of the published site. */
export const MessagesScreen = () => (
  <WholeSiteScreen>{(site) => <MessagesOf key={site.frame.id} site={site} />}</WholeSiteScreen>
);
