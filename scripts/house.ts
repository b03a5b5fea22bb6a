/**
 * `npm run house`: the figures that say whether one can find one's way in the sources: lines by folder, what `core/index.ts` exports,
 * assertions and casts, comparisons with the name of a kind, and the longest functions. Tests are counted as lines alone.
 */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { KINDS } from '../core/index.ts';

const root = fileURLToPath(new URL('..', import.meta.url));
const PRODUCT = ['core', 'api', 'server', 'web', 'cli', 'demo'];
const AROUND = ['scripts', 'benchmarks'];

/** The longest functions that are listed. */
const LISTED = 12;

const files = execFileSync('git', ['ls-files', ...PRODUCT, ...AROUND, 'test'], {
  cwd: root,
  encoding: 'utf8',
})
  .split('\n')
  .filter((path) => /\.(tsx?|mjs|cjs)$/.test(path) && !path.endsWith('.d.ts'));
const folderOf = (path: string): string => path.split('/')[0];

interface Counts {
  assertions: number;
  casts: number;
  anys: number;
  kinds: number;
}

interface Long {
  lines: number;
  name: string;
  path: string;
}

const nameOf = (node: ts.Node): string => {
  const holder = node.parent as ts.Node & { name?: ts.Node };
  const named = (node as ts.Node & { name?: ts.Node }).name ?? holder.name;
  return named ? named.getText() : 'without a name';
};

const isConst = ({ type }: ts.AsExpression): boolean => type.getText() === 'const';

const kindNames = new Set(KINDS.map(({ name }) => name));

/** Whether something is a name of a kind of element. */
const isKindName = (node: ts.Node): boolean =>
  (ts.isStringLiteral(node) && kindNames.has(node.text)) ||
  (ts.isIdentifier(node) && node.text === 'OVERLAY');

/** `a.kind === 'picture'`, either way round, and `!==`. */
function comparesKind(node: ts.Node): boolean {
  if (!ts.isBinaryExpression(node)) return false;
  const { kind } = node.operatorToken;
  if (kind !== ts.SyntaxKind.EqualsEqualsEqualsToken && kind !== ts.SyntaxKind.ExclamationEqualsEqualsToken)
    return false;
  const sides = [node.left, node.right];
  return sides.some((side) => /\bkind$/.test(side.getText())) && sides.some(isKindName);
}

function measured(paths: readonly string[]): { counts: Counts; long: Long[] } {
  const counts: Counts = { assertions: 0, casts: 0, anys: 0, kinds: 0 };
  const long: Long[] = [];
  for (const path of paths) {
    const text = readFileSync(join(root, path), 'utf8');
    const source = ts.createSourceFile(path, text, ts.ScriptTarget.ES2022, true);
    const lineOf = (at: number) => source.getLineAndCharacterOfPosition(at).line;
    const visit = (node: ts.Node): void => {
      if (ts.isNonNullExpression(node)) counts.assertions += 1;
      if (ts.isAsExpression(node) && !isConst(node)) counts.casts += 1;
      if (node.kind === ts.SyntaxKind.AnyKeyword) counts.anys += 1;
      if (comparesKind(node)) counts.kinds += 1;
      if (ts.isFunctionLike(node) && 'body' in node && node.body)
        long.push({ lines: lineOf(node.end) - lineOf(node.getStart()) + 1, name: nameOf(node), path });
      ts.forEachChild(node, visit);
    };
    visit(source);
  }
  return { counts, long };
}

const linesOf = (paths: readonly string[]): number =>
  paths.reduce((sum, path) => sum + readFileSync(join(root, path), 'utf8').split('\n').length - 1, 0);

/** The names that the index of core passes on. */
function exported(): number {
  const text = readFileSync(join(root, 'core/index.ts'), 'utf8');
  const source = ts.createSourceFile('index.ts', text, ts.ScriptTarget.ES2022, true);
  return source.statements.reduce((sum, statement) => {
    const clause = ts.isExportDeclaration(statement) ? statement.exportClause : undefined;
    return sum + (clause && ts.isNamedExports(clause) ? clause.elements.length : 0);
  }, 0);
}

/** How many files of the program outside of core import each name. */
function importers(paths: readonly string[]): Map<string, number> {
  const count = new Map<string, number>();
  for (const path of paths.filter((each) => folderOf(each) !== 'core')) {
    const text = readFileSync(join(root, path), 'utf8');
    for (const [, names] of text.matchAll(/import (?:type )?\{([^}]*)\} from '[./]*core\/index\.ts'/g))
      for (const name of names.split(',').map((each) => each.trim().replace(/^type | as .*$/g, '')))
        if (name) count.set(name, (count.get(name) ?? 0) + 1);
  }
  return count;
}

/** How many files each example of docs/extending.md consists of. */
const examples = (): number =>
  [...readFileSync(join(root, 'docs/extending.md'), 'utf8').matchAll(/^```ts \w+\.ts$/gm)].length;

const row = (what: string, ...figures: (string | number)[]): void =>
  console.log(`${what.padEnd(42)}${figures.map((each) => String(each).padStart(9)).join('')}`);

row('lines', 'lines', 'files');
for (const folder of [...PRODUCT, ...AROUND, 'test']) {
  const own = files.filter((path) => folderOf(path) === folder);
  row(`  ${folder}`, linesOf(own), own.length);
}
const product = files.filter((path) => PRODUCT.includes(folderOf(path)));
const tests = linesOf(files.filter((path) => folderOf(path) === 'test'));
row('product', linesOf(product), product.length);
row('tests, of all that is code', `${Math.round((tests / linesOf(files)) * 100)} %`);
const { counts, long } = measured(product);
row('names that core/index.ts exports', exported());
const used = [...importers(product).values()];
row('  used by more than one file', used.filter((count) => count > 1).length);
row('files of a kind, property, check, target', examples() / 4);
row('non-null assertions', counts.assertions);
row('casts other than const', counts.casts);
row('any', counts.anys);
row('comparisons of a kind', counts.kinds);
console.log('longest functions');
for (const { lines, name, path } of long.sort((one, other) => other.lines - one.lines).slice(0, LISTED))
  row(`  ${name}`, lines, `  ${path}`);
