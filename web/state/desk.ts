import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import {
  callOf,
  viewAt,
  type Call,
  type EditReach,
  type MeasuredPage,
  type NodeId,
  type Part,
  type ViewId,
  type Views,
  type Visitor,
} from '../../core/index.ts';
import { documents, type OpenPage } from './documents.ts';
import { preferredDensity, usesCharacterKeys, type RowDensity } from './preferences.ts';

export type OutlineMode = 'tree' | 'differences' | 'not shown' | 'findings' | 'theme';

/** What concerns every view, whichever is looked at. */
export type EveryView = 'delete' | 'cut' | 'take apart';

/** What a person looks at and has selected: nothing of it is kept. */
export interface DeskState {
  /** The site it belongs to. */
  site: string | null;
  /** The selected elements; the last is the one whose values lead. */
  selected: NodeId[];
  /** The text style whose values are shown instead of an element's. */
  textStyle: string | null;
  /** A cell of the values that was asked for; it takes the keyboard. */
  aim: { part: Part; property: string; view: ViewId } | null;
  /** px; the width at the marker. The active view is the one it lies in. */
  width: number;
  /** A command whose result the sheets show: a limit that is being moved, a mend that is looked at. Nothing of it is kept. */
  trial: Call | null;
  reach: EditReach;
  /** What the upper half of the ledger lists. */
  outline: OutlineMode;
  sheets: 'one' | 'side by side' | 'overview';
  /** The views shown beside the active one. */
  beside: ViewId[];
  ghosts: boolean;
  /** A device whose screen the sheet is as wide as; null: the width was chosen in another way. */
  screen: { width: number; height: number } | null;
  /** For which visitors the sheets show the page; null: for every visitor at once. */
  visitor: Visitor | null;
  /** px of the screen for one px of the page that images are fetched for; null: those that this screen has. */
  density: number | null;
  /** What was asked for in one view and concerns every view: whether it is meant so has to be said. */
  everyView: { what: EveryView; nodes: NodeId[]; view: ViewId } | null;
  /** The image whose crop is changed on the page, in which view. */
  cropping: { node: NodeId; view: ViewId } | null;
  /** Where the menu of what is selected is open, in px of the window. */
  menu: { left: number; top: number } | null;
  /** What the panel of what can be added shows; null: it is closed. */
  adding: 'sections' | 'elements' | 'kept' | null;
  /** What is not shown is looked for: then the active sheet measures what lies where. */
  looking: boolean;
  measured: { view: ViewId; page: MeasuredPage } | null;
  /** px of the screen for one px of the sheet: as large as fits, or life size. */
  zoom: 'fit' | 'full';
  /** Of sheets side by side: all in sight, however small; only the section of what is selected. */
  comparing: { whole: boolean; section: boolean };
  /** The values panel is folded away. */
  folded: boolean;
  /** The active view is walked through, section after section. */
  walking: boolean;
  /** Single letters and signs are shortcuts. */
  characterKeys: boolean;
  rowDensity: RowDensity;
}

const initialState: DeskState = {
  site: null,
  selected: [],
  textStyle: null,
  aim: null,
  width: 1280,
  trial: null,
  reach: 'onward',
  outline: 'tree',
  sheets: 'one',
  beside: [],
  ghosts: false,
  screen: null,
  density: null,
  visitor: null,
  everyView: null,
  cropping: null,
  menu: null,
  adding: null,
  looking: false,
  measured: null,
  zoom: 'fit',
  comparing: { whole: false, section: false },
  folded: false,
  walking: false,
  characterKeys: usesCharacterKeys(),
  rowDensity: preferredDensity(),
};

/** Nothing stays selected that is not there any more, whoever took it off; what was asked for of it is not asked for any more. */
export function selectionHeld(state: DeskState, { site, page }: OpenPage): DeskState {
  const nodes = state.selected.filter((id) => page.nodes[id]);
  const style = site.textStyles.some(({ id }) => id === state.textStyle);
  if (nodes.length === state.selected.length && (state.textStyle === null || style)) return state;
  return {
    ...state,
    selected: nodes,
    textStyle: style ? state.textStyle : null,
    aim: null,
    menu: nodes.length > 0 ? state.menu : null,
    everyView: null,
    cropping: nodes.some((id) => id === state.cropping?.node) ? state.cropping : null,
  };
}

const widthOf = (views: Views, view: ViewId): number | undefined =>
  views.list.find(({ id }) => id === view)?.sheet.width;

