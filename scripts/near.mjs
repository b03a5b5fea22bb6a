/**
 * `npm run test:near`: types, lint and the tests near what has changed since a commit (`npm run test:near -- main~3`; without
 * one, what is not committed yet). Which tests reach a file is asked of the imports; tests in the browser are chosen by folder.
 */
import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { inLanes, mocha } from './lanes.mjs';
import { builtInterface, builtProgram, dependencies, root, run } from './prepare.mjs';

/** Tests in the browser by the folders whose change they would notice first. */
const BROWSER = {
  'web/workbench/desk': ['desk', 'sheet'],
  'web/page': ['sheet', 'desk'],
  'web/workbench/text': ['content'],
  'web/workbench/editors': ['values'],
  'web/values': ['values', 'several'],
  'web/workbench/ledger/table': ['values', 'several'],
  'web/workbench/ledger/outline': ['structure', 'several'],
  'web/workbench/ledger/theme': ['theme'],
  'web/workbench/ledger/content': ['content'],
  'web/state': ['saving', 'windows'],
  'server/http': ['saving', 'windows'],
  'core/edits': ['structure', 'saving'],
  'core/compile': ['differential', 'sheet'],
  'core/elements': ['differential'],
};

const since = process.argv[2] ?? 'HEAD';
const git = (...args) =>
  execFileSync('git', args, { cwd: root, encoding: 'utf8' }).split('\n').filter(Boolean);
const changed = [...git('diff', '--name-only', since), ...git('ls-files', '--others', '--exclude-standard')];

dependencies();
builtProgram();
builtInterface();
let status =
  run('npx', ['tsc']) +
  run('npx', ['eslint', ...changed.filter((name) => /\.(ts|tsx|mjs)$/.test(name) && existsSync(name))]);

/** Test files from which a changed file can be reached by imports. */
function reaching() {
  const graph = JSON.parse(
    execFileSync(
      'npx',
      [
        'depcruise',
        'core',
        'api',
        'server',
        'web',
        'cli',
        'demo',
        'test',
        '--config',
        '.dependency-cruiser.cjs',
        '--output-type',
        'json',
      ],
      {
        cwd: root,
        encoding: 'utf8',
        maxBuffer: 200_000_000,
      },
    ),
  );
  const importers = new Map();
  for (const { source, dependencies: needs } of graph.modules)
    for (const { resolved } of needs) importers.set(resolved, [...(importers.get(resolved) ?? []), source]);
  const seen = new Set(changed);
  for (const name of seen) {
    // Everything reaches all of core through its index: there the folder says what is near.
    if (name === 'core/index.ts' && !changed.includes(name)) continue;
    (importers.get(name) ?? []).forEach((each) => seen.add(each));
  }
  return [...seen].filter((name) => name.endsWith('.test.ts'));
}

const browser = new Set(
  Object.entries(BROWSER)
    .filter(([folder]) => changed.some((name) => name.startsWith(`${folder}/`)))
    .flatMap(([, names]) => names),
);
const coreChanged = changed.some((name) => name.startsWith('core/'));
const files = new Set([
  ...reaching(),
  ...(coreChanged ? inLanes('all', 'core') : []),
  ...[...browser].map((name) => `test/browser/${name}.test.ts`),
]);
const there = [...files].filter((name) => existsSync(name));
console.log(
  there.length > 0 ? `\nTests near the change:\n  ${there.join('\n  ')}` : '\nNo test is near the change.',
);
if (there.length > 0) status += run('npx', [...mocha, ...there]);
process.exitCode = status > 0 ? 1 : 0;
