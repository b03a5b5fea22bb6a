import type { EditReach, Node, Page, SiteFrame, ViewId } from '../../../core/index.ts';
import type { Thunk } from '../../state/store.ts';

export type BlockDialog = 'paste' | 'copy overrides' | 'even rows' | 'arrange' | 'tidy' | 'scale';

/** Something that can be done with what is selected. */
export interface BlockAction {
  label: string;
  /** The keys that do the same. */
  keys?: string;
  disabled?: boolean;
  /** Set for what is on or off. */
  checked?: boolean;
  run: Thunk<unknown>;
}

export interface ActionGroup {
  heading: string;
  entries: BlockAction[];
}

export interface Selected {
  site: SiteFrame;
  page: Page;
  nodes: Node[];
  active: ViewId;
  reach: EditReach;
  onDialog(which: BlockDialog): void;
}
