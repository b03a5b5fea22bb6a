import { useSnackbar } from 'notistack';
import type { SiteSummary } from '../../api/responses.ts';
import { sentenceOf } from '../state/request.ts';
import { useCopySiteMutation, useArchiveMutation, useTakeDownMutation } from '../state/server.ts';
import { useAppDispatch } from '../state/store.ts';

/** What can be done with a site from the list. */
export interface SiteActions {
  rename(site: SiteSummary, name: string): void;
  duplicate(site: SiteSummary): void;
  takeDown(site: SiteSummary): void;
  archive(site: SiteSummary): void;
  haveBack(site: SiteSummary): void;
  askToRemove(site: SiteSummary): void;
}

const MOST_CHARACTERS = 80;

/** The name of a copy, cut where it would be too long. */
const copyOf = (name: string): string => {
  const most = MOST_CHARACTERS - ', copied'.length;
  let cut = '';
  for (const character of name) if (cut.length + character.length <= most) cut += character;
  return `${cut}, copied`;
};

/** The actions of the list; each says what it did, or why it could not. */
export function useSiteActions(askToRemove: (site: SiteSummary) => void): SiteActions {
  const dispatch = useAppDispatch();
  const { enqueueSnackbar } = useSnackbar();
  const [copy] = useCopySiteMutation();
  const [archive] = useArchiveMutation();
  const [takeDown] = useTakeDownMutation();

  const withNotice = async (done: string, notDone: string, work: Promise<{ error?: unknown }>) => {
    const { error } = await work;
    if (error) enqueueSnackbar(`${notDone} ${sentenceOf(error)}`, { variant: 'error' });
    else enqueueSnackbar(done, { variant: 'info' });
  };
  // Only what renames needs to know how a site is changed.
  const rename = async ({ id, firstPage }: SiteSummary, name: string) => {
    try {
      const { renameSite } = await import('../state/sitechanges.ts');
      return await dispatch(renameSite(id, firstPage, name));
    } catch {
      return 'A part of the program could not be loaded. Reload the page and try again.';
    }
  };
  return {
    rename: (site, name) =>
      void rename(site, name).then((trouble) => {
        if (trouble) enqueueSnackbar(`${site.name} was not renamed. ${trouble}`, { variant: 'error' });
      }),
    duplicate: (site) => {
      const name = copyOf(site.name);
      void withNotice(
        `${name} is in the list.`,
        `${site.name} was not copied.`,
        copy({ site: site.id, name }),
      );
    },
    takeDown: (site) =>
      void withNotice(
        `The published pages of ${site.name} are taken down; the publications are kept.`,
        `The pages of ${site.name} stay published.`,
        takeDown(site.id),
      ),
    archive: (site) =>
      void withNotice(
        site.live
          ? `${site.name} is archived. Its published pages stay until they are taken down.`
          : `${site.name} is archived for thirty days; it can be restored until then.`,
        `${site.name} was not archived.`,
        archive({ site: site.id, away: true }),
      ),
    haveBack: (site) =>
      void withNotice(
        `${site.name} is back in the list.`,
        `${site.name} is still archived.`,
        archive({ site: site.id, away: false }),
      ),
    askToRemove,
  };
}
