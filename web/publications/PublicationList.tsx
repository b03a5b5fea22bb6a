import { counted } from '../../core/index.ts';
import { Alert, Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { PublicationLine } from '../../api/responses.ts';
import { sentenceOf } from '../state/request.ts';
import { useMakeLiveMutation, useTakeDownMutation } from '../state/server.ts';
import { ConfirmDialog } from '../ui/ConfirmDialog.tsx';
import { quiet } from '../ui/theme.ts';
import { moment } from '../ui/time.ts';

interface PublicationListProps {
  site: string;
  publications: readonly PublicationLine[];
  /** How earlier ones are read; absent where there are none. */
  earlier?: { reading: boolean; onRead(): void };
  /** Compares a publication with the site as it is now. */
  onCompare(number: number): void;
}

/** The publications of a site, the last one first: looked at, compared, made live again, taken down. */
export function PublicationList({ site, publications, earlier, onCompare }: PublicationListProps) {
  const [asked, setAsked] = useState<PublicationLine | null>(null);
  const [makeLive, { error: notLive, data: madeLive }] = useMakeLiveMutation();
  const [takeDown, { error: notDown }] = useTakeDownMutation();
  const error = notLive ?? notDown;
  return (
    <section aria-label="Publications">
      <Typography component="h2" sx={{ fontSize: 15, fontWeight: 700, mt: 3, mb: 0.5 }}>
        Publications
      </Typography>
      {error && <Alert severity="error">{sentenceOf(error)}</Alert>}
      {madeLive?.notDelivered && <Alert severity="warning">{madeLive.notDelivered}</Alert>}
      {publications.length === 0 && (
        <Typography sx={{ fontSize: 13, color: quiet }}>
          None yet. Each publication is saved as it was and can be made live again.
        </Typography>
      )}
      <ol className="publication-list" role="list">
        {publications.map((each) => (
          <li key={each.number} className="publication-line">
            <b>Publication {each.number}</b>
            {each.live && <span className="publication-live">live</span>}
            <div style={{ color: quiet }}>
              {moment(new Date(each.publishedAt))} · {counted(each.pages, 'page')}
              {each.heldBack > 0 && `, ${each.heldBack} not included`}
              {each.by && ` · by ${each.by}`}
            </div>
            {each.note && <span className="publication-note">{each.note}</span>}
            <div className="keys">
              {each.url && (
                <Button size="small" href={each.url} target="_blank" rel="noreferrer">
                  Open
                </Button>
              )}
              {each.comparable && (
                <Button size="small" onClick={() => onCompare(each.number)}>
                  Compare
                </Button>
              )}
              <Button size="small" onClick={() => setAsked(each)}>
                {each.live ? 'Take down …' : 'Make live …'}
              </Button>
            </div>
          </li>
        ))}
      </ol>
      {earlier && (
        <Button size="small" disabled={earlier.reading} onClick={earlier.onRead}>
          {earlier.reading ? 'Reading …' : 'Show earlier publications'}
        </Button>
      )}
      {asked && (
        <ConfirmDialog
          title={asked.live ? 'Take the site down?' : `Make publication ${asked.number} live again?`}
          words={
            asked.live
              ? 'Visitors see a plain notice instead. Nothing is lost: every publication is saved and can be made live again.'
              : 'Visitors see it at once, as it was. The draft does not change.'
          }
          verb={asked.live ? 'Take down' : 'Make live'}
          onYes={() => void (asked.live ? takeDown(site) : makeLive({ site, number: asked.number }))}
          onClose={() => setAsked(null)}
        />
      )}
    </section>
  );
}
