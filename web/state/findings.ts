import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Finding, NodeId } from '../../core/index.ts';
import { documents } from './documents.ts';

/** What the checks found on the page that is open: nothing of it is kept. */
interface FindingsState {
  /** The page that was looked at; null: none yet. */
  page: NodeId | null;
  list: readonly Finding[];
}

const initialState: FindingsState = { page: null, list: [] };

export const findings = createSlice({
  name: 'findings',
  initialState,
  reducers: {
    looked: (_state, { payload }: PayloadAction<{ page: NodeId; list: readonly Finding[] }>) => payload,
  },
  extraReducers: (build) =>
    build
      .addCase(documents.actions.opened, () => initialState)
      .addCase(documents.actions.pageShown, () => initialState),
});

export const { looked } = findings.actions;
