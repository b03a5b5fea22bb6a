import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Finding, NodeId } from '../../core/index.ts';
import { documents } from './documents.ts';

/** What the checks found on the page that is open: nothing of it is kept. */
interface FindingsState {
  /** The page that was looked at; null: none yet. */
  page: NodeId | null;
  list: readonly Finding[];
  /** It could not be looked over the last time; `list` is what was found before. */
  failed: boolean;
}

const initialState: FindingsState = { page: null, list: [], failed: false };

export const findings = createSlice({
  name: 'findings',
  initialState,
  reducers: {
    /** A page was looked over; `list` is null where that failed. */
    looked({ list: before }, { payload }: PayloadAction<{ page: NodeId; list: readonly Finding[] | null }>) {
      return { page: payload.page, list: payload.list ?? before, failed: payload.list === null };
    },
  },
  extraReducers: (build) =>
    build
      .addCase(documents.actions.opened, () => initialState)
      .addCase(documents.actions.pageShown, () => initialState),
});

export const { looked } = findings.actions;
