import { useAppSelector } from '../../../state/store.ts';
import type { RowDensity } from '../../../state/preferences.ts';

/** px; how high the rows of the outline and of the values are. All leave room for a pointer (WCAG 2.2, 2.5.8: 24 px). */
const HEIGHTS: Readonly<Record<RowDensity, { outline: number; values: number }>> = {
  compact: { outline: 24, values: 25 },
  standard: { outline: 25, values: 30 },
  comfortable: { outline: 32, values: 38 },
};

export const useRowHeights = () => HEIGHTS[useAppSelector((state) => state.desk.rowDensity)];
