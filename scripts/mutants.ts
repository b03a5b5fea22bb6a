/**
 * `npm run mutants`: makes single changes at random in a folder — a comparison, a constant, a condition — and lists those that
 * its tests do not notice. `npm run mutants -- 60 7 core/edits` makes 60 changes in `core/edits` from the seed 7; the seed is
 * printed, so that a list can be repeated. A pattern of test files may follow, where all of them would take too long. Each change is made in a copy; the project itself is left alone.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

const root = fileURLToPath(new URL('..', import.meta.url));
const LANES = 2;

/** ms; tests that run longer than this are taken to never end. */
const TIME_LIMIT = 900_000;

/** The folder in which changes are made. */
const room = process.argv[4] ?? 'core';

/** The test files that run for each change. */
const tests = process.argv[5] ?? `test/${room.split('/')[0]}/**/*.test.ts`;

/** A change: the file, where in it, and what stands there before and after. */
interface Mutant {
  file: string;
  line: number;
  start: number;
  end: number;
  from: string;
  to: string;
}

const SWAPS = new Map<ts.SyntaxKind, string>([
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
]);

/** Every change that could be made in a file. */
function mutantsOf(file: string): Mutant[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const made: Mutant[] = [];
  const put = (node: ts.Node, to: string) => {
    const start = node.getStart();
    const { line } = source.getLineAndCharacterOfPosition(start);
    made.push({ file, line: line + 1, start, end: node.getEnd(), from: node.getText(), to });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isImportDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const swap = SWAPS.get(node.operatorToken.kind);
      // Text is put together with +, too; there is nothing to take away.
      const words = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (swap && !words) put(node.operatorToken, swap);
    } else if (ts.isNumericLiteral(node)) put(node, String(Number(node.text) + 1));
    else if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true');
    else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, `(${node.operand.getText()})`);
    if (ts.isIfStatement(node)) put(node.expression, `!(${node.expression.getText()})`);
    if (ts.isConditionalExpression(node)) put(node.condition, `!(${node.condition.getText()})`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return made;
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path) : entry.name.endsWith('.ts') ? [path] : [];
  });

/** Numbers from 0 up to 1 that a seed decides (mulberry32, a public-domain generator; from memory). */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

function copyOfProject(): string {
  const folder = mkdtempSync(join(tmpdir(), 'dimorphe-mutants-'));
  for (const name of [
    ...['api', 'cli', 'core', 'demo', 'docs', 'scripts', 'server', 'test', 'web'],
    ...['package.json', 'package-lock.json', 'tsconfig.json', 'vite.program.config.ts', '.mocharc.json'],
  ])
    cpSync(join(root, name), join(folder, name), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  return folder;
}

/** Whether all tests pass in a copy. */
async function passes(folder: string): Promise<boolean> {
  const child = spawn('npx', ['mocha', '--bail', '--exit', '--timeout', '60000', tests], {
    cwd: folder,
    stdio: 'ignore',
    detached: true,
  });
  // Those that never end do not.
  const timer = setTimeout(() => process.kill(-child.pid!, 'SIGKILL'), TIME_LIMIT);
  const [code] = (await once(child, 'exit')) as [number | null];
  clearTimeout(timer);
  return code === 0;
}

/** Whether the tests notice a change made in a copy. */
async function isNoticed(folder: string, mutant: Mutant): Promise<boolean> {
  const path = join(folder, relative(root, mutant.file));
  const text = readFileSync(mutant.file, 'utf8');
  writeFileSync(path, text.slice(0, mutant.start) + mutant.to + text.slice(mutant.end));
  try {
    return !(await passes(folder));
  } finally {
    writeFileSync(path, text);
  }
}

const [count = 100, seed = Math.floor(Math.random() * 1e6)] = process.argv.slice(2, 4).map(Number);
const random = randomFrom(seed);
const all = filesIn(join(root, room)).sort().flatMap(mutantsOf);
const chosen = Array.from(
  { length: Math.min(count, all.length) },
  () => all.splice(Math.floor(random() * all.length), 1)[0],
);
console.log(
  `${chosen.length} changes of ${chosen.length + all.length} that could be made, from the seed ${seed}`,
);

const folders = Array.from({ length: LANES }, copyOfProject);
// Where they fail as it is, every change would count as noticed.
const sound = await Promise.all(folders.map(passes));
if (sound.includes(false)) {
  console.error('The tests fail in a copy of the project with nothing changed in it. Nothing was tried.');
  process.exit(1);
}

const survivors: Mutant[] = [];
let next = 0;
await Promise.all(
  folders.map(async (folder) => {
    while (next < chosen.length) {
      const mutant = chosen[next++];
      if (!(await isNoticed(folder, mutant))) {
        survivors.push(mutant);
        console.log(
          `not noticed: ${relative(root, mutant.file)}:${mutant.line}  ${mutant.from} → ${mutant.to}`,
        );
      }
    }
    rmSync(folder, { recursive: true, force: true });
  }),
);
console.log(`${chosen.length - survivors.length} of ${chosen.length} were noticed`);
