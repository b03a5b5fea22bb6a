import type { NodeId } from '../../elements/nodeid.ts';
import { isAtEdge, isDeep } from '../../elements/kinds/table.ts';
import { viewAt, type View, type ViewId } from '../../layered/views.ts';
import type { Node } from '../../site/node.ts';
import type { Page, SiteFrame } from '../../site/site.ts';
import type { Fix, Severity } from '../finding.ts';
import { PRACTICE } from '../rule.ts';
import type { Laid, LaidElement, TextSetting } from './textlayout.ts';

/**
 * What a rule found at one width. In `sentence`, `{name}` stands for the element, `{other}` for the other one, and `{widths}` for the
 * widths at which it is so.
 */
export interface Detected {
  node: NodeId;
  other?: NodeId;
  /** How bad it is; of all widths, the worst is told. */
  amount: number;
  sentence: string;
  cure: string;
  fixes?: readonly Fix[];
}

/** Of rules that are common practice, on text as it is. */
export const AS_PRACTICE: MeasuredRule['clauses'] = { 'as it is': PRACTICE };

/** A rule on a page as a browser has laid it out. */
export interface MeasuredRule {
  name: string;
  /** The clause of a standard, or “common practice”, by how text is set; the settings that are not here are not looked at. */
  clauses: Partial<Record<TextSetting, string>>;
  severity: Severity;
  find(laid: LaidPage): Detected[];
}

/** A page as it is laid out, and what the site says of it. */
export class LaidPage {
  readonly view: View;
  /** The view is narrower than the base: it is looked at on a device that is touched. */
  readonly narrow: boolean;
  private readonly byNode: ReadonlyMap<NodeId, LaidElement>;

  constructor(
    readonly site: SiteFrame,
    readonly page: Page,
    readonly laid: Laid,
  ) {
    this.view = viewAt(site.views, laid.width);
    const place = (view: ViewId) => site.views.list.findIndex(({ id }) => id === view);
    this.narrow = place(this.view.id) < place(site.views.base);
    this.byNode = new Map(laid.elements.map((element) => [element.node, element]));
  }

  node(id: NodeId): Node {
    return this.page.nodes[id];
  }

  laidOut(id: NodeId): LaidElement | undefined {
    return this.byNode.get(id);
  }

  /** What stands in the rows of an element and is there, in the order of the source; in place of what has no box of its own, what stands in that. */
  within(id: NodeId): LaidElement[] {
    return this.node(id)
      .children.filter((child) => !isAtEdge(this.node(child).kind))
      .flatMap((child) => this.byNode.get(child) ?? this.within(child));
  }

  /** Returns the elements that hold others and are displayed. */
  containers(): LaidElement[] {
    return this.laid.elements.filter(({ node }) => this.node(node).children.length > 0);
  }

  /** Returns the containers whose parts are not meant to overlap: all but overlays. */
  flatContainers(): LaidElement[] {
    return this.containers().filter(({ node }) => !isDeep(this.node(node).kind));
  }

  /** The elements that an element stands in, from the nearest. */
  around(id: NodeId): NodeId[] {
    const all: NodeId[] = [];
    for (let at = this.node(id).parent; at !== null; at = this.node(at).parent) all.push(at);
    return all;
  }
}
