/**
 * `npm test`: installs what is missing, then type check, lint with the folder rule, measured ratios, and the tests of every main way. `npm run
 * test:long` runs the other tests, `node scripts/test.mjs all` everything. The last line has the totals.
 */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inLanes, mocha, TIERS } from './lanes.mjs';
import { builtInterface, builtProgram, dependencies, root, run } from './prepare.mjs';

/** What tests need of Debian's packages, installed where it is missing. Answers whether it is there. */
function installed(what, packages, present) {
  if (present()) return true;
  console.log(`Installing ${what} …`);
  const prefix = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const apt = (...args) => {
    const [command, ...rest] = [...prefix, 'apt-get', '-y', '-q', ...args];
    return (
      spawnSync(command, rest, {
        stdio: ['ignore', 'ignore', 'inherit'],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    );
  };
  apt('update');
  if (apt('install', '--no-install-recommends', ...packages) && present()) return true;
  console.error(
    `The tests need ${what}. Install the packages ${packages.join(' and ')}, then run npm test again.`,
  );
  return false;
}

/** What failed besides tests, by name. */
const failed = [];

function step(name, command, args, env = {}) {
  console.log(`\n— ${name}`);
  const status = run(command, args, { env: { ...process.env, ...env } });
  return status === 0;
}
function check(name, command, args) {
  if (!step(name, command, args)) failed.push(name);
}

/** Runs a check beside others, and answers its name where it fails. */
const beside = (name, command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit' });
    child.on('close', (status) => resolve(status === 0 ? [] : [name]));
  });

const tier = process.argv[2] ?? 'short';
if (!Object.hasOwn(TIERS, tier))
  throw new Error(`There is no tier of tests “${tier}”, only ${Object.keys(TIERS).join(', ')}.`);

dependencies();
const browser = installed(
  'Chromium and its driver',
  ['chromium', 'chromium-driver'],
  () => existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver'),
);
const postgres = installed('PostgreSQL', ['postgresql'], () => existsSync('/usr/lib/postgresql'));
builtProgram();
builtInterface();
/** What is looked at without running the program. */
async function staticChecks() {
  console.log('\n— Types, lint, and arrows between the folders');
  const folders = ['core', 'api', 'server', 'web', 'cli', 'demo', 'test', 'scripts'];
  const checked = await Promise.all([
    // Most of what lint makes is soon of no use: with more room for that less is spent on looking what still is.
    beside('Lint', process.execPath, [
      '--max-semi-space-size=128',
      join('node_modules', 'eslint', 'bin', 'eslint.js'),
      '.',
    ]),
    beside('Types', 'npx', ['tsc']).then(async (types) => [
      ...types,
      ...(await beside('Arrows between the folders', 'npx', [
        'depcruise',
        ...folders,
        '--config',
        '.dependency-cruiser.cjs',
      ])),
    ]),
  ]);
  failed.push(...checked.flat());

  check('Ratios that must not get worse', 'node', ['--import=tsx', 'benchmarks/run.ts', '--ratios']);
}
if (tier !== 'long') await staticChecks();

const suites = ['core', 'web', 'server', ...(browser ? ['browser'] : [])];
const file = join(mkdtempSync(join(tmpdir(), 'dimorphe-totals-')), 'totals.json');
const ended = step(
  'Tests',
  'npx',
  [...mocha, '--reporter', './test/reporter.cjs', ...inLanes(tier, ...suites)],
  {
    DIMORPHE_TOTALS: file,
  },
);
const totals = existsSync(file)
  ? JSON.parse(readFileSync(file, 'utf8'))
  : { passes: 0, failures: 0, pending: 0, faults: [], took: {} };
const whole = totals.passes + totals.failures > 0 && totals.pending === 0 && (ended || totals.failures > 0);
if (!whole) failed.push('The tests did not all run.');
if (!browser) failed.push('The browser tests could not run.');
if (!postgres) failed.push('The tests with a PostgreSQL server could not run.');
const longest = Object.entries(totals.took)
  .sort(([, one], [, other]) => other - one)
  .slice(0, 25);
console.log('\nLongest files, in seconds of their tests');
for (const [name, ms] of longest) console.log(`${String(Math.round(ms / 1000)).padStart(6)}  ${name}`);
// What went wrong is said once more at the end. Every step that failed otherwise than by a test counts as one failure.
for (const fault of [...totals.faults, ...failed]) console.error(`\n✘ ${fault}`);
const failures = totals.failures + failed.length;
console.log(`\n${totals.passes} passed, ${failures} failed`);
process.exitCode = failures > 0 ? 1 : 0;
