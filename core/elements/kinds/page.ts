import { FileText } from 'lucide';
import { line } from '../content/contenttypes.ts';
import { element } from '../../markup/markup.ts';
import { type Kind } from './kind.ts';

export const page: Kind = {
  name: 'page',
  label: 'Page',
  icon: FileText,
  traits: ['page', 'container', 'coloured', 'backed'],
  accepts: ['section', 'alternating', 'edge'],
  display: 'grid',
  // A word that is longer than its line is broken, and makes nothing wider (CSS Text 3, §5.5).
  structure: {
    display: 'grid',
    'grid-template-columns': 'minmax(0, 1fr)',
    margin: '0',
    'overflow-wrap': 'anywhere',
  },
  inner: { main: { display: 'contents' } },
  defaults: {},
  content: [
    { name: 'stopFilm', label: 'Text that stops a background video', type: line, initial: 'Stop the video' },
  ],
  markup: (_node, { attributes, children }) => element('body', attributes, ...children),
};
