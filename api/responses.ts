import type { Font, Operation, Page, PageReference, SiteFrame, Stacks } from '../core/index.ts';

export interface Health {
  ready: true;
}

/** The published state that the host serves. */
export interface LivePublication {
  number: number;
  url: string;
  publishedAt: string;
}

/** A line of the sites list. */
export interface SiteSummary {
  id: string;
  name: string;
  pages: number;
  firstPage: string;
  /** The asset of the first page's first picture, to know the site by; null where it has none. */
  cover: string | null;
  changedAt: string;
  live: LivePublication | null;
}

/** A line of a site's page list. */
export interface PageSummary extends PageReference {
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

export interface PageResponse {
  page: Page;
  revision: number;
  /** The steps that can be taken back and made again, as far back as the page remembers. */
  steps: Stacks;
}

export interface EditResponse {
  revision: number;
}

export interface MissedEdit {
  revision: number;
  operations: Operation[];
  /** What takes it back. */
  inverse: Operation[];
  sentence: string;
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
  /** With 412: the edits that the sender has not seen, oldest first. */
  missed?: MissedEdit[];
}
