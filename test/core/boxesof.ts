/** Layouts written as columns of boxes, with the sizes that text, images and buttons really have. */
import type { Box } from '../../core/index.ts';
import { type Readable } from '../../core/layout/reading.ts';

export interface MeasuredLayout {
  what: string;
  order: string;
  things: Readable[];
}

const kindOf = (id: string) => (/\d/.test(id) ? 'small' : /[A-Z]/.test(id) ? 'picture' : 'words');

/**
 * Things below one another from a corner on; px. `a:40` is text 40 px high, `A:40` an image, `1:44` a button or an icon; `a:40x120` is 120 px
 * wide, `a:40x120@30` begins 30 px further, and `+12` is a distance.
 */
export function col(left: number, top: number, width: number, spec: string): Readable[] {
  let y = top;
  const things: Readable[] = [];
  for (const token of spec.split(' ')) {
    if (token.startsWith('+')) {
      y += Number(token.slice(1));
      continue;
    }
    const [, id, height, own, by] = /^(\w):(\d+)(?:x(\d+))?(?:@(\d+))?$/.exec(token)!;
    const box: Box = {
      left: left + Number(by ?? 0),
      top: y,
      width: Number(own ?? width),
      height: Number(height),
    };
    things.push({ id, role: kindOf(id), box });
    y += box.height;
  }
  return things;
}

export const layout = (what: string, order: string, ...parts: Readable[][]): MeasuredLayout => ({
  what,
  order,
  things: parts.flat(),
});

/** The same in a page that is written from right to left, as it is measured there: mirrored on the screen, and mirrored back. */
export const rightToLeft = (
  what: string,
  order: string,
  width: number,
  ...parts: Readable[][]
): MeasuredLayout => ({
  what: `${what}, from right to left`,
  order,
  things: parts
    .flat()
    .map((thing) => ({ ...thing, box: { ...thing.box, left: width - thing.box.left - thing.box.width } })),
});
