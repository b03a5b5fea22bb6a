import { Button, Snackbar } from '@mui/material';
import { useEffect, useState, type ComponentType, type ReactNode } from 'react';

/** Says that a part of a screen could not be loaded, and tries again. */
const NotLoaded = ({ onRetry }: { onRetry: () => void }) => (
  <Snackbar
    open
    message="This part of the screen could not be loaded. Your work is safe; try again in a moment."
    action={
      <Button color="inherit" size="small" onClick={onRetry}>
        Try again
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
    useEffect(() => {
      if (Part || failed) return;
      let gone = false;
      get().then(
        (part) => !gone && setPart(() => part),
        () => !gone && setFailed(true),
      );
      return () => {
        gone = true;
      };
    }, [Part, failed]);
    if (Part) return <Part {...props} />;
    if (failed && standIn === undefined) return <NotLoaded onRetry={() => setFailed(false)} />;
    return standIn ?? null;
  };
}
