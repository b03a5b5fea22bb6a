/** How test files are run: two lanes side by side, each file in one of them with servers and browsers of its own. */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

export const mocha = ['mocha', '--exit', '--parallel', '--jobs', '2'];

/** Files that take long though they are short: they go first, so that no lane waits for the other at the end. */
const LONG = ['differential', 'desk', 'access', 'theme', 'structure', 'story', 'validate', 'history'];
const rank = (path) => {
  const at = LONG.findIndex((name) => path.endsWith(`${name}.test.ts`));
  return at < 0 ? LONG.length : at;
};

/** The test files of a folder below `test/`, those that take longest first. */
export function inLanes(folder) {
  return readdirSync(join(root, 'test', folder))
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join('test', folder, name))
    .sort(
      (one, other) =>
        rank(one) - rank(other) || statSync(join(root, other)).size - statSync(join(root, one)).size,
    );
}
