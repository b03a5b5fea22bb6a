import {
  Button,
  IconButton,
  List,
  ListItem,
  ListItemButton,
  ListItemText,
  Popover,
  Tooltip,
  Typography,
} from '@mui/material';
import { History } from 'lucide-react';
import { useState } from 'react';
import { ownSteps, appliedSteps, type ListedStep } from '../state/steps.ts';
import { earlierSteps, undoTo } from '../state/traversal.ts';
import { useAppDispatch, useAppSelector } from '../state/store.ts';
import { useAfterPaint } from '../ui/afterpaint.ts';
import { quiet } from '../ui/theme.ts';

const NONE: ListedStep[] = [];

/** What a step's second line says: whose it is, where else it was done, that it has been changed since. */
function useNotes(): (step: ListedStep) => string {
  const session = useAppSelector((state) => state.documents.open?.session);
  const page = useAppSelector((state) => state.documents.open?.page);
  const heads = useAppSelector((state) => state.documents.open?.site.frame.pages) ?? [];
  const passed = useAppSelector((state) => state.documents.passed);
  return ({ key, session: by, pages }) =>
    [
      by !== session && 'in another window',
      ...pages
        .filter((id) => id !== page)
        .map((id) => `on ${heads.find((head) => head.id === id)?.title ?? 'a deleted page'}`),
      passed.includes(key) && 'changed since; cannot be undone',
    ]
      .filter(Boolean)
      .join(' · ');
}

/** All steps of the site that stand, the latest first. A click on one of one's own goes back to before it. */
export function StepList() {
  const dispatch = useAppDispatch();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const steps = useAfterPaint(useAppSelector(appliedSteps)) ?? NONE;
  const own = useAfterPaint(useAppSelector(ownSteps)).undo;
  const earlier = useAppSelector((state) => state.documents.open?.earlier ?? false);
  const notes = useNotes();
  /** How many of one's own steps would be undone with this one; -1 where it is not one's own. */
  const after = ({ key }: ListedStep): number => {
    const at = own.findIndex((step) => step.key === key);
    return at < 0 ? -1 : own.length - 1 - at;
  };
  return (
    <>
      <Tooltip title="List of steps">
        <IconButton
          aria-label="List of steps"
          aria-haspopup="dialog"
          color="inherit"
          size="small"
          onClick={(event) => setAnchor(event.currentTarget)}
        >
          <History size={17} />
        </IconButton>
      </Tooltip>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        slotProps={{ paper: { role: 'dialog', 'aria-label': 'Steps' } as object }}
      >
        {steps.length === 0 && !earlier ? (
          <Typography sx={{ p: 2, maxWidth: 260 }}>Nothing has been changed on this site yet.</Typography>
        ) : (
          <List
            dense
            aria-label="Steps, the latest first"
            sx={{ maxHeight: 360, overflowY: 'auto', minWidth: 280, maxWidth: 420 }}
          >
            {[...steps].reverse().map((step) => {
              const count = after(step);
              const text = (
                <ListItemText
                  primary={step.sentence}
                  secondary={notes(step) || undefined}
                  slotProps={{
                    primary: { sx: { fontSize: 14 } },
                    secondary: { sx: { fontSize: 12, color: quiet } },
                  }}
                />
              );
              return (
                <ListItem key={step.key} disablePadding={count >= 0}>
                  {count < 0 ? (
                    text
                  ) : (
                    <ListItemButton
                      title={count === 0 ? 'Undo this step' : `Undo this and your ${count} after it`}
                      onClick={() => {
                        setAnchor(null);
                        void dispatch(undoTo(step.key));
                      }}
                    >
                      {text}
                    </ListItemButton>
                  )}
                </ListItem>
              );
            })}
            {earlier && (
              <ListItem>
                <Button size="small" color="inherit" onClick={() => void dispatch(earlierSteps())}>
                  Show earlier steps
                </Button>
              </ListItem>
            )}
          </List>
        )}
      </Popover>
    </>
  );
}
