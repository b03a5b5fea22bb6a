/** How test files are run: two lanes side by side, each file in one of them with servers and browsers of its own. */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

export const mocha = ['mocha', '--exit', '--parallel', '--jobs', '2'];

/** Files that take long though they are short: they go first, so that no lane waits for the other at the end. */
const LONG = [
  ...[
    'browser/access',
    'server/backup',
    'server/cli',
    'browser/pages',
    'browser/perview',
    'browser/differential',
  ],
  ...['browser/saving', 'server/folder', 'browser/type', 'browser/overlay', 'browser/sizes'],
  ...['browser/meaning', 'browser/views', 'browser/shelf', 'server/history', 'browser/values'],
  ...['browser/desk', 'browser/sheet', 'browser/theme', 'browser/story', 'server/assets', 'browser/sites'],
  ...['browser/sweep', 'server/publications', 'browser/findings'],
];
const rank = (path) => {
  const at = LONG.findIndex((name) => path.endsWith(`/${name}.test.ts`));
  return at < 0 ? LONG.length : at;
};

/** The test files of folders below `test/`, those that take longest first. */
export function inLanes(...folders) {
  return folders
    .flatMap((folder) => readdirSync(join(root, 'test', folder)).map((name) => join('test', folder, name)))
    .filter((name) => name.endsWith('.test.ts'))
    .sort(
      (one, other) =>
        rank(one) - rank(other) || statSync(join(root, other)).size - statSync(join(root, one)).size,
    );
}
