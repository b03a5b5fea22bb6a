import { Button, Dialog, DialogActions, DialogContent, DialogTitle, type DialogProps } from '@mui/material';
import { useId, type ReactNode } from 'react';

/** What somebody fills in or decides before one thing is done. */
export interface FormDialogProps {
  title: ReactNode;
  /** What is done, as its button says it; absent: there is nothing to do but to close it. */
  verb?: string;
  /** What is done cannot be undone, or takes something away. */
  danger?: boolean;
  disabled?: boolean;
  /** Enter does it at once: the button has the focus. */
  ready?: boolean;
  /** What can be done instead. */
  instead?: { verb: string; onDone(): unknown };
  /** What leaving it as it is is called. */
  cancel?: string;
  /** How wide it is at most. */
  width?: DialogProps['maxWidth'];
  /** It is as wide as that, however little is in it. */
  wide?: boolean;
  /** Fields stand below one another, apart by a gap. */
  fields?: boolean;
  onDone?(): unknown;
  onClose(): void;
  children: ReactNode;
}

/** A dialog with a title, what it is about, and two buttons: one that leaves all as it is, and one that does it. */
export function FormDialog(props: FormDialogProps) {
  const { title, verb, danger, disabled, ready, instead, cancel, width, wide, fields } = props;
  const { onDone, onClose, children } = props;
  const id = useId();
  return (
    <Dialog open onClose={onClose} fullWidth={wide} maxWidth={width} aria-labelledby={id}>
      <DialogTitle id={id} sx={{ overflowWrap: 'anywhere' }}>
        {title}
      </DialogTitle>
      <DialogContent sx={fields ? { display: 'grid', gap: 2 } : undefined}>{children}</DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus={verb === undefined}>
          {cancel ?? (verb === undefined ? 'Close' : 'Cancel')}
        </Button>
        {instead && <Button onClick={() => void instead.onDone()}>{instead.verb}</Button>}
        {verb !== undefined && (
          <Button
            autoFocus={ready}
            {...(danger && { color: 'error' })}
            variant="contained"
            disabled={disabled}
            onClick={() => void onDone?.()}
          >
            {verb}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
