import { useHotkeys } from 'react-hotkeys-hook';
import { useAppSelector } from '../../state/store.ts';
import { isElsewhere } from '../../ui/keytarget.ts';

/** `/`, wherever the keyboard is in the workbench, apart from the table of values and fields. */
export function useAddKey(run: () => void, enabled = true): void {
  const on = useAppSelector((state) => state.desk.characterKeys);
  useHotkeys(
    'slash',
    run,
    { enabled: enabled && on, preventDefault: true, ignoreEventWhen: ({ target }) => isElsewhere(target) },
    [run],
  );
}
