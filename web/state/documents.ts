import { createSelector, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { LogEntry, PageSummary, StepEntry } from '../../api/responses.ts';
import {
  composed,
  type EditBy,
  type NodeId,
  type Operation,
  type Page,
  type SiteFrame,
  type Step,
  shortened,
} from '../../core/index.ts';
import type { SaveStatus } from './savequeue.ts';
import type { UnappliedEdit, SyncState, Taken, Use } from './pending.ts';

/** A step of the site's history. What it changed and how it is undone is known of those seen happening here. */
export type KnownStep = StepEntry & Partial<Pick<LogEntry, 'operations' | 'inverse'>>;

/** A site open for editing: its frame, and those of its pages that were opened or changed from here. */
export interface OpenSite extends SyncState {
  /** The window's name in the history. */
  session: string;
  /** The page that is shown. */
  page: NodeId;
  /** How many overrides each page held when the site was opened. */
  counts: PageSummary[];
  /** The steps that are kept, oldest first. */
  steps: KnownStep[];
  /** Whether older steps may be remembered that are not in the list. */
  earlier: boolean;
  /** Steps that this window made before those of the list, oldest first, as far as they were needed. */
  own: KnownStep[];
  /** Whether this window may have made steps before all these. */
  ownEarlier: boolean;
}

/** A change that has been replaced, by whom, and how it is had back. */
export interface Overwritten {
  by: 'me' | 'others';
  operations: Operation[];
  sentences: string[];
}

export interface DocumentsState {
  open: OpenSite | null;
  saveStatus: SaveStatus;
  /** Whether the browser remembers what is not saved; false where its own database fails. */
  remembered: boolean;
  /** What could not be kept. It stays until the person has done with it. */
  aside: UnappliedEdit[];
  overwritten: Overwritten | null;
  /** Steps that were to be undone and could not be; the next try goes past them. */
  passed: string[];
  /** What was last said to the person about an edit; `refusal` when it was not made. */
  announcement: { sentence: string; refusal: boolean; count: number };
}

const initialState: DocumentsState = {
  open: null,
  saveStatus: { state: 'saved', at: null },
  remembered: true,
  aside: [],
  overwritten: null,
  passed: [],
  announcement: { sentence: '', refusal: false, count: 0 },
};

/** How many steps are held; older ones can be asked for. */
const STEPS = 1000;

const say = (state: DocumentsState, sentence: string, refusal = false) => {
  state.announcement = { sentence, refusal, count: state.announcement.count + 1 };
};

const stepFrom = (entry: LogEntry): KnownStep => ({ ...entry, pages: pagesOfPaths(entry.operations) });

/** Those of some steps that are older than others. */
const before = (steps: readonly KnownStep[], [first]: readonly KnownStep[]): KnownStep[] =>
  steps.filter(({ revision }) => first === undefined || revision < first.revision);

/** The pages that some operations change. */
export const pagesOfPaths = (operations: readonly Operation[]): string[] => [
  ...new Set(operations.flatMap(({ path }) => (path.startsWith('/pages/') ? [path.split('/')[2]] : []))),
];

export const listed = (edits: readonly { sentence: string }[]) =>
  edits.map(({ sentence }) => sentence).join('; ');

interface Opened extends SyncState {
  session: string;
  page: NodeId;
  counts: PageSummary[];
  steps: KnownStep[];
  earlier: boolean;
  aside: UnappliedEdit[];
}

interface MadeAction {
  step: Step;
  edit: { key: string; by: EditBy; of?: string; use?: Use; at: number };
}

export const documents = createSlice({
  name: 'documents',
  initialState,
  reducers: {
    opened(state, { payload }: PayloadAction<Opened>) {
      const { aside, ...open } = payload;
      state.open = { ...open, own: [], ownEarlier: open.earlier };
      state.aside = aside;
      state.saveStatus = open.pending.length > 0 ? { state: 'saving' } : { state: 'saved', at: null };
      state.overwritten = null;
      state.passed = [];
    },
    closed(state) {
      state.open = null;
    },
    /** Another page is shown. */
    pageShown(state, { payload }: PayloadAction<NodeId>) {
      if (state.open) state.open.page = payload;
    },
    /** A page has been read that was not there, at the revision that the site is known at. */
    pageRead(state, { payload }: PayloadAction<Page>) {
      const { open } = state;
      if (!open || open.stored.pages[payload.id]) return;
      open.stored = { ...open.stored, pages: { ...open.stored.pages, [payload.id]: payload } };
      open.site = { ...open.site, pages: { ...open.site.pages, [payload.id]: payload } };
    },
    made(state, { payload: { step, edit } }: PayloadAction<MadeAction>) {
      const { open } = state;
      if (!open) return;
      const { site, operations, inverse, sentence } = step;
      open.site = site;
      open.pending.push({ ...edit, session: open.session, operations, inverse, sentence });
      if (edit.by === 'edit') state.passed = [];
      if (state.saveStatus.state === 'saved') state.saveStatus = { state: 'saving' };
      say(state, edit.by === 'undo' ? `Undone: ${sentence}` : sentence);
    },
    refusedEdit(state, { payload }: PayloadAction<string>) {
      say(state, payload, true);
    },
    /** Something came of an edit that one may not have meant. */
    warned(state, { payload }: PayloadAction<string>) {
      say(state, payload, true);
    },
    /** A step cannot be undone, or redone, as things stand: it stays in the list, and why is said. */
    stepPassed(state, { payload }: PayloadAction<{ key: string; sentence: string }>) {
      state.passed.push(payload.key);
      say(state, payload.sentence, true);
    },
    saveStatusChanged(state, { payload }: PayloadAction<SaveStatus>) {
      state.saveStatus = payload;
    },
    rememberedBy(state, { payload }: PayloadAction<boolean>) {
      state.remembered = payload;
    },
    /** Edits of the log, others' or one's own, have been taken over. */
    tookOver(state, { payload }: PayloadAction<Taken>) {
      const { open } = state;
      if (!open) return;
      const { site, stored, revision, pending, aside, entries, overwritten } = payload;
      Object.assign(open, { site, stored, revision, pending });
      const known = new Set(open.steps.map(({ key }) => key));
      open.steps.push(...entries.filter(({ key }) => !known.has(key)).map(stepFrom));
      if (open.steps.length > STEPS) {
        const gone = open.steps.splice(0, open.steps.length - STEPS);
        open.own.push(...gone.filter(({ session }) => session === open.session));
        open.earlier = true;
      }
      state.aside.push(...aside);
      const others = entries.filter(({ session }) => session !== open.session);
      if (others.length > 0) state.passed = [];
      if (aside.length > 0) say(state, notAppliedSentence(aside), true);
      else if (others.length > 0) say(state, `Updated from elsewhere: ${listed(others)}.`);
      if (overwritten.length > 0) {
        const replaced = others.filter(({ operations }) =>
          operations.some((operation) => overwritten.includes(operation)),
        );
        const sentences = replaced.map(({ sentence }) => sentence);
        state.overwritten = { by: 'me', operations: overwritten, sentences };
      }
    },
    /** Others replaced what was set here: it can be had back. */
    wasOverwritten(state, { payload }: PayloadAction<Overwritten>) {
      state.overwritten = payload;
    },
    overwrittenDone(state) {
      state.overwritten = null;
    },
    /** The site has been read again, at another state than what was known. */
    resynced(
      state,
      { payload }: PayloadAction<SyncState & Pick<OpenSite, 'steps' | 'own'> & { aside: UnappliedEdit[] }>,
    ) {
      const { open } = state;
      if (!open) return;
      const { site, stored, revision, pending, aside, steps, own } = payload;
      const history = { steps, earlier: true, own: before(own, steps), ownEarlier: true };
      Object.assign(open, { site, stored, revision, pending, ...history });
      if (!site.pages[open.page]) open.page = site.frame.pages[0].id;
      state.aside.push(...aside);
      state.passed = [];
      say(
        state,
        aside.length > 0 ? notAppliedSentence(aside) : 'The site was reloaded: much has changed elsewhere.',
        aside.length > 0,
      );
    },
    /** Pending edits stand on top of each other without those that were not applied. */
    rebasedOn(
      state,
      { payload }: PayloadAction<Pick<SyncState, 'site' | 'pending'> & { aside: UnappliedEdit[] }>,
    ) {
      const { open } = state;
      if (!open) return;
      Object.assign(open, { site: payload.site, pending: payload.pending });
      state.aside.push(...payload.aside);
      if (payload.aside.length > 0) say(state, notAppliedSentence(payload.aside), true);
    },
    countsRead(state, { payload }: PayloadAction<PageSummary[]>) {
      if (state.open) state.open.counts = payload;
    },
    /** The person has done with what could not be kept. */
    unappliedDismissed(state) {
      state.aside = [];
    },
    /** What a step changed has been asked for. */
    stepKnown(state, { payload }: PayloadAction<LogEntry>) {
      for (const steps of [state.open?.own ?? [], state.open?.steps ?? []]) {
        const at = steps.findIndex(({ key }) => key === payload.key);
        if (at >= 0) steps[at] = stepFrom(payload);
      }
    },
    stepsRead(state, { payload }: PayloadAction<{ steps: KnownStep[]; earlier: boolean }>) {
      const { open } = state;
      if (!open) return;
      open.steps.unshift(...before(payload.steps, open.steps));
      open.own = before(open.own, open.steps);
      open.earlier = payload.earlier;
    },
    /** Steps of this window have been read that are older than those at hand. */
    ownStepsRead(state, { payload }: PayloadAction<{ steps: KnownStep[]; earlier: boolean }>) {
      const { open } = state;
      if (!open) return;
      open.own.unshift(...before(before(payload.steps, open.own), open.steps));
      open.ownEarlier = payload.earlier;
    },
  },
});

/** The revision from which on all steps of this window are at hand; undefined where none are. */
export const firstOwn = ({ own, steps }: OpenSite): number | undefined => (own[0] ?? steps[0])?.revision;

const notAppliedSentence = (aside: readonly UnappliedEdit[]): string =>
  aside.length === 1
    ? `“${shortened(aside[0].edit.sentence)}” could not be saved: ${aside[0].why} It was not applied; the rest is saved.`
    : `${aside.length} changes could not be saved and were not applied; the rest is saved.`;

export const { overwrittenDone, unappliedDismissed, pageShown } = documents.actions;

/** A page that is shown, with the frame of its site. */
export interface OpenPage {
  site: SiteFrame;
  /** With what it shares with other pages. */
  page: Page;
  counts: PageSummary[];
}

export interface WithDocuments {
  documents: DocumentsState;
}

/** The page that is shown; null while none is open. The same object as long as nothing of it changes. */
export const openPage = createSelector(
  [
    ({ documents: { open } }: WithDocuments) => open?.site.frame,
    ({ documents: { open } }: WithDocuments) => open?.site.pages[open.page],
    ({ documents: { open } }: WithDocuments) => open?.counts,
  ],
  (site, page, counts): OpenPage | null =>
    site && page && counts ? { site, page: composed(site, page), counts } : null,
);
