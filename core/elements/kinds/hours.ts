import { Clock } from 'lucide';
import { entries, line } from '../content/contenttypes.ts';
import { contentOf, type Kind } from './kind.ts';
import { TABLE, lineTable } from './linetable.ts';

interface Hours {
  day: string;
  hours: string;
}

export const openingHours: Kind = {
  name: 'hours',
  label: 'Opening hours',
  icon: Clock,
  offered: 'lists',
  traits: ['block', 'box', 'backed', 'words', 'coloured', 'aligned'],
  accepts: [],
  display: 'block',
  structure: { display: 'block' },
  inner: TABLE,
  defaults: {},
  parts: {
    caption: { label: 'Caption', selector: 'caption', textStyle: 'caption' },
    label: { label: 'Days', selector: 'th', textStyle: 'label' },
  },
  textStyle: () => 'body',
  content: [
    {
      name: 'caption',
      label: 'Caption',
      type: line,
      initial: 'Opening hours',
      varies: 'whole',
      selector: 'caption',
    },
    {
      name: 'hours',
      selector: 'tr',
      label: 'Hours',
      type: entries('line', [
        { name: 'day', label: 'Day', type: line, initial: 'New day', selector: 'th' },
        { name: 'hours', label: 'Hours', type: line, initial: '', selector: 'td' },
      ]),
      initial: [],
      varies: 'whole',
    },
  ],
  markup: (node, context) =>
    lineTable(
      contentOf<string>(openingHours, node, 'caption'),
      contentOf<Hours[]>(openingHours, node, 'hours').map(({ day, hours }) => [day, hours]),
      context,
    ),
};
