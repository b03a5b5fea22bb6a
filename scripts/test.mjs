/** `npm test`: installs what is missing, then type check, lint with the folder rule, measured ratios, and all tests. The last line has the totals. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inLanes, mocha } from './lanes.mjs';
import { built, dependencies, run } from './prepare.mjs';

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

dependencies();
const browser = installed(
  'Chromium and its driver',
  ['chromium', 'chromium-driver'],
  () => existsSync('/usr/bin/chromium') && existsSync('/usr/bin/chromedriver'),
);
const postgres = installed('PostgreSQL', ['postgresql'], () => existsSync('/usr/lib/postgresql'));
built();
check('Types', 'npx', ['tsc']);
check('Lint', 'npx', ['eslint', '.']);
check('Arrows between the folders', 'npx', [
  'depcruise',
  'core',
  'api',
  'server',
  'web',
  'cli',
  'demo',
  'test',
  'scripts',
  '--config',
  '.dependency-cruiser.cjs',
]);

check('Ratios that must not get worse', 'node', ['--import=tsx', 'benchmarks/run.ts', '--ratios']);

const totals = { passes: 0, failures: 0 };
const faults = [];
const suites = ['core', 'web', 'server', ...(browser ? ['browser'] : [])];
const folder = mkdtempSync(join(tmpdir(), 'dimorphe-totals-'));
for (const name of suites) {
  const file = join(folder, `${name}.json`);
  const ended = step(
    `Tests: ${name}`,
    'npx',
    [...mocha, '--reporter', './test/reporter.cjs', ...inLanes(name)],
    {
      DIMORPHE_TOTALS: file,
    },
  );
  const found = existsSync(file)
    ? JSON.parse(readFileSync(file, 'utf8'))
    : { passes: 0, failures: 0, pending: 0, faults: [] };
  totals.passes += found.passes;
  totals.failures += found.failures;
  faults.push(...found.faults);
  const whole = found.passes + found.failures > 0 && found.pending === 0 && (ended || found.failures > 0);
  if (!whole) failed.push(`The ${name} tests did not all run.`);
}
if (!browser) failed.push('The browser tests could not run.');
if (!postgres) failed.push('The tests with a PostgreSQL server could not run.');
// What went wrong is said once more at the end. Every step that failed otherwise than by a test counts as one failure.
for (const fault of [...faults, ...failed]) console.error(`\n✘ ${fault}`);
const failures = totals.failures + failed.length;
console.log(`\n${totals.passes} passed, ${failures} failed`);
process.exitCode = failures > 0 ? 1 : 0;