export const desk = createSlice({
  name: 'desk',
  initialState,
  reducers: {
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
    /** The menu of what is selected opens where it was asked for; an element that is not selected is alone then. */
    menuOpened(
      state,
      { payload: { node, at } }: PayloadAction<{ node: NodeId; at: { left: number; top: number } }>,
    ) {
      if (!state.selected.includes(node)) state.selected = [node];
      state.textStyle = null;
      state.menu = at;
    },
    addingSet(state, { payload }: PayloadAction<DeskState['adding']>) {
      state.adding = payload;
    },
    lookedFor(state, { payload }: PayloadAction<boolean>) {
      state.looking = payload;
      if (!payload) state.measured = null;
    },
    pageMeasured(state, { payload }: PayloadAction<NonNullable<DeskState['measured']>>) {
      state.measured = payload;
    },
    everyViewAsked(state, { payload }: PayloadAction<DeskState['everyView']>) {
      state.everyView = payload;
    },
    /** The crop of an image is changed in a view, which is selected with that; null: no more. */
    croppingSet(state, { payload }: PayloadAction<DeskState['cropping']>) {
      state.cropping = payload;
      if (payload) state.selected = [payload.node];
    },
    menuClosed(state) {
      state.menu = null;
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
      }: PayloadAction<{ node?: NodeId; textStyle?: string } & NonNullable<DeskState['aim']>>,
    ) {
      if (node && !state.selected.includes(node)) state.selected = [node];
      state.textStyle = textStyle ?? null;
      state.aim = aim;
    },
    widthSet(state, { payload }: PayloadAction<number>) {
      state.width = payload;
      if (state.screen?.width !== payload) state.screen = null;
    },
    screenChosen(state, { payload }: PayloadAction<{ width: number; height: number }>) {
      state.width = payload.width;
      state.screen = { width: payload.width, height: payload.height };
    },
    densityChosen(state, { payload }: PayloadAction<number | null>) {
      state.density = payload;
    },
    /** A limit is moved, and the sheet with it: it is as wide as the view would begin. */
    limitMoved(state, { payload }: PayloadAction<{ view: ViewId; from: number }>) {
      state.trial = callOf('changeView', payload);
      state.width = payload.from;
    },
    /** It was let go, or given up: then the sheet is as wide again as it was. */
    limitLeft(state, { payload }: PayloadAction<{ width?: number }>) {
      state.trial = null;
      state.width = payload.width ?? state.width;
    },
    tried(state, { payload }: PayloadAction<Call | null>) {
      state.trial = payload;
    },
    reachChosen(state, { payload }: PayloadAction<EditReach>) {
      state.reach = payload;
    },
    outlineShown(state, { payload }: PayloadAction<OutlineMode>) {
      state.outline = payload;
    },
    sheetsChosen(state, { payload }: PayloadAction<DeskState['sheets']>) {
      state.sheets = payload;
    },
    /** One more view beside the active one, or one less, of those that are shown. */
    besideToggled(state, { payload: { view, views } }: PayloadAction<{ view: ViewId; views: Views }>) {
      const shown = viewsBeside(views, viewAt(views, state.width).id, state.beside);
      state.beside = shown.includes(view) ? shown.filter((id) => id !== view) : [...shown, view];
    },
    besideChosen(state, { payload }: PayloadAction<ViewId[]>) {
      state.beside = payload;
    },
    walkSet(state, { payload }: PayloadAction<boolean>) {
      state.walking = payload;
    },
    visitorChosen(state, { payload }: PayloadAction<Visitor | null>) {
      state.visitor = payload;
    },
    ghostsSet(state, { payload }: PayloadAction<boolean>) {
      state.ghosts = payload;
    },
    comparingChosen(state, { payload }: PayloadAction<Partial<DeskState['comparing']>>) {
      Object.assign(state.comparing, payload);
    },
    characterKeysSet(state, { payload }: PayloadAction<boolean>) {
      state.characterKeys = payload;
    },
    rowDensitySet(state, { payload }: PayloadAction<RowDensity>) {
      state.rowDensity = payload;
    },
    ledgerFolded(state, { payload }: PayloadAction<boolean>) {
      state.folded = payload;
    },
    zoomChosen(state, { payload }: PayloadAction<DeskState['zoom']>) {
      state.zoom = payload;
    },
  },
  extraReducers: (build) =>
    build
      .addCase(documents.actions.opened, (state, { payload: { site } }) => {
        state.selected = [];
        state.textStyle = null;
        state.aim = null;
        state.everyView = null;
        state.cropping = null;
        const { id, views } = site.frame;
        if (state.site === id) return;
        state.site = id;
        state.width = widthOf(views, views.base) ?? state.width;
        state.beside = [];
      })
      .addCase(documents.actions.pageShown, (state) => {
        state.selected = [];
        state.textStyle = null;
        state.aim = null;
        state.everyView = null;
        state.cropping = null;
      }),
});

export const {
  selected,
  selectionToggled,
  addingSet,
  lookedFor,
  pageMeasured,
  everyViewAsked,
  croppingSet,
  menuOpened,
  menuClosed,
  selectionSet,
  textStyleChosen,
  valueAimed,
  widthSet,
  screenChosen,
  densityChosen,
  limitMoved,
  limitLeft,
  tried,
  reachChosen,
  outlineShown,
  sheetsChosen,
  besideChosen,
  besideToggled,
  walkSet,
  ghostsSet,
  visitorChosen,
  comparingChosen,
  characterKeysSet,
  rowDensitySet,
  ledgerFolded,
  zoomChosen,
} = desk.actions;

/**
 * The views whose sheets stand beside the active one: those that were chosen; without any, the base, or beside that the narrowest.
 */
export function viewsBeside(views: Views, active: ViewId, chosen: readonly ViewId[]): ViewId[] {
  const others = chosen.filter((id) => id !== active && views.list.some((view) => view.id === id));
  if (others.length > 0) return others;
  const other = active === views.base ? views.list[0].id : views.base;
  return other === active ? [] : [other];
}

/** The width at which a view is first shown. */
export const viewChosen = (views: Views, view: ViewId) =>
  widthSet(widthOf(views, view) ?? views.list[0].sheet.width);
