import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { MissedEdit } from '../../api/responses.ts';
import {
  after,
  applyOperations,
  viewOf,
  type EditBy,
  type EditReach,
  type Made,
  type NodeId,
  type Page,
  type PageReference,
  type SiteFrame,
  type Stacks,
  type Step,
  type ViewId,
} from '../../core/index.ts';
import { preferredReach } from './preferences.ts';

/** An edit that the server has not kept yet. */
export type Pending = Made & { by: EditBy };

/** How it stands with keeping what was done. */
export type Keeping =
  | { state: 'kept'; at: number | null }
  | { state: 'keeping' }
  | { state: 'failing'; sentence: string }
  | { state: 'conflict'; missed: MissedEdit[]; revision: number };

/** One page open for editing. */
export interface OpenPage {
  site: SiteFrame;
  pages: PageReference[];
  /** The page as the person sees it: what the server has, and the pending edits on top. */
  page: Page;
  /** The page as the server has it, at `revision`. */
  stored: Page;
  revision: number;
  pending: Pending[];
  undo: Made[];
  redo: Made[];
}

export interface EditorState {
  open: OpenPage | null;
  keeping: Keeping;
  selected: NodeId | null;
  /** A cell of the selected element's values that was asked for; it takes the keyboard. */
  aim: { property: string; view: ViewId } | null;
  /** px; the width at the marker. The active view is the one it lies in. */
  width: number;
  reach: EditReach;
  sheets: 'one' | 'side by side';
  /** The views shown beside the active one. */
  beside: ViewId[];
  ghosts: boolean;
  /** px of the screen for one px of the sheet: as large as fits, or life size. */
  zoom: 'fit' | 'full';
  /** What was last said to the person about an edit; `refusal` when it was not made. */
  said: { sentence: string; refusal: boolean; count: number };
}

const initialState: EditorState = {
  open: null,
  keeping: { state: 'kept', at: null },
  selected: null,
  aim: null,
  width: 1280,
  reach: preferredReach(),
  sheets: 'one',
  beside: [],
  ghosts: false,
  zoom: 'fit',
  said: { sentence: '', refusal: false, count: 0 },
};

const say = (state: EditorState, sentence: string, refusal = false) => {
  state.said = { sentence, refusal, count: state.said.count + 1 };
};

/** The stored page with the pending edits on top; an edit that no longer fits falls out and is named. */
function onTop(
  stored: Page,
  pending: readonly Pending[],
): { page: Page; pending: Pending[]; lost: Pending[] } {
  let page = stored;
  const kept: Pending[] = [];
  const lost: Pending[] = [];
  for (const made of pending) {
    const next = applyOperations(page, made.operations);
    if (next.ok) {
      page = next.value;
      kept.push(made);
    } else lost.push(made);
  }
  return { page, pending: kept, lost };
}

function rebase(state: EditorState, stored: Page, revision: number, pending: readonly Pending[]): void {
  if (!state.open) return;
  const result = onTop(stored, pending);
  Object.assign(state.open, { stored, revision, page: result.page, pending: result.pending });
  if (result.lost.length > 0) {
    say(
      state,
      `No longer fits and was dropped: ${result.lost.map((made) => made.sentence).join('; ')}.`,
      true,
    );
  }
  if (state.selected && !result.page.nodes[state.selected]) state.selected = null;
}

