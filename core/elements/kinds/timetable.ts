import { CalendarClock } from 'lucide';
import { entries, line } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { contentOf, type Kind } from './kind.ts';
import { TABLE, lineTable } from './linetable.ts';

interface Item {
  time: string;
  what: string;
  note: string;
}

export const timetable: Kind = {
  name: 'timetable',
  label: 'Timetable',
  icon: CalendarClock,
  offered: 'lists',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: { ...TABLE, small: { display: 'block', 'font-size': 'inherit' } },
  defaults: {},
  parts: {
    caption: { label: 'Caption', selector: 'caption', textStyle: 'caption' },
    label: { label: 'Times', selector: 'th', textStyle: 'label' },
    meta: { label: 'Notes', selector: 'small', textStyle: 'meta' },
  },
  textStyle: () => 'body',
  content: [
    {
      name: 'caption',
      label: 'Caption',
      type: line,
      initial: 'Timetable',
      varies: 'whole',
      selector: 'caption',
    },
    {
      name: 'items',
      selector: 'tr',
      label: 'What happens',
      type: entries('line', [
        { name: 'time', label: 'Time', type: line, initial: 'New time', selector: 'th' },
        { name: 'what', label: 'What', type: line, initial: '', selector: 'td > span' },
        { name: 'note', label: 'Note', type: line, initial: '', selector: 'small' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node, context) =>
    lineTable(
      contentOf<string>(timetable, node, 'caption'),
      contentOf<Item[]>(timetable, node, 'items').map(({ time, what, note }) => [
        time,
        element('span', {}, what),
        ...(note ? [element('small', context.part('meta'), note)] : []),
      ]),
      context,
    ),
};
