import type { Asset, Font, MessageLine, Logged, Operation, Page, SiteFrame } from '../core/index.ts';

export interface Health {
  ready: true;
}

/** Where a backup is that was asked for, on the machine of the program. */
export interface BackupResponse {
  folder: string;
}

/** The published state that the host serves. */
export interface LivePublication {
  number: number;
  url: string;
  publishedAt: string;
  /** Why it is not in the folder for other servers, where that was wanted; a sentence. */
  notInFolder?: string;
}

/** A line of the list of publications. */
export interface PublicationLine {
  number: number;
  publishedAt: string;
  /** What the one who published it said of it. */
  note: string;
  /** Who published it, as they called themselves; empty where they did not say. */
  by: string;
  /** The revision of the site that was published. */
  revision: number;
  /** How many of the pages stayed as they were before. */
  heldBack: number;
  pages: number;
  live: boolean;
  /** Where it can be looked at, whether it is live or not, by who has the address; null for those from before that was possible. */
  url: string | null;
  /** The site as it was is kept with it. */
  comparable: boolean;
}

export interface PublicationsResponse {
  /** The last one first. */
  publications: PublicationLine[];
  /** There are earlier ones. */
  more: boolean;
  /** The one that visitors get, however early it is. */
  live: PublicationLine | null;
}

/** What a visitor sent with a form. */
export interface FormMessage {
  id: string;
  form: string;
  /** What the form was called then. */
  formName: string;
  /** Where it was sent from, from the root of the site. */
  page: string;
  lines: MessageLine[];
  arrivedAt: string;
  read: boolean;
}

/** A form that letters came from. */
export interface MessagesOfForm {
  form: string;
  formName: string;
  letters: number;
  unread: number;
}

export interface MessagesResponse {
  /** Those of one form, of all, or those that may come from robots; the last one first. */
  letters: FormMessage[];
  /** There are earlier ones. */
  more: boolean;
  forms: MessagesOfForm[];
  /** How many there are that may come from robots. */
  doubtful: number;
  /** For how many days letters are kept; 0: until somebody deletes them. */
  keptFor: number;
}

export interface UnreadResponse {
  unread: number;
}

/** A line of the sites list. */
export interface SiteSummary {
  id: string;
  name: string;
  pages: number;
  firstPage: string;
  revision: number;
  changedAt: string;
  live: LivePublication | null;
  /** When it was archived; null where it is not. */
  putAwayAt: string | null;
}

/** A site that was made, imported or copied. */
export interface AddedSite {
  id: string;
  firstPage: string;
}

/** What a site's page list tells of a page besides its head. */
export interface PageSummary {
  id: string;
  /** What the page is called in the workbench. */
  name: string;
  /** How many overrides the page holds, by view. */
  overrides: Record<string, number>;
}

export interface SiteResponse {
  frame: SiteFrame;
  revision: number;
  pages: PageSummary[];
  live: LivePublication | null;
  /** Pages that have changed since the live publication; all of them when nothing is live. */
  unpublished: string[];
}

/** A page with its site's frame, both as they are at a revision. */
export interface PageResponse {
  frame: SiteFrame;
  page: Page;
  revision: number;
}

/** An edit as the log of a site has it. */
export interface LogEntry extends Logged {
  revision: number;
  operations: Operation[];
  /** What undoes it. */
  inverse: Operation[];
  madeAt: string;
}

/** An edit as the list of steps has it. */
export interface StepEntry extends Logged {
  revision: number;
  madeAt: string;
  /** The pages that it changed, by id; none where it changed only what all pages share. */
  pages: string[];
}

export interface EditResponse {
  /** The site's revision that the edit made. */
  revision: number;
  /** Edits of others between the revision it was made on and its own, oldest first; absent where there are none. */
  missed?: LogEntry[];
}

/** A part of an edit was received; the others are awaited. */
export interface PartResponse {
  received: number;
}

export interface LogResponse {
  revision: number;
  /** The edits after the revision asked for, oldest first; absent where they are not all remembered or too many. */
  edits?: LogEntry[];
}

export interface StepsResponse {
  steps: StepEntry[];
}

/** A font file that was taken in, and what it says of itself. */
export type FontResponse = Omit<Font, 'id'>;

export interface PreviewResponse {
  url: string;
}

/** RFC 9457. `detail` is a sentence that says what happened, what was kept and what to do. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** What is wrong in detail, each with a JSON Pointer. */
  faults?: { path: string; sentence: string }[];
  /** Where something else was kept under the same key: at which revision. */
  kept?: number;
  /** With 412: the site's present revision. */
  revision?: number;
  /** With 412: the edits that the sender has not seen, oldest first; absent where they are not all remembered. */
  missed?: LogEntry[];
}

/** What was found of an image or video that was imported; its bytes are kept under their hash. */
export type AssetResponse = Omit<Asset, 'id' | 'name' | 'alt' | 'focus'> & { bytes: number };

/** How far the images are that a publication has made of others. */
export interface MakingResponse {
  wanted: number;
  made: number;
}
