import { Typography } from '@mui/material';
import { FormDialog } from './FormDialog.tsx';

/** Asks before something happens that is not undone with a step. */
export function ConfirmDialog({
  title,
  words,
  verb,
  onYes,
  onClose,
}: {
  title: string;
  words: string;
  verb: string;
  onYes(): void;
  onClose(): void;
}) {
  return (
    <FormDialog title={`${title}`} verb={verb} onDone={() => (onClose(), onYes())} onClose={onClose}>
      <Typography>{words}</Typography>
    </FormDialog>
  );
}
