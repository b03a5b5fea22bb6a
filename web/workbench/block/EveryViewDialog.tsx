import { Typography } from '@mui/material';
import { counted, type Page, type SiteFrame, subtree, viewOf } from '../../../core/index.ts';
import { everyViewAsked } from '../../state/desk.ts';
import { doInEveryView } from '../../state/everyview.ts';
import { useAppDispatch, useAppSelector } from '../../state/store.ts';
import { hideIn } from '../../state/structure.ts';
import { FormDialog } from '../../ui/FormDialog.tsx';
import { canHide, whereGone } from './action.ts';

/** Asks whether what was asked for in one view is meant for every view, and offers to hide in this one instead. */
export function EveryViewDialog({ site, page }: { site: SiteFrame; page: Page }) {
  const dispatch = useAppDispatch();
  const asked = useAppSelector((state) => state.desk.everyView);
  const nodes = asked?.nodes.flatMap((id) => (page.nodes[id] ? [page.nodes[id]] : [])) ?? [];
  if (!asked || nodes.length === 0) return null;
  const { what } = asked;
  const ids = nodes.map(({ id }) => id);
  const close = () => dispatch(everyViewAsked(null));
  const [name, it] = nodes.length > 1 ? [`${nodes.length} elements`, 'them'] : [nodes[0].name, 'it'];
  const view = viewOf(site.views, asked.view).name;
  const inIt = new Set(ids.flatMap((id) => subtree(page, id))).size - nodes.length;
  const apart = what === 'take apart';
  const verb = what === 'cut' ? 'Cut' : 'Delete';
  const inside = inIt > 0 ? ` What is inside goes with ${it}: ${counted(inIt, 'element')}.` : '';
  return (
    <FormDialog
      title={
        apart ? `Take ${name} apart in every view?` : `${verb} ${name} in every view${whereGone(nodes)}?`
      }
      verb={`${apart ? 'Take apart' : verb} in every view`}
      ready
      instead={
        !apart && canHide(site, page, nodes, asked.view)
          ? { verb: `Hide in ${view} instead`, onDone: () => (close(), dispatch(hideIn(ids, asked.view))) }
          : undefined
      }
      onDone={() => (close(), dispatch(doInEveryView(what, ids)))}
      onClose={close}
    >
      <Typography>
        Other views than {view} show {it} too.{apart ? ' What is inside stays.' : inside}
      </Typography>
    </FormDialog>
  );
}
