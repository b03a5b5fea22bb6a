import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { editor } from './editor.ts';
import { server } from './server.ts';

export const makeStore = () =>
  configureStore({
    reducer: { [server.reducerPath]: server.reducer, editor: editor.reducer },
    // A page is large, frozen and plain by construction; walking all of it on each edit would be the edit's main cost.
    middleware: (defaults) =>
      defaults({ immutableCheck: false, serializableCheck: false }).concat(server.middleware),
  });

export type Store = ReturnType<typeof makeStore>;
export type State = ReturnType<Store['getState']>;
export type Dispatch = Store['dispatch'];

export const useAppDispatch = useDispatch.withTypes<Dispatch>();
export const useAppSelector = useSelector.withTypes<State>();
