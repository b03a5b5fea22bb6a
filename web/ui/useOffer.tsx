import { Button } from '@mui/material';
import { useSnackbar } from 'notistack';
import { darkGround } from './theme.ts';

/** ms; as long as there is something to choose it stays. */
const SHOWN_FOR = 10_000;

/** Says what was done, and offers what can be done about it. */
export function useOffer() {
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return (sentence: string, { label, run }: { label: string; run: () => void }) =>
    enqueueSnackbar(sentence, {
      autoHideDuration: SHOWN_FOR,
      style: { background: darkGround },
      action: (key) => (
        <Button
          color="inherit"
          onClick={() => {
            closeSnackbar(key);
            run();
          }}
        >
          {label}
        </Button>
      ),
    });
}
