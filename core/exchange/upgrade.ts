import { sure } from '../sure.ts';
/**
 * Brings what an earlier version of the program has stored to the present form: sites, publications, logged edits, copied elements, and
 * edits that wait in a browser. All of them count their versions together; one ladder of steps leads from each version to the next.
 */
import { keysOf, type Operation } from '../edits/log/operation.ts';
import { lookup } from '../lookup.ts';
import { dismissalKey } from '../site/dismissals.ts';
import { FORMAT_VERSION } from '../site/format.ts';

type Json = Record<string, unknown>;

/** A command by its name, with what it is given, as an earlier version wrote it. */
export interface StoredCall {
  name: string;
  args: unknown;
}

/** What leads from one version to the next; what a step does not name stays as it is. Steps are pure, and never change what they are given. */
export interface UpgradeStep {
  from: number;
  /** The frame of a site, without its version. */
  frame?(frame: Json): Json;
  /** An element, wherever it is stored. */
  node?(node: Json): Json;
  /** An operation on something smaller than an element, as the operations that do the same now. */
  operation?(operation: Operation): Operation[];
  call?(call: StoredCall): StoredCall;
}

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const BORDERS = ['borderTop', 'borderRight', 'borderBottom', 'borderLeft'];

const BORDER = /^(\/.+\/style\/self\/)borderWidth(\/.*)?$/;

/* eslint-disable names/plain-words -- the names of before */
/** The rules of checks that had another name up to version 2, by that name: dismissed findings are stored under the name of their rule. */
const RENAMED_RULES: Readonly<Record<string, string>> = {
  'actions of a strip': 'too many actions in a contact bar',
  'empty, and takes room': 'empty but takes space',
  'field hard to see': 'field contrast too low',
  'film that nobody sees': 'video that is never visible',
  'heading level left out': 'skipped heading level',
  'icon hard to see': 'icon contrast too low',
  'landmarks alike': 'landmarks with the same name',
  'lies over another': 'covers another element',
  'link leads nowhere': 'link without a target',
  'link to what is not shown': 'link to hidden content',
  'link without words': 'link without text',
  'opening screen within the site': 'splash screen within the site',
  'picture cropped by more than half': 'image cropped by more than half',
  'picture larger than its pixels': 'image enlarged beyond its pixels',
  'picture without a text alternative': 'image without a text alternative',
  'read in another order': 'reading order differs',
  'text hard to make out': 'text contrast too low',
  'told in another language': 'system message in another language',
  'word wider than its place': 'word wider than its container',
  'words at an edge': 'text at an edge',
  'words cut off': 'text cut off',
  'words over words': 'text over text',
};

/* eslint-enable names/plain-words */

const renamedKeys = new Map(
  Object.entries(RENAMED_RULES).map((names) => {
    const [before, now] = names.map((rule) => dismissalKey(rule, { textStyle: '' }));
    return [before, now];
  }),
);

/** The key of a dismissed finding, with the present name of its rule. */
function renamedKey(key: string): string {
  const [rule, ...part] = key.split('_');
  return [renamedKeys.get(rule) ?? rule, ...part].join('_');
}

/** Something on which findings are dismissed: an element, or a text style. */
const withRenamedRules = (given: Json): Json =>
  isObject(given.aside)
    ? {
        ...given,
        aside: Object.fromEntries(Object.entries(given.aside).map(([key, each]) => [renamedKey(key), each])),
      }
    : given;

/**
 * Every step, in order. Version 1 had no spacing scale and no fonts of the site's own, and one border width for all four sides.
 * Version 2 had other names for rules of checks.
 */
export const UPGRADES: readonly UpgradeStep[] = [
  {
    from: 1,
    frame: (frame) => ({ spacing: [], fonts: [], ...frame }),
    node(node) {
      if (!isObject(node.style) || !isObject(node.style.self)) return node;
      const { borderWidth, ...self } = node.style.self;
      if (borderWidth === undefined) return node;
      const borders = Object.fromEntries(BORDERS.map((name) => [name, borderWidth]));
      return { ...node, style: { ...node.style, self: { ...self, ...borders } } };
    },
    operation(operation) {
      const [, start, rest = ''] = BORDER.exec(operation.path) ?? [];
      return start === undefined
        ? [operation]
        : BORDERS.map((name) => ({ ...operation, path: `${start}${name}${rest}` }));
    },
  },
  {
    from: 2,
    frame: (frame) =>
      Array.isArray(frame.textStyles)
        ? {
            ...frame,
            textStyles: frame.textStyles.map((style: unknown) =>
              isObject(style) ? withRenamedRules(style) : style,
            ),
          }
        : frame,
    node: withRenamedRules,
    operation(operation) {
      const path = operation.path.replace(
        /(\/aside\/)([^/]+)/,
        (_all, start: string, key: string) => start + renamedKey(key),
      );
      if (operation.op !== 'set' || !isObject(operation.value)) return [{ ...operation, path }];
      const value = path.endsWith('/aside')
        ? withRenamedRules({ aside: operation.value }).aside
        : withRenamedRules(operation.value);
      return [{ ...operation, path, value }];
    },
    call({ name, args }) {
      const rule = isObject(args) && typeof args.rule === 'string' ? args.rule : undefined;
      return name === 'setAside' && rule !== undefined
        ? { name, args: { ...(args as Json), rule: lookup(RENAMED_RULES, rule) ?? rule } }
        : { name, args };
    },
  },
];

