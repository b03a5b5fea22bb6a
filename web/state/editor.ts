import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { PageSummary } from '../../api/responses.ts';
import {
  after,
  same,
  viewAt,
  viewOf,
  type Arguments,
  type CommandName,
  type Document,
  type EditBy,
  type EditReach,
  type Made,
  type NodeId,
  type Operation,
  type Page,
  type Part,
  type SiteFrame,
  type Stacks,
  type Step,
  type ViewId,
} from '../../core/index.ts';
import { preferredReach } from './preferences.ts';
import type { Documents, Rebased } from './rebase.ts';

/** An edit that the server has not kept yet. A command can be run again on what was changed elsewhere. */
export type Pending = Made & {
  by: EditBy;
  command?: { name: CommandName; args: Arguments<CommandName> };
};

/** How it stands with keeping what was done. */
export type Keeping =
  { state: 'kept'; at: number | null } | { state: 'keeping' } | { state: 'failing'; sentence: string };

/** One page open for editing, with the site it belongs to. */
export interface OpenPage extends Documents {
  pages: PageSummary[];
  /** The documents as the server has them, at `revision`; `site` and `page` have the pending edits on top. */
  stored: Documents;
  revision: Record<Document, number>;
  pending: Pending[];
  undo: Made[];
  redo: Made[];
}

/** What was changed elsewhere and has been replaced from here: it can be had back. */
export interface Overwritten {
  on: Document;
  operations: Operation[];
  sentences: string[];
}

export interface EditorState {
  open: OpenPage | null;
  keeping: Keeping;
  overwritten: Overwritten | null;
  /** The selected elements; the last is the one whose values lead. */
  selected: NodeId[];
  /** The text style whose values are shown instead of an element's. */
  textStyle: string | null;
  /** A cell of the values that was asked for; it takes the keyboard. */
  aim: { part: Part; property: string; view: ViewId } | null;
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
  overwritten: null,
  selected: [],
  textStyle: null,
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

/** Nothing stays selected that is not there any more. */
function dropSelection(state: EditorState): void {
  const { open } = state;
  if (!open) return;
  if (state.selected.some((id) => !open.page.nodes[id]))
    state.selected = state.selected.filter((id) => open.page.nodes[id]);
  if (state.textStyle && !open.site.textStyles.some(({ id }) => id === state.textStyle))
    state.textStyle = null;
}

const settle = (state: EditorState, at: number) => {
  state.keeping = state.open!.pending.length > 0 ? { state: 'keeping' } : { state: 'kept', at };
};

interface Opened extends Documents {
  pages: PageSummary[];
  revision: Record<Document, number>;
  steps: Stacks;
}

interface MadeAction {
  step: Step;
  by: EditBy;
  command?: Pending['command'];
}

export const editor = createSlice({
  name: 'editor',
  initialState,
  reducers: {
    opened(state, { payload }: PayloadAction<Opened>) {
      const { site, pages, page, revision, steps } = payload;
      const sameSite = state.open?.site.id === site.id;
      state.open = { site, pages, page, stored: { site, page }, revision, pending: [], ...steps };
      state.keeping = { state: 'kept', at: null };
      state.overwritten = null;
      state.selected = [];
      state.textStyle = null;
      if (!sameSite) {
        state.width = viewOf(site.views, site.views.base).sheet.width;
        state.beside = [];
      }
    },
    closed(state) {
      state.open = null;
    },
    made(state, { payload: { step, by, command } }: PayloadAction<MadeAction>) {
      if (!state.open) return;
      const { on, site, page, operations, inverse, sentence } = step;
      const made = { on, operations, inverse, sentence };
      state.open[on] = (on === 'page' ? page : site) as never;
      state.open.pending.push({ ...made, by, command });
      const { undo, redo } = state.open;
      Object.assign(state.open, after({ undo, redo }, made, by));
      say(state, by === 'undo' ? `Undone: ${sentence}` : sentence);
      dropSelection(state);
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
    accepted(
      state,
      { payload }: PayloadAction<{ on: Document; revision: number; at: number; stored: Page | SiteFrame }>,
    ) {
      if (!state.open) return;
      state.open.pending.shift();
      state.open.stored[payload.on] = payload.stored as never;
      state.open.revision[payload.on] = payload.revision;
      settle(state, payload.at);
    },
    failing(state, { payload }: PayloadAction<string>) {
      state.keeping = { state: 'failing', sentence: payload };
    },
    /** The pending edits stand on top of other documents: edits from elsewhere came before them, or one was not taken. */
    movedOnTop(
      state,
      {
        payload,
      }: PayloadAction<{
        stored: Documents;
        revision: Record<Document, number>;
        result: Rebased;
        said: string;
        refusal: boolean;
        at: number;
      }>,
    ) {
      if (!state.open) return;
      const { stored, revision, result } = payload;
      const { site, page, pending, fates } = result;
      Object.assign(state.open, { stored, revision, site, page, pending });
      // The steps that stand for pending edits take their new form, or go with them.
      state.open.undo = state.open.undo.flatMap((step) => {
        const fate = fates.find(
          ({ before }) => before.by === 'edit' && same(before.operations, step.operations),
        );
        if (!fate) return [step];
        if (!fate.now) return [];
        const { on, operations, inverse, sentence } = fate.now;
        return [{ on, operations, inverse, sentence }];
      });
      settle(state, payload.at);
      say(state, payload.said, payload.refusal);
      dropSelection(state);
    },
    overwrote(state, { payload }: PayloadAction<Overwritten | null>) {
      state.overwritten = payload;
    },
    selected(state, { payload }: PayloadAction<NodeId | null>) {
      state.selected = payload === null ? [] : [payload];
      state.textStyle = null;
      state.aim = null;
    },
    /** One more element, or one less; the one that was added leads. */
    selectionToggled(state, { payload }: PayloadAction<NodeId>) {
      state.selected = state.selected.includes(payload)
        ? state.selected.filter((id) => id !== payload)
        : [...state.selected, payload];
      state.textStyle = null;
      state.aim = null;
    },
    /** A run of elements; the last of them leads. */
    selectionSet(state, { payload }: PayloadAction<NodeId[]>) {
      state.selected = payload;
      state.textStyle = null;
      state.aim = null;
    },
    textStyleChosen(state, { payload }: PayloadAction<string>) {
      state.textStyle = payload;
      state.aim = null;
    },
    valueAimed(
      state,
      {
        payload: { node, textStyle, ...aim },
      }: PayloadAction<{ node?: NodeId; textStyle?: string } & NonNullable<EditorState['aim']>>,
    ) {
      if (node && !state.selected.includes(node)) state.selected = [node];
      state.textStyle = textStyle ?? null;
      state.aim = aim;
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
      if (payload !== 'side by side' || !state.open) return;
      // Something stands beside the active view from the start: the base, or beside that the narrowest.
      const { views } = state.open.site;
      const active = viewAt(views, state.width).id;
      const other = active === views.base ? views.list[0].id : views.base;
      if (state.beside.every((id) => id === active) && other !== active) state.beside.push(other);
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
  overwrote,
  selected,
  selectionToggled,
  selectionSet,
  textStyleChosen,
  valueAimed,
  widthSet,
  viewChosen,
  reachChosen,
  sheetsChosen,
  besideToggled,
  ghostsSet,
  zoomChosen,
} = editor.actions;
