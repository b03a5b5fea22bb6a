/** Works layouts out beside the interface, which goes on meanwhile. */
import { arranged, arrangedInLines, type ArrangeWay, type ToArrange } from '../../../core/index.ts';

/** A layout that is asked for. */
export type Asked = ToArrange & { way: ArrangeWay };

self.addEventListener('message', ({ data }: MessageEvent<Asked[]>) => {
  self.postMessage(
    data.map(({ flow, things, grid, way }) =>
      flow === 'areas' ? arranged(things, grid, way) : arrangedInLines(things, grid, way),
    ),
  );
});
