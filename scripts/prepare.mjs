/** What both commands need first: the locked dependencies and a built interface. Only Node itself is used here. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return result.status ?? 1;
}

function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}

/** Installs the locked dependencies when they are missing or another lock file was installed. */
export function dependencies() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Dimorphe needs Node 20.19 or newer; this is ${process.version}.`);
  const stamp = join(root, 'node_modules', '.dimorphe-lock');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('Installing the dependencies …');
  if (run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']) !== 0) {
    stop(
      'The dependencies could not be installed. Look at the lines above; a registry that cannot be reached is the usual cause.',
    );
  }
  writeFileSync(stamp, wanted);
}

function newest(path) {
  const found = statSync(path);
  if (!found.isDirectory()) return found.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** The folder of extensions that is built in (docs/extending.md); empty where there is none. */
const extensions = process.env.EXTENSIONS ? resolve(process.env.EXTENSIONS) : '';

/** Where it is noted with which extensions something was built. */
const builtWith = (folder) => join(root, folder, '.extensions');

/** Whether something was built after the last change of all its sources, and with the same extensions. */
function isFresh(target, sources) {
  const path = join(root, target);
  const note = builtWith(target.split('/')[0]);
  if (!existsSync(path) || (existsSync(note) ? readFileSync(note, 'utf8') : '') !== extensions) return false;
  const read = sources.map((name) => newest(join(root, name)));
  return statSync(path).mtimeMs > Math.max(...read, extensions ? newest(extensions) : 0);
}

/** Builds the interface when a source is newer than what was built. */
export function builtInterface() {
  if (
    isFresh('dist/index.html', [
      'web',
      'core',
      'api',
      'vite.config.ts',
      'vite.extensions.ts',
      'package-lock.json',
    ])
  )
    return;
  console.error('Building the interface …');
  if (run('npx', ['vite', 'build', '--logLevel', 'warn']) !== 0)
    stop('The interface could not be built; the lines above say why.');
  writeFileSync(builtWith('dist'), extensions);
}

/** Builds the server and the command line where a source is newer, beside what may be running, and puts it in its place when it is whole. */
export function builtProgram() {
  const sources = [
    'server',
    'cli',
    'core',
    'api',
    'demo',
    'vite.program.config.ts',
    'vite.extensions.ts',
    'package-lock.json',
  ];
  if (isFresh('built/server/main.js', sources)) return;
  console.error('Building the program …');
  const draft = join(root, `built-${process.pid}`);
  const vite = [join('node_modules', 'vite', 'bin', 'vite.js'), 'build', '--logLevel', 'error'];
  if (run(process.execPath, [...vite, '--config', 'vite.program.config.ts', '--outDir', draft]) !== 0) {
    rmSync(draft, { recursive: true, force: true });
    stop('The program could not be built; the lines above say why.');
  }
  writeFileSync(join(draft, '.extensions'), extensions);
  const place = join(root, 'built');
  const old = `${draft}-old`;
  if (existsSync(place)) renameSync(place, old);
  try {
    renameSync(draft, place);
  } catch (error) {
    rmSync(draft, { recursive: true, force: true });
    // Another has built it of the same sources meanwhile.
    if (!existsSync(place)) throw error;
  }
  rmSync(old, { recursive: true, force: true });
}

/**
 * What the program is started with: glibc gives every thread that makes images memory of its own and does not undo it
 * (mallopt(3), M_ARENA_MAX); 100 images of 12 megapixels then took 1.3 GB in place of 0.7.
 */
const environment = JSON.parse(readFileSync(join(root, 'scripts', 'environment.json'), 'utf8'));

/** Runs a program until it ends, passes signals on to it, and ends as it did. */
export async function serve(args) {
  const { spawn } = await import('node:child_process');
  const child = spawn(process.execPath, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...environment, ...process.env },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
}
