import { combineReducers, configureStore, type Reducer } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import type { SaveQueue } from './savequeue.ts';
import type { Pending } from './pending.ts';
import { server } from './server.ts';
import type { Services } from './services.ts';
import type { desk } from './desk.ts';
import type { documents } from './documents.ts';
import type { findings } from './findings.ts';
import type { uploads } from './uploads.ts';

/** What thunks get besides the store. */
export interface Extra extends Services {
  /** Saves the edits of the site that is open; there once the screens of a site are loaded. */
  saveQueue: SaveQueue<Pending>;
  /** Stops following the site that is open. */
  unfollow?: () => void;
  /** How often a page has been shown. */
  shown?: number;
}

const listReducer = combineReducers({ [server.reducerPath]: server.reducer });

/** The state of an open site. */
export interface SiteState {
  documents: ReturnType<typeof documents.reducer>;
  desk: ReturnType<typeof desk.reducer>;
  findings: ReturnType<typeof findings.reducer>;
  uploads: ReturnType<typeof uploads.reducer>;
}

/** The state with that of an open site, which is there on the screens that use it. */
export type State = ReturnType<typeof listReducer> & SiteState;

/**
 * Creates a store for the list of sites, and what its thunks get. What the screens of a site need besides is loaded with them and added by
 * `addSiteState`: so the list does not wait for it.
 */
export function makeListStore(services: Services) {
  const extra = { ...services } as Extra;
  const store = configureStore({
    reducer: listReducer as unknown as Reducer<State>,
    // A page is large, frozen and plain by construction; walking all of it on each edit would be the edit's main cost.
    middleware: (defaults) =>
      defaults({ immutableCheck: false, serializableCheck: false, thunk: { extraArgument: extra } }).concat(
        server.middleware,
      ),
  });
  return { store, extra };
}

export type Store = ReturnType<typeof makeListStore>['store'];
export type Dispatch = Store['dispatch'];
export type Thunk<R = void> = (dispatch: Dispatch, getState: () => State, extra: Extra) => R;

export const useAppDispatch = useDispatch.withTypes<Dispatch>();
export const useAppSelector = useSelector.withTypes<State>();
