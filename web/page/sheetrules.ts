import {
  type CssRule,
  keysOf,
  knownIn,
  type NodeId,
  type Preview,
  printDeclarations,
  sure,
} from '../../core/index.ts';

/** A rule in a sheet's document, and what it was made from. */
interface Handle {
  rule: CssRule;
  style: CSSStyleDeclaration;
}

/** Some elements whose rules stand together in one style element. */
interface Chunk {
  element: HTMLStyleElement;
  handles: Map<NodeId, Handle[]>;
}

/** How many elements a chunk is for. */
const CHUNK = 48;

const textOf = ({ selector, condition, declarations }: CssRule): string => {
  const text = `${selector}{${printDeclarations(declarations)}}`;
  return condition ? `@media ${condition}{${text}}` : text;
};

const styleOf = (rule: CSSRule, condition: string | undefined): CSSStyleDeclaration =>
  (condition === undefined ? (rule as CSSStyleRule) : ((rule as CSSMediaRule).cssRules[0] as CSSStyleRule))
    .style;

const aligned = (handles: readonly Handle[], rules: readonly CssRule[]): boolean =>
  handles.length === rules.length &&
  handles.every(
    ({ rule }, index) => rule.condition === rules[index].condition && rule.selector === rules[index].selector,
  );

/**
 * The rules of a sheet's elements. Each element's rules stand together, base first: they style nothing else, so this
 * order says the same as that of the published style sheet. They are spread over many small style elements, because a
 * browser reads the whole of one again when a rule in it changes.
 */
export class ElementRules {
  private chunks: Chunk[] = [];
  private chunkOf = new Map<NodeId, Chunk>();
  private applied: Preview | undefined;

  /** `before`: the element in the document's head that the rules stand before. */
  constructor(private readonly before: HTMLElement) {}

  update(content: Preview): void {
    if (this.applied === content) return;
    const { since } = content;
    // One that is no more is not what nothing was made of yet.
    if (since && this.applied && since.preview.deref() === this.applied) this.bring(since.elements, content);
    else {
      const ids = keysOf(content.page.nodes);
      const known = ids.length === this.chunkOf.size && ids.every((id) => this.chunkOf.has(id));
      if (known) this.bring(ids, content);
      else this.spread(ids, content);
    }
    this.applied = content;
  }

  /** Brings the rules of elements up to date, in place where they are as many as before. */
  private bring(ids: readonly NodeId[], content: Preview): void {
    const broken = new Set<Chunk>();
    for (const id of ids) {
      if (!this.chunkOf.has(id) || !content.page.nodes[id]) {
        broken.add(this.move(id, content.page.nodes[id] !== undefined));
        continue;
      }
      const chunk = knownIn(this.chunkOf, id);
      const handles = knownIn(chunk.handles, id);
      const rules = content.rulesOf(id);
      if (!aligned(handles, rules)) broken.add(chunk);
      else handles.forEach((handle, index) => put(handle, rules[index]));
    }
    broken.forEach((chunk) => write(chunk, [...chunk.handles.keys()], content));
  }

  /** Takes a new element into the last chunk, or one that is gone out of its own; answers the chunk. */
  private move(id: NodeId, present: boolean): Chunk {
    const chunk = this.chunkOf.get(id) ?? this.chunks[this.chunks.length - 1];
    if (present) {
      chunk.handles.set(id, []);
      this.chunkOf.set(id, chunk);
    } else {
      chunk.handles.delete(id);
      this.chunkOf.delete(id);
    }
    return chunk;
  }

  /** Spreads the rules of all elements over new chunks. */
  private spread(ids: readonly NodeId[], content: Preview): void {
    this.chunks.forEach(({ element }) => element.remove());
    this.chunks = [];
    this.chunkOf = new Map();
    for (let first = 0; first < ids.length; first += CHUNK) {
      const element = this.before.ownerDocument.createElement('style');
      this.before.before(element);
      const chunk: Chunk = { element, handles: new Map() };
      const some = ids.slice(first, first + CHUNK);
      write(chunk, some, content);
      this.chunks.push(chunk);
      some.forEach((id) => this.chunkOf.set(id, chunk));
    }
  }
}

function put(handle: Handle, rule: CssRule): void {
  if (handle.rule === rule) return;
  const declarations = printDeclarations(rule.declarations);
  if (declarations !== printDeclarations(handle.rule.declarations)) handle.style.cssText = declarations;
  handle.rule = rule;
}

function write(chunk: Chunk, ids: readonly NodeId[], content: Preview): void {
  const all = ids.map((id) => ({ id, rules: content.rulesOf(id) }));
  chunk.element.textContent = all.flatMap(({ rules }) => rules.map(textOf)).join('\n');
  const made = sure(chunk.element.sheet, 'sheet').cssRules;
  let index = 0;
  chunk.handles = new Map(
    all.map(({ id, rules }) => [
      id,
      rules.map((rule) => ({ rule, style: styleOf(made[index++], rule.condition) })),
    ]),
  );
}
