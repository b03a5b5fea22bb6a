import { combineReducers, configureStore, type UnknownAction } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { desk, selectionHeld } from './desk.ts';
import { documents, openPage } from './documents.ts';
import { findings } from './findings.ts';
import { Keeper, type Clock } from './keeper.ts';
import { keeping, remembering } from './keeping.ts';
import { server } from './server.ts';
import type { Services } from './services.ts';
import type { Pending } from './pending.ts';
import { uploads } from './uploads.ts';

/** What thunks are given besides the store. */
export interface Extra extends Services {
  keeper: Keeper<Pending>;
  /** Stops following the site that is open. */
  unfollow?: () => void;
  /** How often a page has been shown. */
  shown?: number;
}

const reduced = combineReducers({
  [server.reducerPath]: server.reducer,
  documents: documents.reducer,
  desk: desk.reducer,
  findings: findings.reducer,
  uploads: uploads.reducer,
});

/** What is selected follows what is there in the same moment: whether this window has changed that, or another. */
function reducer(state: ReturnType<typeof reduced> | undefined, action: UnknownAction) {
  const next = reduced(state, action);
  const open = next.documents.open === state?.documents.open ? null : openPage(next);
  const held = open ? selectionHeld(next.desk, open) : next.desk;
  return held === next.desk ? next : { ...next, desk: held };
}

/** A store with its keeper. */
export function makeStore(services: Services, time?: Clock) {
  const extra = { ...services } as Extra;
  const store = configureStore({
    reducer,
    // A page is large, frozen and plain by construction; walking all of it on each edit would be the edit's main cost.
    middleware: (defaults) =>
      defaults({ immutableCheck: false, serializableCheck: false, thunk: { extraArgument: extra } }).concat(
        server.middleware,
      ),
  });
  extra.keeper = new Keeper(keeping(store, services), time);
  remembering(store, services);
  return store;
}

export type Store = ReturnType<typeof makeStore>;
export type State = ReturnType<Store['getState']>;
export type Dispatch = Store['dispatch'];
export type Thunk<R = void> = (dispatch: Dispatch, getState: () => State, extra: Extra) => R;

export const useAppDispatch = useDispatch.withTypes<Dispatch>();
export const useAppSelector = useSelector.withTypes<State>();
