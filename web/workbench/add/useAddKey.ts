import { useHotkeys } from 'react-hotkeys-hook';
import { isElsewhere } from '../../ui/keytarget.ts';

/** `/`, wherever the keyboard is in the workbench, apart from the table of values and fields. */
export function useAddKey(run: () => void, enabled = true): void {
  useHotkeys(
    'slash',
    run,
    { enabled, preventDefault: true, ignoreEventWhen: ({ target }) => isElsewhere(target) },
    [run],
  );
}
