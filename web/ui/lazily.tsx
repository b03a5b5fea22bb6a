import { Button, Snackbar } from '@mui/material';
import { useEffect, useState, type ComponentType, type ReactNode } from 'react';

/**
 * Says that a part of a screen could not be loaded, and tries again. A browser may remember that a module could not be fetched, and not ask
 * for it again: after a second time the way on is to load the page.
 */
const NotLoaded = ({ again, onRetry }: { again: boolean; onRetry: () => void }) => (
  <Snackbar
    open
    message={
      again
        ? 'This part of the screen could still not be loaded. Your work is safe; load the page again.'
        : 'This part of the screen could not be loaded. Your work is safe; try again in a moment.'
    }
    action={
      <Button color="inherit" size="small" onClick={again ? () => window.location.reload() : onRetry}>
        {again ? 'Load again' : 'Try again'}
      </Button>
    }
  />
);

/**
 * Returns a component that is loaded when it is first shown, or before, as soon as the browser has nothing else to do: a screen does not wait
 * for what it does not show at first. Where it cannot be loaded, the rest of the screen stays as it is; with a stand-in of its own, that
 * stays in its place.
 */
export function lazily<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  standIn?: ReactNode,
): ComponentType<Props> {
  let loaded: ComponentType<Props> | undefined;
  const get = async () => (loaded ??= await load());
  // What cannot be loaded now is tried again when it is shown.
  globalThis.requestIdleCallback?.(() => void get().catch(() => undefined));
  return function Lazily(props: Props) {
    const [Part, setPart] = useState(() => loaded);
    const [failed, setFailed] = useState(false);
    const [failures, setFailures] = useState(0);
    useEffect(() => {
      if (Part || failed) return;
      let gone = false;
      get().then(
        (part) => !gone && setPart(() => part),
        () => {
          if (gone) return;
          setFailed(true);
          setFailures((before) => before + 1);
        },
      );
      return () => {
        gone = true;
      };
    }, [Part, failed]);
    if (Part) return <Part {...props} />;
    if (failed && standIn === undefined)
      return <NotLoaded again={failures > 1} onRetry={() => setFailed(false)} />;
    return standIn ?? null;
  };
}
