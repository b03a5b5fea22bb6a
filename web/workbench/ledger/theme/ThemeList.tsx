import { Box } from '@mui/material';
import { overrideCount, type SiteFrame, type ViewId } from '../../../../core/index.ts';
import { textStyleChosen } from '../../../state/desk.ts';
import { useAppDispatch, useAppSelector } from '../../../state/store.ts';
import { ActiveColumn } from '../columns/ActiveColumn.tsx';
import { columnsOf, gridColumns } from '../../../values/columns.ts';
import { GroupTitle } from '../columns/GroupTitle.tsx';
import { ColourList } from './ColourList.tsx';
import { FontList } from './FontList.tsx';
import { SpacingList } from './SpacingList.tsx';

/** The text styles, with a tile a view as in the outline; the values of the chosen one stand below. */
function TextStyles({ site }: { site: SiteFrame }) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.desk.textStyle);
  return (
    <div role="listbox" aria-label="Text styles">
      {site.textStyles.map((style) => (
        <div
          key={style.id}
          role="option"
          aria-selected={style.id === chosen}
          tabIndex={0}
          className="theme-row outline-row"
          style={{ gridTemplateColumns: gridColumns(site) }}
          onClick={() => dispatch(textStyleChosen(style.id))}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            dispatch(textStyleChosen(style.id));
          }}
        >
          <div className="outline-name" style={{ paddingLeft: 10 }}>
            <span>{style.name}</span>
          </div>
          {columnsOf(site).map((view) => {
            const count = overrideCount(style, view.id);
            return (
              <div key={view.id} className="outline-cell fixed">
                <span className={count > 0 ? 'tile overridden' : 'tile'}>{count > 0 && count}</span>
              </div>
            );
          })}
        </div>
      ))}
    </div>
  );
}

/** What all pages of the site share: text styles, colours, the spacing scale and fonts. Changes are seen in the sheets at once. */
export function ThemeList({ site, active }: { site: SiteFrame; active: ViewId }) {
  return (
    <Box
      role="region"
      aria-label="Theme"
      sx={{ flex: 1, minHeight: 0, overflowY: 'auto', scrollbarGutter: 'stable', scrollbarWidth: 'thin' }}
    >
      <Box sx={{ position: 'relative', minHeight: '100%', pb: 2 }}>
        <ActiveColumn site={site} view={active} />
        <GroupTitle level={2}>Text styles</GroupTitle>
        <TextStyles site={site} />
        <GroupTitle level={2}>Spacing scale</GroupTitle>
        <SpacingList site={site} />
        <GroupTitle level={2}>Colours</GroupTitle>
        <ColourList site={site} />
        <GroupTitle level={2}>Fonts</GroupTitle>
        <FontList site={site} />
      </Box>
    </Box>
  );
}
