/** The part of the demo site that tests speak of: four pages of it. What is said of the demo as such is tested on all of them. */
import { demoSite as whole } from '../demo/site.ts';

export const FOUR_PAGES = ['home', 'visits', 'hire', 'find-us'];

export const demoSite = () => whole(FOUR_PAGES);
