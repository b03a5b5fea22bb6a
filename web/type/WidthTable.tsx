import type { SiteFrame } from '../../core/index.ts';
import { petrolTint } from '../ui/theme.ts';
import { NARROWEST, WIDEST } from './WidthChart.tsx';

interface WidthTableProps {
  label: string;
  site: SiteFrame;
  /** What a chart shows as lines. */
  lines: readonly { id: string; name: string; at(width: number): string }[];
  chosen: string;
}

/** px; both ends of every view. */
const endsOf = ({ views }: SiteFrame): number[] => [
  NARROWEST,
  ...views.list.flatMap(({ from }) => (from > NARROWEST && from <= WIDEST ? [from - 1, from] : [])),
  WIDEST,
];

/** What a chart shows, as a table: at both ends of every view. */
export function WidthTable({ label, site, lines, chosen }: WidthTableProps) {
  const widths = endsOf(site);
  return (
    <div className="type-table">
      <table aria-label={label}>
        <thead>
          <tr>
            <th scope="col">Width, px</th>
            {widths.map((each) => (
              <th key={each} scope="col">
                {each}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ id, name, at }) => (
            <tr key={id} style={id === chosen ? { background: petrolTint } : undefined}>
              <th scope="row">{name}</th>
              {widths.map((each) => (
                <td key={each}>{at(each)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
