import { combineReducers, type Reducer, type UnknownAction } from '@reduxjs/toolkit';
import { desk, selectionHeld } from './desk.ts';
import { documents, openPage } from './documents.ts';
import { findings } from './findings.ts';
import { SaveQueue, type Clock } from './savequeue.ts';
import { saveWork, remembering } from './saving.ts';
import { server } from './server.ts';
import type { Services } from './services.ts';
import { makeListStore, type Extra, type State, type Store } from './store.ts';
import { uploads } from './uploads.ts';

const slices = {
  documents: documents.reducer,
  desk: desk.reducer,
  findings: findings.reducer,
  uploads: uploads.reducer,
};

const combined = combineReducers({ [server.reducerPath]: server.reducer, ...slices });

/** Reduces all state; the selection follows what is there in the same moment, whether this window has changed that or another. */
const reducer: Reducer<State> = (state: State | undefined, action: UnknownAction) => {
  const next = combined(state, action);
  const open = next.documents.open === state?.documents?.open ? null : openPage(next);
  const held = open ? selectionHeld(next.desk, open) : next.desk;
  return held === next.desk ? next : { ...next, desk: held };
};

/** Adds the state of an open site to a store that has none, and saves its edits from then on. */
export function addSiteState(store: Store, extra: Extra, time?: Clock): Store {
  store.replaceReducer(reducer);
  extra.saveQueue = new SaveQueue(saveWork(store, extra), time);
  remembering(store, extra);
  return store;
}

/** Creates a store with the state of an open site. */
export function makeStore(services: Services, time?: Clock): Store {
  const { store, extra } = makeListStore(services);
  return addSiteState(store, extra, time);
}
