/** Works layouts out beside the interface, which goes on meanwhile. */
import {
  arranged,
  arrangedInLines,
  tidied,
  type Arranged,
  type ArrangeWay,
  type NodeId,
  type Tidied,
  type ToArrange,
  type ToTidy,
} from '../../../core/index.ts';

/** A layout that is asked for. */
export type Asked = ToArrange & { way: ArrangeWay };

/** What can be asked for, and what is answered: one each. */
export interface Work {
  arrange: { request: Asked[]; answer: Arranged<NodeId>[] };
  tidy: { request: ToTidy[]; answer: Tidied<NodeId>[] };
}

export type Message = { [W in keyof Work]: { work: W; request: Work[W]['request'] } }[keyof Work];

const answered = ({ work, request }: Message): Work[keyof Work]['answer'] =>
  work === 'tidy'
    ? request.map(({ things, grid }) => tidied(things, grid))
    : request.map(({ flow, things, grid, way }) =>
        flow === 'areas' ? arranged(things, grid, way) : arrangedInLines(things, grid, way),
      );

self.addEventListener('message', ({ data }: MessageEvent<Message>) => {
  self.postMessage(answered(data));
});