/** The functions that read older forms, by a ladder of steps to a present version. */
export function upgradesBy(steps: readonly UpgradeStep[], present: number) {
  /** The steps from a version on; none for what is no earlier version. */
  const since = (version: unknown): readonly UpgradeStep[] =>
    typeof version === 'number' && version < present ? steps.filter(({ from }) => from >= version) : [];

  /** An element that was stored with a version; one that needs no change stays the same object. */
  const node = (given: unknown, version: number): unknown =>
    since(version).reduce((at, step) => (isObject(at) && step.node ? step.node(at) : at), given);

  /** A tree of elements, such as a page. */
  function tree(given: unknown, version: number): unknown {
    if (!isObject(given) || !isObject(given.nodes)) return given;
    const nodes = Object.entries(given.nodes).map(([id, each]) => [id, node(each, version)]);
    return { ...given, nodes: Object.fromEntries(nodes) as Json };
  }

  /** A site's frame, with the trees that it holds. One of the present version, or of a later one, stays the same object. */
  function frame<T>(given: T): T {
    if (!isObject(given)) return given;
    const { version } = given;
    if (since(version).length === 0) return given;
    const { shared, ...rest } = given as Json;
    const made = since(version).reduce<Json>((at, step) => step.frame?.(at) ?? at, rest);
    const trees =
      isObject(shared) &&
      Object.fromEntries(Object.entries(shared).map(([name, each]) => [name, tree(each, version as number)]));
    return { ...made, ...(trees && { shared: trees }), version: present } as T;
  }

  /** What an operation puts where whole elements are: an element, a tree, or a frame's part. */
  function upgradedValue(path: string, value: unknown, version: number): unknown {
    const [first, second, third, fourth, ...rest] = keysOf(path);
    const isPlace = first === 'pages' || (first === 'frame' && second === 'shared');
    if (!isPlace) return value;
    const [nodes, id, ...more] = first === 'pages' ? [third, fourth, ...rest] : [fourth, ...rest];
    if (nodes === undefined) return tree(value, version);
    return nodes === 'nodes' && id !== undefined && more.length === 0 ? node(value, version) : value;
  }

  return {
    node,
    frame,

    /** A site as it was published. */
    state<T>(given: T): T {
      if (!isObject(given) || !isObject(given.frame) || !isObject(given.pages)) return given;
      const { version } = given.frame;
      if (since(version).length === 0) return given;
      const pages = Object.entries(given.pages).map(([id, page]) => [id, tree(page, version as number)]);
      return { ...(given as Json), frame: frame(given.frame), pages: Object.fromEntries(pages) as Json } as T;
    },

    /** A site as its file has it. */
    file<T>(given: T): T {
      if (!isObject(given) || since(given.version).length === 0) return given;
      const { version, pages } = given as Json;
      const made = Array.isArray(pages) ? pages.map((page: unknown) => tree(page, version as number)) : pages;
      return { ...frame(given as Json), pages: made } as T;
    },

    /** The operations of an edit that was stored with a version. */
    operations(given: readonly Operation[], version: number): Operation[] {
      return since(version).reduce<Operation[]>(
        (at, step) => (step.operation ? at.flatMap((each) => sure(step.operation, 'operation')(each)) : at),
        given.map((each) =>
          each.op === 'set' ? { ...each, value: upgradedValue(each.path, each.value, version) } : each,
        ),
      );
    },

    /** A command with its arguments, as a browser remembers it. */
    call: (given: StoredCall, version: number): StoredCall =>
      since(version).reduce((at, step) => step.call?.(at) ?? at, given),
  };
}

/** The ladder to the present version. */
export const upgraded = upgradesBy(UPGRADES, FORMAT_VERSION);
