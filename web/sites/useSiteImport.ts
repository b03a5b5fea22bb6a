import { useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { importSite, tooLarge } from '../state/sites.ts';
import { useAppDispatch } from '../state/store.ts';

/** What is wrong with a file that was to be imported. */
export interface Refused {
  file: string;
  sentence: string;
  faults: readonly { path: string; sentence: string }[];
}

/** Brings a site file in and opens the site; what is wrong is answered with path and sentence. */
export function useSiteImport() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [busy, setBusy] = useState<string | null>(null);
  const [refused, setRefused] = useState<Refused | null>(null);
  const bring = useCallback(
    async (file: File) => {
      const large = tooLarge(file);
      if (large) return setRefused({ file: file.name, sentence: large, faults: [] });
      setBusy(file.name);
      try {
        const brought = await dispatch(importSite(await file.text()));
        if (brought.ok) return void navigate(`/sites/${brought.site.id}/pages/${brought.site.firstPage}`);
        const { sentence, problem } = brought.trouble;
        setRefused({ file: file.name, sentence, faults: problem?.faults ?? [] });
      } catch {
        setRefused({
          file: file.name,
          sentence: 'The file could not be read. Nothing was imported.',
          faults: [],
        });
      } finally {
        setBusy(null);
      }
    },
    [dispatch, navigate],
  );
  return { bring, busy, refused, forget: () => setRefused(null) };
}
