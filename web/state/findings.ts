import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Finding, NodeId, Progress, ViewId } from '../../core/index.ts';
import { documents } from './documents.ts';

/** What the checks found on the page that is open: nothing of it is kept. */
interface FindingsState {
  /** The page that was looked at; null: none yet. */
  page: NodeId | null;
  /** All that was found and is not dismissed, what keeps somebody out first. */
  list: readonly Finding[];
  /** What is dismissed. */
  asides: readonly Finding[];
  /** What the rules say of the page by itself. */
  said: readonly Finding[];
  /** What the sweep measured. */
  measured: readonly Finding[];
  /** How many elements of the page are not shown in each view. */
  hidden: Readonly<Partial<Record<ViewId, number>>>;
  /** It could not be checked the last time; `said` is what was found before. */
  failed: boolean;
  /** The page is swept, and again with every change, until that is stopped. */
  sweeping: boolean;
  /** What is known of the sweep: how far it is; what was found at every width, or at some where it was stopped, or before the last changes; nothing yet. */
  sweep: Progress | 'all' | 'some' | 'before' | 'failed' | null;
}

const nothing: Omit<FindingsState, 'sweeping'> = {
  page: null,
  list: [],
  asides: [],
  said: [],
  measured: [],
  hidden: {},
  failed: false,
  sweep: null,
};

const initialState: FindingsState = { ...nothing, sweeping: false };

/** What a sweep says. */
export type SweepNews =
  { progress: Progress } | { found: readonly Finding[]; whole: boolean } | { failed: true };

/** What a check says of a page: its findings, and how much of it is not shown in each view; nothing where it failed. */
interface Checked {
  page: NodeId;
  found: { list: readonly Finding[]; hidden: Readonly<Record<ViewId, number>> } | null;
}

function together(
  said: readonly Finding[],
  measured: readonly Finding[],
): Pick<FindingsState, 'list' | 'asides'> {
  const all = [...said, ...measured];
  const open = all.filter(({ aside }) => aside === undefined);
  const barriers = open.filter(({ severity }) => severity === 'barrier');
  return {
    list: [...barriers, ...open.filter(({ severity }) => severity !== 'barrier')],
    asides: all.filter(({ aside }) => aside !== undefined),
  };
}

export const findings = createSlice({
  name: 'findings',
  initialState,
  reducers: {
    /** A page was checked; `found` is null where that failed. */
    checked(state, { payload: { page, found } }: PayloadAction<Checked>) {
      const said = found?.list ?? state.said;
      return {
        ...(state as FindingsState),
        page,
        said,
        hidden: found?.hidden ?? state.hidden,
        ...together(said, state.measured),
        failed: found === null,
      };
    },
    /** The page is to be swept from now on, or not any more. */
    sweepingSet(state, { payload }: PayloadAction<boolean>) {
      state.sweeping = payload;
      if (payload) state.sweep = { measured: 0, of: 1 };
    },
    sweepNews(state, { payload: news }: PayloadAction<SweepNews>) {
      if ('progress' in news) return { ...(state as FindingsState), sweep: news.progress };
      if ('failed' in news) return { ...(state as FindingsState), sweep: 'failed' as const };
      return {
        ...(state as FindingsState),
        measured: news.found,
        ...together(state.said, news.found),
        sweep: news.whole ? ('all' as const) : ('some' as const),
      };
    },
    /** The page was changed and is not swept again: what of the findings may still be so. */
    sweepAged(state, { payload: measured }: PayloadAction<readonly Finding[]>) {
      return {
        ...(state as FindingsState),
        ...together(state.said, measured),
        ...{ measured, sweep: 'before' as const },
      };
    },
  },
  extraReducers: (build) =>
    build
      .addCase(documents.actions.opened, () => initialState)
      .addCase(documents.actions.pageShown, ({ sweeping }) => ({ ...nothing, sweeping })),
});

export const { checked: checked, sweepAged, sweepingSet, sweepNews } = findings.actions;
