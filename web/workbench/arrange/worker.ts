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
  arrange: { asked: Asked[]; answer: Arranged<NodeId>[] };
  tidy: { asked: ToTidy[]; answer: Tidied<NodeId>[] };
}

export type Message = { [W in keyof Work]: { work: W; asked: Work[W]['asked'] } }[keyof Work];

const answered = ({ work, asked }: Message): Work[keyof Work]['answer'] =>
  work === 'tidy'
    ? asked.map(({ things, grid }) => tidied(things, grid))
    : asked.map(({ flow, things, grid, way }) =>
        flow === 'areas' ? arranged(things, grid, way) : arrangedInLines(things, grid, way),
      );

self.addEventListener('message', ({ data }: MessageEvent<Message>) => {
  self.postMessage(answered(data));
});
