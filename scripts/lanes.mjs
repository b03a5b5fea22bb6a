/** How test files are run: two lanes side by side, each file in one of them with servers and browsers of its own. */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

export const mocha = ['mocha', '--exit', '--parallel', '--jobs', '2'];

/**
 * What `npm test` leaves to `npm run test:long`: kills, backups, generated sites, comparisons to the pixel, and ways that are gone seldom. Those that take
 * longest come first, so that no lane waits for the other at the end.
 */
const LONG = [
  ...[
    'browser/focus',
    'browser/meaning',
    'browser/access',
    'server/backup',
    'browser/publications',
    'browser/views',
  ],
  ...['browser/differential', 'server/folder', 'browser/sizes', 'browser/shelf', 'browser/sweep'],
  ...['browser/video', 'browser/arrange', 'server/cli', 'browser/perview', 'server/history'],
  ...['server/assets', 'browser/declarations', 'server/messagesfromone', 'browser/overlay', 'browser/links'],
  ...['browser/shared', 'server/upgrade', 'browser/linked', 'browser/type', 'browser/twosites'],
  ...['server/postgres', 'browser/audience', 'browser/offering', 'browser/edges', 'browser/overview'],
  ...['server/outages', 'browser/textsizes', 'browser/colours', 'browser/zoom', 'browser/memory'],
  ...['server/collecting', 'browser/standards', 'browser/extending', 'browser/contrast', 'browser/downloads'],
];

/** Of the others, those that take longest though they are short. */
const FIRST = ['browser/pages', 'browser/values', 'browser/windows', 'browser/findings', 'browser/theme'];

const nameOf = (path) => path.replace(/^test\//, '').replace(/\.test\.ts$/, '');
const ORDER = [...LONG, ...FIRST];
const rank = (path) => {
  const at = ORDER.indexOf(nameOf(path));
  return at < 0 ? ORDER.length : at;
};

/** The tiers of tests: what `npm test` runs, the rest, or both. */
export const TIERS = {
  short: (path) => !LONG.includes(nameOf(path)),
  long: (path) => LONG.includes(nameOf(path)),
  all: () => true,
};

/** The test files of a tier in folders below `test/`, those that take longest first. */
export function inLanes(tier, ...folders) {
  return folders
    .flatMap((folder) => readdirSync(join(root, 'test', folder)).map((name) => join('test', folder, name)))
    .filter((name) => name.endsWith('.test.ts') && TIERS[tier](name))
    .sort(
      (one, other) =>
        rank(one) - rank(other) || statSync(join(root, other)).size - statSync(join(root, one)).size,
    );
}
