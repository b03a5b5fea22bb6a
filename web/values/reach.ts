import type { EditReach } from '../../core/index.ts';

/** The reach that a way of pressing Enter asks for. */
export const reachOf = (event: { shiftKey: boolean; altKey: boolean }, current: EditReach): EditReach =>
  event.altKey ? 'everywhere' : event.shiftKey ? 'here' : current;
