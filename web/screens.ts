import { Unread } from './messages/Unread.tsx';
import type { Screen } from './site/screen.ts';

/** The screens of a site in the order of the top bar, each a file that is loaded when one first goes there. */
export const SCREENS: readonly Screen[] = [
  {
    name: 'Workbench',
    route: 'pages/:page',
    load: async () => (await import('./workbench/Workbench.tsx')).Workbench,
  },
  { name: 'Pages', route: 'pages', load: async () => (await import('./pages/Pages.tsx')).Pages },
  { name: 'Shelf', route: 'shelf', load: async () => (await import('./shelf/Shelf.tsx')).Shelf },
  { name: 'Views', route: 'views', load: async () => (await import('./views/Views.tsx')).Views },
  { name: 'Type', route: 'type', load: async () => (await import('./type/TypeLab.tsx')).TypeLab },
  {
    name: 'Messages',
    route: 'messages',
    load: async () => (await import('./messages/MessagesScreen.tsx')).MessagesScreen,
    Count: Unread,
  },
  {
    name: 'Publications',
    route: 'publications',
    isForPublishing: true,
    load: async () => (await import('./publications/Publications.tsx')).Publications,
  },
];
