import { Typography } from '@mui/material';
import { viewOf, type SiteFrame, type ViewId } from '../../../core/index.ts';
import { goTo } from '../../checks/findingactions.ts';
import { outlineShown } from '../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { quiet } from '../../ui/theme.ts';

/** What the checks say of the page, in a line: first what is found in the active view. */
export function StatusLine({ site, active }: { site: SiteFrame; active: ViewId }) {
  const dispatch = useAppDispatch();
  const { page, list, failed } = useAppSelector((state) => state.findings);
  const here = list.find(({ views }) => views.includes(active)) ?? list.at(0);
  return (
    <div role="status" aria-label="Checks" className="status-line">
      <b>Checks</b>
      {failed && (
        <Typography sx={{ fontSize: 13, color: quiet, flex: 'none' }}>
          The page could not be checked. Your work is safe; it is checked again after the next change.
        </Typography>
      )}
      {page === null && <Typography sx={{ fontSize: 13, color: quiet }}>checking …</Typography>}
      {page !== null && !here && !failed && (
        <Typography sx={{ fontSize: 13, color: quiet }}>no problems found</Typography>
      )}
      {here && (
        <>
          <button
            type="button"
            className="status-finding"
            title={`${here.sentence} Go there.`}
            onClick={() => dispatch(goTo(site, here, active))}
          >
            <span aria-hidden className="status-mark" />
            {!here.views.includes(active) && `${viewOf(site.views, here.views[0]).name}: `}
            {here.sentence}
          </button>
          {list.length > 1 && (
            <button
              type="button"
              className="status-more"
              aria-label={`+ ${list.length - 1} more findings`}
              onClick={() => dispatch(outlineShown('findings'))}
            >
              + {list.length - 1} more
            </button>
          )}
        </>
      )}
    </div>
  );
}
