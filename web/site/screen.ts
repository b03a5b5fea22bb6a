import { createContext, type ComponentType } from 'react';
import { generatePath, useMatches } from 'react-router';

/** A screen of a site. */
export interface Screen {
  /** Its name in the top bar, and in the title of the window. */
  name: string;
  /** Its address below that of the site. */
  route: string;
  load(): Promise<ComponentType>;
  /** Here a site is published: the way to it is offered on every other screen. */
  isForPublishing?: true;
  /** What is counted beside its name in the top bar. */
  Count?: ComponentType<{ site: string }>;
}

/** The screens that there are. */
export const Screens = createContext<readonly Screen[]>([]);

/** The address of a screen as the router matches it. */
export const routeOf = ({ route }: Screen): string => `/sites/:site/${route}`;

/** The address of a screen of a site, with a page where it is about one. */
export const addressOf = (screen: Screen, site: string, page: string): string =>
  generatePath(routeOf(screen), { site, page });

/** The screen that is shown; undefined elsewhere than in a site. */
export const useScreen = (): Screen | undefined => useMatches().at(-1)?.handle as Screen | undefined;

/** Whether a screen shows one page, which is named in the top bar and opened by its address. */
export const isOfPage = (screen: Screen | undefined): boolean => screen?.route.includes(':page') ?? false;
