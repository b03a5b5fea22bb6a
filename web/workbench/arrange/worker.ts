/** Works layouts out beside the interface, which goes on meanwhile. */
import {
  arranged,
  type Arrangeable,
  type ArrangeGrid,
  type ArrangeWay,
  type NodeId,
} from '../../../core/index.ts';

/** A layout that is asked for. */
export interface Asked {
  things: Arrangeable<NodeId>[];
  grid: ArrangeGrid;
  way: ArrangeWay;
}

self.addEventListener('message', ({ data }: MessageEvent<Asked[]>) => {
  self.postMessage(data.map(({ things, grid, way }) => arranged(things, grid, way)));
});
