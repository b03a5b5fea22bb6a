import type { Right } from '../api/endpoints.ts';

/** Whoever asks for something. Today that is the computer on which the program runs; people can come later in its place. */
export interface Actor {
  id: string;
  /** Whether it may do something, to a site where one is named. */
  may(right: Right, site?: string): boolean;
}

/** Who sits at this computer may do everything: the program listens to nobody else. */
export const thisComputer: Actor = { id: 'this computer', may: () => true };