export const editor = createSlice({
  name: 'editor',
  initialState,
  reducers: {
    opened(
      state,
      {
        payload,
      }: PayloadAction<{
        site: SiteFrame;
        pages: PageReference[];
        page: Page;
        revision: number;
        steps: Stacks;
      }>,
    ) {
      const { site, pages, page, revision, steps } = payload;
      const sameSite = state.open?.site.id === site.id;
      state.open = { site, pages, page, stored: page, revision, pending: [], ...steps };
      state.keeping = { state: 'kept', at: null };
      state.selected = null;
      if (!sameSite) {
        state.width = viewOf(site.views, site.views.base).sheet.width;
        state.beside = site.views.list[0].id === site.views.base ? [] : [site.views.list[0].id];
      }
    },
    closed(state) {
      state.open = null;
    },
    made(state, { payload: { step, by } }: PayloadAction<{ step: Step; by: EditBy }>) {
      if (!state.open) return;
      const { page, operations, inverse, sentence } = step;
      const made = { operations, inverse, sentence };
      state.open.page = page;
      state.open.pending.push({ ...made, by });
      const { undo, redo } = state.open;
      Object.assign(state.open, after({ undo, redo }, made, by));
      say(state, by === 'undo' ? `Undone: ${sentence}` : sentence);
      if (state.selected && !page.nodes[state.selected]) state.selected = null;
    },
    /** A step that cannot be taken back or made again any more leaves its list. */
    dropped(state, { payload }: PayloadAction<{ list: 'undo' | 'redo'; sentence: string }>) {
      state.open?.[payload.list].pop();
      say(state, payload.sentence, true);
    },
    refusedEdit(state, { payload }: PayloadAction<string>) {
      say(state, payload, true);
    },
    sending(state) {
      state.keeping = { state: 'keeping' };
    },
    accepted(state, { payload }: PayloadAction<{ revision: number; at: number; stored: Page }>) {
      if (!state.open) return;
      state.open.pending.shift();
      state.open.stored = payload.stored;
      state.open.revision = payload.revision;
      state.keeping =
        state.open.pending.length > 0 ? { state: 'keeping' } : { state: 'kept', at: payload.at };
    },
    failing(state, { payload }: PayloadAction<string>) {
      state.keeping = { state: 'failing', sentence: payload };
    },
    /** The server will not take the first pending edit: it goes, and the rest stays. */
    rejected(state, { payload }: PayloadAction<string>) {
      if (!state.open) return;
      const [first, ...rest] = state.open.pending;
      rebase(state, state.open.stored, state.open.revision, rest);
      const step = state.open.undo.findLastIndex((made) => made.sentence === first.sentence);
      if (step >= 0) state.open.undo.splice(step, 1);
      state.keeping =
        state.open.pending.length > 0 ? { state: 'keeping' } : { state: 'kept', at: Date.now() };
      say(state, payload, true);
    },
    /** Others changed the page in between: their edits go below ours. */
    merged(state, { payload }: PayloadAction<{ stored: Page; revision: number; sentences: string[] }>) {
      if (!state.open) return;
      rebase(state, payload.stored, payload.revision, state.open.pending);
      say(state, `Changed elsewhere and taken over: ${payload.sentences.join('; ')}.`);
    },
    conflicted(state, { payload }: PayloadAction<{ missed: MissedEdit[]; revision: number }>) {
      state.keeping = { state: 'conflict', ...payload };
    },
    /** The person has decided between their own pending edits and those made elsewhere. */
    decided(state, { payload }: PayloadAction<{ stored: Page; revision: number; keepMine: boolean }>) {
      if (!state.open) return;
      rebase(state, payload.stored, payload.revision, payload.keepMine ? state.open.pending : []);
      if (!payload.keepMine) {
        state.open.undo = [];
        state.open.redo = [];
      }
      state.keeping =
        state.open.pending.length > 0 ? { state: 'keeping' } : { state: 'kept', at: Date.now() };
    },
    selected(state, { payload }: PayloadAction<NodeId | null>) {
      state.selected = payload;
      state.aim = null;
    },
    valueAimed(state, { payload }: PayloadAction<{ node: NodeId; property: string; view: ViewId }>) {
      state.selected = payload.node;
      state.aim = { property: payload.property, view: payload.view };
    },
    widthSet(state, { payload }: PayloadAction<number>) {
      state.width = payload;
    },
    viewChosen(state, { payload }: PayloadAction<ViewId>) {
      if (state.open) state.width = viewOf(state.open.site.views, payload).sheet.width;
    },
    reachChosen(state, { payload }: PayloadAction<EditReach>) {
      state.reach = payload;
    },
    sheetsChosen(state, { payload }: PayloadAction<EditorState['sheets']>) {
      state.sheets = payload;
    },
    besideToggled(state, { payload }: PayloadAction<ViewId>) {
      state.beside = state.beside.includes(payload)
        ? state.beside.filter((id) => id !== payload)
        : [...state.beside, payload];
    },
    ghostsSet(state, { payload }: PayloadAction<boolean>) {
      state.ghosts = payload;
    },
    zoomChosen(state, { payload }: PayloadAction<EditorState['zoom']>) {
      state.zoom = payload;
    },
  },
});

export const {
  opened,
  closed,
  selected,
  valueAimed,
  widthSet,
  viewChosen,
  reachChosen,
  sheetsChosen,
  besideToggled,
  ghostsSet,
  zoomChosen,
} = editor.actions;
