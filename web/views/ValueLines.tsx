import { isSavedBlock, knownIn, type Site, sourceOrder, sure, type ValueInView } from '../../core/index.ts';
import { Box, Checkbox, Typography } from '@mui/material';
import { line, quiet } from '../ui/theme.ts';

interface ValueLinesProps {
  site: Site;
  values: readonly ValueInView[];
  /** What the neighbour is called that the values can be handed to, and which it gets; without it the values are only told. */
  handing?: { to: string; keys: ReadonlySet<string>; onTurn(key: string): void };
}

/** Values that go with a view, by page and theme. */
export function ValueLines({ site, values, handing }: ValueLinesProps) {
  const places = [
    ...site.frame.pages.map(({ id }) => {
      const page = site.pages[id];
      const order = new Map(sourceOrder(page).map((node, index) => [node.id, index]));
      const own = values.filter((value) => value.page === id);
      return {
        name: page.nodes[page.root].name,
        values: own.sort(
          (one, other) => knownIn(order, sure(one.node, 'node')) - knownIn(order, sure(other.node, 'node')),
        ),
      };
    }),
    { name: 'On all pages', values: values.filter(({ shared }) => shared && !isSavedBlock(shared)) },
    { name: 'Saved blocks', values: values.filter(({ shared }) => isSavedBlock(shared)) },
    { name: 'Pages', values: values.filter(({ offered }) => offered) },
    {
      name: 'Theme',
      values: values.filter(({ page, shared, offered }) => page === undefined && !shared && !offered),
    },
  ].filter((place) => place.values.length > 0);
  return (
    <Box
      tabIndex={0}
      role="region"
      aria-label="What is set in it"
      sx={{ maxHeight: 340, overflowY: 'auto', border: `1px solid ${line}`, borderRadius: 1 }}
    >
      <table className="value-lines">
        <thead>
          <tr>
            {handing && <th scope="col">Move</th>}
            <th scope="col">Of</th>
            <th scope="col">Value</th>
            <th scope="col">Set in it</th>
            {handing && <th scope="col">In {handing.to} now</th>}
          </tr>
        </thead>
        {places.map((place) => (
          <tbody key={place.name}>
            <tr>
              <th colSpan={5} scope="rowgroup">
                {place.name}
              </th>
            </tr>
            {place.values.map((value) => (
              <tr key={value.key}>
                {handing && (
                  <td>
                    <Checkbox
                      size="small"
                      sx={{ p: 0.25 }}
                      disabled={!value.canHandOver}
                      checked={handing.keys.has(value.key)}
                      onChange={() => handing.onTurn(value.key)}
                      slotProps={{
                        input: { 'aria-label': `Move ${labelOf(value)} of ${value.of}` },
                      }}
                    />
                  </td>
                )}
                <td>{value.of}</td>
                <td>{labelOf(value)}</td>
                <td>
                  <b>{value.value}</b>
                </td>
                {handing && (
                  <td>
                    <Typography component="span" sx={{ fontSize: 13, color: quiet }}>
                      {value.beside}
                    </Typography>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        ))}
      </table>
    </Box>
  );
}

const labelOf = ({ property, part, offered }: ValueInView): string => {
  if (offered) return 'where it appears';
  if (!property) return 'size';
  const label = property.label.toLowerCase();
  return part === 'self' ? label : `${part}: ${label}`;
};
